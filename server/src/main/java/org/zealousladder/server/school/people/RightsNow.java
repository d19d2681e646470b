package org.zealousladder.server.school.people;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.zealousladder.server.platform.who.Rights;
import org.zealousladder.server.platform.who.Viewer;

/** Reads who somebody is at most every five seconds: a view asks once, a page of many requests not each time. */
@Component
class RightsNow implements Rights {
    private static final Duration AT_MOST = Duration.ofSeconds(5);

    private final PeopleStore store;
    private final Cache<Integer, Optional<Viewer>> known = Caffeine.newBuilder().expireAfterWrite(AT_MOST).maximumSize(20_000).build();

    RightsNow(PeopleStore store) {
        this.store = store;
    }

    @Override
    public Optional<Viewer> now(int person) {
        return known.get(person, id -> store.byId(id).map(PeopleStore.Account::viewer));
    }

    @Override
    public void changed(int person) {
        known.invalidate(person);
    }
}
