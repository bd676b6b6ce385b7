# Everything a fresh machine needs is made by the targets themselves; see README.md.
PYTHON ?= $(shell command -v python3.11 || command -v python3)
PORT ?= 8620
BIN := .venv/bin
# A start compiles what it imports once, not every time.
unexport PYTHONDONTWRITEBYTECODE
FRONT := $(shell find frontend/src frontend/public -type f) frontend/index.html frontend/vite.config.ts

.PHONY: demo demo-reset test check check-python check-front format types bench hard audit screenshots clean

demo: .made/python .made/web
	$(BIN)/ulna demo --home .demo --port $(PORT)

demo-reset: .made/python .made/web
	$(BIN)/ulna demo --home .demo --port $(PORT) --reset

test: .made/python .made/web .made/chromium
	$(BIN)/python -m pytest
	cd frontend && npm run --silent test

check: check-python check-front

check-python: .made/python
	$(BIN)/ruff format --check src tests bench docs
	$(BIN)/ruff check src tests bench docs
	$(BIN)/mypy
	$(BIN)/lint-imports

check-front: .made/node
	cd frontend && npm run --silent check

format: .made/python .made/node
	$(BIN)/ruff format src tests bench docs
	$(BIN)/ruff check --fix src tests bench docs
	cd frontend && npx biome check --write .

types: .made/python .made/node
	$(BIN)/python -m ulna.api.describe > frontend/openapi.json
	cd frontend && npm run --silent types
	$(BIN)/python docs/write_schemas.py

bench: .made/python .made/web .made/chromium
	ULNA_PAGES=20000 $(BIN)/python -m pytest -n 2 tests/core/cutting/test_blind_hand.py
	$(BIN)/python bench/run.py

# A thousand kills, five hundred broken files, a hundred thousand requests, the windows' model twenty times as long.
hard: .made/python .made/web .made/chromium
	ULNA_HARD=20 $(BIN)/python -m pytest -n 0 tests/household/test_windows.py
	ULNA_HARD=1 $(BIN)/python -m pytest -n 2 tests/browser/test_screens.py tests/browser/test_dialogs.py
	$(BIN)/python -m tests.hard

# Known holes in what is used and what ships; asks the registries.
audit: .made/python .made/node
	$(BIN)/uv tool run pip-audit -r requirements.lock --disable-pip --require-hashes
	cd frontend && npm audit --omit=dev

screenshots: .made/python .made/web .made/chromium
	$(BIN)/python docs/take_screenshots.py
	$(BIN)/python docs/draw_parts.py

clean:
	rm -rf .venv .made .demo frontend/node_modules src/ulna/web

.made/python: requirements.lock pyproject.toml setup.py $(wildcard src/ulna/core/planner/*.pxd) src/ulna/core/planner/trials.py src/ulna/core/planner/blocks.py
	@test -n "$(PYTHON)" || { echo "Python 3.11 is needed"; exit 1; }
	$(PYTHON) -m venv .venv
	$(BIN)/pip install --quiet --disable-pip-version-check uv
	$(BIN)/uv pip install --quiet --compile-bytecode --python $(BIN)/python -r requirements.lock
	$(BIN)/uv pip install --quiet --python $(BIN)/python --no-deps -e .
	@mkdir -p .made && touch $@

.made/node: frontend/package-lock.json
	@command -v npm > /dev/null || { echo "Node 20 with npm is needed"; exit 1; }
	cd frontend && npm ci --no-fund --no-audit --loglevel=error
	@mkdir -p .made && touch $@

.made/web: .made/node $(FRONT)
	cd frontend && npm run --silent build
	@mkdir -p .made && touch $@

# Debian's Chromium, for the browser tests; the one without windows is the quickest.
.made/chromium:
	@if ! command -v chromium-headless-shell > /dev/null && ! command -v chromium > /dev/null; then \
	  if [ "$$(id -u)" = 0 ]; then apt-get update -qq && \
	    apt-get install -y -qq --no-install-recommends chromium-headless-shell > /dev/null; \
	  else echo "The browser tests need Chromium: sudo apt-get install -y chromium-headless-shell"; exit 1; fi; fi
	@mkdir -p .made && touch $@
