# Emulsa: everything is done from here; CI calls `make test`.
# Steps leave a stamp named by the hash of what they depend on, so that what is done is skipped.

PORT ?= 8017
# on two cores: tests in a browser wait more than they work
WORKERS ?= 4
PYTHON ?= $(shell command -v python3.11 || command -v python3)
VENV := .venv
BIN := $(VENV)/bin
STAMPS := .stamps
SUDO := $(shell [ "$$(id -u)" = 0 ] || echo sudo)
# what tests write is thrown away: in memory, where there is a gigabyte of it, nobody waits for a disk
SCRATCH := $(shell df -Pm /dev/shm 2>/dev/null | awk 'NR == 2 && $$4 > 2000 { print "/dev/shm" }')
SCRATCH := $(or $(SCRATCH),$(TMPDIR),/tmp)
PYTEST = scratch=$$(mktemp -d -p $(SCRATCH) emulsa-tests.XXXXXX) && trap 'rm -rf "$$scratch"' EXIT && $(BIN)/python -m pytest -q --durations=30 --basetemp="$$scratch/data" -n $(WORKERS) --dist worksteal
# where bytecode is not kept, every process compiles everything anew, which is most of its start
unexport PYTHONDONTWRITEBYTECODE
hash = $(shell cat $(1) 2>/dev/null | sha256sum | cut -c1-16)

RUNTIME := $(STAMPS)/runtime-$(call hash,requirements/build.txt requirements/runtime.txt pyproject.toml)
TOOLS := $(STAMPS)/tools-$(call hash,requirements/build.txt requirements/tests.txt pyproject.toml)
MODULES := $(STAMPS)/modules-$(call hash,web/package.json web/package-lock.json web/.npmrc)
# what the page knows of the service is written by the service: no file of this folder is kept
SERVICE := web/src/service
SOURCES := $(shell find web/src web/public web/index.html web/vite.config.ts web/vite.single.config.ts web/tsconfig.json web/reading.mjs -type f -not -path '$(SERVICE)/*' 2>/dev/null | sort)
SERVING := $(shell find src/emulsa -name '*.py' -not -path '*/built/*' -not -path '*/drawn/*' 2>/dev/null | sort)
DESCRIBED := $(STAMPS)/described-$(call hash,$(SERVING) requirements/runtime.txt web/package-lock.json)
PAGE := $(STAMPS)/page-$(call hash,$(SOURCES) $(SERVING) web/package-lock.json)
CARRIED := $(shell find src/emulsa web/field -not -path '*/built/*' -not -path '*/drawn/*' \( -name '*.py' -o -name '*.sql' -o -name 'forms.json' -o -name '*.mjs' \) -type f 2>/dev/null | sort)
SCENES := $(shell find scenery -name '*.py' -o -name '*.toml' | sort) requirements/build.txt
FIELD := $(STAMPS)/field-$(call hash,$(CARRIED) $(SCENES) web/package-lock.json)
DRAWN := $(STAMPS)/drawn-$(call hash,$(SCENES))
CHROMIUM := $(STAMPS)/chromium

.PHONY: help demo serve page package test ready fuzz thorough mutate check lint types contracts functions browser bench screenshots format clean

# The targets and what they are for.
help:
	@grep -B1 -E '^[a-z]+:' Makefile | grep -v '^--' | paste - - | sed -E 's/^# (.*)\t([a-z]+):.*/\2\t\1/' | expand -t 14

# Set up, build the page, and serve the demo outing on http://127.0.0.1:8017 (PORT= changes it).
demo: $(RUNTIME) $(PAGE) $(FIELD) $(DRAWN)
	@$(BIN)/emulsa demo --port $(PORT)

# The same with your own data, in the platform's user-data folder.
serve: $(RUNTIME) $(PAGE) $(FIELD) $(DRAWN)
	@$(BIN)/emulsa serve --port $(PORT)

# Build the page, and what a carried copy runs on, into the package.
page: $(PAGE) $(FIELD) $(DRAWN)

# A wheel in dist/ with the page, fonts and migrations in it: pip install it anywhere, without Node.
package: $(RUNTIME) $(PAGE) $(FIELD) $(DRAWN)
	@rm -rf dist build && $(BIN)/pip wheel -q --disable-pip-version-check --no-deps --no-build-isolation -w dist .
	@rm -rf build && ls dist/*.whl

# Set up everything and run every check; ends with pytest's closing line.
test:
	@$(MAKE) --no-print-directory -j 4 ready
	@$(MAKE) --no-print-directory -j 3 check
	@echo "— tests"
	@$(PYTEST)

# Set up everything that checks and tests need.
ready: $(TOOLS) $(PAGE) $(FIELD) $(DRAWN) $(CHROMIUM)

# Call every route with what fits its schema and what does not, for some minutes.
fuzz: $(TOOLS)
	@FUZZ_EXAMPLES=150 $(BIN)/python -m pytest -q -n $(WORKERS) tests/api/test_fuzz.py

# All of what a day's run tries a part of, and ten times what is drawn at random; then many hands.
thorough: ready
	@THOROUGH=10 FUZZ_EXAMPLES=60 $(PYTEST)
	@$(BIN)/python -m benchmarks.load 60 16 16

# How strong the tests are: so many places of the source broken one by one, drawn by a seed.
mutate: $(TOOLS) $(PAGE) $(FIELD)
	@$(BIN)/python -m mutation $(or $(SEED),1) $(or $(N),20)

# Everything but the tests in Python and in a browser: lint, types, contracts, the page's functions.
check: lint types contracts functions

# Ruff for Python, Biome for the page.
lint: $(TOOLS) $(DESCRIBED)
	@echo "— lint"
	@$(BIN)/ruff check -q . && $(BIN)/ruff format -q --check .
	@cd web && npm run --silent lint -- --log-level=error

# mypy, strict; TypeScript.
types: $(TOOLS) $(DESCRIBED)
	@echo "— types"
	@$(BIN)/mypy
	@cd web && npm run --silent types

# The page's pure functions, in process.
functions: $(DESCRIBED)
	@echo "— functions of the page"
	@cd web && npm run --silent test > ../$(STAMPS)/functions.log 2>&1 || { cat ../$(STAMPS)/functions.log; exit 1; }
	@grep -E "Tests +" $(STAMPS)/functions.log

# The direction of imports.
contracts: $(TOOLS)
	@echo "— contracts"
	@PATH=$(CURDIR)/$(BIN):$$PATH $(BIN)/lint-imports --no-cache > $(STAMPS)/contracts.log || { cat $(STAMPS)/contracts.log; exit 1; }
	@tail -n 1 $(STAMPS)/contracts.log

# The browser tests alone.
browser: $(TOOLS) $(PAGE) $(FIELD) $(CHROMIUM)
	@$(PYTEST) tests/browser

# How fast it is, as ratios, in one run.
bench: $(TOOLS) $(PAGE) $(FIELD) $(CHROMIUM)
	@$(BIN)/python -m benchmarks

# The pictures in docs/screenshots, made anew from the demo outing.
screenshots: $(TOOLS) $(PAGE) $(DRAWN) $(CHROMIUM)
	@$(BIN)/python -m benchmarks.screenshots

# Format everything.
format: $(TOOLS) $(DESCRIBED)
	@$(BIN)/ruff format -q . && $(BIN)/ruff check -q --fix .
	@cd web && npm run --silent format

# Forget what was set up and built; data stays.
clean:
	rm -rf $(VENV) $(STAMPS) web/node_modules $(SERVICE) src/emulsa/scenery src/emulsa/core/data/drawn src/emulsa/page src/emulsa/server/reading src/emulsa/field/built src/emulsa/field/single

$(STAMPS)/venv:
	@echo "— Python environment ($(PYTHON))"
	@$(PYTHON) -c 'import sys; sys.exit(sys.version_info < (3, 11))' || { echo "Emulsa needs Python 3.11 or later."; exit 1; }
	@$(PYTHON) -m venv $(VENV) >/dev/null 2>&1 || { $(SUDO) apt-get update -q && $(SUDO) apt-get install -q -y python3-venv && $(PYTHON) -m venv --clear $(VENV); }
	@mkdir -p $(STAMPS) && touch $@

$(RUNTIME): | $(STAMPS)/venv
	@echo "— Python packages to run"
	@$(BIN)/pip install -q --disable-pip-version-check -r requirements/build.txt -r requirements/runtime.txt
	@$(BIN)/pip install -q --disable-pip-version-check --no-deps --no-build-isolation -e .
	@rm -f $(STAMPS)/runtime-* && touch $@

$(TOOLS): $(RUNTIME)
	@echo "— Python packages to test"
	@$(BIN)/pip install -q --disable-pip-version-check -r requirements/build.txt -r requirements/tests.txt
	@rm -f $(STAMPS)/tools-* && touch $@

$(MODULES): | $(STAMPS)/venv
	@echo "— page packages"
	@cd web && npm ci --silent
	@rm -f $(STAMPS)/modules-* && touch $@

$(DESCRIBED): $(RUNTIME) $(MODULES)
	@echo "— what the page knows of the service"
	@$(BIN)/python -m emulsa.server.description $(SERVICE)
	@cd web && npm run --silent schema > /dev/null
	@rm -f $(STAMPS)/described-* && touch $@

# built anew only where its sources or what the service says of itself are others
$(PAGE): $(DESCRIBED)
	@built=$(STAMPS)/built-$$(cat $(SOURCES) $(SERVICE)/* web/package-lock.json | sha256sum | cut -c1-16); \
	test -e $$built || { echo "— page"; cd web && npm run --silent build -- --logLevel error && npm run --silent single -- --logLevel error && npm run --silent reading && cd .. && rm -f $(STAMPS)/built-* && touch $$built; }
	@rm -f $(STAMPS)/page-* && touch $@

$(FIELD): $(MODULES) $(DRAWN)
	@echo "— what a carried copy runs on"
	@cd web && node field/build.mjs
	@rm -f $(STAMPS)/field-* && touch $@

# scenes of the demo, drawn from their descriptions
$(DRAWN): $(RUNTIME)
	@echo "— drawn scenes"
	@rm -rf src/emulsa/scenery src/emulsa/core/data/drawn && $(BIN)/python -m scenery src/emulsa/scenery src/emulsa/core/data/drawn
	@rm -f $(STAMPS)/drawn-* && touch $@

$(CHROMIUM): | $(STAMPS)/venv
	@command -v chromium-headless-shell >/dev/null || command -v chromium >/dev/null || { echo "— Chromium from apt"; $(SUDO) apt-get update -q && for each in chromium-headless-shell chromium; do $(SUDO) apt-get install -q -y --no-install-recommends $$each && break; done; }
	@touch $@
