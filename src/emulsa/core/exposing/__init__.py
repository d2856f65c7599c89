"""The parts of the chain: request, answer, falls, ledger, setting and advice."""
