package org.zealousladder.cli;

import java.sql.SQLException;
import java.util.concurrent.Callable;
import org.zealousladder.server.platform.database.Migrations;
import picocli.CommandLine.Command;

/** The one step that knows the owner's password of the database. */
@Command(name = "migrate", description = "Bring the database's schema to this program's, as its owner (LADDER_DB_OWNER_PASSWORD).")
final class MigrateCommand implements Callable<Integer> {
    @Override
    public Integer call() throws SQLException {
        int steps = Migrations.run(setting("LADDER_DB_URL"), System.getenv().getOrDefault("LADDER_DB_OWNER", "ladder_owner"),
                setting("LADDER_DB_OWNER_PASSWORD"), setting("LADDER_DB_CLAIM_KEY"));
        System.out.println(steps == 0 ? "The schema is this program's already." : "The schema took " + steps + (steps == 1 ? " step." : " steps."));
        return 0;
    }

    private static String setting(String name) {
        String value = System.getenv(name);
        if (value == null || value.isEmpty()) {
            throw new IllegalArgumentException(name + " is not set; ./ladder start sets it.");
        }
        return value;
    }
}
