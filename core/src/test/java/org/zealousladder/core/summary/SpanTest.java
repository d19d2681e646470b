package org.zealousladder.core.summary;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;
import org.zealousladder.core.Direction;
import org.zealousladder.core.ScoreSeries;

class SpanTest {
    private static ScoreSeries series(double... scores) {
        double[] weeks = new double[scores.length];
        for (int i = 0; i < weeks.length; i++) {
            weeks[i] = i;
        }
        return ScoreSeries.of(weeks, scores);
    }

    @Test
    void theBestIsTheEarliestOfTheBestInTheMeasuresDirection() {
        assertEquals(new Span(0, 1, 3), Span.of(series(3, 9, 9, 5), Direction.HIGHER_IS_BETTER).orElseThrow());
        assertEquals(new Span(0, 0, 3), Span.of(series(3, 9, 9, 5), Direction.LOWER_IS_BETTER).orElseThrow());
        assertEquals(new Span(0, 0, 0), Span.of(series(4), Direction.HIGHER_IS_BETTER).orElseThrow());
        assertTrue(Span.of(series(), Direction.HIGHER_IS_BETTER).isEmpty());
    }
}
