package org.zealousladder.core;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertSame;
import static org.junit.jupiter.api.Assertions.assertThrows;

import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.zealousladder.core.decisions.Proposal;
import org.zealousladder.core.decisions.Rule;
import org.zealousladder.core.goals.GoalKind;
import org.zealousladder.core.reading.Mark;
import org.zealousladder.core.scores.ScoreStatus;
import org.zealousladder.core.tiers.TierRule;

class CodedTest {
    /** One constant alone. */
    private enum Alone implements Coded {
        ONLY_ONE
    }

    /** Files and records of years hold these; a constant that is given another Java name would change them. */
    static Stream<List<?>> onRecord() {
        return Stream.of(List.of(Proposal.Kind.class, "hold, raise, change, too-soon, met, not-met"), List.of(Rule.class, "last-points, trend, chance"),
                List.of(GoalKind.class, "benchmark, norm-growth, own-pace, by-hand"),
                List.of(Mark.Kind.class, "error, left-out, told, self-corrected, inserted"),
                List.of(ScoreStatus.class, "scored, absent, exempt, invalid, withdrawn"), List.of(TierRule.class, "lowest, most, weighted"));
    }

    @ParameterizedTest
    @MethodSource("onRecord")
    void codesAreThoseOnRecord(List<?> kindAndCodes) {
        Class<? extends Coded> kind = ((Class<?>) kindAndCodes.get(0)).asSubclass(Coded.class);
        assertEquals(kindAndCodes.get(1), String.join(", ", Coded.codes(kind)));
        for (Coded constant : kind.getEnumConstants()) {
            assertSame(constant, Coded.of(kind, constant.code(), "a code"));
        }
    }

    @ParameterizedTest
    @MethodSource("onRecord")
    void aNameInCapitalsOrAStrangersIsNoCode(List<?> kindAndCodes) {
        Class<? extends Coded> kind = ((Class<?>) kindAndCodes.get(0)).asSubclass(Coded.class);
        assertThrows(IllegalArgumentException.class, () -> Coded.of(kind, kind.getEnumConstants()[0].name(), "a code"));
        String why = assertThrows(IllegalArgumentException.class, () -> Coded.of(kind, "mood", "a code")).getMessage();
        assertEquals("'mood' is not a code; use " + Coded.known(kind), why);
    }

    @Test
    void theLastCodeIsJoinedByOr() {
        assertEquals("lowest, most or weighted", Coded.known(TierRule.class));
        assertEquals("only-one", Coded.known(Alone.class));
    }

    @Test
    void aFileCannotTakeAScoreBack() {
        assertEquals(List.of("scored", "absent", "exempt", "invalid"), ScoreStatus.inFiles());
    }
}
