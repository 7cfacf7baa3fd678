#!/usr/bin/env bash
# Puts a backup back; see --help.
source "$(dirname "${BASH_SOURCE[0]}")/common.sh"

state=${GENTLEBEAD_STATE:-.local}
file=
while [ $# -gt 0 ]; do
  case $1 in
    -h | --help)
      cat <<'T'
scripts/restore.sh FILE
  puts what a backup holds in the place of what the database holds now, all of it or nothing; Gentle Bead must not be running
  What stood there is backed up first, into .local/backups.
It restores into the database of ./start in this folder (made where there is none), or of GENTLEBEAD_OWNER_DATABASE.
T
      exit 0 ;;
    -*) fail "scripts/restore.sh does not know '$1'. --help says what it knows." ;;
    *) [ -z "$file" ] || fail "One backup at a time."; file=$1 ;;
  esac
  shift
done
[ -n "$file" ] || fail "Which backup? scripts/restore.sh FILE"
[ -f "$file" ] || fail "There is no file $file."
if [ -f "$file.sha256" ]; then
  (cd "$(dirname "$file")" && sha256sum --quiet -c "$(basename "$file").sha256") \
    || fail "$file is not as it was written. Take another backup."
fi
bin=$(postgres_bin)
[ -n "$bin" ] || fail "PostgreSQL is not installed. Install with: sudo apt-get install -y --no-install-recommends postgresql"
"$bin/pg_restore" --list "$file" >/dev/null 2>&1 || fail "$file is no backup that can be read."

mkdir -p "$state"
if [ -z "${GENTLEBEAD_OWNER_DATABASE:-}" ]; then
  exec 9>"$state/start.lock"
  flock -n 9 || fail "Gentle Bead runs from this folder. Stop it first (Ctrl-C where it was started)."
fi
owner_of "$state" anew 9>&-
[ -n "${GENTLEBEAD_OWNER_DATABASE:-}" ] || trap 'scripts/postgres.sh stop "$state/postgres"' EXIT
as_libpq "$owner"
others=$("$bin/psql" -qtA -c "select count(*) from pg_stat_activity where datname = current_database() and pid <> pg_backend_pid()")
[ "$others" = 0 ] || fail "Somebody is using the database. Stop every server first."
held=$("$bin/psql" -qtA -c "select count(*) from pg_tables where schemaname = 'public'")
if [ "$held" != 0 ]; then
  say "Backing up what stands there now …"
  GENTLEBEAD_OWNER_DATABASE=$owner scripts/backup.sh "$state/backups" --keep 0 9>&-
fi
say "Restoring $file …"
# All in one transaction, and nothing without its last word: cut short, everything is as it was. What each role may do is granted by the
# server when it starts.
{
  echo 'begin; drop schema public cascade; create schema public; grant usage on schema public to public;'
  "$bin/pg_restore" --no-owner --no-privileges --file=- "$file" | grep -v '^CREATE SCHEMA public;$' && echo 'commit;'
} | "$bin/psql" -q -v ON_ERROR_STOP=1 >"$state/restore.log" 2>&1 || {
  tail -n 5 "$state/restore.log" >&2
  fail "It could not be restored; everything is as it was. All of it is in $state/restore.log."
}
say "Restored. ./start goes on from there."
