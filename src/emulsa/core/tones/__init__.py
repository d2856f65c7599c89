"""Where a reading is placed, where the others fall, and what the development makes of them."""
