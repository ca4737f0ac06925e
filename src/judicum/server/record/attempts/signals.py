"""What happens to an attempt, told to whoever follows it: in the transaction that changed it, by name and not by import.

A receiver that raises takes the change back with it.
"""

from django.dispatch import Signal

consumption_changed = Signal()
"""An attempt's runs or its measured bead changed, and with them what it took of gas, wire and blanks. Sends `attempt`."""
