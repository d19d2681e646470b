package org.zealousladder.server.school.facts;

import java.time.LocalDate;
import java.time.Period;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.Viewer;

/** What is kept of a student. */
@Service
@Transactional(readOnly = true)
public class FactsService {
    private final FactsStore store;
    private final GroupingsService groupings;

    FactsService(FactsStore store, GroupingsService groupings) {
        this.store = store;
        this.groupings = groupings;
    }

    /**
     * As it was known on a day.
     *
     * @param school where the student is
     */
    public StudentFacts of(int student, int school, LocalDate asOf) {
        FactsStore.Called called = store.called(student, asOf).orElseThrow(() -> Refusal.notFound("There is no such student among yours."));
        LocalDate born = called.birthday();
        return new StudentFacts(called.givenName(), called.familyName(), called.preferredName(), born,
                born == null ? null : Period.between(born, asOf).getYears(),
                store.grouped(student, asOf), store.home(student, asOf), mayChange(school), groupings.all().stream()
                        .filter(g -> !g.ended() && (!g.sensitive() || mayChange(school)) && (g.schoolId() == null || g.schoolId() == school)).toList());
    }

    /** Coordinators of those they see, and administrators. */
    static boolean mayChange(int school) {
        return Viewer.current().leads(school);
    }
}
