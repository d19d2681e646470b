package org.zealousladder.server.platform.who;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.time.Clock;
import javax.sql.DataSource;
import org.springframework.beans.factory.annotation.Value;
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
    private final Clock clock;
    private final Claim claim;

    ScopedTransactionManager(DataSource dataSource, SchoolCalendar calendar, Clock clock, @Value("${ladder.claim-key}") String claimKey) {
        super(dataSource);
        this.calendar = calendar;
        this.clock = clock;
        this.claim = new Claim(claimKey);
    }

    @Override
    protected void prepareTransactionalConnection(Connection connection, TransactionDefinition definition)
            throws SQLException {
        super.prepareTransactionalConnection(connection, definition);
        Viewer viewer = Viewer.currentOrNull();
        if (viewer == null) {
            return;
        }
        try (PreparedStatement set = connection.prepareStatement("select set_config('ladder.claim', ?, true)")) {
            set.setString(1, claim.of(viewer, calendar.today(), clock.instant()));
            set.execute();
        }
    }
}
