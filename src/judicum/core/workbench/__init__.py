"""The calculators of the workbench: each with its inputs, its formula and what it gives."""

from judicum.core.workbench.panel import Answer, Input, Note, Panel, Result
from judicum.core.workbench.panels import PANELS, compute, panel_of

__all__ = ["PANELS", "Answer", "Input", "Note", "Panel", "Result", "compute", "panel_of"]
