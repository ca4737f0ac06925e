"""How true it is here: the check target, callipered widths beside measured ones, repeat studies."""
