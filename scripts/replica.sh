# A copy of a database that PostgreSQL streams from it, for views that only read. Its place is that of a database of its own, NAME/replica.

SLOT=ladder_replica

# Makes it where there is none, and starts it. Without it everything works, only that all is read from the records themselves: nothing here stops a start.
replica_start() { # NAME
  local name=$1 again
  for again in no yes; do
    if replica_begin "$name" && replica_follows "$name"; then return; fi
    # It may have been away for longer than the records keep what they have streamed, or be another database's: it is made anew.
    database_stop "$name/replica"
    replica_remove "$name"
  done
  say "The replica does not follow; until it does, all is read from the records themselves. $STATE/$name/replica/made.log says why."
}

replica_begin() { # NAME
  local name=$1 folder
  mkdir -p "$STATE/$name/replica"
  folder=$(pg_folder "$name/replica")
  replica_role "$name" "$folder.pass" || return 1
  as_postgres test -f "$folder/PG_VERSION" || replica_make "$name" "$folder" || return 1
  ln -sf ../owner.password "$STATE/$name/replica/owner.password"
  database_running "$name/replica" || database_up "$name/replica" \
    "-c hot_standby_feedback=on -c primary_slot_name=$SLOT -c primary_conninfo='host=127.0.0.1 port=$(cat "$STATE/$name/pg.port") user=$SLOT passfile=$folder.pass'"
}

# A role that may stream and nothing else; its password stands in a file that only PostgreSQL's user reads, for whatever port.
replica_role() { # NAME PASSFILE
  local word
  if ! as_postgres test -f "$2"; then
    word=$(secret)
    database_sql "$1" postgres "do \$\$ begin if not exists (select from pg_roles where rolname = '$SLOT') then create role $SLOT login replication; end if; end \$\$" \
      "alter role $SLOT password '$word'" || return 1
    (umask 077; printf '127.0.0.1:*:*:%s:%s\n' "$SLOT" "$word" >"$STATE/$1/replica/pass")
    [ "$(id -u)" -ne 0 ] || chown postgres "$STATE/$1/replica/pass"
    mv "$STATE/$1/replica/pass" "$2"
  fi
}

replica_make() { # NAME FOLDER
  say "Making the replica ..."
  replica_slot_drop "$1"
  PGPASSFILE=$2.pass as_postgres "$(pg_bin)/pg_basebackup" -h 127.0.0.1 -p "$(cat "$STATE/$1/pg.port")" -U "$SLOT" -D "$2" -X stream -C -S "$SLOT" --checkpoint=fast \
    --no-password >"$STATE/$1/replica/made.log" 2>&1 && as_postgres touch "$2/standby.signal"
}

# Whether it has what the records had when it was asked.
replica_follows() { # NAME
  local now tries=0
  now=$(database_value "$1" postgres "select pg_current_wal_lsn()")
  until [ "$(database_value "$1/replica" postgres "select coalesce(pg_last_wal_replay_lsn() >= '$now', false)" 2>/dev/null)" = t ]; do
    tries=$((tries + 1))
    [ $tries -lt 100 ] && database_running "$1/replica" || return 1
    sleep 0.2
  done
}

replica_words() { # NAME
  if ! database_running "$1/replica"; then echo "does not run; ./ladder start starts it"
  elif [ "$(database_value "$1" postgres "select count(*) from pg_replication_slots where slot_name = '$SLOT' and active" 2>/dev/null)" = 1 ]; then echo "follows"
  else echo "does not follow; ./ladder start mends it"; fi
}

# After the records have been put back from a backup: who reads there still reads what was before.
replica_turn() { # NAME
  if database_running "$1/replica"; then
    replica_follows "$1" || true
    database_value "$1/replica" postgres "select count(pg_terminate_backend(pid)) from pg_stat_activity where datname like 'ladder%' and pid <> pg_backend_pid()" >/dev/null || true
  fi
}

replica_stop() { # NAME
  [ ! -f "$STATE/$1/replica/pg.where" ] || database_stop "$1/replica"
}

# Where it is wanted no more, the records keep nothing for it either.
replica_end() { # NAME
  [ -f "$STATE/$1/replica/pg.where" ] || return 0
  replica_stop "$1"
  replica_remove "$1"
  replica_slot_drop "$1"
}

replica_remove() { # NAME
  local folder
  folder=$(pg_folder "$1/replica")
  rm -rf "$folder" "$folder.pass" "$STATE/$1/replica"
}

replica_slot_drop() { # NAME
  database_value "$1" postgres "select pg_drop_replication_slot(slot_name) from pg_replication_slots where slot_name = '$SLOT' and not active" >/dev/null
}
