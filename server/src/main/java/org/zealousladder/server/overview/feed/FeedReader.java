package org.zealousladder.server.overview.feed;

import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import org.zealousladder.server.platform.who.Rights;
import org.zealousladder.server.platform.who.Viewer;

/** Reads a calendar for somebody who has its secret and no session: as the person whose it is, with what that person may see today. */
@Component
class FeedReader {
    private final FeedStore store;
    private final FeedService feed;
    private final Rights rights;
    private final TransactionTemplate transaction;

    FeedReader(FeedStore store, FeedService feed, Rights rights, PlatformTransactionManager transactions) {
        this.store = store;
        this.feed = feed;
        this.rights = rights;
        transaction = new TransactionTemplate(transactions);
    }

    /** @return empty for a secret that is none, or of somebody who no longer has an account */
    Optional<String> read(String secret, String address) {
        if (secret.length() > 100) {
            return Optional.empty();
        }
        Optional<Integer> person = Viewer.SYSTEM.ask(() -> {
            Optional<Integer> found = transaction.execute(s -> store.person(FeedService.digest(secret)));
            return found == null ? Optional.empty() : found;
        });
        return person.flatMap(rights::now).map(viewer -> viewer.ask(() -> feed.write(address)));
    }
}
