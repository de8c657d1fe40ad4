"""For the sites of the journeys: like the demo, with passwords that cost no second each."""

from server.settings.demo import *  # noqa: F403

PASSWORD_HASHERS = ["django.contrib.auth.hashers.MD5PasswordHasher"]
