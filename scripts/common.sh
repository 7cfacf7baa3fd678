# Shared by the scripts; sourced, not run.
set -euo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.."
root=$PWD
mkdir -p .local

say() { printf '%s\n' "  $*"; }
fail() { printf '\n%s\n' "$*" >&2; exit 1; }

# need_debian COMMAND=PACKAGE ...: installs the packages whose command is missing.
need_debian() {
  local missing=() pair
  for pair in "$@"; do
    command -v "${pair%%=*}" >/dev/null || [ -e "${pair%%=*}" ] || missing+=("${pair##*=}")
  done
  [ ${#missing[@]} -eq 0 ] && return
  [ "$(id -u)" = 0 ] || fail "Missing from this machine: ${missing[*]}. Install with:
    sudo apt-get update && sudo apt-get install -y --no-install-recommends ${missing[*]}"
  say "Installing from Debian: ${missing[*]} …"
  { apt-get update && DEBIAN_FRONTEND=noninteractive apt-get install -y --no-install-recommends "${missing[@]}"; } >.local/apt.log 2>&1 \
    || fail "apt-get could not install ${missing[*]}; its words are in .local/apt.log."
}

# What OpenCV's build for Linux is linked with, windows and all, though the eye opens none.
opencv=/usr/lib/x86_64-linux-gnu/libgtk-3.so.0=libgtk-3-0

need_toolchains() {
  command -v dotnet >/dev/null && dotnet --list-sdks | grep -q '^10\.' \
    || fail "Gentle Bead needs the .NET 10 SDK; 'dotnet --list-sdks' shows none."
  command -v node >/dev/null && [ "$(node -p 'process.versions.node.split(".")[0]')" -ge 20 ] \
    || fail "Gentle Bead needs Node 20 or newer; 'node --version' shows none."
}

# Installs the front end's packages when the lock file is newer than what is there.
need_ui_packages() {
  [ ui/node_modules/.package-lock.json -nt ui/package-lock.json ] && return
  say "Fetching front-end packages …"
  (cd ui && npm ci --no-audit --no-fund) </dev/null >.local/npm.log 2>&1 || fail "npm ci failed; its words are in .local/npm.log."
  touch ui/node_modules/.package-lock.json
}

# owner_of STATE: the connection string of the role that owns the tables: the one that was given, else of the cluster in STATE, started
# where it does not run. "started" says whether it was.
owner_of() {
  started=0
  if [ -n "${GENTLEBEAD_OWNER_DATABASE:-}" ]; then owner=$GENTLEBEAD_OWNER_DATABASE; return; fi
  [ -e "$1/postgres" ] || [ -n "${2:-}" ] || fail "There is no database in $1/postgres, and GENTLEBEAD_OWNER_DATABASE names no other."
  flock -n "$1/start.lock" true 2>/dev/null && started=1
  owner="$(scripts/postgres.sh start "$1/postgres" | sed -n 2p);Database=postgres"
}

# as_libpq CONNECTION: an Npgsql connection string as PostgreSQL's own tools take it, in their environment variables.
as_libpq() {
  local part
  local -A names=([host]=PGHOST [port]=PGPORT [database]=PGDATABASE [username]=PGUSER [password]=PGPASSWORD)
  while IFS= read -r -d ';' part; do
    local key=${part%%=*}
    key=${names[$(tr '[:upper:]' '[:lower:]' <<<"$key" | tr -d ' ')]:-}
    if [ -n "$key" ]; then export "$key=${part#*=}"; fi
  done <<<"$1;"
}

# PostgreSQL's own tools: Debian keeps those of each edition apart.
postgres_bin() { ls -d /usr/lib/postgresql/*/bin 2>/dev/null | sort -V | tail -n 1; }
