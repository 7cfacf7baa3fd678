#!/usr/bin/env bash
# Going back to any minute: a base backup, and every write since then beside it; see --help.
source "$(dirname "${BASH_SOURCE[0]}")/common.sh"

state=${GENTLEBEAD_STATE:-.local}
case ${1:-} in
  on | base) [ $# = 2 ] || set -- wrong ;;
  back) [ $# = 3 ] || set -- wrong ;;
  rehearse) [ $# = 1 ] || set -- wrong ;;
esac
case ${1:---help} in
  on | base | back | rehearse) ;;
  *)
    cat <<'T'
scripts/archive.sh on FOLDER            from the next ./start on every write is copied into FOLDER/wal, after a minute at the latest
scripts/archive.sh base FOLDER          a base backup into FOLDER/base, while everybody works; the four newest are kept, and what they need
scripts/archive.sh back FOLDER MINUTE   the database as it was then ('2026-01-31 18:05', this machine's time), with Gentle Bead stopped
scripts/archive.sh rehearse             all of it with a database of its own: written, wiped, brought back to a minute and compared
It is for the database of ./start in this folder. FOLDER is best on another disk, and PostgreSQL's own user must be able to write there.
T
    [[ ${1:---help} =~ ^(-h|--help)$ ]] && exit 0 || exit 2 ;;
esac
bin=$(postgres_bin)
[ -n "$bin" ] || fail "PostgreSQL is not installed. Install with: sudo apt-get install -y --no-install-recommends postgresql"
cluster=$state/postgres
owner=$(id -un)
as_owner() { "$@"; }
if [ "$owner" = root ]; then owner=postgres; as_owner() { (cd / && runuser -u postgres -- "$@"); }; fi

# As the cluster's own role, which alone may copy it whole.
reach() { as_libpq "$(scripts/postgres.sh start "$cluster" | sed -n 3p);Database=postgres"; }
running() { ! flock -n "$state/start.lock" true 2>/dev/null; }

on() { # on FOLDER
  local folder; folder=$(realpath -m "$1")
  mkdir -p "$folder/wal" "$folder/base"
  chmod go-rwx "$folder"
  [ "$(id -u)" != 0 ] || chown postgres: "$folder" "$folder/wal" "$folder/base"
  as_owner test -w "$folder/wal" || fail "The user $owner cannot write into $folder."
  [ -e "$cluster" ] || fail "There is no database in $cluster yet. ./start makes it."
  reach
  # A piece that is there already is never written over, and none counts as copied before it is whole.
  FOLDER=$folder "$bin/psql" -qtA -v ON_ERROR_STOP=1 <<'S'
\getenv folder FOLDER
select format('test ! -e "%1$s/wal/%%f" && cp "%%p" "%1$s/wal/%%f.part" && mv "%1$s/wal/%%f.part" "%1$s/wal/%%f"', :'folder')
  as command \gset
alter system set archive_mode = on;
alter system set archive_timeout = 60;
alter system set archive_command = :'command';
S
  running || scripts/postgres.sh stop "$cluster"
}

base() { # base FOLDER
  local folder new oldest; folder=$(realpath -m "$1")
  [ -d "$folder/wal" ] || fail "$folder is no archive yet: scripts/archive.sh on $1"
  running || fail "A base backup is made while Gentle Bead runs."
  reach
  [ "$("$bin/psql" -qtA -c "show archive_mode")" = on ] || fail "It is not archived yet. Stop ./start and start it again."
  new=$folder/base/$(date +%Y-%m-%d-%H%M%S)
  "$bin/pg_basebackup" -D "$new.part" --format=plain --wal-method=stream --checkpoint=fast \
    || { rm -rf "$new.part"; fail "pg_basebackup failed."; }
  mv "$new.part" "$new"
  ls -1d "$folder"/base/*/ | sort | head -n -4 | while read -r old; do rm -rf "$old"; done
  oldest=$(ls -1d "$folder"/base/*/ | sort | head -n 1)
  # What is older than the oldest that is kept is needed by none.
  "$bin/pg_archivecleanup" "$folder/wal" "$(sed -nE 's/^START WAL LOCATION:.*file ([0-9A-F]+)\)$/\1/p' "$oldest/backup_label")"
  say "Base backup: $new ($(du -sh "$new" | cut -f1))"
}

back() { # back FOLDER MINUTE
  local folder at from data aside; folder=$(realpath -m "$1")
  at=$(date -d "$2" '+%F %T.%6N%:z' 2>/dev/null) || fail "'$2' is no minute. Say it as '2026-01-31 18:05'."
  exec 9>"$state/start.lock"
  flock -n 9 || fail "Gentle Bead runs from this folder. Stop it first (Ctrl-C where it was started)."
  from=$(for one in "$folder"/base/*/; do
    stop=$(sed -nE 's/^START TIME: (.*)$/\1/p' "$one/backup_label" 2>/dev/null) && [ -n "$stop" ] || continue
    [ "$(date -d "$stop" +%s)" -gt "$(date -d "$at" +%s)" ] || echo "$one"
  done | sort | tail -n 1)
  [ -n "$from" ] || fail "There is no base backup from before $2 in $folder/base."
  scripts/postgres.sh stop "$cluster" 9>&-
  data=$(scripts/postgres.sh data "$cluster" 9>&-)
  aside=$data.before-$(date +%Y-%m-%d-%H%M%S)
  mv "$data" "$aside"
  cp -a "$from" "$data"
  [ "$(id -u)" != 0 ] || chown -R postgres: "$data"
  chmod 700 "$data"
  # The newest writes may not have been copied yet: they lie in what stood here.
  as_owner sh -c 'cat >>"$1/postgresql.auto.conf" && touch "$1/recovery.signal"' sh "$data" <<S
restore_command = 'cp "$folder/wal/%f" "%p" || cp "$aside/pg_wal/%f" "%p"'
recovery_target_time = '$at'
recovery_target_action = 'promote'
S
  as_libpq "$(scripts/postgres.sh start "$cluster" 9>&- | sed -n 3p);Database=postgres"
  for _ in $(seq 600); do [ "$("$bin/psql" -qtA -c "select pg_is_in_recovery()")" = f ] && break; sleep 0.1; done
  "$bin/psql" -qtA -v ON_ERROR_STOP=1 <<'S'
alter system reset restore_command;
alter system reset recovery_target_time;
alter system reset recovery_target_action;
S
  scripts/postgres.sh stop "$cluster" 9>&-
  say "Back at $at. What stood there before is in $aside; throw it away when you are sure."
}

# Written, told apart by a minute, wiped, brought back, compared.
rehearse() {
  export GENTLEBEAD_STATE; GENTLEBEAD_STATE=$(mktemp -d /var/tmp/gentlebead-rehearsal-XXXXXX)
  state=$GENTLEBEAD_STATE cluster=$GENTLEBEAD_STATE/postgres
  trap 'scripts/postgres.sh remove "$cluster"; rm -rf "$state"' EXIT
  chmod 755 "$state"
  local folder=$state/archive minute wanted
  reach
  "$bin/psql" -qc "create table written (id int primary key, at timestamptz not null default clock_timestamp(), what text not null)"
  write() { "$bin/psql" -qc "insert into written (id, what) select one, md5(one::text) from generate_series($1, $2) as one"; }
  contents() { "$bin/psql" -qtA -c "select id, at, what from written order by id" | sha256sum; }
  write 1 1000
  on "$folder"
  reach
  # As while Gentle Bead runs.
  exec 8>"$state/start.lock"; flock 8
  base "$folder"
  write 1001 2000
  wanted=$(contents)
  say "At the minute: $("$bin/psql" -qtA -c "select count(*) from written") rows."
  minute=$(date '+%F %T.%N')
  sleep 1
  write 2001 3000
  "$bin/psql" -qc "delete from written where id <= 1500"
  "$bin/psql" -qtAc "select pg_switch_wal()" >/dev/null
  exec 8>&-
  # Wiped: not even what was not copied yet is left.
  for _ in $(seq 100); do [ -z "$(find "$folder/wal" -name '*.part')" ] && [ "$(ls "$folder/wal" | wc -l)" -ge 2 ] && break; sleep 0.2; done
  scripts/postgres.sh stop "$cluster"
  find "$(scripts/postgres.sh data "$cluster")" -mindepth 1 -delete
  (back "$folder" "$minute")
  reach
  [ "$(contents)" = "$wanted" ] || fail "What came back is not what was there."
  say "Rehearsed: brought back to $minute, as it was."
}
"$@"
