#!/usr/bin/env bash
# Builds server and front end, unless nothing changed since the last time.
source "$(dirname "${BASH_SOURCE[0]}")/common.sh"
need_toolchains

# stamp NAME PATHS...: the hash of what is built from; compared with the last one.
stamp_of() { find "$@" -type f -not -path '*/node_modules/*' -not -path '*/bin/*' -not -path '*/obj/*' -not -path '*/dist/*' -print0 \
  | sort -z | xargs -0 sha256sum | sha256sum | cut -c1-64; }
unchanged() { [ "$(cat ".local/$1.stamp" 2>/dev/null)" = "$2" ]; }

now=$(stamp_of src Directory.Build.props Directory.Packages.props global.json)
if ! unchanged server "$now" || [ ! -e .local/server/GentleBead.Server.dll ]; then
  say "Building the server …"
  dotnet publish src/GentleBead.Server -c Release -o .local/server -v quiet </dev/null >.local/build-server.log 2>&1 \
    || { tail -n 20 .local/build-server.log >&2; fail "The server did not build; all of it is in .local/build-server.log."; }
  echo "$now" >.local/server.stamp
fi

now=$(stamp_of ui)
if ! unchanged ui "$now" || [ ! -e ui/dist/index.html ]; then
  need_ui_packages
  say "Building the front end …"
  (cd ui && npm run --silent build) </dev/null >.local/build-ui.log 2>&1 \
    || { tail -n 20 .local/build-ui.log >&2; fail "The front end did not build; all of it is in .local/build-ui.log."; }
  echo "$now" >.local/ui.stamp
fi
