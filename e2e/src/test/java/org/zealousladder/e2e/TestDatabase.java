package org.zealousladder.e2e;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;

/** Databases for the browser tests: the demo is loaded into one, and copied for each class of tests. */
final class TestDatabase {
    static final String TEMPLATE = "e2e_template";
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

    /** A copy of the template in place of whatever {@code name} was. */
    static void fresh(String name) {
        try (Connection c = owner(); Statement s = c.createStatement()) {
            s.execute("drop database if exists " + name + " with (force)");
            s.execute("select pg_advisory_lock(" + LOCK + ")");
            s.execute("create database " + name + " template " + TEMPLATE);
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    private static Connection owner() throws SQLException {
        return DriverManager.getConnection("jdbc:postgresql://127.0.0.1:" + variable("LADDER_TEST_DB_PORT") + "/postgres", "ladder_owner",
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
