# Builds what has changed: the pages first, since the server carries them.

newer_than() { # STAMP PATH... : is there a file newer than the stamp?
  local stamp=$1
  shift
  [ ! -f "$stamp" ] || [ -n "$(find "$@" -type f -newer "$stamp" -not -path '*/target/*' -not -path '*/node_modules/*' -not -path '*/dist/*' -print -quit)" ]
}

build_web() {
  (
    cd "$ROOT/web"
    if [ ! -f node_modules/.package-lock.json ] || [ package-lock.json -nt node_modules/.package-lock.json ]; then
      say "Getting the pages' packages ..."
      # Not 'npm ci': it refuses a lock file without the builds for other platforms, which not every registry gives out.
      npm install --no-save --no-audit --no-fund >"$STATE/npm.log" 2>&1 || { cat "$STATE/npm.log" >&2; die "npm could not get the packages."; }
    fi
    if newer_than "$STATE/built-web" src index.html package.json package-lock.json vite.config.ts; then
      say "Building the pages ..."
      npm run --silent build >"$STATE/web.log" 2>&1 || { cat "$STATE/web.log" >&2; die "The pages could not be built."; }
      # Maven adds and never takes away: files of builds before would be carried for ever.
      rm -rf "$ROOT/server/target/classes/static"
      touch "$STATE/built-web"
    fi
  )
}

build() {
  mkdir -p "$STATE"
  build_web
  if [ ! -f "$JAR" ] || [ "$STATE/built-web" -nt "$JAR" ] || newer_than "$JAR" "$ROOT"/pom.xml "$ROOT"/{core,demo,standins,server,cli}/{pom.xml,src/main}; then
    say "Building the server (the first time this gets its packages) ..."
    (cd "$ROOT" && mvn -B -q -DskipTests -pl core,demo,standins,server,cli package >"$STATE/mvn.log" 2>&1) \
      || { grep -E 'ERROR|BUILD' "$STATE/mvn.log" | head -40 >&2; die "The server could not be built; see $STATE/mvn.log."; }
  fi
  unpack
}

# The jar unpacked starts in half the time, and with an archive of its loaded classes in a third (JEP 350).
# Beside the one before, which servers may still run from: they are started anew one after another.
unpack() {
  local fresh old
  [ ! -f "$APP/ladder-all.jar" ] || [ "$JAR" -nt "$APP/unpacked" ] || return 0
  fresh=$APP-$(date +%s)-$$
  java -Djarmode=tools -jar "$JAR" extract --destination "$fresh" >/dev/null
  touch "$fresh/unpacked"
  [ -L "$APP" ] || rm -rf "$APP"
  ln -s "$fresh" "$fresh.link" && mv -T "$fresh.link" "$APP"
  for old in "$APP"-*; do
    [ "$old" = "$fresh" ] || pgrep -f -- "-jar $old/" >/dev/null || rm -rf "$old"
  done
}

# Where it stands, by the name that stays.
app() { readlink -f "$APP"; }

# Needs the database's settings in the environment: the server is started once up to where it would answer.
archive_classes() {
  local app
  app=$(app)
  [ ! -f "$app/classes.jsa" ] || return 0
  say "Preparing a quick start ..."
  # Whole at once: another that starts meanwhile goes without.
  LADDER_PORT=0 java -XX:+UseSerialGC -XX:TieredStopAtLevel=1 -XX:ArchiveClassesAtExit="$app/classes.part" -Dspring.context.exit=onRefresh \
    -jar "$app/ladder-all.jar" serve >"$STATE/archive.log" 2>&1 && mv "$app/classes.part" "$app/classes.jsa" || rm -f "$app/classes.part"
}
