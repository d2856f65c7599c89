"""Outside devices: what each can do as a protocol, and a simulated stand-in that ships."""
