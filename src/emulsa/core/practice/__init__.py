"""Practice: simulated scenes to meter, expose, develop and print; short exercises."""
