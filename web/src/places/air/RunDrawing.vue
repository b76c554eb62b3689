<script setup lang="ts">
// One wheel's duct from the nose to the disc, to scale: the width of the stream by what flows, the pressure along it. A piece
// is dragged longer, or stepped to the next hose; the run of what it is compared with stands behind it.
import { useElementSize } from "@vueuse/core";
import { computed, ref, useTemplateRef } from "vue";
import type { DuctFlow } from "@/api/client";
import { fieldAt, wordAt } from "@/documents/schema";
import { show } from "@/units/units";
import { useAir } from "@/workbench/air";
import { useWorkbench } from "@/workbench/workbench";
import EyeSection from "./EyeSection.vue";
import PressureLine from "./PressureLine.vue";
import { layOut, PRESSURE, type Segment } from "./runLayout";

const props = defineProps<{ flow: DuctFlow; ghost: DuctFlow | null }>();
const workbench = useWorkbench();
const air = useAir();
const HEAD = 40;
const ROOM = { left: 62, right: 200, top: 48, bottom: 24 };
const figure = useTemplateRef<HTMLElement>("figure");
const { width, height } = useElementSize(figure);
const WIDTH = computed(() => Math.max(420, width.value));
const HEIGHT = computed(() => Math.max(150, height.value - HEAD - PRESSURE.all));
const inner = computed(() => ({
  wide: WIDTH.value - ROOM.left - ROOM.right,
  high: HEIGHT.value - ROOM.top - ROOM.bottom,
}));

const run = computed(() => layOut(props.flow.pieces));
const before = computed(() =>
  props.ghost?.fitted && props.ghost.pieces.length ? layOut(props.ghost.pieces) : null,
);
const scale = computed(() => {
  const { box } = run.value;
  const wide = inner.value.wide / Math.max(0.2, box.right - box.left);
  const high = inner.value.high / Math.max(0.1, box.bottom - box.top);
  return Math.min(wide, high, 900);
});
const origin = computed(() => {
  const { box } = run.value;
  const high = (box.bottom - box.top) * scale.value;
  const spare = inner.value.high - high;
  return { x: ROOM.left - box.left * scale.value, y: ROOM.top + spare / 2 - box.top * scale.value };
});
const placed = computed(() => `translate(${origin.value.x} ${origin.value.y}) scale(${scale.value})`);
/** In m of the drawing for each kg/s: the widest stream just fits its hose. */
const widthOf = computed(() => {
  const all = [...props.flow.pieces, ...(props.ghost?.pieces ?? [])];
  const most = Math.max(...all.map((one) => Math.abs(one.flow) / one.bore), 1e-9);
  return 0.86 / most;
});
const end = computed(() => ({
  x: origin.value.x + run.value.end.x * scale.value,
  y: origin.value.y + run.value.end.y * scale.value,
}));
const px = (point: { x: number; y: number }) => ({
  x: origin.value.x + point.x * scale.value,
  y: origin.value.y + point.y * scale.value,
});
const words = (segment: Segment): string => {
  const { piece } = segment;
  if (piece.angle > 0) return `${show(piece.angle, "angle")}`;
  if (piece.name === "Split") return "";
  const many = piece.hoses > 1.5 ? `${piece.hoses.toFixed(0)} × ` : "";
  return `${many}${show(piece.bore, "hose")}, ${show(piece.metres, "distance")}`;
};
const drawn = computed(() => run.value.segments.filter((one) => one.piece.place !== null));
/** Words of a hose stand under it, those of a bend over it; where there is no room beside the last ones, a line further. */
const labels = computed(() => {
  const free = { over: [-Infinity], under: [-Infinity, -Infinity] };
  return drawn.value.flatMap((one) => {
    const { from, to, piece } = one;
    const bends = piece.angle > 0;
    const middle = px({ x: (from.x + to.x) / 2, y: bends ? Math.min(from.y, to.y) : from.y });
    const half = (3 * (piece.name.length + words(one).length) + 8) as number;
    const ends = bends ? free.over : free.under;
    const row = ends.findIndex((end) => middle.x - half > end);
    if (row < 0) return [];
    ends[row] = middle.x + half;
    const away = (piece.bore / 2) * scale.value;
    return [{ one, x: middle.x, y: bends ? middle.y - away - 7 : middle.y + away + 15 + 14 * row }];
  });
});
/** In the longest hose, where there is room for it. */
const inside = computed(() => {
  const longest = [...drawn.value]
    .filter((one) => one.piece.angle === 0)
    .sort((one, other) => other.piece.metres - one.piece.metres)[0];
  if (!longest || longest.piece.metres * scale.value < 110) return null;
  const { x, y } = px({ x: (longest.from.x + longest.to.x) / 2, y: longest.from.y });
  return { x, y: y + 4.5, piece: longest.piece };
});
const mouth = computed(() => props.flow.pieces[0]);
const mouthWide = computed(() => {
  if (!air.duct || !mouth.value) return 0;
  return Math.max(mouth.value.bore * 1.15, Math.sqrt(air.duct.opening.area) * 1.25) * scale.value;
});

const bounds = computed(() => fieldAt(lengthPath(0)).bounds);
// Dragged: along the way in which the piece goes.
const dragged = ref<{ place: number; x: number; length: number; perPx: number } | null>(null);
let pull = 0;
const lengthPath = (place: number): string => `${air.path}.pieces.${place}.length`;
const lengthOf = (place: number): number => air.duct!.pieces[place]!.length!;
const within = (value: number, [least, most]: [number, number]): number =>
  Math.min(most, Math.max(least, value));
/** To the centimetre. */
const asLong = (length: number, place: number): number =>
  within(Math.round(length * 100) / 100, fieldAt(lengthPath(place)).bounds);
function grab(event: PointerEvent, segment: Segment): void {
  const place = segment.piece.place;
  if (place === null || segment.piece.angle > 0) return;
  (event.currentTarget as Element).setPointerCapture(event.pointerId);
  dragged.value = { place, x: event.clientX, length: lengthOf(place), perPx: 1 / scale.value };
  pull += 1;
}
/** The scale of the drawing changes as a piece grows: a drag uses the scale at which it began. */
function drag(event: PointerEvent): void {
  const held = dragged.value;
  if (!held) return;
  const length = asLong(held.length + (event.clientX - held.x) * held.perPx, held.place);
  if (Math.abs(length - lengthOf(held.place)) > 0.004)
    void workbench.edit(lengthPath(held.place), length, `duct ${held.place} ${pull}`);
}
function step(event: KeyboardEvent, segment: Segment): void {
  const place = segment.piece.place;
  const piece = place === null ? undefined : air.duct?.pieces[place];
  if (place === null || !piece) return;
  const by = { ArrowRight: 1, ArrowLeft: -1 }[event.key];
  const to = { ArrowUp: 1, ArrowDown: -1 }[event.key];
  if (!by && !to) return;
  event.preventDefault();
  if (to) {
    const path = `${air.path}.pieces.${place}.bore`;
    const others = fieldAt(path).sizes.filter((bore) => to * (bore - piece.bore!) > 1e-4);
    const bore = to > 0 ? others[0] : others.at(-1);
    if (bore) void workbench.edit(path, bore);
  } else if (by && segment.piece.angle > 0) {
    const path = `${air.path}.pieces.${place}.angle`;
    void workbench.edit(path, within(piece.angle! + (by * Math.PI) / 12, fieldAt(path).bounds));
  } else if (by) {
    const metres = (event.shiftKey ? 0.25 : 0.05) * by;
    void workbench.edit(lengthPath(place), asLong(lengthOf(place) + metres, place));
  }
}
/** What answers to a finger: the piece with its bore all round. */
function around({ from, to, piece }: Segment) {
  const by = Math.max(piece.bore / 2, 14 / scale.value);
  const top = Math.min(from.y, to.y) - by;
  return { x: from.x, y: top, width: to.x - from.x, height: Math.abs(to.y - from.y) + 2 * by };
}
const says = (segment: Segment): string =>
  `${segment.piece.name}, ${words(segment)}, loses ${show(segment.piece.loss, "air pressure")}`;
</script>

<template>
  <figure ref="figure">
    <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT + PRESSURE.all}`" role="group" aria-label="The run, nose to disc">
      <g v-if="before" :transform="placed" class="ghost" aria-hidden="true">
        <path v-for="one in before.segments" :key="one.index" :d="one.d" :stroke-width="one.piece.bore" />
      </g>
      <g :transform="placed">
        <g
          v-for="one in drawn"
          :key="one.index"
          class="piece"
          :class="{ fixed: one.piece.angle > 0 }"
          role="slider"
          tabindex="0"
          :aria-label="one.piece.name"
          :aria-valuetext="says(one)"
          :aria-valuenow="one.piece.metres"
          :aria-valuemin="bounds[0]"
          :aria-valuemax="bounds[1]"
          :data-piece="one.piece.place"
          @keydown="step($event, one)"
          @pointerdown="grab($event, one)"
          @pointermove="drag"
          @pointerup="dragged = null"
          @pointercancel="dragged = null"
        >
          <rect class="hit" v-bind="around(one)" />
          <path class="wall" :d="one.d" :stroke-width="one.piece.bore + 2.4 / scale" />
          <path class="inside" :d="one.d" :stroke-width="one.piece.bore" />
          <path
            class="stream"
            :d="one.d"
            :stroke-width="Math.max(1.5 / scale, Math.abs(one.piece.flow) * widthOf)"
          />
        </g>
      </g>
      <!-- The opening: as wide as its area makes it. -->
      <path
        class="mouth"
        :d="`M${origin.x - 26} ${origin.y - mouthWide / 2}q10 ${(mouthWide - (mouth?.bore ?? 0) * scale) / 2} 26 ${(mouthWide - (mouth?.bore ?? 0) * scale) / 2}v${(mouth?.bore ?? 0) * scale}q-16 0 -26 ${(mouthWide - (mouth?.bore ?? 0) * scale) / 2}z`"
      />
      <text :x="origin.x - 26" :y="14" class="name">Opening</text>
      <text v-if="air.duct" :x="origin.x - 26" :y="28" class="words">
        {{ show(air.duct.opening.area, "opening area") }},
        {{ wordAt(`${air.path}.opening.place`, air.duct.opening.place!) }}
      </text>
      <text
        v-for="{ one, x, y } in labels"
        :key="`t${one.index}`"
        :x="x"
        :y="y"
        text-anchor="middle"
        class="words"
      >
        <tspan class="name">{{ one.piece.name }}</tspan>
        {{ words(one) }}
      </text>
      <text v-if="inside" :x="inside.x" :y="inside.y" text-anchor="middle" class="flow">
        {{ show(inside.piece.flow, "air flow") }} ·
        {{ show(inside.piece.speed, "stream speed") }}
      </text>
      <EyeSection :flow="flow" :at="end" :scale="scale" :room="HEIGHT" />
      <PressureLine
        :flow="flow"
        :left="ROOM.left"
        :wide="inner.wide + 60"
        :transform="`translate(0 ${HEIGHT})`"
      />
    </svg>
    <figcaption class="label">
      Drag a hose longer or shorter; by key ← → its length, ↑ ↓ its bore; a bend ← → its angle. Stretched out,
      to scale; the stream is as wide as what flows.
    </figcaption>
  </figure>
</template>

<style scoped src="./drawing.css"></style>
<style scoped>
figure {
  display: flex;
  flex-direction: column;
  margin: 0;
  min-height: 0;
}
svg {
  display: block;
  flex: 1;
  max-height: 100%;
  min-height: 0;
  width: 100%;
}
path {
  fill: none;
}
.ghost path {
  opacity: 0.55;
  stroke: var(--rule);
}
.hit {
  fill: transparent;
}
.wall {
  stroke: var(--ink);
}
.inside {
  stroke: var(--paper);
}
.stream {
  stroke: var(--front-wash);
}
.rear .stream {
  stroke: var(--rear-wash);
}
.piece {
  cursor: ew-resize;
  touch-action: none;
}
.piece.fixed {
  cursor: default;
}
.piece:focus-visible {
  outline: none;
}
.piece:focus-visible .wall {
  stroke: var(--focus);
}
.piece:hover .inside {
  stroke: var(--tint);
}
.mouth {
  fill: var(--front-wash);
  stroke: var(--ink);
}
.rear .mouth {
  fill: var(--rear-wash);
}
.flow {
  font-weight: 600;
  pointer-events: none;
}
</style>
