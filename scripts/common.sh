# What every part shares. ROOT is set by who reads it in; STATE may be, for another place than .ladder.
STATE=${STATE:-$ROOT/.ladder}
JAR=$ROOT/cli/target/ladder-all.jar
APP=$STATE/app
DEMO_TODAY=2026-03-13
DEMO_PASSWORD=skerrow-ferry-tide
NODE_WANTED=20.19.0

say() { printf '%s\n' "$*" >&2; }
die() { say "$*"; exit 1; }

for part in tools settings database replica backup server build checks; do
  # shellcheck source=/dev/null
  source "$ROOT/scripts/$part.sh"
done
