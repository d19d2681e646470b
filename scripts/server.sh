# The servers' processes: their settings, start and stop by id. The first one's place is NAME, those of others over the same records are NAME/2 and so on.

records_of() { echo "${1%%/*}"; } # NAME or NAME/N: whose records they are

servers_of() { # NAME: all that were ever started, the first one in any case
  local place
  echo "$1"
  for place in "$STATE/$1"/[2-9]; do [ ! -d "$place" ] || echo "$1/${place##*/}"; done
}

java_run() { # MEMORY COMMAND...
  local memory=$1
  shift
  java -Xmx"$memory" -XX:+UseSerialGC -XX:TieredStopAtLevel=1 -XX:SharedArchiveFile="$(app)/classes.jsa" -Xshare:auto -jar "$(app)/ladder-all.jar" "$@"
}

server_env() { # NAME
  export LADDER_DB_URL="jdbc:postgresql://127.0.0.1:$(cat "$STATE/$1/pg.port")/${DATABASE:-ladder}"
  export LADDER_DB_PASSWORD LADDER_DB_PEOPLE_PASSWORD LADDER_DB_CLAIM_KEY
  LADDER_DB_PASSWORD=$(cat "$STATE/$1/app.password")
  LADDER_DB_PEOPLE_PASSWORD=$(cat "$STATE/$1/people.password")
  LADDER_DB_CLAIM_KEY=$(cat "$STATE/$1/claim.key")
  export LADDER_REPLICA_URL=
  [ ! -f "$STATE/$1/replica/pg.port" ] || LADDER_REPLICA_URL="jdbc:postgresql://127.0.0.1:$(cat "$STATE/$1/replica/pg.port")/ladder"
  case $1 in demo*|bench*) export LADDER_DEMO=true LADDER_TODAY=$DEMO_TODAY ;; *) export LADDER_DEMO=false LADDER_TODAY= ;; esac
}

# The schema, as the owner: a step of its own that runs when the program is newer than the last one, so that the server never has that password.
migrate() { # NAME
  [ ! -f "$STATE/$1/migrated" ] || [ "$JAR" -nt "$STATE/$1/migrated" ] || return 0
  LADDER_DB_OWNER_PASSWORD=$(cat "$STATE/$1/owner.password") java_run 256m migrate >"$STATE/$1/migrate.log" 2>&1 \
    || { cat "$STATE/$1/migrate.log" >&2; die "The records could not be brought to this version; they are as they were."; }
  touch "$STATE/$1/migrated"
}

server_pid() { # the process id, if it is still our server
  local pid
  pid=$(cat "$STATE/$1/server.pid" 2>/dev/null) || return 1
  tr '\0' ' ' 2>/dev/null <"/proc/$pid/cmdline" | grep -q "ladder-all.jar serve" || return 1
  echo "$pid"
}

server_running() { server_pid "$1" >/dev/null; }

server_healthy() { # NAME
  curl -fsS -m 5 -o /dev/null "http://127.0.0.1:$(cat "$STATE/$1/server.port" 2>/dev/null)/api/health" 2>/dev/null
}

# A database that has just come back is found within seconds.
server_recovers() { # NAME
  local tries=0
  until server_healthy "$1"; do
    tries=$((tries + 1))
    [ $tries -lt 15 ] && server_running "$1" || return 1
    sleep 1
  done
}

supervisor_pid() { # NAME: the process id, if it is still ours
  local pid
  pid=$(cat "$STATE/$1/supervisor.pid" 2>/dev/null) || return 1
  tr '\0' ' ' 2>/dev/null <"/proc/$pid/cmdline" | grep -q "supervise.sh $STATE/$1 " || return 1
  echo "$pid"
}

# All servers of the records, one after another: while one is started anew, the others answer.
servers_start() { # NAME PREFERRED_PORT HOW_MANY
  local n place
  export LADDER_SERVERS=$3
  for place in $(servers_of "$1"); do
    n=${place#"$1"}
    n=${n#/}
    if [ "${n:-1}" -gt "$3" ]; then server_stop "$place"; rm -rf "${STATE:?}/$place"; fi
  done
  server_start "$1" "$2"
  for ((n = 2; n <= $3; n++)); do
    # A web server in front passes over one that did not answer, and takes some seconds to try it again.
    if server_running "$1/$n" && ! server_as_is "$1/$n"; then sleep 5; fi
    server_start "$1/$n" $(($2 == 0 ? 0 : $2 + n - 1))
  done
}

servers_stop() { # NAME
  local place
  for place in $(servers_of "$1"); do server_stop "$place"; done
}

server_addresses() { # NAME
  local place
  for place in $(servers_of "$1"); do printf 'http://127.0.0.1:%s ' "$(cat "$STATE/$place/server.port")"; done | sed 's/ $//; s/ / and /g'
}

# What a running server was started with: where that is another now, it is started anew.
server_with() { # NAME
  echo "$(cat "$STATE/$(records_of "$1")/pg.port") $(cat "$STATE/$(records_of "$1")/replica/pg.port" 2>/dev/null) ${LADDER_SERVERS:-1} $(app)"
}

# Threads of the lowest priority, which make reports, get what the others leave of the processors; Java asks for a switch before it tells the system of priorities.
BEHIND_OTHERS='-XX:ThreadPriorityPolicy=1 -XX:JavaPriority1_To_OSPriority=19'

server_as_is() { [ "$(cat "$STATE/$1/server.with" 2>/dev/null)" = "$(server_with "$1")" ]; } # NAME

server_start() { # NAME PREFERRED_PORT
  local name=$1 records port n tries=0
  records=$(records_of "$1")
  n=${name#"$records"}
  n=${n#/}
  # One that runs and does not answer is of no use, nor is one that looks for its records elsewhere or is of an earlier program: it is started anew.
  if server_running "$name" && server_as_is "$name" && server_recovers "$name"; then return; fi
  server_stop "$name"
  port=${LADDER_PORT:+$((LADDER_PORT + ${n:-1} - 1))}
  port=${port:-$(free_port "$2")}
  server_env "$records"
  migrate "$records"
  archive_classes
  mkdir -p "$STATE/$name"
  # The one-time link for the first administrator stands in it.
  (umask 077; : >"$STATE/$name/console.log"; : >>"$STATE/$name/server.log")
  chmod 600 "$STATE/$name/console.log" "$STATE/$name/server.log"
  # Files for the moment stand beside the records, not in the machine's own folder, which others may fill; what a killed server left goes.
  rm -rf "$STATE/$name/ended" "$STATE/$name/tmp"
  (umask 077; mkdir -p "$STATE/$name/tmp")
  server_with "$name" >"$STATE/$name/server.with"
  echo "$port" >"$STATE/$name/server.port"
  local metrics=${LADDER_METRICS_PORT:+$((LADDER_METRICS_PORT + ${n:-1} - 1))} app
  app=$(app)
  # A server that is out of memory is of no use to anybody: it ends, and the supervisor starts it anew.
  LADDER_PORT=$port LADDER_METRICS_PORT=${metrics:--1} LOGGING_FILE_NAME=$STATE/$name/server.log setsid "$ROOT/scripts/supervise.sh" "$STATE/$name" java -Xms"${LADDER_MEMORY:-1g}" -Xmx"${LADDER_MEMORY:-1g}" -XX:+UseParallelGC -XX:NewRatio=1 -XX:MetaspaceSize=192m \
    $BEHIND_OTHERS -XX:-UsePerfData -Djava.io.tmpdir="$STATE/$name/tmp" -XX:+ExitOnOutOfMemoryError -XX:SharedArchiveFile="$app/classes.jsa" -Xshare:auto -jar "$app/ladder-all.jar" serve >/dev/null 2>&1 </dev/null &
  until server_healthy "$name"; do
    tries=$((tries + 1))
    if [ -s "$STATE/$name/ended" ]; then
      tail -30 "$STATE/$name/console.log" >&2
      server_stop "$name"
      die "The server stopped while starting; see above."
    fi
    [ $tries -lt 600 ] || die "The server does not answer after a minute; see $STATE/$name/console.log."
    sleep 0.1
  done
}

server_stop() { # NAME
  local pid tries=0
  pid=$(supervisor_pid "$1") && kill "$pid" 2>/dev/null
  pid=$(server_pid "$1") || { rm -f "$STATE/$1/supervisor.pid"; return 0; }
  kill "$pid" 2>/dev/null
  while kill -0 "$pid" 2>/dev/null; do
    tries=$((tries + 1))
    [ $tries -lt 200 ] || { kill -9 "$pid" 2>/dev/null || true; }
    sleep 0.1
  done
  rm -f "$STATE/$1/server.pid" "$STATE/$1/supervisor.pid"
}
