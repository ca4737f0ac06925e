"""What would come of it: width, heat tint, grey and what goes wrong first, from settings, learnt from the course's own attempts."""

from judicum.core.foretell.foretell import foretell

__all__ = ["foretell"]
