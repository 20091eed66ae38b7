#!/usr/bin/env bash
# Works out every figure of the demo, by the three policies, and of random records of all families again in R: all.sh [COUNT [SEED]].
source "$(dirname "${BASH_SOURCE[0]}")/../common.sh"
export APP_ENV=dev FOOTNOTE_DATA=$root/var/test
php demo/make-logs.php
folder=$(mktemp -d -p var/test)
trap 'rm -rf "$folder"' EXIT
bin/console footnote:library >"$folder/library.json"
pairs=()
for record in demo/*.json; do
  for policy in standard cautious survey; do
    told=$folder/$(basename "$record" .json)-$policy.json
    bin/console footnote:assess "$record" --policy="$policy" >"$told"
    pairs+=("$told" "$record")
  done
done
Rscript tools/recompute/recompute.R "${pairs[@]}" --library "$folder/library.json" --tamper
mkdir "$folder/random"
php tools/recompute/random.php "$folder/random" "${1:-200}" "${2:-1}"
pairs=()
for one in "$folder"/random/*; do pairs+=("$one/assessment.json" "$one/record.json"); done
Rscript tools/recompute/recompute.R "${pairs[@]}" --library "$folder/library.json" --sum
