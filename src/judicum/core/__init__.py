"""Pure computation: no Django, no HTTP, no clock, no database, no interface words."""
