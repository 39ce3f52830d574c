# One command a chore. `make setup` is quick when nothing changed: each step leaves a stamp.
.PHONY: setup demo test nightly coverage check check-python check-web calibrate bench mutants client wheel
.PHONY: screenshots clean
.DELETE_ON_ERROR:
# Bytecode is kept, wherever this runs: the many processes of a test run compile nothing twice.
unexport PYTHONDONTWRITEBYTECODE

PY := .venv/bin
STAMPS := .stamps
COMPILED := $(shell grep -rlE '^@compiled' src --include=*.py)
WEB_SOURCES := $(shell find web/src web/public web/*.html web/*.ts -type f 2>/dev/null)

# Where there is room in memory, the tests' records need not wait for a disc.
ROOMY := $(shell test "$$(df --output=avail /dev/shm 2>/dev/null | tail -n 1)" -gt 4000000 2>/dev/null && echo /dev/shm)

setup: $(STAMPS)/python $(STAMPS)/machine-code $(STAMPS)/web

demo: setup
	$(PY)/firstloop demo
	$(PY)/firstloop serve

test: setup $(STAMPS)/chromium
	cd web && npm test
	$(if $(ROOMY),PYTEST_DEBUG_TEMPROOT=$(ROOMY)) $(PY)/pytest -n auto --dist worksteal --durations 10

# All of what a day's run takes a sample of, drawn by a seed of its own; `make nightly SEED=...` is
# that night again.
SEED ?= $(shell date +%Y%m%d)
nightly: setup $(STAMPS)/chromium
	FIRST_LOOP_NIGHT=$(SEED) $(if $(ROOMY),PYTEST_DEBUG_TEMPROOT=$(ROOMY)) $(PY)/pytest -n auto \
		--dist worksteal --durations 10

# Which lines no test comes by. Counting makes the tests twice as slow, so it is a look and no gate;
# it leaves out the browser's tests and the measuring ones, which come by all and tell no more.
coverage: setup
	cd web && npm test -- --coverage
	$(PY)/pytest -n auto -m "not browser and not measuring" --cov

check: check-python check-web

check-python: setup
	$(PY)/ruff format --check .
	$(PY)/ruff check .
	$(PY)/mypy
	$(PY)/lint-imports

check-web: setup
	cd web && npm run check
	scripts/client-is-current

calibrate: setup
	$(PY)/python -m scripts.calibrate
	$(PY)/python -m scripts.calibrate_texts
	$(PY)/python -m scripts.calibrate_pens

bench: setup $(STAMPS)/chromium
	$(PY)/python -m scripts.bench

# Hours, if it is let: plants small faults and tells which no test finds; `cd web && npm run mutants`
# those of the pad.
mutants: setup
	$(PY)/python -m scripts.mutants

# The stored OpenAPI document and the typed client made from it.
client: $(STAMPS)/python $(STAMPS)/node_modules
	$(PY)/firstloop openapi > web/src/api/openapi.json
	cd web && npm run client

screenshots: setup $(STAMPS)/chromium
	$(PY)/python -m scripts.screenshots

# For a machine without Node: the built interface is in it. No machine code is: that is made where it
# runs.
wheel: $(STAMPS)/python $(STAMPS)/web
	rm -rf dist build src/firstloop/interface
	cp -r web/dist src/firstloop/interface
	$(PY)/pip wheel --quiet --no-deps --no-build-isolation --wheel-dir dist .
	rm -rf build src/firstloop/interface
	@ls dist

clean:
	rm -rf .venv dist $(STAMPS) web/node_modules web/dist mutants

$(STAMPS)/python: requirements.txt scripts/installer.txt pyproject.toml
	scripts/install-python
	@mkdir -p $(STAMPS) && touch $@

# The first check, and the first estimate, would wait for it.
ONE_ATTEMPT := '{"pupil": 1, "letter": "n", "at": "2026-01-12T09:00:00", "source": "pen", "help": "copy", "verdict": {"shape": "secure"}}'
$(STAMPS)/machine-code: $(STAMPS)/python $(COMPILED)
	$(PY)/python -c 'from firstloop.core.checking import check; check.prepare(check.Style("joined"))'
	echo $(ONE_ATTEMPT) | $(PY)/firstloop estimate - > /dev/null
	@touch $@

$(STAMPS)/node_modules: web/package.json web/package-lock.json
	cd web && npm ci --no-audit --no-fund
	@mkdir -p $(STAMPS) && touch $@

$(STAMPS)/web: $(STAMPS)/node_modules $(WEB_SOURCES)
	cd web && npm run build
	@mkdir -p $(STAMPS) && touch $@

$(STAMPS)/chromium:
	scripts/ensure-chromium
	@mkdir -p $(STAMPS) && touch $@
