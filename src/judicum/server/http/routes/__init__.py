"""Views, one module a topic."""
