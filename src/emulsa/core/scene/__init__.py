"""A scene: what is decided before one subject, changed by edits, worked out, taken other ways."""
