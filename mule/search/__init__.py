"""Better kits, bags and days: searches over many kits."""
