package org.zealousladder.e2e;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;

/** Databases for the browser tests: the demo is loaded into one, and copied for each class of tests. */
final class TestDatabase {
    static final String TEMPLATE = "e2e_template";
    /** With its tables and nothing in them, but a link for the first administrator. */
    static final String EMPTY = "e2e_empty";
    private static final int LOCK = 8420;

    private TestDatabase() {}

    interface Work {
        void run() throws Exception;
    }

    /** Makes {@code name} and fills it by {@code load}, unless another process of this run has; that is waited for. */
    static void once(String name, Work load) throws Exception {
        try (Connection c = owner(); Statement s = c.createStatement()) {
            s.execute("select pg_advisory_lock(" + LOCK + ")");
            try (ResultSet there = s.executeQuery("select 1 from pg_database where datname = '" + name + "'")) {
                if (there.next()) {
                    return;
                }
            }
            s.execute("create database " + name);
            try {
                load.run();
            } catch (Exception e) {
                s.execute("drop database " + name + " with (force)");
                throw e;
            }
        }
    }

    /** Lets the first administrator set up the account by a link with {@code token}. */
    static void setupLink(String database, String token) throws SQLException {
        try (Connection c = owner(database);
                PreparedStatement s = c.prepareStatement("insert into people_setup_link (token_hash) values (encode(sha256(?::bytea), 'hex'))")) {
            s.setString(1, token);
            s.executeUpdate();
        }
    }

    /** A copy of the demo in place of whatever {@code name} was. */
    static void fresh(String name) {
        copy(TEMPLATE, name);
    }

    /** A copy of {@code template} in place of whatever {@code name} was. */
    static void copy(String template, String name) {
        try (Connection c = owner(); Statement s = c.createStatement()) {
            s.execute("drop database if exists " + name + " with (force)");
            s.execute("select pg_advisory_lock(" + LOCK + ")");
            s.execute("create database " + name + " template " + template);
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    static void drop(String name) throws SQLException {
        try (Connection c = owner(); Statement s = c.createStatement()) {
            s.execute("drop database if exists " + name + " with (force)");
        }
    }

    private static Connection owner() throws SQLException {
        return owner("postgres");
    }

    private static Connection owner(String database) throws SQLException {
        return DriverManager.getConnection("jdbc:postgresql://127.0.0.1:" + variable("LADDER_TEST_DB_PORT") + "/" + database, "ladder_owner",
                variable("LADDER_TEST_OWNER_PASSWORD"));
    }

    static String variable(String name) {
        String value = System.getenv(name);
        if (value == null) {
            throw new IllegalStateException(name + " is not set; run ./ladder test");
        }
        return value;
    }
}
