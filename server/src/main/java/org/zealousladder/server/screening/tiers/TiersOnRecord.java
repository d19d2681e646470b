package org.zealousladder.server.screening.tiers;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Tiers that were decided, for a student's page and beside plans. */
@Service
@Transactional(readOnly = true)
public class TiersOnRecord {
    private final TiersStore store;

    TiersOnRecord(TiersStore store) {
        this.store = store;
    }

    /** A decided tier as a student's page shows it; a retest has no tier. */
    public record TierOnRecord(String area, String window, String year, TierOutcome outcome, @Nullable Integer tier, @Nullable String reason,
            @Nullable String by,
            LocalDate onDay) {}

    /** The newest tier decided for each of the students in an area by {@code asOf}; those without one are left out. */
    public Map<Integer, TierOnRecord> newest(Collection<Integer> students, String area, LocalDate asOf) {
        return students.isEmpty() ? Map.of() : store.newest(students, area, asOf);
    }

    /** What was decided for a student by {@code asOf}, the newest window first. */
    public List<TierOnRecord> ofStudent(int student, LocalDate asOf) {
        return store.ofStudent(student, asOf);
    }
}
