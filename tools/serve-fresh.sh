#!/usr/bin/env bash
# serve-fresh.sh FOLDER PORT...: a fresh logbook with the demo, for end-to-end tests and pictures; a copy of it on each port more.
source "$(dirname "${BASH_SOURCE[0]}")/common.sh"
folder=$1
shift
export APP_ENV=prod
follow_clock
rm -rf "$folder"
use_data "$folder"
rm -rf var/cache/prod
fill_with_demo
bin/console cache:warmup --quiet
first=$1
shift
for port in "$@"; do
  rm -rf "$folder-$port"
  cp -a "$folder" "$folder-$port"
  cp -a "$folder.journal-key" "$folder-$port.journal-key"
  (use_data "$folder-$port" && serve "$port") &
done
serve "$first"
