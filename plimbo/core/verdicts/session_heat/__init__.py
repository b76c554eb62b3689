"""The heat of a session, judged: findings of discs and pedal, the verdict on them, and all that is told of it."""
