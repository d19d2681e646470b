package org.zealousladder.core.skills;

import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.Set;

/** What a student works on next: the first skill not yet there whose ground is secure. */
public final class NextSkill {
    private NextSkill() {}

    /**
     * @param order skills in the order in which they are taught
     * @param states of the student; a skill that is not in it was not tried
     * @param grounds what a skill rests on; one that is not in it rests on nothing
     * @return empty where every skill is there, or nothing has its ground
     */
    public static OptionalInt of(List<Integer> order, Map<Integer, SkillState> states, Map<Integer, Set<Integer>> grounds) {
        return order.stream().filter(s -> states.get(s) == SkillState.NOT_YET)
                .filter(s -> grounds.getOrDefault(s, Set.of()).stream().allMatch(g -> states.get(g) == SkillState.SECURE)).mapToInt(s -> s).findFirst();
    }

    /**
     * Where those go on who have a skill: the first that rests on it, else the next of the same order.
     *
     * @param order skills of one domain in the order in which they are taught, {@code skill} among them
     * @param all skills of the framework in that order
     */
    public static OptionalInt after(int skill, List<Integer> order, List<Integer> all, Map<Integer, Set<Integer>> grounds) {
        OptionalInt resting = all.stream().filter(s -> grounds.getOrDefault(s, Set.of()).contains(skill)).mapToInt(s -> s).findFirst();
        int next = order.indexOf(skill) + 1;
        return resting.isPresent() || next == 0 || next >= order.size() ? resting : OptionalInt.of(order.get(next));
    }
}
