# Tests, pictures and measurements: each on a throwaway database that is stopped and removed whatever happens.

throwaway() { # PREFIX : a database of its own; sets NAME
  NAME=$1-$$
  mkdir -p "$STATE"
  trap 'throwaway_end' EXIT
  trap 'exit 130' INT
  trap 'exit 143' TERM HUP
  database_start "$NAME" -c fsync=off -c synchronous_commit=off -c full_page_writes=off
  export LADDER_TEST_DB_PORT LADDER_TEST_OWNER_PASSWORD LADDER_TEST_APP_PASSWORD
  LADDER_TEST_DB_PORT=$(cat "$STATE/$NAME/pg.port")
  LADDER_TEST_OWNER_PASSWORD=$(cat "$STATE/$NAME/owner.password")
  LADDER_TEST_APP_PASSWORD=$(cat "$STATE/$NAME/app.password")
}

throwaway_end() {
  local code=$?
  trap - EXIT
  server_stop "$NAME" || true
  database_stop "$NAME" || true
  state_remove "$NAME" || true
  exit $code
}

check_web() {
  (
    cd "$ROOT/web"
    say "Lint and types of the pages ..."
    npm run --silent lint
    npm run --silent check
    cp src/api/schema.d.ts "$STATE/schema.before"
    npm run --silent api >/dev/null
    cmp -s src/api/schema.d.ts "$STATE/schema.before" || { cp "$STATE/schema.before" src/api/schema.d.ts; die "web/src/api/schema.d.ts does not follow web/openapi.json; run 'npm run api' in web/."; }
  )
}

run_tests() {
  need_to_run
  need_chromium
  mkdir -p "$STATE"
  build_web
  check_web
  throwaway test
  say "Core, server, command and browser tests ..."
  cd "$ROOT"
  mvn -B -ntp verify -pl core,demo,server,cli,e2e "$@"
}

screenshots() {
  need_to_run
  need_chromium
  build
  throwaway shots
  (cd "$ROOT" && mvn -B -q verify -pl core,demo,server,cli,e2e -Dtest=Screenshots -Dsurefire.failIfNoSpecifiedTests=false)
  say "The pictures are in docs/screenshots."
}
