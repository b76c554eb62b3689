"""Where practice differs: Plimbo's default, the reason for it, and what others do."""

from plimbo.core.quantities.results import Result


class PracticeDifference(Result):
    """One matter on which good preparers differ; the default is the first."""

    key: str
    title: str
    default: str
    other: str
    reason: str


PRACTICE_DIFFERENCES = (
    PracticeDifference(
        key="bar",
        title="Where the bar starts",
        default="Sizes first: the bar starts the day at its centre.",
        other="Wind the bar until it is right, whatever the sizes.",
        reason="A centred bar has turns left both ways for rain, fuel and worn pads, and tilts least.",
    ),
    PracticeDifference(
        key="compounds",
        title="Pads front and rear",
        default="The same compound at both ends.",
        other="A split of compounds moves the balance quickly.",
        reason="Two compounds warm up differently: the balance of the first corner is not that of the last lap.",
    ),
    PracticeDifference(
        key="pedal",
        title="Firm or light pedal",
        default="Firm: high effort, short travel.",
        other="Light: low effort, long travel.",
        reason="A leg feels force better than way; a tired leg, or a long race, may want it lighter.",
    ),
    PracticeDifference(
        key="radius",
        title="Effective radius",
        default="Uniform wear: the middle of the pad's band.",
        other="Uniform pressure for new pads; disc radius less half the pad by tape measure.",
        reason="Pads that have bedded in wear evenly; the three differ by a few millimetres, alike at both ends.",
    ),
    PracticeDifference(
        key="anti_lock",
        title="Stock anti-lock",
        default="Match the original areas, discs and friction closely.",
        other="Size freely and trust the system to adapt, or take it out.",
        reason="The system guesses wheel torque from valve times; with other areas its guesses are wrong.",
    ),
)
