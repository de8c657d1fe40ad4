"""What the rules say of a kit, and ways out."""
