"""Answers as they are shown: what the store holds, in words, for one screen each."""
