"""The command line: `plimbo serve`, `demo`, `key`, `backup`, `restore`, `assess`, `schema`."""

import typer

from plimbo.cli.judging import assess_file, schema
from plimbo.cli.keeping import backup, restore
from plimbo.cli.serving import demo, key, serve

app = typer.Typer(
    help="Plimbo sizes a race car's brakes, from the driver's foot to the road, and shows its working.",
    no_args_is_help=True,
    pretty_exceptions_enable=False,
)
for command in (serve, demo, key, backup, restore, schema):
    app.command()(command)
app.command("assess")(assess_file)
