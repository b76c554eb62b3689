"""The states in which a setup is judged, and where they stand in the car."""

from collections.abc import Sequence

from plimbo.core.documents import Car, Session, Setup, State


def judged_states(car: Car, setup: Setup, asked: Sequence[State] | State | None = None) -> tuple[State, ...]:
    """Those asked for; else the car's that the setup names, or all of them where it names none that the car has."""
    if isinstance(asked, State):
        return (asked,)
    if asked is not None:
        return tuple(asked)
    return tuple([state for state in car.states if state.name in setup.judged_in]) or car.states


def judged_sessions(car: Car, setup: Setup) -> tuple[Session, ...]:
    """Those on a track of the states in which the setup is judged: a setup for the wet is not driven in the dry. All
    of them where it names no state, or where no session is left.
    """
    if not names_judged(car, setup):
        return car.sessions
    tracks = {state.track for state in judged_states(car, setup)}
    return tuple([session for session in car.sessions if session.track in tracks]) or car.sessions


def names_judged(car: Car, setup: Setup) -> tuple[str, ...]:
    """Names of the states in which the setup is judged; none where these are all that the car has."""
    states = judged_states(car, setup)
    return () if states == car.states else tuple([state.name for state in states])


def speed_path(car: Car, state: State, asked: int = 0) -> str:
    """Path of a state's speed in the car; by its place among those asked for, where it is none of the car's."""
    place = next((place for place, own in enumerate(car.states) if own.name == state.name), asked)
    return f"car.states.{place}.speed"
