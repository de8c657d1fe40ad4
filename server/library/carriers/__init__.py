"""Carriers: rules that their owner edits."""
