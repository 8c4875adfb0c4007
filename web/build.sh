#!/usr/bin/env bash
# Called by Maven: "build" makes the pages, "test" checks their types and style and runs their unit tests.
set -euo pipefail
cd "$(dirname "$0")"
wanted=$(cksum <package-lock.json)
if [ ! -d node_modules ] || [ "$(cat node_modules/.palegate-lock 2>/dev/null || true)" != "$wanted" ]; then
  npm ci --no-audit --no-fund --loglevel=error
  printf '%s\n' "$wanted" >node_modules/.palegate-lock
fi
case "${1:-build}" in
  build)
    npm run --silent types
    npm run --silent bundle
    # Compressed once, and not at each request; the files themselves stay for whoever asks for them plain.
    find dist/assets -name '*.js' -o -name '*.css' | xargs -d '\n' gzip -9 -n -k
    ;;
  # Types and style are a matter of tests: whoever only starts it does not wait for them.
  test)
    npm run --silent check &
    checked=$!
    npm test --silent
    wait "$checked"
    ;;
esac
