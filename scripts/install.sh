#!/usr/bin/env bash
# Installs the packages of package-lock.json where they are missing or out of date.
set -euo pipefail
cd "$(dirname "$0")/.."

for tool in node npm; do
  command -v "$tool" >/dev/null || { echo "Havrik needs $tool: install Node.js 20.9 or newer." >&2; exit 1; }
done

stamp=node_modules/.havrik-lock
if cmp -s package-lock.json "$stamp"; then exit 0; fi
# An installation that was copied without its stamp, or made by npm itself, may be just what is wanted.
if [ -d node_modules ] && [ ! -f "$stamp" ] && node scripts/installed.mjs; then
  cp package-lock.json "$stamp"
  exit 0
fi
echo "Installing packages (the database driver is compiled: a few minutes the first time) …"
npm ci --loglevel=error
cp package-lock.json "$stamp"
