"""What pages and reports show, put together from several rooms."""
