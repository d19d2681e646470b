package org.zealousladder.e2e;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.concurrent.TimeUnit;

/** The start command's own functions, run by bash on a place of their own: a database cluster, a server, files. */
final class Operations implements AutoCloseable {
    private static final Path ROOT = Path.of("..").toAbsolutePath().normalize();
    private final Path state;
    private final String name;

    /** @param name of the records; those of one that begins with demo let sample people in without a password */
    Operations(String name) throws IOException, InterruptedException {
        this.name = name;
        state = Files.createTempDirectory("ladder-operations-");
        // PostgreSQL's own user, where root runs the tests, has to reach it.
        state.toFile().setReadable(true, false);
        state.toFile().setExecutable(true, false);
        // Once for all, whichever process of tests comes first.
        well("exec 9>$ROOT/cli/target/unpacked.lock; flock 9; unpack");
    }

    Path file(String name) {
        return state.resolve(name);
    }

    /** What a script prints, and how it ended. */
    record Outcome(int code, String out) {}

    /** Runs commands after the functions have been read in; on the place that is named so. */
    Outcome run(String commands, Map<String, String> settings) throws IOException, InterruptedException {
        ProcessBuilder builder = new ProcessBuilder("bash", "-c",
                "set -euo pipefail; ROOT=" + ROOT + "; STATE=" + state
                        + "; source $ROOT/scripts/common.sh; APP=$ROOT/cli/target/unpacked; "
                        + "eval \"$(declare -f archive_classes | sed '1s/archive_classes/archive_now/')\"; "
                        + "archive_classes() { (flock 8; archive_now) 8>$ROOT/cli/target/archive.lock; }; " + commands)
                .redirectErrorStream(true);
        Path out = Files.createTempFile("ladder-operations-out-", ".txt");
        builder.redirectOutput(out.toFile());
        builder.environment().putAll(settings);
        builder.environment().put("LADDER_CONF", state.resolve("ladder.conf").toString());
        Process process = builder.start();
        // Long enough for a slow machine: only what hangs does not end.
        if (!process.waitFor(6, TimeUnit.MINUTES)) {
            process.destroyForcibly();
            throw new IllegalStateException("did not end: " + commands);
        }
        Outcome outcome = new Outcome(process.exitValue(), Files.readString(out).strip());
        Files.delete(out);
        return outcome;
    }

    Outcome run(String commands) throws IOException, InterruptedException {
        return run(commands, Map.of());
    }

    /** Runs what must go well. */
    String well(String commands) throws IOException, InterruptedException {
        Outcome outcome = run(commands);
        if (outcome.code() != 0) {
            throw new AssertionError(commands + "\nended with " + outcome.code() + ":\n" + outcome.out());
        }
        return outcome.out();
    }

    /**
     * Starts this place's database with the demo school in it, which is loaded once for all tests.
     *
     * @param settings of PostgreSQL, as {@code -c name=value}
     */
    void demoSchool(String settings) throws Exception {
        DemoServer.loadTemplate();
        String copy = "e2e_copy_" + ProcessHandle.current().pid();
        TestDatabase.copy(TestDatabase.TEMPLATE, copy);
        try {
            well("""
                    database_start NAME SETTINGS
                    PGPASSWORD=$LADDER_TEST_OWNER_PASSWORD $(pg_bin)/pg_dump -h 127.0.0.1 -p $LADDER_TEST_DB_PORT -U ladder_owner -d COPY \
                      --format=custom --compress=0 --file=$STATE/demo.dump
                    PGPASSWORD=$(cat $STATE/NAME/owner.password) $(pg_bin)/pg_restore -h 127.0.0.1 -p $(cat $STATE/NAME/pg.port) -U ladder_owner -d ladder \
                      --exit-on-error $STATE/demo.dump
                    rm $STATE/demo.dump
                    server_env NAME
                    migrate NAME""".replace("NAME", name).replace("SETTINGS", settings).replace("COPY", copy));
        } finally {
            TestDatabase.drop(copy);
        }
    }

    @Override
    public void close() throws IOException, InterruptedException {
        well("nightly_stop NAME || true; servers_stop NAME || true; replica_stop NAME || true; database_stop NAME || true; state_remove NAME; rm -rf \"$STATE\""
                .replace("NAME", name));
    }
}
