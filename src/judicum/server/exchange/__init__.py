"""What goes out of a server and comes in: archives, tables, backups."""
