"""The topics of the course, one module each: what is drawn, the right answer, the wrong ways."""
