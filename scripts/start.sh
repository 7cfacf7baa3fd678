#!/usr/bin/env bash
# Brings Gentle Bead up; see --help.
source "$(dirname "${BASH_SOURCE[0]}")/common.sh"

port=5170 demo=1 fresh=0 lan=0 name= tls_port=5443 signpost_port=5080 proxy=
while [ $# -gt 0 ]; do
  case $1 in
    --port) port=${2:-}; shift ;;
    --port=*) port=${1#*=} ;;
    --empty) demo=0 ;;
    --fresh) fresh=1 ;;
    --lan) lan=1; if [[ ${2:-} =~ ^[^-] ]]; then name=$2; shift; fi ;;
    --lan=*) lan=1 name=${1#*=} ;;
    --tls-port) tls_port=${2:-}; shift ;;
    --signpost-port) signpost_port=${2:-}; shift ;;
    --proxy) proxy=${2:-}; shift ;;
    --name) name=${2:-}; shift ;;
    -h | --help)
      cat <<'T'
./start            builds what changed, starts PostgreSQL on loopback, opens at http://127.0.0.1:5170
  --port N           another port
  --empty            no demo school when the database is new
  --fresh            throw away what this folder's database holds and begin again
  --lan [NAME]       listen for the shop's network too, by TLS, as NAME and at this machine's addresses; prints where tablets go
  --tls-port N       where, 5443
  --signpost-port N  where a tablet without trust in it is told, without TLS, where to go and how: 5080
  --proxy ADDRESS    a proxy of your own at ADDRESS does TLS; --name NAME is what tablets call it
GENTLEBEAD_TLS_CERTIFICATE, GENTLEBEAD_TLS_KEY  with --lan: a certificate of your own, PEM, instead of one of the shop's authority
GENTLEBEAD_KEY_SEAL        the file that keys for sign-ins are sealed with, .local/key-seal.pem; servers on one database share one
GENTLEBEAD_DATABASE        an Npgsql connection string: use that server's database instead
GENTLEBEAD_OWNER_DATABASE  the same with the role that owns its tables; needed to make and to bring forward
GENTLEBEAD_CONTROL_DATABASE  many schools, each in a database of its own: the one that names them (scripts/school.sh adds them)
It starts a server that dies anew, five times in ten minutes at the most. What the server says is kept by day in .local/logs, for 30 days.
T
      exit 0 ;;
    *) fail "./start does not know '$1'. ./start --help says what it knows." ;;
  esac
  shift
done
for option in "port=$port" "tls-port=$tls_port" "signpost-port=$signpost_port"; do
  number=${option#*=}
  [[ $number =~ ^[0-9]{2,5}$ ]] && [ "$number" -ge 80 ] && [ "$number" -le 65535 ] \
    || fail "--${option%%=*} takes a number from 80 to 65535, such as --${option%%=*} 5180."
done
if [ -n "$name" ]; then
  [[ $name =~ ^[A-Za-z0-9]([A-Za-z0-9.-]{0,251}[A-Za-z0-9])?$ ]] \
    || fail "'$name' cannot be a machine's name: letters, digits, hyphens and dots."
fi
[ $lan = 0 ] || [ -z "$proxy" ] || fail "--lan does TLS itself, --proxy leaves it to a proxy of your own. Choose one."
[ -z "$proxy" ] || [ -n "$name" ] || fail "With --proxy say by --name what tablets call it, such as --name beads.school.example."

# Where this folder's database, authority, logs and backups lie; what was built elsewhere is taken as it is (the tests do).
state=${GENTLEBEAD_STATE:-.local}
built=${GENTLEBEAD_BUILT:-$root/.local/server}
mkdir -p "$state/logs"

exec 9>"$state/start.lock"
flock -n 9 || {
  at=$(cat "$state/url" 2>/dev/null | sed 's/^/: /')
  fail "Gentle Bead already runs from this folder$at. Stop it first (Ctrl-C where it was started)."
}

need_toolchains
# A database of this folder's own, unless others are named.
own=1
if [ -n "${GENTLEBEAD_DATABASE:-}${GENTLEBEAD_CONTROL_DATABASE:-}" ]; then own=0; else need_debian /usr/lib/postgresql=postgresql 9>&-; fi
need_debian curl=curl /usr/share/fonts/truetype/dejavu/DejaVuSans.ttf=fonts-dejavu-core "$opencv" 9>&-

# The lock is closed (9>&-) for whatever is run from here: a helper that lives on must not hold it.
# A start that was killed hard can leave its own server behind; nobody else's is touched.
if [ -f "$state/server.pid" ]; then
  left=$(cat "$state/server.pid")
  if grep -qsz "$built/GentleBead.Server.dll" "/proc/$left/cmdline"; then
    say "Stopping what a killed start left behind …"
    kill "$left" 2>/dev/null || true
    for _ in $(seq 50); do [ -d "/proc/$left" ] || break; sleep 0.1; done
  fi
  rm -f "$state/server.pid"
fi
taken() { (exec 3<>"/dev/tcp/127.0.0.1/$2") 2>/dev/null && fail "Port $2 is taken by something else. Try ./start --$1 $(($2 + 1))."; true; }
taken port "$port"
if [ $lan = 1 ]; then taken tls-port "$tls_port"; taken signpost-port "$signpost_port"; fi

[ -n "${GENTLEBEAD_BUILT:-}" ] || scripts/build.sh 9>&-

server=
own_postgres=0
stop() {
  trap - EXIT INT TERM
  if [ -n "$server" ]; then kill "$server" 2>/dev/null || true; wait "$server" 2>/dev/null || true; fi
  rm -f "$state/server.pid" "$state/url" "$state/told"
  if [ $own_postgres = 1 ]; then scripts/postgres.sh stop "$state/postgres"; fi
  say "Stopped. Everything recorded is kept."
}
trap stop EXIT
trap 'exit 0' INT TERM

if [ $own = 1 ]; then
  if [ $fresh = 1 ]; then
    say "Beginning again …"
    scripts/postgres.sh remove "$state/postgres"
  fi
  say "Starting PostgreSQL on loopback …"
  own_postgres=1
  start_postgres() {
    { read -r application; read -r owner; } < <(scripts/postgres.sh start "$state/postgres" 9>&-) || return 1
    export GENTLEBEAD_DATABASE="$application;Database=postgres" GENTLEBEAD_OWNER_DATABASE="$owner;Database=postgres"
  }
  start_postgres || fail "PostgreSQL did not start."
elif [ $fresh = 1 ]; then
  fail "--fresh does not clear a database of yours. Empty it by hand, or leave GENTLEBEAD_DATABASE unset."
elif [ -n "${GENTLEBEAD_CONTROL_DATABASE:-}" ]; then
  # The made-up school's accounts are dead where real schools are served.
  demo=0
  say "Serving the schools named in GENTLEBEAD_CONTROL_DATABASE."
else
  say "Using the database named in GENTLEBEAD_DATABASE."
fi

# What the server says goes into a log by day; what is for whoever started it is shown; that something was said is noted in "told".
keep_log() {
  local line file said
  while IFS= read -r line; do
    printf -v file '%s/logs/server-%(%F)T.log' "$state" -1
    [ -e "$file" ] || find "$state/logs" -name 'server-*.log' -mtime +30 -delete
    # What it says by itself is JSON, a line each; what is said before it can is put into the same form.
    case $line in
      '{'*) printf '%s\n' "$line" >>"$file" ;;
      *) said=${line//\\/\\\\} said=${said//\"/\\\"}; printf '{"Timestamp":"%(%FT%T%z)T","Message":"%s"}\n' -1 "$said" >>"$file" ;;
    esac
    : >"$state/told"
    case $line in
      'Starting: '*) say "${line#Starting: }" ;;
      'Set-up code: '*) say "$line" ;;
      'Shop network: '*) say "${line#Shop network: }" ;;
    esac
  done
}
listening=(--urls "http://127.0.0.1:$port")
# Where backups are looked for, to say how old the newest is.
export GENTLEBEAD_BACKUPS=${GENTLEBEAD_BACKUPS:-$(realpath -m "$state/backups")}
# What the keys in the database are sealed with; servers beside each other share one file.
export GENTLEBEAD_KEY_SEAL=${GENTLEBEAD_KEY_SEAL:-$(realpath -m "$state/key-seal.pem")}
export ASPNETCORE_ENVIRONMENT=Production GENTLEBEAD_DEMO=$([ $demo = 1 ] && echo true || echo false)
if [ $lan = 1 ]; then
  listening=()
  export GENTLEBEAD_LAN_FOLDER=$(realpath -m "$state/authority") GENTLEBEAD_LAN_NAME=$name
  export GENTLEBEAD_PORT=$port GENTLEBEAD_TLS_PORT=$tls_port GENTLEBEAD_SIGNPOST_PORT=$signpost_port
elif [ -n "$proxy" ]; then
  export GENTLEBEAD_PROXY=$proxy AllowedHosts=$name
fi
launch() {
  : >"$state/told"
  # Ctrl-C is for the server; its last words are still kept.
  dotnet "$built/GentleBead.Server.dll" "${listening[@]}" --webroot "$root/ui/dist" --contentRoot "$built" \
    </dev/null > >(trap '' INT TERM; keep_log) 2>&1 9>&- &
  server=$!
  echo $server >"$state/server.pid"
}
ready() { curl -fsS -m 5 "http://127.0.0.1:$port/health/ready" >/dev/null 2>&1; }
# It is waited for as long as it says that it is at something: a whole demo school, a large database brought forward.
come_up() {
  until ready; do
    kill -0 $server 2>/dev/null || { why="The server stopped while starting"; return 1; }
    if [ $(($(date +%s) - $(stat -c %Y "$state/told"))) -gt 60 ]; then
      why="The server has said nothing for a minute and does not answer"
      return 1
    fi
    sleep 0.1
  done
}
last_words() { tail -n 5 "$(ls "$state"/logs/server-*.log | tail -n 1)" | sed -E 's/.*"Message":"(([^"\\]|\\.)*)".*/\1/' >&2; }

say "Starting the server …"
launch
come_up || { sleep 0.2; last_words; fail "$why; all of it is in $state/logs."; }
echo "http://127.0.0.1:$port" >"$state/url"
printf '\nGentle Bead is up at http://127.0.0.1:%s   (Ctrl-C stops it)\n' "$port"

deaths=()
while true; do
  ended=0; wait $server || ended=$?
  now=$(date +%s) recent=()
  for death in "${deaths[@]}"; do if [ $((now - death)) -lt 600 ]; then recent+=("$death"); fi; done
  deaths=("${recent[@]}" "$now")
  if [ ${#deaths[@]} -gt 5 ]; then
    last_words
    fail "The server has died ${#deaths[@]} times within ten minutes and is left alone now; what it said is in $state/logs."
  fi
  say "$(date +%T): the server died (it ended with $ended). Starting it again, ${#deaths[@]} of 5 in ten minutes …"
  sleep ${#deaths[@]}
  if [ $own_postgres = 1 ]; then start_postgres || say "PostgreSQL did not start either."; fi
  launch
  if come_up; then say "$(date +%T): up again."; else say "$why."; kill -9 $server 2>/dev/null || true; fi
done
