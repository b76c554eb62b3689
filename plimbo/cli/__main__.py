"""Where the command starts: `plimbo` and `python -m plimbo.cli`."""

import gc

# Everything loaded here stays: garbage collection would take a third of the start.
gc.disable()

from plimbo.cli import app  # noqa: E402

gc.freeze()
gc.enable()


def main() -> None:
    app()


if __name__ == "__main__":
    main()
