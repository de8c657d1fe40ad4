"""What people type: gear, wants."""
