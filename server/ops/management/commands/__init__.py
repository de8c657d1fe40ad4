"""Commands for whoever runs the site."""
