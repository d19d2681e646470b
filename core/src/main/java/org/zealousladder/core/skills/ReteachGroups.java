package org.zealousladder.core.skills;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;

/**
 * Groups for the day on which a check's skills are taught again: each student with the first skill, in the order of teaching, of which the check says that they are
 * below the standard, since later ones may rest on it.
 */
public final class ReteachGroups {
    private ReteachGroups() {}

    /**
     * The first skill on which a student is below the standard; none where there is none.
     *
     * @param shares of the points by skill, 0 to 1, those of skills that were asked alone
     * @param order skills in the order of teaching; one that was not asked is passed over
     */
    public static OptionalInt first(Map<Integer, Double> shares, List<Integer> order, double standard) {
        return order.stream().filter(k -> shares.containsKey(k) && CheckBand.of(shares.getOrDefault(k, 1.0), standard) != CheckBand.GO_ON)
                .mapToInt(Integer::intValue).findFirst();
    }

    /**
     * Students by the skill that they are taught again, in the order of teaching; who is at the standard on all of them is in none.
     *
     * @param shares by student, then by skill
     */
    public static Map<Integer, List<Integer>> of(Map<Integer, Map<Integer, Double>> shares, List<Integer> order, double standard) {
        Map<Integer, List<Integer>> groups = new LinkedHashMap<>();
        order.forEach(k -> groups.put(k, new ArrayList<>()));
        shares.forEach((student, own) -> first(own, order, standard).ifPresent(k -> groups.computeIfAbsent(k, x -> new ArrayList<>()).add(student)));
        groups.values().removeIf(List::isEmpty);
        return groups;
    }
}
