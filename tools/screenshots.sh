#!/usr/bin/env bash
# Takes the pictures of docs/screenshots/ from the demo, in a logbook of its own.
source "$(dirname "${BASH_SOURCE[0]}")/common.sh"
need_packages chromium
prepare
set_clock
port=8178
(bash tools/serve-fresh.sh var/pictures "$port") & server=$!
trap 'kill "$server" 2>/dev/null' EXIT
for _ in $(seq 100); do port_is_busy "$port" && break; sleep 0.3; done
mkdir -p docs/screenshots
node tools/screenshots.mjs "http://127.0.0.1:$port" docs/screenshots
