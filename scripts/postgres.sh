#!/usr/bin/env bash
# A private PostgreSQL cluster on loopback.
#   postgres.sh start FOLDER [SETTING=VALUE …]   starts it (makes it first), prints three Npgsql connection strings without a database:
#                              the application's role, the owner's of its tables, and the cluster's own
#   postgres.sh stop FOLDER    stops it
#   postgres.sh remove FOLDER  stops it and throws away all it holds
#   postgres.sh data FOLDER    where its files lie
# The cluster listens on 127.0.0.1 only, on a free port it keeps, with passwords of its own in FOLDER.
source "$(dirname "${BASH_SOURCE[0]}")/common.sh"
action=${1:?start, stop or remove}
folder=$(realpath -m "${2:?folder}")
# One at a time for a folder: two who start it at once would make it twice. The lock is not handed down to the server that stays.
mkdir -p "$(dirname "$folder")"
if [ "${POSTGRES_ALONE:-}" != "$folder" ]; then
  POSTGRES_ALONE=$folder exec flock --close "$folder.lock" scripts/postgres.sh "$action" "$folder" "${@:3}"
fi
settings=$(printf -- ' -c %s' "${@:3}")
[ $# -gt 2 ] || settings=

bin=$(ls -d /usr/lib/postgresql/*/bin 2>/dev/null | sort -V | tail -n 1)
[ -n "$bin" ] || fail "PostgreSQL is not installed. Install with: sudo apt-get install -y --no-install-recommends postgresql"

# PostgreSQL refuses to run as root; Debian's package brings the user it may run as.
as_owner() { "$@"; }
if [ "$(id -u)" = 0 ]; then
  as_owner() { (cd / && runuser -u postgres -- "$@"); }
  mkdir -p "$folder"
  if ! as_owner test -x "$folder"; then
    # A folder under /root cannot be reached by that user: keep the cluster beside, named after it.
    folder=/var/lib/gentlebead-$(printf '%s' "$folder" | sha256sum | cut -c1-12)
    mkdir -p "$folder"
  fi
  chown postgres: "$folder"
fi
data=$folder/data
running() { as_owner "$bin/pg_ctl" -D "$data" status >/dev/null 2>&1; }
port_free() { ! (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }

case $action in
  start)
    if [ ! -e "$folder/ready" ]; then
      rm -rf "$data"; mkdir -p "$folder"
      (umask 077; head -c 24 /dev/urandom | base64 | tr -d '/+=\n' >"$folder/password")
      [ "$(id -u)" = 0 ] && chown postgres: "$folder/password"
      as_owner "$bin/initdb" -D "$data" -U gentlebead --auth=scram-sha-256 --pwfile="$folder/password" -E UTF8 --locale=C \
        >"$folder/initdb.log" 2>&1 \
        || fail "initdb failed; its words are in $folder/initdb.log."
      shuf -i 20000-29999 -n 1 >"$folder/port"
      touch "$folder/ready"
    fi
    if ! running; then
      until port_free "$(cat "$folder/port")"; do shuf -i 20000-29999 -n 1 >"$folder/port"; done
      as_owner "$bin/pg_ctl" -D "$data" -w -t 60 -l "$data/log" \
        -o "-p $(cat "$folder/port") -c listen_addresses=127.0.0.1 -c unix_socket_directories=$settings" start >/dev/null 2>&1 \
        || fail "PostgreSQL did not start; its words are in $data/log."
    fi
    # The running server's own word on its port, whatever the file says.
    port=$(sed -n 4p "$data/postmaster.pid" | tr -d ' ')
    for role in owner app; do
      [ -e "$folder/$role-password" ] || (umask 077; head -c 24 /dev/urandom | base64 | tr -d '/+=\n' >"$folder/$role-password")
    done
    # The cluster's own role is for this script; the owner makes the tables; the application's may only do what it does. What an earlier
    # edition made as the cluster's own goes to the owner.
    PGPASSWORD=$(cat "$folder/password") OWNER=$(cat "$folder/owner-password") APP=$(cat "$folder/app-password") \
      "$bin/psql" -qtA -v ON_ERROR_STOP=1 -h 127.0.0.1 -p "$port" -U gentlebead -d postgres \
      >/dev/null <<'SQL' || fail "The roles of the database could not be made."
\getenv owner OWNER
\getenv app APP
select format('create role %I login', role) from unnest(array['gentlebead_owner', 'gentlebead_app']) as role
where not exists (select from pg_roles where rolname = role) \gexec
alter role gentlebead_owner password :'owner';
alter role gentlebead_app password :'app';
alter database postgres owner to gentlebead_owner;
select format('alter %s %I owner to gentlebead_owner', case relkind when 'v' then 'view' else 'table' end, relname)
from pg_class where relnamespace = 'public'::regnamespace and relkind in ('r', 'v') and relowner <> 'gentlebead_owner'::regrole \gexec
select format('alter function %s owner to gentlebead_owner', oid::regprocedure)
from pg_proc where pronamespace = 'public'::regnamespace and proowner <> 'gentlebead_owner'::regrole \gexec
SQL
    at="Host=127.0.0.1;Port=$port"
    echo "$at;Username=gentlebead_app;Password=$(cat "$folder/app-password")"
    echo "$at;Username=gentlebead_owner;Password=$(cat "$folder/owner-password")"
    echo "$at;Username=gentlebead;Password=$(cat "$folder/password")"
    ;;
  stop | remove)
    if running; then as_owner "$bin/pg_ctl" -D "$data" -w -m fast stop >/dev/null; fi
    if [ "$action" = remove ]; then rm -rf "$folder"; fi
    ;;
  data) echo "$data" ;;
  *) fail "postgres.sh start|stop|remove|data FOLDER" ;;
esac
