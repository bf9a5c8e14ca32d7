#!/usr/bin/env bash
# Everything that must hold: formatting, lint, types, tests of core, database, shell and screens,
# the build, and the built application in a real browser. Installs what is missing.
set -euo pipefail
cd "$(dirname "$0")"
./scripts/install.sh

if ! command -v chromium >/dev/null; then
  echo "Installing Chromium for the browser tests …"
  apt-get update -qq && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq chromium >/dev/null
fi

failed=0
results=$(mktemp -d)
trap 'rm -rf "$results"' EXIT
step() {
  echo "── $1"
  shift
  "$@" || failed=1
}
step "lint" npm run -s lint
step "types" npm run -s types
step "tests" node_modules/.bin/jest --selectProjects unit ui --json --outputFile "$results/unit.json"
step "build" ./scripts/build.sh
step "browser" node_modules/.bin/jest --selectProjects e2e --runInBand --forceExit --json --outputFile "$results/e2e.json"
node_modules/.bin/tsx scripts/tally.ts "$failed" "$results/unit.json" "$results/e2e.json"
