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
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;

/** The packaged program with its demo on a database of its own, started once for all browser tests and stopped with them. */
final class DemoServer {
    private static DemoServer running;

    final String address;
    private final Map<String, String> settings;

    private DemoServer() throws Exception {
        String database = "e2e_" + ProcessHandle.current().pid();
        String port = variable("LADDER_TEST_DB_PORT");
        createDatabase(port, database);
        int web = freePort();
        settings = Map.of("LADDER_DB_URL", "jdbc:postgresql://127.0.0.1:" + port + "/" + database,
                "LADDER_DB_PASSWORD", variable("LADDER_TEST_APP_PASSWORD"), "LADDER_DB_OWNER_PASSWORD", variable("LADDER_TEST_OWNER_PASSWORD"),
                "LADDER_TODAY", "2026-03-13", "LADDER_DEMO", "true", "LADDER_PORT", Integer.toString(web));
        Path folder = Files.createTempDirectory("ladder-e2e-");
        Process load = start("demo-load", folder.toString(), "--password", "skerrow-ferry-tide");
        if (!load.waitFor(120, TimeUnit.SECONDS) || load.exitValue() != 0) {
            load.destroyForcibly();
            throw new IllegalStateException("the demo could not be loaded; see e2e/target/demo-load.log");
        }
        Process server = start("serve");
        Runtime.getRuntime().addShutdownHook(new Thread(server::destroy));
        address = "http://127.0.0.1:" + web;
        awaitAnswer(server);
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

    /** Brings files in as the command line does, beside the running server. */
    void bringIn(Path... files) {
        try {
            List<String> command = new ArrayList<>(List.of("import"));
            for (Path file : files) {
                command.add(file.toString());
            }
            Process process = start(command.toArray(String[]::new));
            if (!process.waitFor(120, TimeUnit.SECONDS) || process.exitValue() != 0) {
                process.destroyForcibly();
                throw new IllegalStateException("the files could not be brought in; see e2e/target/import.log");
            }
        } catch (IOException | InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    private Process start(String... command) throws IOException {
        List<String> line = new ArrayList<>(List.of(Path.of(System.getProperty("java.home"), "bin", "java").toString(), "-Xmx768m", "-XX:+UseSerialGC",
                "-XX:TieredStopAtLevel=1", "-jar", Path.of("..", "cli", "target", "ladder-all.jar").toString()));
        line.addAll(List.of(command));
        ProcessBuilder builder = new ProcessBuilder(line).redirectErrorStream(true).redirectOutput(Path.of("target", command[0] + ".log").toFile());
        builder.environment().putAll(settings);
        return builder.start();
    }

    private void awaitAnswer(Process server) throws InterruptedException {
        HttpClient client = HttpClient.newHttpClient();
        HttpRequest health = HttpRequest.newBuilder(URI.create(address + "/api/health")).timeout(Duration.ofSeconds(2)).build();
        for (int tries = 0; tries < 600; tries++) {
            try {
                if (client.send(health, HttpResponse.BodyHandlers.discarding()).statusCode() == 200) {
                    return;
                }
            } catch (IOException notYet) {
                if (!server.isAlive()) {
                    break;
                }
            }
            Thread.sleep(100);
        }
        throw new IllegalStateException("the server does not answer; see e2e/target/serve.log");
    }

    private static void createDatabase(String port, String name) throws SQLException {
        try (Connection c = DriverManager.getConnection("jdbc:postgresql://127.0.0.1:" + port + "/postgres", "ladder_owner",
                variable("LADDER_TEST_OWNER_PASSWORD")); Statement s = c.createStatement()) {
            s.execute("create database " + name);
        }
    }

    private static int freePort() {
        try (ServerSocket socket = new ServerSocket(0)) {
            return socket.getLocalPort();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static String variable(String name) {
        String value = System.getenv(name);
        if (value == null) {
            throw new IllegalStateException(name + " is not set; run ./ladder test");
        }
        return value;
    }
}
