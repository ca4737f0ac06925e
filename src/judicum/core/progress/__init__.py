"""Progress over time: trend of a figure, good ones in a row, and how a record goes on."""

from judicum.core.progress.forecast import ClassRecords, Forecast, ToGo, forecast, forecast_of
from judicum.core.progress.record import Question, RecordedAttempt, read_question
from judicum.core.progress.trend import good_in_a_row, trend_per_attempt

__all__ = [
    "ClassRecords",
    "Forecast",
    "Question",
    "RecordedAttempt",
    "ToGo",
    "forecast",
    "forecast_of",
    "good_in_a_row",
    "read_question",
    "trend_per_attempt",
]
