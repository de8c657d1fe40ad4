"""Long searches at work: in worker processes of their own, in turn, telling what they find as they find it, and over
when nobody listens (docs/architecture.md#searches).

``answers`` makes answers over HTTP of them; ``jobs`` are what is searched; ``turns`` says whose turn it is; ``engine``
gives jobs to workers, and ``worker`` does them. Workers load nothing of Django: so nothing is imported here.
"""
