package org.zealousladder.server.monitoring.plans;

import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.roster.SetupRights;

/** The school's own list of strategies. */
@Service
public class StrategiesService {
    private static final String TWICE = "The list has a strategy of that name already. Nothing was saved.";

    private final StrategiesStore store;
    private final SetupRights rights;

    StrategiesService(StrategiesStore store, SetupRights rights) {
        this.store = store;
        this.rights = rights;
    }

    @Transactional(readOnly = true)
    public List<Strategy> of(int school, @Nullable String area) {
        return store.strategies(school, area);
    }

    /** The name of a strategy from the list, or the one that was written. */
    String name(@Nullable Integer id, @Nullable String written, int school) {
        if (id != null) {
            return of(school, null).stream().filter(s -> s.id() == id).map(Strategy::name).findFirst()
                    .orElseThrow(() -> Refusal.invalid("strategy", "There is no such strategy in the school's list."));
        }
        if (written == null || written.isBlank()) {
            throw Refusal.invalid("strategy", "Choose a strategy from the list, or write one.");
        }
        return written.strip();
    }

    /** @param id null: a new one for the school */
    @Transactional
    public void save(@Nullable Integer id, int school, String area, String name, @Nullable String how, boolean retired) {
        // The list holds those of every school, too: the same name twice could not be told apart in it.
        if (of(school, area.strip()).stream().anyMatch(s -> !Objects.equals(s.id(), id) && s.name().equalsIgnoreCase(name.strip()))) {
            throw Refusal.invalid("name", TWICE);
        }
        String words = Words.orNull(how);
        try {
            if (id == null) {
                rights.require(school, "Strategies");
                store.insert(school, area.strip(), name.strip(), words);
                return;
            }
            Strategy there = of(school, null).stream().filter(s -> s.id() == id).findFirst()
                    .orElseThrow(() -> Refusal.notFound("There is no such strategy in the school's list."));
            rights.require(there.schoolId(), "Strategies");
            store.change(id, school, name.strip(), words, retired);
        } catch (DuplicateKeyException e) {
            throw Refusal.invalid("name", TWICE);
        }
    }
}
