#!/usr/bin/env bash
# Builds the application where its sources have changed since the last build.
set -euo pipefail
cd "$(dirname "$0")/.."

sources() {
  find src demo package-lock.json next.config.ts tsconfig.json -type f ! -name '*.test.ts*' -print0 |
    sort -z | xargs -0 sha256sum
}
stamp=.next/havrik-sources
if [ ! -f .next/BUILD_ID ] || ! sources | cmp -s - "$stamp"; then
  rm -f "$stamp"
  # Pages of another build are told to load again. Every page is made when it is asked for: none is made now.
  HAVRIK_BUILT=$(sources | sha256sum | cut -c1-16) NEXT_TELEMETRY_DISABLED=1 \
    node_modules/.bin/next build --experimental-build-mode compile
  sources >"$stamp"
fi
