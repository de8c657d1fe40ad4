"""Before, on and after the trip: the list and the look back."""
