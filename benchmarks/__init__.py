"""Named workloads with the figures they must show; ``python -m benchmarks [NAME...] [--json]``."""
