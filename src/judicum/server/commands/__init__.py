"""What is done on the server itself, as Django's management commands (`./judicum manage NAME`)."""
