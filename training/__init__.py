"""Teaching the networks that say where a bead is: crude drawings of great breadth, the networks, their training.

Nothing here runs in the product; `judicum.core.photo` reads the weights that `python -m training.train` writes.
"""
