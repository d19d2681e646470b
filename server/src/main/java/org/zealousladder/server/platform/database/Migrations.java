package org.zealousladder.server.platform.database;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import org.flywaydb.core.Flyway;
import org.zealousladder.server.platform.who.Claim;

/** Brings a database's schema to this program's, as its owner. A step of its own, so that the server never knows the owner's password. */
public final class Migrations {
    private Migrations() {}

    /**
     * @param claimKey the key by which the server vouches for who is asking; kept where only the owner reads it
     * @return how many steps were taken
     * @throws org.flywaydb.core.api.FlywayException when a step fails, or the schema is newer than the program
     */
    public static int run(String url, String owner, String password, String claimKey) throws SQLException {
        // A program that is older than the records does not touch them.
        int steps = Flyway.configure().dataSource(url, owner, password).ignoreMigrationPatterns("*:ignored").load().migrate().migrationsExecuted;
        try (Connection database = DriverManager.getConnection(url, owner, password);
                PreparedStatement put = database.prepareStatement("""
                        insert into scope_key (inner_pad, outer_pad) values (?, ?)
                        on conflict (only_one) do update set inner_pad = excluded.inner_pad, outer_pad = excluded.outer_pad""")) {
            put.setBytes(1, Claim.pad(claimKey, Claim.INNER));
            put.setBytes(2, Claim.pad(claimKey, Claim.OUTER));
            put.executeUpdate();
        }
        return steps;
    }
}
