"""All SQL. One module an aggregate; functions take a connection and return core dataclasses."""
