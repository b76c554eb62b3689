# make demo: the application with demo data. make test: everything CI runs. make wheel: one file to install. See README.md.
PORT ?= 8420
# The newest Python on the machine that the locked packages support; tried with 3.11 only.
PYTHON ?= $(or $(firstword $(foreach minor,14 13 12 11,$(shell python3.$(minor) -c "print('python3.$(minor)')" 2>/dev/null))),python3.11)
PY := .venv/bin/python
WEB := plimbo/server/web/index.html
WEB_SOURCES := $(shell find web/src web/public -type f 2>/dev/null) web/index.html web/vite.config.ts
CHROMIUM := $(firstword $(wildcard /usr/bin/chromium-headless-shell /usr/bin/chromium) /usr/bin/chromium-headless-shell)

# What is compiled once is kept, whatever the shell says: the tests start the server a hundred times.
unexport PYTHONDONTWRITEBYTECODE

.PHONY: demo test ready-to-test test-web soak plan-check audit screenshots bench build wheel lint lint-python lint-web types types-current format lock clean

demo: .venv/compiled $(WEB)
	.venv/bin/plimbo demo --data build/demo --port $(PORT)

build: $(WEB)

# One file with the built web in it: `pip install build/wheel/plimbo-*.whl` needs no Node and no compiler.
wheel: .venv/runtime $(WEB)
	rm -rf build/lib build/bdist.* build/wheel
	$(PY) -m pip wheel . -q --no-deps --no-build-isolation -w build/wheel

test:
	$(MAKE) --no-print-directory -j2 --output-sync=target ready-to-test
	$(PY) -m pytest -n 3 --dist worksteal
	$(PY) -m tools.share_of_tests

ready-to-test: .venv/compiled $(WEB) $(CHROMIUM) lint test-web

test-web: .venv/dev web/node_modules/.installed
	cd web && npm run -s test

lint: lint-python lint-web

lint-python: .venv/dev
	.venv/bin/ruff check .
	.venv/bin/ruff format --check .
	.venv/bin/mypy
	.venv/bin/lint-imports

lint-web: web/node_modules/.installed types-current
	cd web && npm run -s check && npm run -s lint

# What is generated from the documents: the types of the web and the published schema of the file.
types: build/generated.d.ts
	$(PY) -m tools.unit_factors
	cp $< web/src/api/generated.d.ts
	.venv/bin/plimbo schema > docs/setup-file.schema.json

# The types of the web must be those of the API as it is now.
types-current: build/generated.d.ts
	@diff -q $< web/src/api/generated.d.ts || { echo "The API has changed: run make types and commit."; exit 1; }

build/generated.d.ts: .venv/dev web/node_modules/.installed $(shell find plimbo -name '*.py')
	mkdir -p build
	$(PY) -m plimbo.server.openapi build/openapi.json
	cd web && npx openapi-typescript ../build/openapi.json -o ../build/generated.d.ts

screenshots: .venv/dev .venv/compiled $(WEB) $(CHROMIUM)
	$(PY) -W ignore -m tools.screenshots

# 500 rounds of kills, 50 000 mutated requests, half an hour of everything mixed: before a release.
soak: .venv/dev $(WEB)
	$(PY) -W ignore -m tests.soak.kills
	$(PY) -W ignore -m tests.soak.fuzz
	$(PY) -W ignore -m tests.soak.mixed

# Every reviewed car followed by its plan and against a plain search; two hundred drawn cars. Minutes.
plan-check: .venv/dev .venv/compiled
	$(PY) -W ignore -m tests.plan_check

# Known weaknesses of the locked dependencies, where a registry answers: before a release.
audit: .venv/dev web/node_modules/.installed
	.venv/bin/pip install -q --target build/pip-audit pip-audit
	PYTHONPATH=build/pip-audit $(PY) -m pip_audit -r requirements.lock --disable-pip --require-hashes
	cd web && npm audit --omit=dev

bench: .venv/dev .venv/compiled $(WEB) /usr/bin/chromium
	$(PY) -m bench.assess
	$(PY) -m bench.uncertainty
	$(PY) -m bench.shelf
	$(PY) -m bench.records
	$(PY) -m bench.bodies
	$(PY) -m bench.heat
	$(PY) -m bench.plan
	$(PY) -m bench.ducts
	$(PY) -W ignore -m bench.clients
	$(PY) -W ignore -m bench.step

format: .venv/dev web/node_modules/.installed
	.venv/bin/ruff check --fix . ; .venv/bin/ruff format .
	cd web && npx prettier --log-level warn --write . && npx eslint --fix .

# Remakes the lock files from pyproject.toml and web/package.json, without index or registry addresses: one for every
# system and every Python that is supported.
LOCK := .venv/bin/uv pip compile pyproject.toml --universal --python-version 3.11 --generate-hashes --no-header -q \
	--no-emit-index-url --no-emit-find-links
lock: .venv/created
	.venv/bin/pip install -q uv
	$(LOCK) --group build -o requirements.lock
	$(LOCK) --group build --group dev -o requirements-dev.lock
	cd web && npm install --package-lock-only
	$(PY) -m tools.trim_lock

.venv/created:
	$(PYTHON) -m venv .venv
	touch $@

.venv/runtime: .venv/created requirements.lock pyproject.toml
	.venv/bin/pip install -q --require-hashes -r requirements.lock
	.venv/bin/pip install -q --no-deps --no-build-isolation -e .
	touch $@

# The simulation of heat, compiled and kept, so that the first answer is not a compilation.
.venv/compiled: .venv/runtime $(shell find plimbo/core -name '*.py')
	$(PY) -m plimbo.core.thermal.warm_up
	touch $@

.venv/dev: .venv/runtime requirements-dev.lock
	.venv/bin/pip install -q --require-hashes -r requirements-dev.lock
	touch $@

web/node_modules/.installed: web/package.json web/package-lock.json web/.npmrc
	cd web && npm ci --loglevel=error
	touch $@

$(WEB): web/node_modules/.installed $(WEB_SOURCES)
	cd web && npm run -s build -- --logLevel warn
	touch $@

# The browsers of the tests and of the benchmarks; Playwright's own cannot be fetched everywhere. The tests drive the bare
# shell, which takes half the time; what is timed is what people have.
/usr/bin/chromium-headless-shell /usr/bin/chromium:
	@if [ "$$(id -u)" = 0 ]; then apt-get update -q && apt-get install -qy --no-install-recommends $(@F); \
	else echo "The browser tests need Chromium: install your system's $(@F)."; exit 1; fi

clean:
	rm -rf .venv build web/node_modules plimbo/server/web
