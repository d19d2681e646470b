# A PostgreSQL cluster per use, in the project's own ignored folder, on loopback only, with a generated password.

# Its log is kept for a week, a file a day; of an error it says the kind and never what was typed ("Failing row contains", the statement).
LOGGING="-c logging_collector=on -c log_directory=log -c log_filename=postgresql-%a.log -c log_truncate_on_rotation=on -c log_rotation_age=1d -c log_rotation_size=0
  -c log_error_verbosity=terse -c log_min_error_statement=panic"
LOGGING=${LOGGING//$'\n'/ }

# PostgreSQL refuses to run as root: then it runs as Debian's own user for it.
as_postgres() {
  if [ "$(id -u)" -eq 0 ]; then (cd / && setpriv --reuid=postgres --regid=postgres --init-groups -- "$@"); else "$@"; fi
}

# The folder of cluster NAME. Where the checkout cannot be reached by PostgreSQL's user (a root's home, say), it stands
# under /var/lib instead, and .ladder/NAME/pg.where tells where.
pg_folder() {
  if [ -f "$STATE/$1/pg.where" ]; then cat "$STATE/$1/pg.where"; return; fi
  mkdir -p "$STATE/$1"
  local folder=$STATE/$1/pg
  if [ "$(id -u)" -eq 0 ]; then
    if ! as_postgres test -x "$STATE/$1"; then
      folder=/var/lib/zealous-ladder/$(printf %s "$ROOT" | cksum | cut -d' ' -f1)/$1/pg
      mkdir -p "$(dirname "$folder")"
    fi
    install -d -o postgres -g postgres -m 700 "$folder"
  fi
  echo "$folder" >"$STATE/$1/pg.where"
  echo "$folder"
}

secret() { head -c 24 /dev/urandom | base64 | tr -dc 'A-Za-z0-9'; }

# Below those that the machine gives to whoever calls out.
free_port() { # PREFERRED
  local port=${1:-0}
  while [ "$port" -eq 0 ] || (exec 3<>"/dev/tcp/127.0.0.1/$port") 2>/dev/null; do port=$((20000 + RANDOM % 12000)); done
  echo "$port"
}

database_running() {
  [ -f "$STATE/$1/pg.where" ] && [ -n "$(pg_bin)" ] && database_pid "$1" >/dev/null
}

# PostgreSQL's own process, if it lives. Not by pg_ctl: to it one that was killed and is not yet taken note of, or anything that got the same number since,
# is the database.
database_pid() { # NAME
  local pid
  pid=$(as_postgres head -1 "$(pg_folder "$1")/postmaster.pid" 2>/dev/null) && [ "$(cat "/proc/$pid/comm" 2>/dev/null)" = postgres ] \
    && ! grep -q '^State:[[:space:]]*Z' "/proc/$pid/status" && echo "$pid"
}

# A pid file that a killed PostgreSQL left goes, once nothing works in its folder any more.
database_clear_up() { # FOLDER
  local tries=0
  as_postgres test -f "$1/postmaster.pid" || return 0
  while as_postgres bash -c 'for p in /proc/[0-9]*; do [ "$(readlink "$p/cwd" 2>/dev/null)" != "$1" ] || exit 0; done; exit 1' - "$1"; do
    tries=$((tries + 1))
    [ $tries -lt 100 ] || die "Something still works in the database's folder $1. Wait a minute and try again."
    sleep 0.2
  done
  as_postgres rm -f "$1/postmaster.pid"
}

database_start() { # NAME [postgres settings]
  local name=$1 folder bin
  shift
  if database_running "$name"; then database_ready "$name"; return; fi
  bin=$(pg_bin)
  folder=$(pg_folder "$name")
  if [ ! -f "$folder/PG_VERSION" ]; then
    (umask 077; secret >"$STATE/$name/owner.password")
    local given=$folder.password
    install -m 600 "$STATE/$name/owner.password" "$given"
    [ "$(id -u)" -ne 0 ] || chown postgres "$given"
    as_postgres "$bin/initdb" -D "$folder" -U ladder_owner --pwfile="$given" --auth=scram-sha-256 --encoding=UTF8 --locale=C.UTF-8 \
      >"$STATE/$name/initdb.log" 2>&1 || { cat "$STATE/$name/initdb.log" >&2; die "The database could not be created."; }
    rm -f "$given"
  fi
  database_up "$name" "$@" || die "The database did not start."
  database_ready "$name"
}

# Starts PostgreSQL in a folder that is there already.
database_up() { # NAME [postgres settings]
  local name=$1 folder port
  shift
  folder=$(pg_folder "$name")
  database_clear_up "$folder"
  # The same port as before, where it is free: a server that runs finds its records again.
  port=$(free_port "$(cat "$STATE/$name/pg.port" 2>/dev/null || echo 0)")
  as_postgres "$(pg_bin)/pg_ctl" start -w -t 60 -D "$folder" -l "$folder/server.log" \
    -o "-p $port -h 127.0.0.1 -c unix_socket_directories='' -c shared_buffers=512MB -c max_wal_size=4GB -c maintenance_work_mem=256MB -c random_page_cost=1.1 -c effective_cache_size=4GB -c max_slot_wal_keep_size=4GB $LOGGING $*" \
    >/dev/null 2>&1 || { cat "$folder/server.log" "$folder"/log/*.log 2>/dev/null | tail -20 >&2; return 1; }
  echo "$port" >"$STATE/$name/pg.port"
}

# Its roles, its database, and the key by which the server vouches for people; one of an earlier version has only some of them.
database_ready() { # NAME
  [ -f "$STATE/$1/app.password" ] || database_role "$1" app
  [ -f "$STATE/$1/people.password" ] || database_role "$1" people
  [ -f "$STATE/$1/claim.key" ] || (umask 077; secret >"$STATE/$1/claim.key")
  if [ ! -f "$STATE/$1/pg.ready" ]; then
    database_sql "$1" postgres "create database ladder"
    touch "$STATE/$1/pg.ready"
  fi
}

# The server's role for records (app) or for people and sessions (people), with a password of its own.
database_role() { # NAME ROLE
  local word
  word=$(secret)
  database_sql "$1" postgres "create role ladder_$2 login password '$word'"
  (umask 077; printf %s "$word" >"$STATE/$1/$2.password")
}

database_value() { # NAME DATABASE QUERY
  PGPASSWORD=$(cat "$STATE/$1/owner.password") psql -qAt -v ON_ERROR_STOP=1 -h 127.0.0.1 -p "$(cat "$STATE/$1/pg.port")" -U ladder_owner -d "$2" -c "$3"
}

database_sql() { # NAME DATABASE STATEMENT...
  local name=$1 database=$2 statement arguments=()
  shift 2
  for statement in "$@"; do arguments+=(-c "$statement"); done
  PGOPTIONS='-c client_min_messages=warning' PGPASSWORD=$(cat "$STATE/$name/owner.password") psql -q -v ON_ERROR_STOP=1 -h 127.0.0.1 -p "$(cat "$STATE/$name/pg.port")" \
    -U ladder_owner -d "$database" "${arguments[@]}"
}

database_stop() {
  database_running "$1" || return 0
  as_postgres "$(pg_bin)/pg_ctl" stop -w -m fast -D "$(pg_folder "$1")" >/dev/null
}

state_remove() {
  [ ! -f "$STATE/$1/replica/pg.where" ] || rm -rf "$(pg_folder "$1/replica")"
  [ ! -f "$STATE/$1/pg.where" ] || rm -rf "$(pg_folder "$1")"
  rm -rf "${STATE:?}/$1"
}
