package org.zealousladder.server.platform.database;

import jakarta.annotation.PostConstruct;
import java.io.IOException;
import java.util.Arrays;
import java.util.Objects;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** A server of one age does not work on records of another: it ends at once and says what to do. */
@Component
class SchemaCheck {
    private final JdbcClient db;

    SchemaCheck(JdbcClient db) {
        this.db = db;
    }

    @PostConstruct
    void sameAge() throws IOException {
        int wanted = newest();
        int found = db.sql("select coalesce(max(version::integer), 0) from flyway_schema_history where success").query(Integer.class).single();
        if (found > wanted) {
            throw new IllegalStateException("The records are of a newer program (schema " + found + ", this one knows " + wanted
                    + "). Start the newer program; nothing was touched.");
        }
        if (found < wanted) {
            throw new IllegalStateException("The records are of an older program (schema " + found + ", this one wants " + wanted
                    + "). Run its migration first, as ./ladder start does.");
        }
    }

    /** The newest step that this program carries. */
    static int newest() throws IOException {
        return Arrays.stream(new PathMatchingResourcePatternResolver().getResources("classpath*:db/migration/V*__*.sql"))
                .map(r -> Objects.requireNonNull(r.getFilename())).mapToInt(n -> Integer.parseInt(n.substring(1, n.indexOf("__")))).max().orElseThrow();
    }
}
