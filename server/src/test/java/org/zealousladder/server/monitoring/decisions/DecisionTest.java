package org.zealousladder.server.monitoring.decisions;

import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.LocalDate;
import org.junit.jupiter.api.Test;

class DecisionTest {
    private static final LocalDate DECIDED = LocalDate.of(2026, 3, 2);
    private static final LocalDate AGAIN = LocalDate.of(2026, 3, 30);

    private static Decision taken(String kind, String proposed, LocalDate again) {
        return new Decision(1, 1, 1, kind, DECIDED, again, proposed, "because", null, null);
    }

    @Test
    void aHeldCourseSettlesTheSameProposalUntilItsDay() {
        Decision held = taken("hold", "change", AGAIN);
        assertTrue(held.settles("change", AGAIN.minusDays(1)));
        assertFalse(held.settles("change", AGAIN), "on its day it is back");
        assertFalse(held.settles("raise", DECIDED), "another proposal is news");
    }

    @Test
    void setAsideSettlesWhateverIsProposed() {
        Decision aside = taken("set-aside", "change", AGAIN);
        assertTrue(aside.settles("raise", DECIDED));
        assertFalse(aside.settles("raise", AGAIN));
    }

    @Test
    void withoutADayNothingIsSettled() {
        assertFalse(taken("hold", "change", null).settles("change", DECIDED));
    }
}
