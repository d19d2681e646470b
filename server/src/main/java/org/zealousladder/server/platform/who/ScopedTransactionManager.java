package org.zealousladder.server.platform.who;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import javax.sql.DataSource;
import org.springframework.jdbc.support.JdbcTransactionManager;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionDefinition;

/**
 * Tells the database at the start of every transaction who is asking and on which day, which the row-level policies go
 * by. The setting ends
 * with the transaction, so a pooled connection never carries one person's rights to the next.
 */
@Component
public class ScopedTransactionManager extends JdbcTransactionManager {
    private final SchoolCalendar calendar;

    ScopedTransactionManager(DataSource dataSource, SchoolCalendar calendar) {
        super(dataSource);
        this.calendar = calendar;
    }

    @Override
    protected void prepareTransactionalConnection(Connection connection, TransactionDefinition definition)
            throws SQLException {
        super.prepareTransactionalConnection(connection, definition);
        Viewer viewer = Viewer.currentOrNull();
        if (viewer == null) {
            return;
        }
        try (PreparedStatement set = connection.prepareStatement(
                "select set_config('ladder.person', ?, true), set_config('ladder.role', ?, true), set_config('ladder.today', ?, true)")) {
            set.setString(1, Integer.toString(viewer.id()));
            set.setString(2, viewer.role().code());
            set.setString(3, calendar.today().toString());
            set.execute();
        }
    }
}
