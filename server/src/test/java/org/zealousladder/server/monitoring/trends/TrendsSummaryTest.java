package org.zealousladder.server.monitoring.trends;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.zealousladder.core.decisions.Proposal.Kind;
import org.zealousladder.server.measures.measures.MeasureRef;
import org.zealousladder.server.school.roster.StudentRef;

/** The sentence above the charts. */
class TrendsSummaryTest {
    private static final LocalDate LATER = LocalDate.of(2026, 4, 10);

    private static TrendCard card(Kind kind, LocalDate settled) {
        TrendCard.ProposalView proposal = kind == null ? null
                : new TrendCard.ProposalView(kind, kind.label(), "why", "evidence", true, 1, null, null, null, 0, List.of());
        return new TrendCard(new StudentRef(1, "S1", "Ada Quill", "AQ", "Tern", 4), new MeasureRef(1, "Oral reading", "words", "Reading", 0, 250, 0, true),
                List.of(), List.of(),
                List.of(), null, proposal, settled, null, null);
    }

    private static List<TrendCard> cards(Kind... kinds) {
        return Arrays.stream(kinds).map(k -> card(k, null)).toList();
    }

    static Stream<Arguments> sentences() {
        return Stream.of(
                Arguments.of("", cards()),
                Arguments.of("All are on course.", cards(Kind.HOLD, Kind.HOLD)),
                Arguments.of("One plan wants changing.", cards(Kind.CHANGE, Kind.HOLD)),
                Arguments.of("Two plans want changing, one goal can be raised.", cards(Kind.RAISE, Kind.CHANGE, Kind.CHANGE)),
                Arguments.of("One goal was not met, one goal is met.", cards(Kind.MET, Kind.NOT_MET)),
                Arguments.of("Three cannot be told yet.", cards(Kind.TOO_SOON, Kind.TOO_SOON, Kind.TOO_SOON, Kind.HOLD)));
    }

    @ParameterizedTest
    @MethodSource("sentences")
    void itCountsWhatWantsDeciding(String sentence, List<TrendCard> cards) {
        assertEquals(sentence, TrendsSummary.of(cards));
    }

    @Test
    void whatIsDecidedOrHasNoGoalIsNotCounted() {
        assertEquals("All are on course.", TrendsSummary.of(List.of(card(Kind.CHANGE, LATER), card(null, null))));
        assertEquals("One plan wants changing.", TrendsSummary.of(List.of(card(Kind.CHANGE, LATER), card(Kind.CHANGE, null))));
    }
}
