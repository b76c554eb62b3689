"""Finds words that lie over each other or are cut on a page, as a user would see them."""

from playwright.sync_api import Page

# ruff: noqa: E501
# Every piece of text that can be seen, as the rectangles of its lines, and what hides part of it.
_LOOK = """
() => {
  const faults = [];
  const boxes = [];
  const seen = (el) => {
    // Not in a part that is folded.
    if (el.checkVisibility && !el.checkVisibility({visibilityProperty: true})) return false;
    for (let at = el; at; at = at.parentElement) {
      const style = getComputedStyle(at);
      if (style.visibility === 'hidden' || style.display === 'none' || Number(style.opacity) === 0) return false;
      if (at.classList?.contains('away') || at.closest('.p-hidden-accessible, [aria-hidden=true].chart')) return false;
    }
    return true;
  };
  // Where the page itself may be scrolled to what is hidden, nothing is cut.
  const clip = (el) => {
    const box = {left: -1e6, top: -1e6, right: 1e6, bottom: 1e6};
    let aside = false;
    const inSvg = el.closest('svg');
    for (let at = el; at && at !== document.body; at = at.parentElement) {
      const style = getComputedStyle(at);
      if (at instanceof SVGElement && at !== inSvg) continue;
      const x = style.overflowX, y = style.overflowY;
      if (x === 'visible' && y === 'visible') continue;
      const rect = at.getBoundingClientRect();
      const scrolls = /(auto|scroll)/;
      // Shortened to some lines, but whole in its title.
      if (style.webkitLineClamp !== 'none' && at.closest('[title]')) {
        box.shownTop = Math.max(box.shownTop ?? -1e6, rect.top);
        box.shownBottom = Math.min(box.shownBottom ?? 1e6, rect.bottom);
        continue;
      }
      // A list of several lines may be scrolled; a line may not run out of sight to the side.
      if (x !== 'visible' && !aside) {
        const says = at.dataset.scrolls === '' || (at.dataset.scrolls === 'phone' && innerWidth < 760);
        if (scrolls.test(x) && at.scrollWidth > at.clientWidth && says) {
          aside = true;
          box.seenLeft = rect.left; box.seenRight = rect.right;
        } else { box.left = Math.max(box.left, rect.left); box.right = Math.min(box.right, rect.right); }
      }
      if (y !== 'visible') {
        if (scrolls.test(y)) { box.shownTop = Math.max(box.shownTop ?? -1e6, rect.top);
          box.shownBottom = Math.min(box.shownBottom ?? 1e6, rect.bottom); }
        else { box.top = Math.max(box.top, rect.top); box.bottom = Math.min(box.bottom, rect.bottom); }
      }
    }
    if (!aside) { box.left = Math.max(box.left, 0); box.right = Math.min(box.right, innerWidth); }
    return box;
  };
  const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
  const range = document.createRange();
  for (let node = walker.nextNode(); node; node = walker.nextNode()) {
    const text = node.textContent.trim();
    const el = node.parentElement;
    if (!text || !el || ['SCRIPT', 'STYLE', 'OPTION', 'TITLE', 'DESC', 'NOSCRIPT'].includes(el.tagName.toUpperCase())) continue;
    if (!seen(el)) continue;
    range.selectNodeContents(node);
    const limits = clip(el);
    for (const rect of range.getClientRects()) {
      if (rect.width < 2 || rect.height < 2) continue;
      if (rect.right <= (limits.seenLeft ?? -1e6) + 2 || rect.left >= (limits.seenRight ?? 1e6) - 2) continue;
      const shownTop = limits.shownTop ?? -1e6, shownBottom = limits.shownBottom ?? 1e6;
      if (rect.bottom <= shownTop + 2 || rect.top >= shownBottom - 2) continue;
      const over = Math.max(limits.left - rect.left, rect.right - limits.right);
      const off = Math.max(limits.top - rect.top, rect.bottom - limits.bottom);
      if (over > 2) faults.push(`cut at the side by ${Math.round(over)} px: “${text.slice(0, 50)}”`);
      else if (off > 4) faults.push(`cut above or below by ${Math.round(off)} px: “${text.slice(0, 50)}”`);
      // The height of a line is more than that of its letters.
      const trim = rect.height * 0.2;
      const top = Math.max(rect.top + trim, shownTop), bottom = Math.min(rect.bottom - trim, shownBottom);
      if (bottom > top) boxes.push({text, el, left: Math.max(rect.left, limits.seenLeft ?? -1e6),
        right: Math.min(rect.right, limits.seenRight ?? 1e6), top, bottom});
    }
  }
  for (const input of document.querySelectorAll('input:not([type=checkbox]):not([type=radio]):not([type=file]):not([type=range])')) {
    if (!seen(input) || !input.value) continue;
    if (input.scrollWidth > input.clientWidth + 2) faults.push(`cut in its field: “${input.value.slice(0, 50)}”`);
  }
  for (const chart of document.querySelectorAll('figure .chart')) {
    const drawing = chart.querySelector('svg, canvas');
    if (seen(chart) && chart.clientWidth && (drawing?.getBoundingClientRect().height ?? 0) < 60) faults.push('a chart without height');
  }
  const pen = document.createElement('canvas').getContext('2d');
  for (const select of document.querySelectorAll('select')) {
    if (!seen(select) || !select.selectedOptions.length) continue;
    const style = getComputedStyle(select);
    pen.font = `${style.fontWeight} ${style.fontSize} ${style.fontFamily}`;
    const text = select.selectedOptions[0].text;
    // Its arrow takes about 20 px.
    const over = pen.measureText(text).width + 20 - select.clientWidth;
    if (over > 1) faults.push(`cut in its choice by ${Math.round(over)} px: “${text}”`);
  }
  const floating = (el) => el.closest('[data-floating], .p-dialog, .p-menu, .p-select-overlay');
  for (let one = 0; one < boxes.length; one++) for (let two = one + 1; two < boxes.length; two++) {
    const a = boxes[one], b = boxes[two];
    if (a.el === b.el || a.el.contains(b.el) && a.text === b.text) continue;
    if (floating(a.el) !== floating(b.el)) continue;
    const wide = Math.min(a.right, b.right) - Math.max(a.left, b.left);
    const high = Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top);
    if (wide > 2 && high > 2) faults.push(`“${a.text.slice(0, 40)}” lies over “${b.text.slice(0, 40)}” (${Math.round(wide)} by ${Math.round(high)} px)`);
  }
  if (document.documentElement.scrollWidth > innerWidth + 1)
    faults.push(`the page is ${document.documentElement.scrollWidth} px wide in a window of ${innerWidth}`);
  return [...new Set(faults)];
}
"""


def layout_faults(page: Page) -> list[str]:
    """What lies over something else or is cut, in words; none on a page that is laid out well.

    A part that scrolls up and down hides nothing; one that scrolls to the side must say so with `data-scrolls`.
    """
    found: list[str] = page.evaluate(_LOOK)
    return found
