"""Numbered migrations, applied in order, each in one transaction, never edited afterwards."""
