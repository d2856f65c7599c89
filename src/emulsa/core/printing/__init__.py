"""From the negative to a print: strips, times by area, paper."""
