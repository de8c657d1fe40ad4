"""What everything stands on: units, errors, memory of answers, time, solving."""
