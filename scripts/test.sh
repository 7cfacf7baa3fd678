#!/usr/bin/env bash
# Runs the tests; closes with "N passed, N failed". See --help.
source "$(dirname "${BASH_SOURCE[0]}")/common.sh"

if [ "${1:-}" = mutants ]; then shift && exec scripts/mutants.sh "$@"; fi
if [ "${1:-}" = rolling ]; then shift && exec scripts/rolling.sh "$@"; fi
parts=("$@")
[ ${#parts[@]} -gt 0 ] || parts=(format ui core server browser)
for part in "${parts[@]}"; do
  case $part in
    format | ui | core | server | browser) ;;
    *)
      cat <<'T'
./test                 everything
./test PART [PART …]   only these parts
  format    C# formatting, docs/third-party.md
  ui        front-end types, lint, format, its logic (Vitest), client types against the server's OpenAPI document
  core      the trade's rules, against GNU Units, SciPy and published values
  server    the server over a real PostgreSQL
  browser   the screens, in headless Chromium
./test mutants [FOLDER or FOLDER/FILE …]
  changes the rules of these folders or files of Core one small way at a time (dotnet-stryker), says how many changes the tests notice;
  under 75 % it fails. No folder: Sheets, Judging, Machines, Trials, Windows, Rules, in about two hours. Not part of ./test.
./test rolling [REVISION]
  the version before (the last with fewer migrations) beside this one on one database, and started on this one's. Not part of ./test.
T
      [[ $part =~ ^(-h|--help)$ ]] && exit 0 || exit 2 ;;
  esac
done

need_toolchains
need_debian units=units
has() { [[ " ${parts[*]} " == *" $1 "* ]]; }
if has core || has server || has browser; then need_debian "$opencv"; fi
if has core; then need_debian /usr/lib/python3/dist-packages/scipy=python3-scipy; fi
if has server || has browser; then need_debian /usr/lib/postgresql=postgresql; fi
if has server; then need_debian ffmpeg=ffmpeg openssl=openssl pdftotext=poppler-utils qpdf=qpdf; fi
if has browser; then need_debian chromium=chromium chromedriver=chromium-driver curl=curl ffmpeg=ffmpeg certutil=libnss3-tools \
  systemd-analyze=systemd /usr/sbin/nginx=nginx-light /usr/share/fonts/truetype/dejavu/DejaVuSans.ttf=fonts-dejavu-core \
  /usr/bin/pg_autoctl=pg-auto-failover-cli /usr/share/postgresql/15/extension/pgautofailover.control=postgresql-15-auto-failover
fi
# Fetched while the rest is built.
packages=
if has ui || has browser; then need_ui_packages & packages=$!; fi

# The tests' shop opens at eight in the morning: no run is caught by midnight, when today's session becomes yesterday's.
ahead=$(( (8 - 10#$(date -u +%H) + 36) % 24 - 12 ))
export TZ="Etc/GMT$(printf '%+d' $((-ahead)))"
trap 'scripts/postgres.sh stop .local/test-postgres 2>/dev/null || true' EXIT

passed=0 failed=0
told=.local/test-failures.log # said once more at the end, where whoever reads only that looks
: >"$told"
names=() # of what was begun and runs beside what comes next
begin() { # begin NAME COMMAND...: one thing that passes or fails
  say "$1"
  "${@:2}" >".local/test-check-${#names[@]}.log" 2>&1 &
  pids[${#names[@]}]=$!
  names+=("$1")
}
finish() { # what came of everything begun
  local i
  for i in "${!names[@]}"; do
    if wait "${pids[$i]}"; then
      passed=$((passed + 1))
    else
      failed=$((failed + 1))
      cat ".local/test-check-$i.log"
      say "FAILED: ${names[$i]}" | tee -a "$told"
    fi
  done
  names=()
}
check() { begin "$@"; finish; }
run() { # run PROJECT [PART FILTER …]: an xUnit project or a part of it; its words and how it ended into .local
  local ended=0 part=${2:-$1} tests=tests/GentleBead.$1.Tests/bin/Debug/net10.0/GentleBead.$1.Tests.dll
  dotnet "$tests" -noColor -noLogo -xml ".local/test-$part.xml" "${@:3}" >".local/test-$part.log" 2>&1 || ended=$?
  echo $ended >".local/test-$part.ended"
}
count() { # count PART: what came of it, test by test
  local log=.local/test-$1.log ended total bad
  ended=$(cat ".local/test-$1.ended")
  # What was skipped has not passed.
  local line='s/.*Total: ([0-9]+), Errors: ([0-9]+), Failed: ([0-9]+), Skipped: ([0-9]+), Not Run: ([0-9]+).*/\1 \2 \3 \4 \5/p'
  read -r total bad < <(sed -nE "$line" "$log" | awk '{ print $1 - $4 - $5, $2 + $3 }') || true
  if [ -z "${total:-}" ] || { [ $ended -ne 0 ] && [ "${bad:-0}" -eq 0 ]; }; then total=$((${total:-0} + 1)) bad=$((${bad:-0} + 1)); fi
  if [ "$bad" -gt 0 ]; then
    # The name and words of each failure; what a server or a browser said meanwhile stands in the log. Where none has a name, its end.
    local words='/\[FAIL\]$|Cleanup Failure/ { show = 25 } /^ *(Stack Trace|Output):/ { show = 0 } show-- > 0' named
    named=$(awk "$words" "$log")
    printf '%s\n' "${named:-$(grep -vE '^\s+at ' "$log" | tail -n 80)}" >>"$told"
  fi
  passed=$((passed + total - bad)) failed=$((failed + bad))
}
suite() { say "Tests: ${2:-$1}"; run "$@"; count "${2:-$1}"; }

if has core || has server || has browser || has format; then
  say "Building …"
  dotnet build GentleBead.slnx -v quiet -p:RestoreLockedMode=true >.local/test-build.log 2>&1 || {
    grep -E 'error|warn' .local/test-build.log | sort -u | head -n 30
    say "The build failed."
    printf '%s\n' "0 passed, 1 failed"
    exit 1
  }
fi
if [ -n "$packages" ]; then wait "$packages" || { printf '%s\n' "0 passed, 1 failed"; exit 1; }; fi
if has format; then
  dotnet tool restore >.local/test-tools.log 2>&1 || { cat .local/test-tools.log; say "The formatter could not be fetched."; }
  begin "C# format" dotnet csharpier check src tests bench
  begin "What ships, and its licence" node scripts/third-party.mjs --check
fi
if has ui; then
  begin "Front-end types" npm --prefix ui run --silent types
  begin "Front-end lint and format" npm --prefix ui run --silent lint
  begin "Front-end logic" npm --prefix ui run --silent test
  begin "Client types against the server's document" npm --prefix ui run --silent client:check
fi
finish
if has core; then suite Core; fi
# The walks through every page in every state wait for the browser half of the time: something else runs beside them.
walks=('*EveryStateTests' '*ScreenTests')
if has browser; then
  check "Front-end build" npm --prefix ui run --silent build
  run Browser Walks -class "${walks[0]}" -class "${walks[1]}" &
  beside=$!
fi
if has server; then suite Server; fi
if has browser; then
  suite Browser Screens -class- "${walks[0]}" -class- "${walks[1]}"
  say "Tests: Walks, beside these"
  wait "$beside"
  count Walks
fi
cat "$told"
printf '%s\n' "$passed passed, $failed failed"
[ $failed -eq 0 ]
