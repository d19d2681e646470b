package org.zealousladder.server;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Assertions;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.zealousladder.server.platform.database.Migrations;
import org.zealousladder.standins.MailStandIn;

/**
 * A database of its own for each test context, on the throwaway cluster that {@code ./ladder test} starts. To run one test
 * from an editor, start a cluster with {@code scripts/database.sh} and set the same four variables.
 */
public final class TestServer {
    private static final String CLAIM_KEY = "a key for tests and nothing else";
    private static final AtomicInteger NEXT = new AtomicInteger();

    /** Where letters of every test go. */
    public static final MailStandIn MAIL = mail();

    private TestServer() {}

    private static MailStandIn mail() {
        try {
            return new MailStandIn(0, 0);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    public static void database(DynamicPropertyRegistry registry) {
        String port = variable("LADDER_TEST_DB_PORT");
        String owner = variable("LADDER_TEST_OWNER_PASSWORD");
        String name = "server_" + ProcessHandle.current().pid() + "_" + NEXT.incrementAndGet();
        try (Connection c = DriverManager.getConnection("jdbc:postgresql://127.0.0.1:" + port + "/postgres", "ladder_owner", owner);
                Statement s = c.createStatement()) {
            s.execute("create database " + name);
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
        String url = "jdbc:postgresql://127.0.0.1:" + port + "/" + name;
        try {
            Migrations.run(url, "ladder_owner", owner, CLAIM_KEY);
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
        registry.add("LADDER_DB_URL", () -> url);
        registry.add("LADDER_DB_PEOPLE_PASSWORD", () -> variable("LADDER_TEST_PEOPLE_PASSWORD"));
        registry.add("LADDER_DB_CLAIM_KEY", () -> CLAIM_KEY);
        registry.add("LADDER_DB_PASSWORD", () -> variable("LADDER_TEST_APP_PASSWORD"));
        registry.add("LADDER_TODAY", () -> "2026-03-13");
        // One person asks here as often as a whole school.
        registry.add("LADDER_PACE", () -> "1000");
        registry.add("LADDER_LEAVER_YEARS", () -> "5");
        registry.add("ladder.mail.host", () -> "127.0.0.1");
        registry.add("ladder.mail.port", MAIL::port);
        registry.add("ladder.mail.tls", () -> "false");
        registry.add("ladder.mail.look", () -> "100");
        // Nothing goes out by itself before a test says so.
        registry.add("ladder.mail.pause", () -> "3600");
        registry.add("ladder.mail.links", () -> "https://ladder.example/");
        // No letter of the morning but a test's.
        registry.add("ladder.digest.look", () -> "36000000");
        registry.add("LADDER_OPENAPI", () -> "true");
        registry.add("spring.datasource.hikari.maximum-pool-size", () -> "6");
        registry.add("ladder.people.hikari.maximum-pool-size", () -> "4");
    }

    private static String variable(String name) {
        String value = System.getenv(name);
        Assertions.assertNotNull(value, name + " is not set; run ./ladder test");
        return value;
    }

    public static Path csv(String... lines) {
        try {
            Path file = Files.createTempFile("ladder-test-", ".csv");
            file.toFile().deleteOnExit();
            return Files.writeString(file, String.join("\n", lines) + "\n");
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }
}
