#!/usr/bin/env bash
# The schools of a service: adds, lists, closes, opens, exports, moves them; see --help.
source "$(dirname "${BASH_SOURCE[0]}")/common.sh"

case ${1:-} in
  add | adopt | list | close | open | export | move) ;;
  '' | -h | --help)
    cat <<'T'
scripts/school.sh add NAME HOST …   makes a school's database and its two roles, and prints the code it is founded with at https://HOST
scripts/school.sh adopt             schools that have a database already, from standard input, a line each:
                                    {"name": "…", "hosts": ["…"], "application": "Host=…", "owner": "Host=…"}
scripts/school.sh list              each school's name, state, hosts, and where it is
scripts/school.sh close NAME        serves it no longer; its database is kept. open NAME serves it again
scripts/school.sh export NAME FILE  all it holds in one file, in PostgreSQL's custom format: pg_restore reads it
scripts/school.sh move NAME         copies it to the server in GENTLEBEAD_SCHOOLS_ADMIN and serves it from there; while it is copied it is
                                    read and not written to, and screens send what was noted meanwhile
GENTLEBEAD_CONTROL_DATABASE  an Npgsql connection string: the database that names the schools, by the role that owns its tables
GENTLEBEAD_SCHOOLS_ADMIN     for add and move: the PostgreSQL server, by a role that may make databases and roles
GENTLEBEAD_KEY_SEAL          the file that keys are sealed with, the same as the servers'
A NAME has small letters, digits and _. Servers that run learn of every change within a second.
T
    exit 0 ;;
  *) fail "scripts/school.sh does not know '$1'. --help says what it knows." ;;
esac
[ -n "${GENTLEBEAD_CONTROL_DATABASE:-}" ] || fail "GENTLEBEAD_CONTROL_DATABASE is not set. --help says what it is."
need_debian /usr/lib/postgresql=postgresql
built=${GENTLEBEAD_BUILT:-$root/.local/server}
[ -e "$built/GentleBead.Server.dll" ] || scripts/build.sh
Logging__LogLevel__Default=None exec dotnet "$built/GentleBead.Server.dll" school "$@"
