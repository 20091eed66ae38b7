#!/usr/bin/env bash
# serve-empty.sh FOLDER PORT: an empty logbook with its first person, for whoever begins one.
source "$(dirname "${BASH_SOURCE[0]}")/common.sh"
export APP_ENV=prod
follow_clock
rm -rf "$1"
use_data "$1"
bin/console doctrine:migrations:migrate --no-interaction --quiet
FOOTNOTE_PASSWORD=sallow-mill-2026 bin/console footnote:person:add --if-none first "" H-1 >/dev/null
serve "$2"
