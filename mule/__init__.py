"""The core of Narrow Mule: rules and computation, values in and values out.

No Django, no HTTP, no clock, no file and no network access lives here.
"""
