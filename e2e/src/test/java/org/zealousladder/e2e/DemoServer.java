package org.zealousladder.e2e;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;

/**
 * The packaged program, started once for a process of tests and stopped with it, on a database of its own. Each class of tests begins
 * with a fresh copy of the demo school: state lives in the database alone, so it can be put in place of the last one under the running
 * server. Two processes run side by side, each with its own server; the demo is loaded once for both.
 */
final class DemoServer {
    private static final String JAVA = Path.of(System.getProperty("java.home"), "bin", "java").toString();
    private static final String DATABASE = "e2e_" + ProcessHandle.current().pid();
    private static DemoServer running;

    final String address;
    private final Map<String, String> settings;
    private final List<Process> beside = new ArrayList<>();

    private DemoServer() throws Exception {
        int web = freePort();
        settings = settings(DATABASE, web);
        loadTemplate();
        TestDatabase.fresh(DATABASE);
        Process server = start("serve", settings);
        Runtime.getRuntime().addShutdownHook(new Thread(server::destroy));
        address = "http://127.0.0.1:" + web;
        awaitAnswer(server);
    }

    /** Loads the demo into {@link TestDatabase#TEMPLATE}, unless that is done. */
    static void loadTemplate() throws Exception {
        TestDatabase.once(TestDatabase.TEMPLATE, () -> {
            Map<String, String> template = settings(TestDatabase.TEMPLATE, 1);
            Map<String, String> asOwner = new HashMap<>(template);
            asOwner.put("LADDER_DB_OWNER_PASSWORD", TestDatabase.variable("LADDER_TEST_OWNER_PASSWORD"));
            run("migrate", asOwner);
            run("demo-load", template, Files.createTempDirectory("ladder-e2e-").toString(), "--password", "skerrow-ferry-tide");
        });
    }

    static synchronized DemoServer get() {
        if (running == null) {
            try {
                running = new DemoServer();
            } catch (Exception e) {
                throw new IllegalStateException(e);
            }
        }
        return running;
    }

    /** The demo school as it was loaded: nothing is left of what was done before. */
    void freshSchool() {
        try {
            endBeside();
            TestDatabase.fresh(DATABASE);
            // The server's pooled connections went with the old database; each is found dead and replaced when it is next asked for.
            awaitAnswer(null);
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Nothing at all, but a link with {@code token} for the first administrator. */
    void emptySchool(String token) {
        try {
            endBeside();
            TestDatabase.once(TestDatabase.EMPTY, () -> {
                Map<String, String> asOwner = new HashMap<>(settings(TestDatabase.EMPTY, 1));
                asOwner.put("LADDER_DB_OWNER_PASSWORD", TestDatabase.variable("LADDER_TEST_OWNER_PASSWORD"));
                run("migrate", asOwner);
            });
            TestDatabase.copy(TestDatabase.EMPTY, DATABASE);
            TestDatabase.setupLink(DATABASE, token);
            awaitAnswer(null);
        } catch (Exception e) {
            throw new IllegalStateException(e);
        }
    }

    /** One left running would hand over the next tests' letters itself, to a mail server of its own. */
    private void endBeside() throws InterruptedException {
        for (Process server : beside) {
            server.destroy();
            if (!server.waitFor(30, TimeUnit.SECONDS)) {
                server.destroyForcibly().waitFor();
            }
        }
        beside.clear();
    }

    /**
     * Another server over the same records, with settings of its own, for as long as this class of tests lasts.
     *
     * @return its address
     */
    String beside(Map<String, String> more) {
        try {
            int web = freePort();
            Map<String, String> own = new HashMap<>(settings(DATABASE, web));
            own.putAll(more);
            own.replaceAll((name, value) -> value.replace("{port}", Integer.toString(web)));
            Process server = start("serve", own);
            beside.add(server);
            Runtime.getRuntime().addShutdownHook(new Thread(server::destroy));
            awaitAnswer("http://127.0.0.1:" + web, server);
            return "http://127.0.0.1:" + web;
        } catch (IOException | InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Brings files in as the command line does, beside the running server. */
    void bringIn(Path... files) {
        try {
            run("import", settings, List.of(files).stream().map(Path::toString).toArray(String[]::new));
        } catch (IOException | InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    /** The invented program tells this server what students do. */
    void simulateActivity(String... arguments) {
        List<String> all = new ArrayList<>(List.of("--to", address));
        all.addAll(List.of(arguments));
        try {
            run("simulate-activity", settings, all.toArray(String[]::new));
        } catch (IOException | InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    private static Map<String, String> settings(String database, int web) {
        return Map.of("LADDER_DB_URL", "jdbc:postgresql://127.0.0.1:" + TestDatabase.variable("LADDER_TEST_DB_PORT") + "/" + database,
                "LADDER_DB_PASSWORD", TestDatabase.variable("LADDER_TEST_APP_PASSWORD"), "LADDER_DB_PEOPLE_PASSWORD",
                TestDatabase.variable("LADDER_TEST_PEOPLE_PASSWORD"), "LADDER_DB_CLAIM_KEY", "a key for tests and nothing else", "LADDER_TODAY", "2026-03-13",
                "LADDER_DEMO", "true", "LADDER_LEAVER_YEARS", "5", "LADDER_PORT", Integer.toString(web), "LADDER_MAIL_PAUSE", "1");
    }

    private static void run(String command, Map<String, String> settings, String... arguments) throws IOException, InterruptedException {
        Process process = start(command, settings, arguments);
        if (!process.waitFor(3, TimeUnit.MINUTES) || process.exitValue() != 0) {
            process.destroyForcibly();
            throw new IllegalStateException(command + " failed; see " + log(command));
        }
    }

    private static Path log(String command) {
        return Path.of("target", command + "-" + ProcessHandle.current().pid() + ".log");
    }

    private static Process start(String command, Map<String, String> settings, String... arguments) throws IOException {
        List<String> line = new ArrayList<>(List.of(JAVA, "-Xmx768m", "-XX:+UseSerialGC", "-XX:TieredStopAtLevel=1", "-jar",
                Path.of("..", "cli", "target", "ladder-all.jar").toString(), command));
        line.addAll(List.of(arguments));
        ProcessBuilder builder = new ProcessBuilder(line).redirectErrorStream(true).redirectOutput(log(command).toFile());
        builder.environment().putAll(settings);
        return builder.start();
    }

    /** Until the server answers and its database does. */
    private void awaitAnswer(Process server) throws InterruptedException {
        awaitAnswer(address, server);
    }

    private static void awaitAnswer(String address, Process server) throws InterruptedException {
        HttpClient client = HttpClient.newHttpClient();
        HttpRequest session = HttpRequest.newBuilder(URI.create(address + "/api/session")).timeout(Duration.ofSeconds(5)).build();
        for (int tries = 0; tries < 600; tries++) {
            try {
                if (client.send(session, HttpResponse.BodyHandlers.discarding()).statusCode() == 200) {
                    return;
                }
            } catch (IOException notYet) {
                if (server != null && !server.isAlive()) {
                    break;
                }
            }
            Thread.sleep(100);
        }
        throw new IllegalStateException("the server does not answer; see " + log("serve"));
    }

    private static int freePort() {
        try (ServerSocket socket = new ServerSocket(0)) {
            return socket.getLocalPort();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
