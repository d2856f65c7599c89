"""The server: the routes of the house answered over HTTP, and what only a server needs."""
