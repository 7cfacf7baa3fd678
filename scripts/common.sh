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
