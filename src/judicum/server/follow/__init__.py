"""What follows an attempt without being known to it: sessions, stock, notices."""
