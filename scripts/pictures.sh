#!/usr/bin/env bash
# Takes docs/screenshots anew, from the demo school.
source "$(dirname "${BASH_SOURCE[0]}")/common.sh"
need_ui_packages
npm --prefix ui run --silent build >/dev/null
dotnet build tests/GentleBead.Browser.Tests -v quiet
dotnet tests/GentleBead.Browser.Tests/bin/Debug/net10.0/GentleBead.Browser.Tests.dll \
  -explicit only -method "*.Pictures_for_the_documentation"
scripts/postgres.sh stop .local/test-postgres
