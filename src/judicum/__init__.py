"""Judicum: bead coupons assigned, logged, measured and marked."""

__version__ = "0.2.0"
