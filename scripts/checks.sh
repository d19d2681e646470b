# Tests, pictures and measurements: each on a throwaway database that is stopped and removed whatever happens.

throwaway() { # PREFIX : a database of its own; sets NAME
  NAME=$1-$$
  mkdir -p "$STATE"
  trap 'throwaway_end' EXIT
  trap 'exit 130' INT
  trap 'exit 143' TERM HUP
  database_start "$NAME" -c fsync=off -c synchronous_commit=off -c full_page_writes=off
  export LADDER_TEST_DB_PORT LADDER_TEST_OWNER_PASSWORD LADDER_TEST_APP_PASSWORD LADDER_TEST_PEOPLE_PASSWORD
  LADDER_TEST_DB_PORT=$(cat "$STATE/$NAME/pg.port")
  LADDER_TEST_OWNER_PASSWORD=$(cat "$STATE/$NAME/owner.password")
  LADDER_TEST_APP_PASSWORD=$(cat "$STATE/$NAME/app.password")
  LADDER_TEST_PEOPLE_PASSWORD=$(cat "$STATE/$NAME/people.password")
}

throwaway_end() {
  local code=$?
  trap - EXIT
  server_stop "$NAME" || true
  stray_servers | xargs -r kill 2>/dev/null || true
  database_stop "$NAME" || true
  state_remove "$NAME" || true
  exit $code
}

# Servers that a killed browser test left behind: ours, by the port of the throwaway database in their environment.
stray_servers() {
  local pid
  for pid in $(pgrep -f 'ladder-all.jar (serve|demo-load)' || true); do
    tr '\0' '\n' 2>/dev/null <"/proc/$pid/environ" | grep -q "^LADDER_DB_URL=jdbc:postgresql://127.0.0.1:$LADDER_TEST_DB_PORT/" && echo "$pid"
  done
  return 0
}

check_web() {
  (
    cd "$ROOT/web"
    say "Lint and types of the pages ..."
    npm run --silent lint
    npm run --silent check
    say "Logic of the pages ..."
    npm run --silent test
    cp src/api/schema.d.ts "$STATE/schema.before"
    npm run --silent api >/dev/null
    cmp -s src/api/schema.d.ts "$STATE/schema.before" || { cp "$STATE/schema.before" src/api/schema.d.ts; die "web/src/api/schema.d.ts does not follow web/openapi.json; run 'npm run api' in web/."; }
  )
}

format() {
  need_to_run
  (cd "$ROOT" && mvn -B -q net.revelc.code:impsort-maven-plugin:sort net.revelc.code.formatter:formatter-maven-plugin:format)
  (cd "$ROOT/web" && npx biome check --write . >/dev/null)
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
  mvn -B -ntp verify -P format-check -pl core,demo,standins,server,cli,e2e "$@"
}

screenshots() {
  need_to_run
  need_chromium
  build
  throwaway shots
  (cd "$ROOT" && mvn -B -q verify -pl core,demo,standins,server,cli,e2e -Dtest=Screenshots -Dsurefire.failIfNoSpecifiedTests=false)
  say "The pictures are in docs/screenshots."
}

# Each figure stands beside its budget; see docs/architecture.md.
bench() { # [soak [MINUTES] | calibration [WORLD...]]
  case "${1:-}" in
    ''|soak|calibration) ;;
    *) die "./ladder bench measures speed; ./ladder bench calibration or ./ladder bench soak [MINUTES] the rest. There is no 'bench $1'." ;;
  esac
  need_to_run
  build
  (cd "$ROOT" && mvn -B -q -DskipTests -pl core,standins,bench package dependency:build-classpath -Dmdep.outputFile="$STATE/bench.classpath") || die "The measurements could not be built."
  local classpath=$ROOT/bench/target/classes:$ROOT/standins/target/classes:$ROOT/core/target/classes:$(cat "$STATE/bench.classpath")
  if [ "${1:-}" = soak ]; then bench_soak "$classpath" "${2:-20}"; return; fi
  if [ "${1:-}" = calibration ]; then shift; java -cp "$classpath" org.zealousladder.bench.CalibrationBenchmark "$@"; return; fi
  java -cp "$classpath" org.zealousladder.bench.FitBenchmark 2>/dev/null
  java -Xmx160m -XX:+UseSerialGC -cp "$classpath" org.zealousladder.bench.PooledBenchmark
  java -Xmx300m -XX:+UseSerialGC -cp "$classpath" org.zealousladder.bench.SteadyBenchmark
  java -cp "$classpath" org.zealousladder.bench.GroupsBenchmark
  throwaway bench
  bench_skills
  bench_import
  bench_matching "$classpath"
  bench_views "$classpath"
  bench_activity "$classpath"
}

# Fifty people of all roles for twenty minutes, on the district's records.
bench_soak() { # CLASSPATH MINUTES
  local files
  throwaway bench
  files=$STATE/$NAME/files
  server_env "$NAME"
  migrate "$NAME"
  archive_classes
  say "Loading the district ..."
  java_run 1g demo-load "$files" --size district >"$STATE/$NAME/load.log" 2>&1 || { tail -20 "$STATE/$NAME/load.log" >&2; die "The district could not be loaded."; }
  database_sql "$NAME" ladder "vacuum analyze"
  server_start "$NAME" 0
  java -cp "$1" org.zealousladder.bench.Soak "http://127.0.0.1:$(cat "$STATE/$NAME/server.port")" "$(cat "$STATE/$NAME/server.pid")" "$2"
}

seconds_of() { local start; start=$(date +%s.%N); "$@" >&2; echo "$(date +%s.%N) $start" | awk '{printf "%.1f", $1 - $2}'; }

# Skills of five million answers in ten seconds, in half a gigabyte.
bench_skills() {
  local file=$STATE/$NAME/answers.csv took
  awk 'BEGIN { srand(3); print "student,item,skill,points,possible,date"
       for (i = 0; i < 5000000; i++) { q = int(300 * rand()); printf "S%05d,i%d,k%d,%d,1,2026-%02d-%02d\n", int(i / 100), q, q % 60, rand() < 0.7, 1 + int(3 * rand()), 1 + int(28 * rand()) } }' >"$file"
  took=$(seconds_of java -Xmx512m -XX:+UseParallelGC -jar "$JAR" compute skills "$file" --format json 2>/dev/null)
  echo "$took" | awk '{ printf "skills: 5,000,000 answers in %.1f s, in 512 MB: %.2f of the budget of 10 s\n", $1, $1 / 10 }'
  rm -f "$file"
}

bench_import() {
  local files=$STATE/$NAME/files file roster=()
  server_env "$NAME"
  migrate "$NAME"
  archive_classes
  say "Making the district's files ..."
  java_run 1g demo-data "$files" --size district >/dev/null
  for file in schools years measures windows cut-sets cuts norms norm-growth classes students enrolments people teaches; do roster+=("$files/$file.csv"); done
  say "Bringing in the roster ..."
  java_run 1g import "${roster[@]}" >"$STATE/$NAME/import.log"
  say "Bringing in a million scores, then the same file by psql ..."
  java_run 1g import "$files/scores.csv" | tee -a "$STATE/$NAME/import.log" >&2
  local ours theirs
  ours=$(sed -n 's/^scores.csv.*(\([0-9.]*\) s)$/\1/p' "$STATE/$NAME/import.log")
  database_sql "$NAME" ladder "create table bench_student (code text primary key)" "insert into bench_student select code from roster_student" \
    "create table bench_measure (code text primary key)" "insert into bench_measure select code from measures_measure" \
    "create table bench_copy (id bigint generated by default as identity primary key, student text not null references bench_student,
       measure text not null references bench_measure, date date not null, score double precision, status text not null, superseded_by bigint,
       unique nulls not distinct (student, measure, date, superseded_by))" "checkpoint"
  theirs=$(seconds_of database_sql "$NAME" ladder "\\copy bench_copy (student, measure, date, score, status) from '$files/scores.csv' csv header")
  awk -v o="$ours" -v t="$theirs" 'BEGIN {printf "import of 1,000,000 scores: %.1f s, psql \\copy into the same keys %.1f s: %.2f of its rate (budget: at least 0.5)\n", o, t, t / o}'
  database_sql "$NAME" ladder "drop table bench_copy, bench_student, bench_measure"
  say "Bringing in the rest of the five million scores ..."
  java_run 1g import "$files"/scores-*.csv "$files"/{goals,concerns,plans,sessions}.csv | tail -1 >&2
  database_sql "$NAME" ladder "vacuum analyze"
}

bench_matching() { # CLASSPATH
  local book=$STATE/$NAME/results.xlsx
  say "Writing a workbook of a million rows ..."
  java -cp "$1" org.zealousladder.bench.BigWorkbook "$book" "$STATE/$NAME/files/students.csv" >/dev/null
  LADDER_MEMORY=512m server_start "$NAME" 0
  java -cp "$1" org.zealousladder.bench.MatchingBenchmark "http://127.0.0.1:$(cat "$STATE/$NAME/server.port")" "$book"
  server_stop "$NAME"
  rm -f "$book"
}

# A day of activity by xAPI, then the views of it over a year's fifty million actions.
bench_activity() { # CLASSPATH
  local students=$STATE/$NAME/students.csv
  database_sql "$NAME" ladder "insert into xapi_sender (school_id, name, key, digest)
       select id, 'Bench', 'bench-key-' || id, encode(sha256('bench'), 'hex') from roster_school" \
    "create temporary view bench_students as select k.school_id, s.code from roster_enrolment e join roster_class k on k.id = e.class_id
       join roster_student s on s.id = e.student_id where '2026-03-13' between e.starts and coalesce(e.ends, '2026-03-13') order by md5(s.code)" \
    "\\copy (select * from bench_students) to '$students' csv"
  say "Sending two million statements ..."
  java -cp "$1" org.zealousladder.bench.ActivityArrival "http://127.0.0.1:$(cat "$STATE/$NAME/server.port")" "$students" bench 2000000
  server_stop "$NAME"
  say "Making fifty million actions (a quarter of an hour) ..."
  PGOPTIONS='-c client_min_messages=warning' PGPASSWORD=$(cat "$STATE/$NAME/owner.password") psql -q -v ON_ERROR_STOP=1 -h 127.0.0.1 -p "$(cat "$STATE/$NAME/pg.port")" \
    -U ladder_owner -d ladder -f "$ROOT/bench/fifty-million.sql" >/dev/null
  database_sql "$NAME" ladder "vacuum analyze"
  server_start "$NAME" 0
  java -cp "$1" org.zealousladder.bench.ViewLatency "http://127.0.0.1:$(cat "$STATE/$NAME/server.port")" activity
}

bench_views() {
  server_start "$NAME" 0
  java -cp "$1" org.zealousladder.bench.ViewLatency "http://127.0.0.1:$(cat "$STATE/$NAME/server.port")"
  java -cp "$1" org.zealousladder.bench.FindBenchmark "http://127.0.0.1:$(cat "$STATE/$NAME/server.port")"
  local student
  student=$(PGOPTIONS='-c client_min_messages=warning' PGPASSWORD=$(cat "$STATE/$NAME/owner.password") psql -X -q -v ON_ERROR_STOP=1 -h 127.0.0.1 \
    -p "$(cat "$STATE/$NAME/pg.port")" -U ladder_owner -d ladder -f "$ROOT/bench/twelve-years.sql" | tail -1)
  java -cp "$1" org.zealousladder.bench.StudentBenchmark "http://127.0.0.1:$(cat "$STATE/$NAME/server.port")" "$student"
}
