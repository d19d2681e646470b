package org.zealousladder.server.platform.database;

import com.zaxxer.hikari.HikariDataSource;
import java.sql.Connection;
import java.sql.SQLException;
import org.jspecify.annotations.Nullable;

/** The records' pool. Within {@link #reading} a connection may be one to the replica. */
class RecordsDatabase extends HikariDataSource {
    private final ThreadLocal<Long> reading = new ThreadLocal<>();
    private @Nullable Replica replica;

    void beside(Replica replica) {
        this.replica = replica;
    }

    boolean hasReplica() {
        return replica != null;
    }

    /** Opens what {@code begin} opens for reading, by somebody who has seen the records as of {@code seen}. */
    void reading(long seen, Runnable begin) {
        reading.set(seen);
        try {
            begin.run();
        } finally {
            reading.remove();
        }
    }

    @Override
    public Connection getConnection() throws SQLException {
        Long seen = reading.get();
        Connection copy = seen == null || replica == null ? null : replica.connection(seen);
        return copy == null ? super.getConnection() : copy;
    }
}
