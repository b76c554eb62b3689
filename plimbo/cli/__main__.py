from plimbo.cli import app

app()
