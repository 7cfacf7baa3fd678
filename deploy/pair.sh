#!/usr/bin/env bash
# PostgreSQL twice, so that one may die: a primary, a standby that has every commit before it is acknowledged, and a monitor that puts the
# one in the other's place (Debian's pg-auto-failover). On this machine's loopback, for trial and test; docs/running.md says how on three.
#   pair.sh start FOLDER     starts all three (makes them first), prints two Npgsql connection strings without a database: the application's
#                            role, and the owner's of its tables
#   pair.sh state FOLDER     who is primary
#   pair.sh run FOLDER NODE  starts a or b again
#   pair.sh kill FOLDER NODE    ends all that runs of a or b at once, as a power cut would
#   pair.sh freeze FOLDER NODE  stops all of it where it is, and thaw lets it go on: as if it were cut off
#   pair.sh stop FOLDER      stops all three
#   pair.sh remove FOLDER    stops them and throws away all they hold
source "$(dirname "${BASH_SOURCE[0]}")/../scripts/common.sh"
action=${1:?start, state, run, stop or remove}
folder=$(realpath -m "${2:?folder}")
need_debian /usr/bin/pg_autoctl=pg-auto-failover-cli /usr/share/postgresql/15/extension/pgautofailover.control=postgresql-15-auto-failover

# PostgreSQL refuses to run as root; Debian's package brings the user it may run as.
owner=$(id -un)
as_owner() { "$@"; }
mkdir -p "$folder"
if [ "$(id -u)" = 0 ]; then
  owner=postgres
  chown postgres: "$folder"
  as_owner() { (cd / && runuser -u postgres -- "$@"); }
  as_owner test -x "$folder" || fail "The user postgres cannot reach $folder."
fi
bin=$(ls -d /usr/lib/postgresql/*/bin | sort -V | tail -n 1)
sockets=$folder/sockets
auto() {
  as_owner env PATH="$bin:/usr/bin:/bin" PGHOST="$sockets" HOME="$folder" XDG_DATA_HOME="$folder" XDG_CONFIG_HOME="$folder" \
    XDG_RUNTIME_DIR="$folder" "$@"
}
secret() { # secret NAME: a password of its own, made once
  [ -e "$folder/$1" ] || (umask 077; head -c 24 /dev/urandom | base64 | tr -d '/+=\n' >"$folder/$1")
  cat "$folder/$1"
}
port_free() { ! (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }
port() { # port NODE: one of its own, kept
  if [ ! -e "$folder/$1.port" ]; then
    local number; until number=$(shuf -i 20000-29999 -n 1) && port_free "$number"; do :; done
    echo "$number" >"$folder/$1.port"
  fi
  cat "$folder/$1.port"
}
data() { echo "$folder/data/$1"; }

# What a cluster begins with: through a folder that only the user it runs as can enter, else by password.
init() { # init NODE
  [ -e "$(data "$1")/PG_VERSION" ] && return
  auto "$bin/initdb" -D "$(data "$1")" --auth-local=trust --auth-host=scram-sha-256 -E UTF8 --locale=C >"$folder/$1.init.log" 2>&1 \
    || fail "initdb failed; its words are in $folder/$1.init.log."
  printf '%s\n' "unix_socket_directories = '$sockets'" "listen_addresses = '127.0.0.1'" "port = $(port "$1")" \
    | auto tee -a "$(data "$1")/postgresql.conf" >/dev/null
}
sql() { # sql NODE DATABASE: what comes in, as the system's own user
  auto "$bin/psql" -qtA -v ON_ERROR_STOP=1 -h "$sockets" -p "$(port "$1")" -d "$2"
}
monitor() { echo "postgres://autoctl_node:$(secret monitor-password)@127.0.0.1:$(port monitor)/pg_auto_failover?sslmode=prefer"; }
running() { [ -e "$folder/$1.pid" ] && [ -d "/proc/$(cat "$folder/$1.pid")" ]; }
run() { # run NODE: its keeper, which runs its PostgreSQL
  running "$1" && return
  auto setsid pg_autoctl run --pgdata "$(data "$1")" </dev/null >>"$folder/$1.log" 2>&1 &
  echo $! >"$folder/$1.pid"
}
processes() { # processes NODE: its keeper, its PostgreSQL and all that these began
  local all; all=$(pgrep -u $owner -f -- "$(data "$1")( |\$)")
  echo $all $(for one in $all; do pgrep -P "$one" || true; done) | tr ' ' '\n' | sort -un
}
until_done() { # until_done WHAT COMMAND …
  for _ in $(seq 300); do "${@:2}" >/dev/null 2>&1 && return; sleep 0.2; done
  fail "$1 did not come up; its words are in $folder."
}
up() { sql "$1" "$2" <<<'select 1'; }
answers() { sql monitor pg_auto_failover <<<"select 1 / count(*) from pgautofailover.node where reportedstate = '$1'"; }

make_monitor() {
  init monitor
  # Who does not answer twice within three seconds is dead. A server that is busy answers within one.
  cat <<'C' | auto tee -a "$(data monitor)/postgresql.conf" >/dev/null
shared_buffers = '16MB'
pgautofailover.health_check_period = 1000
pgautofailover.health_check_timeout = 1000
pgautofailover.health_check_max_retries = 1
pgautofailover.health_check_retry_delay = 500
pgautofailover.node_considered_unhealthy_timeout = 4000
pgautofailover.primary_demote_timeout = 3000
pgautofailover.startup_grace_period = 3000
C
  auto pg_autoctl create monitor --pgdata "$(data monitor)" --pgport "$(port monitor)" --hostname 127.0.0.1 --auth scram-sha-256 \
    --no-ssl >>"$folder/monitor.log" 2>&1 || fail "The monitor could not be made; its words are in $folder/monitor.log."
  run monitor
  until_done "The monitor" up monitor pg_auto_failover
  sql monitor pg_auto_failover <<<"alter user autoctl_node password '$(secret monitor-password)'"
}

make_node() { # make_node NODE
  auto env PGPASSWORD="$(secret replication-password)" pg_autoctl create postgres --pgdata "$(data "$1")" --pghost "$sockets" \
    --pgport "$(port "$1")" --listen 127.0.0.1 --hostname 127.0.0.1 --name "$1" --dbname postgres --monitor "$(monitor)" \
    --auth scram-sha-256 --no-ssl >>"$folder/$1.log" 2>&1 || fail "Node $1 could not be made; its words are in $folder/$1.log."
  auto pg_autoctl config set --pgdata "$(data "$1")" replication.password "$(secret replication-password)" >/dev/null 2>&1
  run "$1"
}

make() {
  as_owner mkdir -p -m 700 "$folder/data" "$sockets"
  make_monitor
  init a
  make_node a
  until_done "Node a" answers single
  until_done "Node a" up a postgres
  sql a postgres <<<"alter user pgautofailover_replicator password '$(secret replication-password)'"
  sql a postgres <<S
create role gentlebead_owner login password '$(secret owner-password)';
create role gentlebead_app login password '$(secret app-password)';
alter database postgres owner to gentlebead_owner;
S
  make_node b
  until_done "Node b" answers secondary
  touch "$folder/made"
}

case $action in
  start)
    if [ -e "$folder/made" ]; then for node in monitor a b; do run $node; done; else make; fi
    until_done "The standby" answers secondary
    at="Host=127.0.0.1:$(port a),127.0.0.1:$(port b);Target Session Attributes=primary"
    echo "$at;Username=gentlebead_app;Password=$(secret app-password)"
    echo "$at;Username=gentlebead_owner;Password=$(secret owner-password)"
    ;;
  state) sql monitor pg_auto_failover <<<"select nodename, reportedstate, goalstate from pgautofailover.node order by nodename" ;;
  run) run "${3:?monitor, a or b}" ;;
  kill | freeze | thaw)
    signal=KILL; [ "$action" = kill ] || { [ "$action" = freeze ] && signal=STOP || signal=CONT; }
    as_owner kill -$signal $(processes "${3:?a or b}")
    ;;
  stop | remove)
    for node in a b monitor; do
      running $node || continue
      auto pg_autoctl stop --pgdata "$(data $node)" >/dev/null 2>&1 || true
      for _ in $(seq 100); do running $node || break; sleep 0.1; done
    done
    if [ "$action" = remove ]; then rm -rf "$folder"; fi
    ;;
  *) fail "pair.sh start|state|run|kill|freeze|thaw|stop|remove FOLDER" ;;
esac
