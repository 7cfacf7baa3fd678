#!/usr/bin/env bash
# Runs the version before beside this one on one database: ./test rolling [REVISION]. Without one, the last that knew fewer migrations.
source "$(dirname "${BASH_SOURCE[0]}")/common.sh"
need_toolchains
need_debian /usr/lib/postgresql=postgresql chromium=chromium chromedriver=chromium-driver "$opencv"
before=${1:-$(git log -1 --format=%H -- src/GentleBead.Server/Database/migrations)^}
git rev-parse --verify --quiet "$before^{commit}" >/dev/null \
  || fail "There is no version $before here: a clone without history has none before."
say "Building the version before: $(git log -1 --format='%h %s' "$before") …"
git worktree remove --force .local/before 2>/dev/null || true
git worktree add --detach --quiet .local/before "$before"
trap 'git worktree remove --force .local/before; scripts/postgres.sh stop .local/test-postgres 2>/dev/null || true' EXIT
quietly() { "$@" >.local/rolling.log 2>&1 || { tail -n 20 .local/rolling.log; fail "It does not build: $*"; }; }
quietly dotnet build .local/before/src/GentleBead.Server -v quiet
say "Building this one …"
quietly dotnet build tests/GentleBead.Browser.Tests -v quiet
need_ui_packages
quietly npm --prefix ui run --silent build
GENTLEBEAD_BEFORE=$root/.local/before/src/GentleBead.Server/bin/Debug/net10.0 \
  dotnet tests/GentleBead.Browser.Tests/bin/Debug/net10.0/GentleBead.Browser.Tests.dll -noColor -noLogo -explicit only \
  -class '*RollingTests'
