package org.zealousladder.server.monitoring.decisions;

import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.LocalDate;
import org.junit.jupiter.api.Test;
import org.zealousladder.core.decisions.Proposal.Kind;

class DecisionTest {
    private static final LocalDate DECIDED = LocalDate.of(2026, 3, 2);
    private static final LocalDate AGAIN = LocalDate.of(2026, 3, 30);

    private static Decision taken(DecisionKind kind, Kind proposed, LocalDate again) {
        return new Decision(1, 1, 1, kind, DECIDED, again, proposed, "because", null, null);
    }

    @Test
    void aHeldCourseSettlesTheSameProposalUntilItsDay() {
        Decision held = taken(DecisionKind.HOLD, Kind.CHANGE, AGAIN);
        assertTrue(held.settles(Kind.CHANGE, AGAIN.minusDays(1)));
        assertFalse(held.settles(Kind.CHANGE, AGAIN), "on its day it is back");
        assertFalse(held.settles(Kind.RAISE, DECIDED), "another proposal is news");
    }

    @Test
    void setAsideSettlesWhateverIsProposed() {
        Decision aside = taken(DecisionKind.SET_ASIDE, Kind.CHANGE, AGAIN);
        assertTrue(aside.settles(Kind.RAISE, DECIDED));
        assertFalse(aside.settles(Kind.RAISE, AGAIN));
    }

    @Test
    void withoutADayNothingIsSettled() {
        assertFalse(taken(DecisionKind.HOLD, Kind.CHANGE, null).settles(Kind.CHANGE, DECIDED));
    }
}
