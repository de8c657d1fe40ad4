# Narrow Mule. `make demo` starts it, `make check` is for before a commit, `make test` checks everything.
PY := .venv/bin/python
export DATA_DIR ?= $(CURDIR)/data
export PORT ?= 8000
# Compiled files are kept: a run of the tests starts hundreds of processes.
unexport PYTHONDONTWRITEBYTECODE

.PHONY: demo dev check test coverage words mutants test-hosted test-pythons lint bench shots lock types

# `make bench toggle stow`: the words after it are workloads, not targets.
ifeq (bench,$(firstword $(MAKECMDGOALS)))
NAMES := $(wordlist 2,99,$(MAKECMDGOALS))
$(eval $(NAMES):;@:)
endif

demo: ; @scripts/demo
dev: ; @scripts/dev
check: ; @scripts/check
test: ; @scripts/test
coverage: ; @scripts/coverage
words: .venv/ready web/node_modules/.ready ; @.venv/bin/python -m scripts.words
mutants: ; @scripts/mutants
test-hosted: ; @scripts/test-hosted
test-pythons: ; @scripts/test-pythons
lint: ; @scripts/lint
bench: ; @scripts/bench $(NAMES)
shots: ; @scripts/shots
lock: ; @scripts/lock
types: .venv/ready ; $(PY) scripts/openapi.py .build/openapi.json && cd web && npm run -s types

.venv/ready: requirements/dev.txt ; @scripts/python-ready
web/node_modules/.ready: web/package-lock.json ; @scripts/web-ready
