"""Where the command starts: `plimbo` and `python -m plimbo`.

Nothing is imported before `main`, since every worker process imports this file again.
"""

import gc


def main() -> None:
    # Everything loaded here stays: garbage collection would take a third of the start.
    gc.disable()
    from plimbo.cli import app  # noqa: PLC0415

    gc.freeze()
    gc.enable()
    app()


if __name__ == "__main__":
    main()
