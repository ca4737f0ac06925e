"""A welder's data log: read from CSV, and what the machine really did."""

from judicum.core.datalog.along import along_bead, swings_of
from judicum.core.datalog.figures import MachineFigures, figures_of
from judicum.core.datalog.read import MAX_BYTES, DataLog, read_data_log

__all__ = ["MAX_BYTES", "DataLog", "MachineFigures", "along_bead", "figures_of", "read_data_log", "swings_of"]
