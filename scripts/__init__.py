"""What developers run."""
