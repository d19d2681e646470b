#!/usr/bin/env bash
# Takes the nightly backup of a database while it runs. nightly.sh FOLDER NAME: its own id stands in FOLDER/nightly.pid.
set -euo pipefail
ROOT=$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd -P)
STATE=$(dirname "$1")
source "$ROOT/scripts/common.sh"
name=$2
echo $$ >"$STATE/$name/nightly.pid"
while database_running "$name"; do
  if backup_due "$name"; then
    # In a process of its own: one that fails is tried again, and said.
    if (backup_nightly "$name"); then say "$(date -u +%FT%TZ) backup taken"; else say "$(date -u +%FT%TZ) no backup; it is tried again in ten minutes"; fi
  fi
  sleep 600 &
  wait $!
done
