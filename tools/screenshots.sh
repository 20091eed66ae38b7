#!/usr/bin/env bash
# Takes the pictures of docs/screenshots/ from the demo, in a logbook of its own and as of one morning, whenever they are taken.
source "$(dirname "${BASH_SOURCE[0]}")/common.sh"
need_packages chromium faketime
prepare
port=8178
at=2026-11-27T09:00:00Z
shift=$(printf '%+d' $(($(date -d "$at" +%s) - $(date +%s))))
(faketime -f "$shift" bash tools/serve-fresh.sh var/pictures "$port") & server=$!
trap 'kill "$server" 2>/dev/null' EXIT
for _ in $(seq 100); do port_is_busy "$port" && break; sleep 0.3; done
mkdir -p docs/screenshots
node tools/screenshots.mjs "http://127.0.0.1:$port" docs/screenshots "$at"
