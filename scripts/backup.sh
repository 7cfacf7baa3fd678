#!/usr/bin/env bash
# Writes everything the database holds into one file, while it is being used; see --help.
source "$(dirname "${BASH_SOURCE[0]}")/common.sh"

state=${GENTLEBEAD_STATE:-.local}
folder=$state/backups keep=30
while [ $# -gt 0 ]; do
  case $1 in
    --keep) keep=${2:-}; shift ;;
    -h | --help)
      cat <<'T'
scripts/backup.sh [FOLDER] [--keep N]
  writes FOLDER/gentlebead-DAY-TIME.dump as the database stands at one moment, checks that it reads, and says where it is
  FOLDER    .local/backups where none is named; better on another disk
  --keep N  how many are kept there: 30; 0 keeps all
It backs up the database of ./start in this folder, or of GENTLEBEAD_OWNER_DATABASE. The shop's authority is not in it: keep
.local/authority beside it, in a safe place. scripts/restore.sh puts one back.
T
      exit 0 ;;
    -*) fail "scripts/backup.sh does not know '$1'. --help says what it knows." ;;
    *) folder=$1 ;;
  esac
  shift
done
[[ $keep =~ ^[0-9]+$ ]] || fail "--keep takes a number, such as --keep 30."
mkdir -p "$folder"
chmod go-rwx "$folder"

owner_of "$state"
trap '[ $started = 0 ] || scripts/postgres.sh stop "$state/postgres"' EXIT
as_libpq "$owner"
bin=$(postgres_bin)
file=$folder/gentlebead-$(date +%Y-%m-%d-%H%M%S).dump
# GENTLEBEAD_DUMP is handed on to pg_dump: --snapshot=… for a moment that somebody else holds, say.
(umask 077; "$bin/pg_dump" --format=custom --no-owner ${GENTLEBEAD_DUMP:-} --file="$file.part") \
  || { rm -f "$file.part"; fail "pg_dump failed."; }
"$bin/pg_restore" --list "$file.part" >/dev/null || fail "What was written does not read: $file.part"
mv "$file.part" "$file"
(cd "$folder" && sha256sum "$(basename "$file")" >"$(basename "$file").sha256")
if [ "$keep" -gt 0 ]; then
  ls -1 "$folder"/gentlebead-*.dump | sort | head -n "-$keep" | while read -r old; do rm -f "$old" "$old.sha256"; done
fi
say "Backed up: $file ($(du -h "$file" | cut -f1))"
