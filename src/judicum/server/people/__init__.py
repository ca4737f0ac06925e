"""Workshops, accounts, courses and who takes part in them."""
