package org.zealousladder.server.scores.scores;

import java.util.List;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import org.zealousladder.server.platform.who.Viewer;

/** Keeps the screening scores of very many students as they are now; of fewer they are looked up soon enough. What is kept is never told once it is old. */
@Component
@ConditionalOnWebApplication
class KeptScreening {
    private final JdbcClient db;
    private final TransactionTemplate transaction;
    private final int many;

    KeptScreening(JdbcClient db, PlatformTransactionManager transactions, @Value("${ladder.scores.many:3000}") int many) {
        this.db = db;
        transaction = new TransactionTemplate(transactions);
        this.many = many;
    }

    @Scheduled(initialDelayString = "${ladder.scores.look:10000}", fixedDelayString = "${ladder.scores.look:300000}")
    void look() {
        keep();
    }

    /** Each step in a transaction of its own: the second must come after everybody can see the first. */
    void keep() {
        Viewer.SYSTEM.ask(() -> {
            if (Boolean.TRUE.equals(transaction.execute(t -> db.sql("select scores_keep_worth(:many)").param("many", many).query(Boolean.class).single()))) {
                for (String step : List.of("scores_keep_named()", "scores_keep_seen()", "scores_keep_fresh()")) {
                    transaction.executeWithoutResult(t -> db.sql("select " + step).query((r, n) -> n).list());
                }
            }
            return many;
        });
    }
}
