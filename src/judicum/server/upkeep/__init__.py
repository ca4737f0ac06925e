"""Changes that reach through several rooms: copying a course, moving or removing a person, ageing photos."""
