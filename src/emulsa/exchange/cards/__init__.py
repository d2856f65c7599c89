"""Cards as PDF (typst, with the templates and the font beside this file) and as CSV."""
