"""The server: Django, floor by floor; each imports only what lies below it."""
