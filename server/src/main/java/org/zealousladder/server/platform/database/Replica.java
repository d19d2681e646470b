package org.zealousladder.server.platform.database;

import com.zaxxer.hikari.HikariConfig;
import com.zaxxer.hikari.HikariDataSource;
import jakarta.annotation.PreDestroy;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import javax.sql.DataSource;
import org.jspecify.annotations.Nullable;
import org.postgresql.replication.LogSequenceNumber;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.jdbc.core.JdbcTemplate;
import org.zealousladder.server.platform.jobs.Threads;

/**
 * A copy of the records that PostgreSQL streams to another server, for views that only read. It is a moment behind, so it is asked only for what it has:
 * whoever has just saved something sees it, and nobody sees records that are older than a few seconds. When it is away, the records themselves are asked.
 */
public class Replica {
    private static final Logger LOG = LoggerFactory.getLogger(Replica.class);
    private static final long LOOK_EVERY_MS = 500;
    /** What is older than so many looks has to have arrived: two and a half seconds. */
    private static final int MOST_BEHIND = 5;
    private static final int PATIENCE_MS = 1_000;

    private final HikariDataSource copy;
    private final JdbcTemplate there;
    private final JdbcTemplate records;
    private final Deque<Long> written = new ArrayDeque<>();
    private final ScheduledExecutorService watch = Executors.newSingleThreadScheduledExecutor(Threads.named("replica"));
    /** How far the copy is, where it may be asked; null where it may not. */
    private volatile @Nullable Long replayed;
    private boolean away = true;

    Replica(HikariConfig like, String url, DataSource records) {
        HikariConfig config = new HikariConfig();
        config.setJdbcUrl(url);
        config.setUsername(like.getUsername());
        config.setPassword(like.getPassword());
        config.setMaximumPoolSize(like.getMaximumPoolSize());
        config.setConnectionTimeout(PATIENCE_MS);
        // A server starts without its replica, too.
        config.setInitializationFailTimeout(-1);
        config.setPoolName("replica");
        this.copy = new HikariDataSource(config);
        this.there = patient(copy);
        this.records = patient(records);
        watch.scheduleWithFixedDelay(this::look, 0, LOOK_EVERY_MS, TimeUnit.MILLISECONDS);
    }

    private static JdbcTemplate patient(DataSource source) {
        JdbcTemplate template = new JdbcTemplate(source);
        template.setQueryTimeout(PATIENCE_MS / 1_000);
        return template;
    }

    /** A connection to the copy, if it has everything up to {@code seen}; null otherwise, and when it is away. */
    @Nullable
    Connection connection(long seen) {
        Long has = replayed;
        if (has == null || Long.compareUnsigned(has, seen) < 0) {
            return null;
        }
        try {
            return copy.getConnection();
        } catch (SQLException e) {
            lost(e);
            return null;
        }
    }

    /** How far the records are: whoever has this before them has seen everything up to now. */
    public long written() {
        return lsn(records.queryForObject("select pg_current_wal_lsn()::text", String.class));
    }

    private void look() {
        try {
            long now = written();
            long has = lsn(there.queryForObject("select pg_last_wal_replay_lsn()::text", String.class));
            written.addLast(now);
            long before = written.size() > MOST_BEHIND ? written.removeFirst() : written.getFirst();
            if (Long.compareUnsigned(has, before) >= 0) {
                replayed = has;
                if (away) {
                    LOG.info("the replica is asked for what is only read");
                    away = false;
                }
            } else {
                lost(null);
            }
        } catch (RuntimeException e) {
            lost(e);
        }
    }

    private void lost(@Nullable Exception why) {
        replayed = null;
        if (!away) {
            LOG.warn("the replica is not asked: {}", why == null ? "too far behind" : why.getClass().getSimpleName());
            away = true;
        }
    }

    private static long lsn(@Nullable String text) {
        return LogSequenceNumber.valueOf(text == null ? "0/0" : text).asLong();
    }

    @PreDestroy
    void close() {
        watch.shutdownNow();
        copy.close();
    }
}
