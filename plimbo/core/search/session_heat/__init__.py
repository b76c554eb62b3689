"""What mends the heat of a session, and what it hangs on: every change and every input is driven."""
