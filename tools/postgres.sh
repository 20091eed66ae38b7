#!/usr/bin/env bash
# postgres.sh COMMAND...: starts a PostgreSQL 15 of its own in a temporary folder, hands its address to the command in
# FOOTNOTE_DATABASE_URL, and takes it away again. It runs as "postgres" where this is root, and listens on no port.
source "$(dirname "${BASH_SOURCE[0]}")/common.sh"
programs=/usr/lib/postgresql/15/bin
[ -x "$programs/initdb" ] || stop "PostgreSQL 15 is not installed: apt-get install postgresql-15."
# The path of a socket is at most 107 characters.
folder=$(mktemp -d /tmp/fnpg.XXXXXX)
owner=$(id -un)
[ "$owner" = root ] && owner=postgres
chown "$owner" "$folder"
as_owner() { if [ "$(id -un)" = "$owner" ]; then "$@"; else runuser -u "$owner" -- "$@"; fi; }
pg() { (cd "$folder" && as_owner "$@"); }
trap 'pg "$programs/pg_ctl" -D "$folder/data" -m immediate -s stop >/dev/null 2>&1 || true; rm -rf "$folder"' EXIT
pg "$programs/initdb" -D "$folder/data" -U footnote -A trust -E UTF8 --locale=C -N >"$folder/initdb.log" 2>&1 \
  || { tail -n 5 "$folder/initdb.log" >&2; stop "PostgreSQL could not be set up."; }
pg "$programs/pg_ctl" -D "$folder/data" -s -w -t 60 -l "$folder/server.log" \
  -o "-c listen_addresses='' -c unix_socket_directories=$folder -c fsync=off" start \
  || { tail -n 5 "$folder/server.log" >&2; stop "PostgreSQL does not start."; }
export FOOTNOTE_DATABASE_URL="pgsql://footnote@localhost/postgres?host=$folder&serverVersion=15&charset=utf8"
"$@"
