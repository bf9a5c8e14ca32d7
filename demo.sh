#!/usr/bin/env bash
# Installs what is missing, builds, loads the demonstration builds into an empty database, and serves
# Havrik on this machine. PORT and HAVRIK_DB may be set.
set -euo pipefail
cd "$(dirname "$0")"
./scripts/install.sh
./scripts/build.sh
exec node --import tsx scripts/serve.ts
