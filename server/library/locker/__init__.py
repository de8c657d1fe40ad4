"""The locker: what somebody owns, hires, borrows or waits for."""
