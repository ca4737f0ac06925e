"""Simulated camera: draws bead photos with known truth, standing in for a phone.

It shares the card's geometry and the film colours with `judicum.core.photo`, never its
measuring code.
"""

from judicum.camera.draw import Photo, take_photo
from judicum.camera.scene import Bead, Fault, Scene, View, weld

__all__ = ["Bead", "Fault", "Photo", "Scene", "View", "take_photo", "weld"]
