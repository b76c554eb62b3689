"""What to try before a duct, or together with it: fluid, pads, the shield."""

from collections.abc import Iterator, Sequence
from typing import Any, NamedTuple

from pydantic import ValidationError

from plimbo.core.documents import PadMaterial, Shielding
from plimbo.core.quantities.axles import AXLES
from plimbo.core.quantities.cancellation import Wanted, raise_if_cancelled
from plimbo.core.quantities.phrases import Phrase, phrase
from plimbo.core.search.ducts.answers import DuctRow, Holds
from plimbo.core.search.ducts.duct_runs import DuctCase, better_fluid, by_heat, session_result, worse_findings
from plimbo.core.search.ducts.together import any_session_bad, short_fluid
from plimbo.core.search.ducts.ways import DuctWay
from plimbo.core.search.session_heat.candidates import hotter_pads, pads_of


class First(NamedTuple):
    """A change to try before a duct, or with it; `words` and `fluid` say what it does."""

    title: str = ""
    word: str = ""
    patch: dict[str, Any] | None = None
    words: Phrase | None = None
    fluid: Phrase | None = None


def before_any_duct(
    setting: DuctCase, rows: list[DuctRow], ways: list[DuctWay], answer: int | None, wanted: Wanted
) -> First:
    """Pads or a shield that make a duct unnecessary; where no duct is enough, pads that make one enough. Fresh fluid
    comes with it where the fluid is short.
    """
    found = _instead(setting, rows, ways, answer, wanted)
    if found.patch is None and answer is None:
        return found
    patch = rows[answer].patch if found.patch is None and answer is not None else found.patch or {}
    short = short_fluid(setting.with_values(patch))
    if not short:
        return found
    if found.patch is None and answer is not None and (answer == 0 or rows[answer].fitted):
        duct = "no duct" if answer == 0 else "the duct stays"
        words = phrase(f"The fluid is what is short: {short}. Fresh race fluid; {duct}.")
        return First("Fresh race fluid", "Fluid first", better_fluid(setting.setup), words)
    title = found.title or f"{rows[answer or 0].title} ducts"
    words = phrase(f"The fluid is short with it: {short}. Fresh race fluid goes in at the same time.")
    whole = patch | better_fluid(setting.setup)
    return First(f"{title}, fresh race fluid", found.word or "A duct and fluid", whole, found.words, words)


def _instead(setting: DuctCase, rows: list[DuctRow], ways: list[DuctWay], answer: int | None, wanted: Wanted) -> First:
    if answer == 0:
        return First()
    # The hottest session first: most candidates fail there.
    order = sorted(range(len(rows[0].sessions)), key=lambda at: -rows[0].sessions[at].peak)
    if answer is None:
        return _pads_with_a_duct(setting, ways, order, wanted)
    ducted = setting.with_values(rows[answer].patch)
    for title, patch in _pads(setting):
        raise_if_cancelled(wanted)
        if _as_good_as(ducted, _made(setting, ways[0].patch | patch), order):
            words = phrase(f"{title} would do without a duct: cheaper, nothing to chafe. {_LOOK_AT}")
            return First(title, "Pads first", ways[0].patch | patch, words)
    shield = _without_shield(setting)
    if shield and _as_good_as(ducted, _made(setting, ways[0].patch | shield), order):
        words = phrase(
            "Without the plate at its inner face it would do without a duct. Heat and stones then come to boots and"
            " ball joints: wrap them."
        )
        return First("Shield taken off", "Shield first", ways[0].patch | shield, words)
    return First()


_LOOK_AT = "They work hotter: less bite in the first lap. Enter μ from the pad maker and check the balance."


def _pads_with_a_duct(setting: DuctCase, ways: list[DuctWay], order: Sequence[int], wanted: Wanted) -> First:
    """The first that leaves no session bad, with fresh fluid; otherwise the first that cools the discs enough."""
    found = First()
    for title, patch in _pads(setting):
        for way in [one for one in ways if one.size]:
            raise_if_cancelled(wanted)
            made = _made(setting, way.patch | patch)
            if not made or not _holds_by_heat(made, order):
                continue
            words = phrase(f"{title}, with ducts of {way.title}: the discs stay where they bite. {_LOOK_AT}")
            this = First(f"{title}, {way.title} ducts", "Pads first", way.patch | patch, words)
            if not any_session_bad(made.with_values(better_fluid(setting.setup))):
                return this
            found = found if found.patch else this
            break
    return found


def _as_good_as(ducted: DuctCase, made: DuctCase | None, order: Sequence[int]) -> bool:
    """Whether it holds by heat, and no session is worse than with the duct in any of: cold, first bite, leg, balance,
    fluid, cracks, wear, at either end.
    """
    return (
        made is not None and _holds_by_heat(made, order) and all(not worse_findings(ducted, made, at) for at in order)
    )


def _without_shield(setting: DuctCase) -> dict[str, Any]:
    """The shield of the inner face removed; empty where there is none."""
    if setting.setup.brake(setting.axle).cooling.shielding in (Shielding.OPEN_WHEEL, Shielding.IN_A_WHEEL):
        return {}
    return {f"setup.{setting.axle}.cooling.shielding": Shielding.IN_A_WHEEL.value}


def _made(setting: DuctCase, patch: dict[str, Any]) -> DuctCase | None:
    try:
        return setting.with_values(patch)
    except ValidationError:
        return None


def _holds_by_heat(made: DuctCase, order: Sequence[int]) -> bool:
    return all(by_heat([session_result(made, made.car.sessions[at])]) is Holds.YES for at in order)


def _pads(setting: DuctCase) -> Iterator[tuple[str, dict[str, Any]]]:
    """Pads for more heat, at both axles and at this one alone."""
    setup, axle = setting.setup, setting.axle
    if setup.brake(axle).pad.material is not PadMaterial.RESIN_BONDED:
        return
    ends = [one for one in AXLES if setup.brake(one).pad.material is PadMaterial.RESIN_BONDED]
    for kind in hotter_pads(setup, [axle]):
        both = {path: value for one in ends for path, value in pads_of(kind, setup, one).items()}
        yield f"{' and '.join(ends).capitalize()} pads: {kind.word}", both
        yield f"{axle.capitalize()} pads only: {kind.word}", pads_of(kind, setup, axle)
