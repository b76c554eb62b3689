"""The heat of a session, judged: findings on discs and pedal, the verdict, and the whole answer."""
