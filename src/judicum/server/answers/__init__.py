"""What the API answers and what it is asked: one model for each, from which JSON, the OpenAPI file and the page's types come."""
