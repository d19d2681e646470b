# Backups in pg_dump's own format, taken and put back while the server runs.

backup_folder() { # NAME
  setting_of backup-folder "$STATE/$1/backups"
}

backup_take() { # NAME FILE
  local part=$2.part
  [ ! -d "$2" ] || die "$2 is a folder; name the file that is to be written."
  mkdir -p "$(dirname "$2")" || die "The folder of $2 cannot be made."
  (umask 077; : >"$part") || die "$2 cannot be written."
  if ! PGPASSWORD=$(cat "$STATE/$1/owner.password") "$(pg_bin)/pg_dump" -h 127.0.0.1 -p "$(cat "$STATE/$1/pg.port")" -U ladder_owner -d ladder \
    --format=custom --file="$part" || ! "$(pg_bin)/pg_restore" --list "$part" >/dev/null; then
    rm -f "$part"
    die "The backup could not be taken; what is above says why. An earlier $2 is as it was."
  fi
  mv "$part" "$2"
}

# Beside what is there, and put in its place when it is whole: nobody meets half a database. What was there stays as ladder_before, until the next time.
backup_put_back() { # NAME FILE
  local name=$1 file=$2 found wanted
  [ -f "$file" ] || die "There is no file $file."
  "$(pg_bin)/pg_restore" --list "$file" >/dev/null 2>&1 || die "$file is no backup: pg_restore cannot read it. Nothing was changed."
  "$(pg_bin)/pg_restore" --list "$file" | grep 'TABLE public roster_student ' >/dev/null || die "$file is a backup of something else. Nothing was changed."
  database_sql "$name" postgres "drop database if exists ladder_put_back with (force)" "create database ladder_put_back"
  PGPASSWORD=$(cat "$STATE/$name/owner.password") "$(pg_bin)/pg_restore" -h 127.0.0.1 -p "$(cat "$STATE/$name/pg.port")" -U ladder_owner \
    -d ladder_put_back --exit-on-error "$file" || { database_sql "$name" postgres "drop database ladder_put_back with (force)"; die "The backup could not be put back; the records are as they were."; }
  found=$(database_value "$name" ladder_put_back "select max(version::integer) from flyway_schema_history")
  wanted=$(schema_wanted)
  if [ "$found" -gt "$wanted" ]; then
    database_sql "$name" postgres "drop database ladder_put_back with (force)"
    die "The backup is of a newer program (schema $found, this one knows $wanted). Start the newer program; the records are as they were."
  fi
  rm -f "$STATE/$name/migrated"
  DATABASE=ladder_put_back server_env "$name"
  migrate "$name"
  # Who was signed in then is not signed in now.
  database_sql "$name" ladder_put_back "delete from spring_session" "delete from server_process" "analyze"
  database_sql "$name" postgres "drop database if exists ladder_before with (force)" "alter database ladder allow_connections false" \
    "select count(pg_terminate_backend(pid)) from pg_stat_activity where datname = 'ladder' and pid <> pg_backend_pid()" \
    "alter database ladder rename to ladder_before" "alter database ladder_put_back rename to ladder" "alter database ladder_before allow_connections true" >/dev/null
  replica_turn "$name"
}

schema_wanted() { ls "$ROOT"/server/src/main/resources/db/migration/V*__*.sql | sed 's/.*\/V\([0-9]*\)__.*/\1/' | sort -n | tail -1; }

# Whether tonight's has still to be taken: from half past two on, or at once where the last one is older than a day.
backup_due() { # NAME
  local folder
  folder=$(backup_folder "$1")
  [ ! -f "$folder/ladder-$(date +%F).dump" ] || return 1
  [ "$(date +%H%M)" -ge 0230 ] || [ -z "$(find "$folder" -maxdepth 1 -name 'ladder-*.dump' -mmin -1440 -print -quit 2>/dev/null)" ]
}

backup_nightly() { # NAME
  local folder
  folder=$(backup_folder "$1")
  backup_take "$1" "$folder/ladder-$(date +%F).dump"
  # Only what this wrote itself, by its name, and never the last one.
  find "$folder" -maxdepth 1 -name 'ladder-[0-9]*-[0-9]*-[0-9]*.dump' -mtime "+$(($(setting_of backup-days 14) - 1))" -not -name "ladder-$(date +%F).dump" -delete
}

nightly_pid() { # NAME: the process that takes the nightly backups, if it is still ours
  local pid
  pid=$(cat "$STATE/$1/nightly.pid" 2>/dev/null) || return 1
  tr '\0' ' ' 2>/dev/null <"/proc/$pid/cmdline" | grep -q "nightly.sh $STATE/$1 " || return 1
  echo "$pid"
}

nightly_start() { # NAME
  # Not 'or ... &': all of that would be one process that keeps this one's output open.
  if ! nightly_pid "$1" >/dev/null; then
    setsid "$ROOT/scripts/nightly.sh" "$STATE/$1" "$1" >>"$STATE/$1/nightly.log" 2>&1 </dev/null &
  fi
}

nightly_stop() { # NAME
  local pid
  pid=$(nightly_pid "$1") && kill "$pid" 2>/dev/null
  rm -f "$STATE/$1/nightly.pid"
}
