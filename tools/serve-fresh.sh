#!/usr/bin/env bash
# serve-fresh.sh FOLDER PORT: a fresh logbook with the demo, for end-to-end tests and pictures.
source "$(dirname "${BASH_SOURCE[0]}")/common.sh"
folder=$1 port=$2
export APP_ENV=prod
rm -rf "$folder"
use_data "$folder"
rm -rf var/cache/prod
fill_with_demo
bin/console cache:warmup --quiet
serve "$port"
