package org.zealousladder.core.skills;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** What a check says for tomorrow. */
class ReteachTest {
    @Test
    void bandsGoByTheStandardAndTwoThirdsOfIt() {
        assertEquals(CheckBand.GO_ON, CheckBand.of(0.7, 0.7));
        assertEquals(CheckBand.GO_ON, CheckBand.of(0.1 + 0.2 + 0.4, 0.7), "a sum that misses the standard by its last digit");
        assertEquals(CheckBand.ONCE_MORE, CheckBand.of(0.69, 0.7));
        assertEquals(CheckBand.ONCE_MORE, CheckBand.of(0.4, 0.6));
        assertEquals(CheckBand.AGAIN, CheckBand.of(0.39, 0.6));
        assertEquals(CheckBand.AGAIN, CheckBand.of(0, 0.6));
        assertThrows(IllegalArgumentException.class, () -> CheckBand.of(1.2, 0.6));
        assertThrows(IllegalArgumentException.class, () -> CheckBand.of(Double.NaN, 0.6));
        assertThrows(IllegalArgumentException.class, () -> CheckBand.of(0.5, 1));
    }

    @Test
    void eachStudentIsTaughtTheFirstSkillBelowTheStandardAgain() {
        Map<Integer, Map<Integer, Double>> shares = new LinkedHashMap<>();
        shares.put(1, Map.of(10, 1.0, 20, 0.5, 30, 0.0));
        shares.put(2, Map.of(10, 0.5, 20, 0.0));
        shares.put(3, Map.of(10, 1.0, 20, 1.0, 30, 1.0));
        // Not asked about the first skill.
        shares.put(4, Map.of(20, 0.0, 30, 0.0));
        shares.put(5, Map.of());
        assertEquals(Map.of(10, List.of(2), 20, List.of(1, 4)), ReteachGroups.of(shares, List.of(10, 20, 30), 0.7));
        assertEquals(List.of(10, 20), List.copyOf(ReteachGroups.of(shares, List.of(10, 20, 30), 0.7).keySet()));
        assertEquals(Map.of(30, List.of(1, 4), 10, List.of(2)), ReteachGroups.of(shares, List.of(30, 10, 20), 0.7));
    }
}
