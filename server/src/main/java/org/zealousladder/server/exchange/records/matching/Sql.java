package org.zealousladder.server.exchange.records.matching;

import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;

/** Statements of one run over its connection, with its temporary tables. */
public final class Sql {
    private final Connection connection;

    public Sql(Connection connection) {
        this.connection = connection;
    }

    /** Makes something of one row. */
    public interface Row<T> {
        T of(ResultSet row) throws SQLException;
    }

    public Connection connection() {
        return connection;
    }

    public void execute(String sql) throws SQLException {
        try (Statement statement = connection.createStatement()) {
            statement.execute(sql);
        }
    }

    public <T> List<T> list(String sql, Row<T> row) throws SQLException {
        List<T> all = new ArrayList<>();
        try (Statement statement = connection.createStatement(); ResultSet r = statement.executeQuery(sql)) {
            while (r.next()) {
                all.add(row.of(r));
            }
        }
        return all;
    }

    public List<String> strings(String sql) throws SQLException {
        return list(sql, r -> r.getString(1));
    }

    public int number(String sql) throws SQLException {
        return list(sql, r -> r.getInt(1)).get(0);
    }

    public boolean exists(String select) throws SQLException {
        return list("select exists (" + select + ")", r -> r.getBoolean(1)).get(0);
    }

    /** Text as an SQL literal. */
    public static String literal(String text) {
        return "'" + text.replace("'", "''") + "'";
    }
}
