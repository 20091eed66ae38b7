# Shared by what people run in bin/. Installs what is missing; every failure is one clear sentence.
set -euo pipefail
root=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)
cd "$root"
mkdir -p var/stamps var/log

say() { printf '%s\n' "$*"; }
stop() { printf 'footnote: %s\n' "$*" >&2; exit 1; }

as_root() {
  if [ "$(id -u)" = 0 ]; then "$@"
  elif command -v sudo >/dev/null; then sudo "$@"
  else stop "\"$*\" needs root, and there is no sudo here. Run it as root, then start again."; fi
}

# need_packages NAME...: Debian packages that must be there
need_packages() {
  local missing=() name
  for name in "$@"; do
    dpkg-query -W -f='${Status}' "$name" 2>/dev/null | grep -q 'install ok installed' || missing+=("$name")
  done
  [ ${#missing[@]} = 0 ] && return 0
  command -v apt-get >/dev/null || stop "these Debian packages are missing and there is no apt-get: ${missing[*]}."
  say "Installing ${missing[*]} …"
  as_root apt-get -o DPkg::Lock::Timeout=120 -qq update >var/log/apt.log 2>&1 || stop "the package list could not be fetched; see var/log/apt.log."
  as_root env DEBIAN_FRONTEND=noninteractive apt-get -o DPkg::Lock::Timeout=120 -y -qq install --no-install-recommends "${missing[@]}" >>var/log/apt.log 2>&1 \
    || stop "these packages could not be installed: ${missing[*]}; see var/log/apt.log."
}

# The program's own Node, where Debian's is too old.
own_node=$root/var/node
for own in "$own_node"/node_modules/node-linux-*/bin; do
  [ -d "$own" ] && export PATH="$own:$PATH"
done

node_is_new() {
  command -v node >/dev/null && command -v npm >/dev/null && [ "$(node -p 'process.versions.node.split(".")[0]' 2>/dev/null || echo 0)" -ge 20 ]
}

# need_node: Node 20 or newer with npm. Debian's own is older; through its npm comes Node 22, into the project's folder.
need_node() {
  node_is_new && return 0
  local kind
  case $(uname -m) in
    x86_64) kind=x64 ;;
    aarch64) kind=arm64 ;;
    *) stop "Node 20 or newer with npm is needed, and for $(uname -m) none can be fetched here. Install it, then start again." ;;
  esac
  command -v npm >/dev/null || need_packages npm
  say "Fetching Node 22 …"
  mkdir -p "$own_node"
  npm install --prefix "$own_node" --no-save --no-audit --no-fund --loglevel=error "node-linux-$kind@22" >var/log/node.log 2>&1 || { tail -n 15 var/log/node.log >&2; stop "Node could not be fetched; see var/log/node.log."; }
  export PATH="$own_node/node_modules/node-linux-$kind/bin:$PATH"
  hash -r
  node_is_new || stop "Node was fetched and does not run; see var/log/node.log."
}

# stamped NAME FILES... -- COMMAND...: runs the command unless it ran for the same files before
stamped() {
  local name=$1; shift
  local files=()
  while [ "$1" != -- ]; do files+=("$1"); shift; done
  shift
  local sum; sum=$(find "${files[@]}" -type f -print0 | LC_ALL=C sort -z | xargs -0 sha256sum | sha256sum)
  [ "$(cat "var/stamps/$name" 2>/dev/null || true)" = "$sum" ] && return 0
  "$@"
  printf '%s' "$sum" > "var/stamps/$name"
}

install_php_packages() {
  [ -d vendor ] || rm -f var/stamps/composer
  stamped composer composer.json composer.versions -- composer_update
}
composer_update() {
  say "Installing the PHP packages …"
  local with=() line
  while read -r line; do [ -n "$line" ] && with+=("--with=$line"); done < composer.versions
  COMPOSER_ALLOW_SUPERUSER=1 composer update --no-interaction --no-progress --quiet "${with[@]}" >var/log/composer.log 2>&1 || { tail -n 15 var/log/composer.log >&2; stop "the PHP packages could not be installed; see var/log/composer.log."; }
  COMPOSER_ALLOW_SUPERUSER=1 composer dump-autoload --optimize --quiet
  chmod -R a+rX vendor
  rm -rf var/cache
}

install_web_packages() {
  [ -d web/node_modules ] || rm -f var/stamps/npm
  stamped npm web/package-lock.json -- npm_ci
}
npm_ci() {
  say "Installing the web packages …"
  (cd web && npm ci --no-audit --no-fund --loglevel=error) >var/log/npm.log 2>&1 || { tail -n 15 var/log/npm.log >&2; stop "the web packages could not be installed; see var/log/npm.log."; }
}

build_web() {
  [ -f public/build/index.html ] && [ -f public/sw.js ] || rm -f var/stamps/web
  stamped web web/src web/index.html web/vite.config.ts web/vite.worker.config.ts web/package-lock.json \
    contract/openapi.yaml contract/paper.css -- web_build
}
web_build() {
  say "Building the web client …"
  (cd web && npm run --silent build) >var/log/web.log 2>&1 || { tail -n 25 var/log/web.log >&2; stop "the web client could not be built; see var/log/web.log."; }
}

prepare() {
  need_packages php8.2-cli php8.2-sqlite3 php8.2-mbstring php8.2-xml php8.2-intl php8.2-opcache php8.2-zip composer unzip \
    chromium qpdf qrencode fonts-dejavu-core fonts-dejavu-extra
  need_node
  php -r 'exit(PHP_VERSION_ID >= 80200 ? 0 : 1);' || stop "PHP 8.2 or newer is needed; this is $(php -r 'echo PHP_VERSION;')."
  install_php_packages
  # What was put together for other code does not fit this one.
  stamped code app core config -- rm -rf var/cache
  install_web_packages
  build_web
}

# set_clock: tests and pictures begin at the same moment whatever day it is, a Wednesday morning after the days of the demo's files
set_clock() {
  export FOOTNOTE_CLOCK_AHEAD; FOOTNOTE_CLOCK_AHEAD=$(($(date -d '2026-12-02 10:00 UTC' +%s) - $(date +%s)))
}

# follow_clock: whatever PHP runs from here on asks the clock that was set
follow_clock() {
  [ -n "${FOOTNOTE_CLOCK_AHEAD:-}" ] || return 0
  mkdir -p var/clock
  printf 'auto_prepend_file = "%s/tools/moved-clock.php"\n' "$root" > var/clock/moved.ini
  export PHP_INI_SCAN_DIR=":$root/var/clock" FOOTNOTE_ROUTER=tools/moved-router.php
}

# use_data FOLDER: where the logbook lies; its secret is made once and stays with it, the key of its journal lies beside the folder
use_data() {
  # What people recorded, and who they are, is nobody else's to read.
  umask 077
  mkdir -p "$1/sessions"
  chmod 700 "$1"
  export FOOTNOTE_DATA; FOOTNOTE_DATA=$(cd "$1" && pwd)
  [ -s "$FOOTNOTE_DATA/secret" ] || (umask 077; php -r 'echo bin2hex(random_bytes(32));' > "$FOOTNOTE_DATA/secret")
  export FOOTNOTE_SECRET; FOOTNOTE_SECRET=$(cat "$FOOTNOTE_DATA/secret")
  [ -s "$FOOTNOTE_DATA.journal-key" ] || (umask 077; php -r 'echo bin2hex(random_bytes(32));' > "$FOOTNOTE_DATA.journal-key")
  export FOOTNOTE_JOURNAL_KEY; FOOTNOTE_JOURNAL_KEY=$(cat "$FOOTNOTE_DATA.journal-key")
}

# fill_with_demo [around]: an empty logbook with the people and the campaigns of the demo; around: its days lie around this one
fill_with_demo() {
  local person record from=demo/ code=SM-26-11 month='November 2026' plan=demo/plans/day.json
  bin/console doctrine:migrations:migrate --no-interaction --quiet
  for person in "technician technician T-1" "hygienist hygienist H-1" "steward steward S-1" "reader reader R-1"; do
    # shellcheck disable=SC2086
    FOOTNOTE_PASSWORD=sallow-mill-2026 bin/console footnote:person:add $person >/dev/null
  done
  if [ "${1:-}" = around ]; then
    from=$FOOTNOTE_DATA/demo/ plan=$FOOTNOTE_DATA/demo/day.plan
    IFS='|' read -r code month < <(php demo/around.php "$from")
  else
    php demo/make-logs.php
  fi
  for record in record air gas particles meters; do bin/console footnote:import "$from$record.json"; done
  bin/console footnote:report:begin "$code" "Noise at the organ works, $month" 'The works council of Sallow Mill'
  bin/console footnote:plan "$plan" --day "$(date -d "@$(($(date +%s) + 86400 + ${FOOTNOTE_CLOCK_AHEAD:-0}))" +%F)"
  [ "$from" = demo/ ] || rm -r "$from"
}

port_is_busy() { (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }

# serve PORT: PHP's own server with several workers, ended as a group
serve() {
  set -m
  # What every request needs is linked once, before the first.
  local preload=var/cache/prod/Footnote_App_KernelProdContainer.preload.php
  local linked=()
  [ -f "$preload" ] && linked=(-d "opcache.preload=$PWD/$preload" -d "opcache.preload_user=$(id -un)")
  PHP_CLI_SERVER_WORKERS=${FOOTNOTE_WORKERS:-4} php -d variables_order=EGPCS -d post_max_size=70M -d memory_limit=512M \
    -d opcache.enable=1 -d opcache.validate_timestamps=0 -d opcache.memory_consumption=128 -d opcache.max_accelerated_files=20000 \
    "${linked[@]}" \
    -S "127.0.0.1:$1" -t public "${FOOTNOTE_ROUTER:-tools/router.php}" >>"$FOOTNOTE_DATA/server.log" 2>&1 &
  local group=$!
  trap 'kill -- -'"$group"' 2>/dev/null; exit 0' INT TERM
  trap 'kill -- -'"$group"' 2>/dev/null' EXIT
  wait "$group"
}
