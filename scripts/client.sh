#!/usr/bin/env bash
# Writes the server's OpenAPI document and the front end's types anew. The tests fail while either is behind the server.
source "$(dirname "${BASH_SOURCE[0]}")/common.sh"
need_ui_packages
GENTLEBEAD_WRITE_OPENAPI=1 dotnet test tests/GentleBead.Server.Tests --filter "FullyQualifiedName~OpenApiTests" -v quiet
(cd ui && npm run --silent client)
