package org.zealousladder.core.engagement;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import java.util.Optional;
import org.junit.jupiter.api.Test;

class HabitsTest {
    private static int[] hours(int... hoursAndCounts) {
        int[] by = new int[24];
        for (int i = 0; i < hoursAndCounts.length; i += 2) {
            by[hoursAndCounts[i]] = hoursAndCounts[i + 1];
        }
        return by;
    }

    @Test
    void mostlyIsSaidFromTwentyActionsOnFiveDaysWithSixtyPerCent() {
        Habits.Mostly evening = Habits.mostly(hours(19, 10, 22, 3, 2, 2, 9, 5), 5).orElseThrow();
        assertEquals(Habits.Part.EVENING, evening.part());
        assertEquals(0.75, evening.share(), 1e-12);
        assertEquals(Optional.empty(), Habits.mostly(hours(19, 15, 9, 4), 5), "nineteen");
        assertEquals(Optional.empty(), Habits.mostly(hours(19, 15, 9, 5), 4), "four days");
        // 12 of 20 are 60 %, but surely only 38.7 %; 60 of 100 are surely 50.2 %.
        assertEquals(Optional.empty(), Habits.mostly(hours(12, 12, 9, 8), 9));
        assertEquals(Habits.Part.MIDDAY, Habits.mostly(hours(11, 30, 14, 30, 9, 40), 9).orElseThrow().part());
        assertEquals(Habits.Part.MORNING, Habits.mostly(hours(5, 10, 10, 10), 5).orElseThrow().part());
        assertEquals(Habits.Part.AFTERNOON, Habits.mostly(hours(15, 10, 18, 10), 5).orElseThrow().part());
        assertThrows(IllegalArgumentException.class, () -> Habits.mostly(new int[23], 5));
    }
}
