"""Addresses: each reads a request, calls one action or reader, and answers."""
