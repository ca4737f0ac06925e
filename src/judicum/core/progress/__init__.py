"""Progress over time: trend of a figure, and good ones in a row."""

from judicum.core.progress.trend import good_in_a_row, trend_per_attempt

__all__ = ["good_in_a_row", "trend_per_attempt"]
