package org.zealousladder.core.goals;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.zealousladder.core.Direction;
import org.zealousladder.core.goals.GrowthNorms.Point;

class GrowthNormsTest {
    private static final GrowthNorms UP = GrowthNorms.of(List.of(new Point(10, 0.4), new Point(50, 1.2), new Point(90, 2.0)), Direction.HIGHER_IS_BETTER);
    private static final GrowthNorms DOWN = GrowthNorms.of(List.of(new Point(10, -0.1), new Point(50, -0.5), new Point(90, -1.5)), Direction.LOWER_IS_BETTER);

    @Test
    void aTableIsReadBothWaysAlongStraightLines() {
        assertEquals(0.8, UP.at(30).getAsDouble(), 1e-12);
        assertEquals(30, UP.place(0.8).percentile(), 1e-9);
        assertEquals(-1.0, DOWN.at(70).getAsDouble(), 1e-12);
        assertEquals(70, DOWN.place(-1.0).percentile(), 1e-9);
        for (int p = 10; p <= 90; p += 5) {
            assertEquals(p, UP.place(UP.at(p).getAsDouble()).percentile(), 1e-9);
            assertEquals(p, DOWN.place(DOWN.at(p).getAsDouble()).percentile(), 1e-9);
        }
    }

    @Test
    void beyondItsEndsATableSaysOnlyAtLeastAndAtMost() {
        assertTrue(UP.at(95).isEmpty());
        assertTrue(UP.at(5).isEmpty());
        assertTrue(UP.place(2.5).beyond());
        assertTrue(UP.place(2.5).outOfTheOrdinary());
        assertEquals(10, DOWN.place(0.3).percentile());
        assertTrue(DOWN.place(0.3).beyond());
        assertFalse(DOWN.place(0.3).outOfTheOrdinary());
        assertFalse(UP.place(2.0).outOfTheOrdinary(), "the 90th percentile itself is ordinary");
    }

    @Test
    void aTableMustHaveTwoPointsInOrder() {
        assertThrows(IllegalArgumentException.class, () -> GrowthNorms.of(List.of(new Point(50, 1)), Direction.HIGHER_IS_BETTER));
        assertThrows(IllegalArgumentException.class,
                () -> GrowthNorms.of(List.of(new Point(10, 2), new Point(50, 1)), Direction.HIGHER_IS_BETTER));
    }

    @Test
    void goalsGrowFromTheStart() {
        assertEquals(62, GoalKind.grown(50, 1.2, 10), 1e-12);
        assertEquals(65, GoalKind.ownPace(50, 1, GoalKind.FACTOR, 10, Direction.HIGHER_IS_BETTER).getAsDouble(), 1e-12);
        assertEquals(35, GoalKind.ownPace(50, -1, 1.5, 10, Direction.LOWER_IS_BETTER).getAsDouble(), 1e-12);
        assertTrue(GoalKind.ownPace(50, -0.2, 1.5, 10, Direction.HIGHER_IS_BETTER).isEmpty(), "half again of a fall is no goal");
        for (GoalKind kind : GoalKind.values()) {
            assertEquals(kind, GoalKind.of(kind.code()));
        }
        assertThrows(IllegalArgumentException.class, () -> GoalKind.of("wish"));
    }
}
