#!/usr/bin/env bash
# Brings Gentle Bead up; see --help.
source "$(dirname "${BASH_SOURCE[0]}")/common.sh"

port=5170 demo=1 fresh=0
while [ $# -gt 0 ]; do
  case $1 in
    --port) port=${2:-}; shift ;;
    --port=*) port=${1#*=} ;;
    --empty) demo=0 ;;
    --fresh) fresh=1 ;;
    -h | --help)
      cat <<'T'
./start            builds what changed, starts PostgreSQL on loopback, opens at http://127.0.0.1:5170
  --port N         another port
  --empty          no demo school when the database is new
  --fresh          throw away what this folder's database holds and begin again
GENTLEBEAD_DATABASE        an Npgsql connection string: use that server's database instead
GENTLEBEAD_OWNER_DATABASE  the same with the role that owns its tables; needed to make and to bring forward
T
      exit 0 ;;
    *) fail "./start does not know '$1'. ./start --help says what it knows." ;;
  esac
  shift
done
[[ $port =~ ^[0-9]{2,5}$ ]] && [ "$port" -ge 80 ] && [ "$port" -le 65535 ] \
  || fail "--port takes a number from 80 to 65535, such as --port 5180."

exec 9>.local/start.lock
flock -n 9 || {
  at=$(cat .local/url 2>/dev/null | sed 's/^/: /')
  fail "Gentle Bead already runs from this folder$at. Stop it first (Ctrl-C where it was started)."
}

need_toolchains
if [ -z "${GENTLEBEAD_DATABASE:-}" ]; then
  need_debian /usr/lib/postgresql=postgresql 9>&-
fi
need_debian curl=curl /usr/share/fonts/truetype/dejavu/DejaVuSans.ttf=fonts-dejavu-core 9>&-

# The lock is closed (9>&-) for whatever is run from here: a helper that lives on must not hold it.
# A start that was killed hard can leave its own server behind; nobody else's is touched.
if [ -f .local/server.pid ]; then
  left=$(cat .local/server.pid)
  if grep -qsz "$root/.local/server/GentleBead.Server.dll" "/proc/$left/cmdline"; then
    say "Stopping what a killed start left behind …"
    kill "$left" 2>/dev/null || true
    for _ in $(seq 50); do [ -d "/proc/$left" ] || break; sleep 0.1; done
  fi
  rm -f .local/server.pid
fi
(exec 3<>"/dev/tcp/127.0.0.1/$port") 2>/dev/null && fail "Port $port is taken by something else. Try ./start --port $((port + 1))."

scripts/build.sh 9>&-

server=
own_postgres=0
stop() {
  trap - EXIT INT TERM
  if [ -n "$server" ]; then kill "$server" 2>/dev/null || true; wait "$server" 2>/dev/null || true; fi
  rm -f .local/server.pid .local/url
  if [ $own_postgres = 1 ]; then scripts/postgres.sh stop .local/postgres; fi
  say "Stopped. Everything recorded is kept."
}
trap stop EXIT
trap 'exit 0' INT TERM

if [ -z "${GENTLEBEAD_DATABASE:-}" ]; then
  if [ $fresh = 1 ]; then
    say "Beginning again …"
    scripts/postgres.sh remove .local/postgres
  fi
  say "Starting PostgreSQL on loopback …"
  own_postgres=1
  { read -r application; read -r owner; } < <(scripts/postgres.sh start .local/postgres 9>&-) || fail "PostgreSQL did not start."
  export GENTLEBEAD_DATABASE="$application;Database=postgres" GENTLEBEAD_OWNER_DATABASE="$owner;Database=postgres"
elif [ $fresh = 1 ]; then
  fail "--fresh does not clear a database of yours. Empty it by hand, or leave GENTLEBEAD_DATABASE unset."
else
  say "Using the database named in GENTLEBEAD_DATABASE."
fi

say "Starting the server …"
GENTLEBEAD_DEMO=$([ $demo = 1 ] && echo true || echo false) ASPNETCORE_ENVIRONMENT=Production \
  dotnet "$root/.local/server/GentleBead.Server.dll" --urls "http://127.0.0.1:$port" --webroot "$root/ui/dist" \
    --contentRoot "$root/.local/server" \
  </dev/null >.local/server.log 2>&1 9>&- &
server=$!
echo $server >.local/server.pid
# A first start makes the whole demo school: it is waited for as long as the server is at it.
for _ in $(seq 6000); do
  if ! kill -0 $server 2>/dev/null; then
    tail -n 5 .local/server.log >&2
    fail "The server stopped while starting; all of it is in .local/server.log."
  fi
  if curl -fsS "http://127.0.0.1:$port/health/ready" >/dev/null 2>&1; then break; fi
  sleep 0.1
done
curl -fsS "http://127.0.0.1:$port/health/ready" >/dev/null 2>&1 \
  || fail "The server did not answer within ten minutes; its words are in .local/server.log."
echo "http://127.0.0.1:$port" >.local/url
# An empty school: whoever started it founds it.
grep -h '^Set-up code: ' .local/server.log || true
printf '\nGentle Bead is up at http://127.0.0.1:%s   (Ctrl-C stops it)\n' "$port"
wait $server || true
fail "The server has stopped; its last words are in .local/server.log."
