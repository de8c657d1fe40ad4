"""Who is signed in, and how they like their units and light."""
