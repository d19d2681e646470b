package org.zealousladder.server.school.people;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.zealousladder.server.platform.who.LadderProperties;
import org.zealousladder.server.platform.who.Rights;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.school.factor.SecondFactor;

/** Reads who somebody is at most every five seconds: a view asks once, a page of many requests not each time. */
@Component
class RightsNow implements Rights {
    private static final Duration AT_MOST = Duration.ofSeconds(5);

    private final PeopleStore store;
    private final SecondFactor factor;
    private final Viewer.@Nullable Role least;
    private final Cache<Integer, Optional<Viewer>> known = Caffeine.newBuilder().expireAfterWrite(AT_MOST).maximumSize(20_000).build();
    private final Cache<Integer, Boolean> without = Caffeine.newBuilder().expireAfterWrite(AT_MOST).maximumSize(20_000).build();

    RightsNow(PeopleStore store, SecondFactor factor, LadderProperties properties) {
        this.store = store;
        this.factor = factor;
        this.least = switch (properties.secondStep()) {
            case "no" -> null;
            case "administrators" -> Viewer.Role.ADMINISTRATOR;
            case "coordinators" -> Viewer.Role.COORDINATOR;
            case "everyone" -> Viewer.Role.TEACHER;
            default -> throw new IllegalStateException("second-step is no, administrators, coordinators or everyone, not '" + properties.secondStep() + "'");
        };
    }

    @Override
    public boolean wantsSecondStep(Viewer viewer) {
        return least != null && viewer.role().compareTo(least) >= 0 && without.get(viewer.id(), id -> !factor.inUse(id));
    }

    @Override
    public Optional<Viewer> now(int person) {
        return known.get(person, id -> store.byId(id).map(PeopleStore.Account::viewer));
    }

    @Override
    public void changed(int person) {
        known.invalidate(person);
        without.invalidate(person);
    }
}
