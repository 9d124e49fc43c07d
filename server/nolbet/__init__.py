"""The server: keeps gardens, answers the API, serves the page. Every rule it needs it asks of the core."""
