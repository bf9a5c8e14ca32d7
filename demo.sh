#!/usr/bin/env bash
# Installs what is missing, builds, loads the demonstration builds into an empty database, and serves
# Havrik on this machine. PORT and HAVRIK_DB may be set; HAVRIK_LAN=1 lets paired telephones in from the local network.
set -euo pipefail
cd "$(dirname "$0")"
./scripts/install.sh
./scripts/build.sh
exec node --import tsx scripts/serve.ts
