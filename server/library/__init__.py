"""What an owner keeps between trips: gear and carriers."""
