"""Other ways of taking the same picture: schools, whole plans, and brackets around one."""
