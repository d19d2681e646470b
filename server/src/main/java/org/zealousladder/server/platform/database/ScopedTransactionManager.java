package org.zealousladder.server.platform.database;

import jakarta.servlet.http.HttpServletRequest;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.time.Clock;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpMethod;
import org.springframework.jdbc.support.JdbcTransactionManager;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;
import org.zealousladder.server.platform.who.Claim;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;

/**
 * Tells the database at the start of every transaction who is asking and on which day, which the row-level policies go
 * by. The setting ends
 * with the transaction, so a pooled connection never carries one person's rights to the next. What a view only reads, it may read from the replica.
 */
@Component
public class ScopedTransactionManager extends JdbcTransactionManager {
    private final SchoolCalendar calendar;
    private final Clock clock;
    private final Claim claim;
    private final RecordsDatabase records;

    ScopedTransactionManager(RecordsDatabase dataSource, SchoolCalendar calendar, Clock clock, @Value("${ladder.claim-key}") String claimKey) {
        super(dataSource);
        this.records = dataSource;
        this.calendar = calendar;
        this.clock = clock;
        this.claim = new Claim(claimKey);
    }

    @Override
    protected void doBegin(Object transaction, TransactionDefinition definition) {
        HttpServletRequest request = records.hasReplica() && definition.isReadOnly() ? reading() : null;
        if (request == null) {
            super.doBegin(transaction, definition);
        } else {
            records.reading(SeenFilter.of(request), () -> super.doBegin(transaction, definition));
        }
    }

    /** The request that only reads; what a change reads beforehand is read where it will be written. */
    private static @Nullable HttpServletRequest reading() {
        return RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes a && HttpMethod.GET.matches(a.getRequest().getMethod())
                ? a.getRequest()
                : null;
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
