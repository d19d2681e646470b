#!/usr/bin/env bash
# Keeps a server running: one that ends by itself is started anew after a pause, which doubles up to a minute while it keeps ending.
# supervise.sh FOLDER COMMAND...: the server's id stands in FOLDER/server.pid, the supervisor's own in FOLDER/supervisor.pid.
folder=$1
shift
pause=1
child=
echo $$ >"$folder/supervisor.pid"
stop() {
  trap '' TERM INT
  [ -z "$child" ] || { kill "$child" 2>/dev/null; wait "$child"; }
  rm -f "$folder/supervisor.pid" "$folder/server.pid"
  exit 0
}
trap stop TERM INT
while :; do
  began=$SECONDS
  "$@" >>"$folder/console.log" 2>&1 </dev/null &
  child=$!
  echo "$child" >"$folder/server.pid"
  wait "$child"
  code=$?
  child=
  [ $((SECONDS - began)) -lt 60 ] || pause=1
  echo "$(date -u +%FT%TZ) the server ended with $code and is started anew in $pause s" >>"$folder/console.log"
  echo "$code" >>"$folder/ended"
  sleep "$pause" &
  wait $!
  pause=$((pause * 2 > 60 ? 60 : pause * 2))
done
