"""What is noted while packing and out there, the scale, pictures' metadata, and the look back."""
