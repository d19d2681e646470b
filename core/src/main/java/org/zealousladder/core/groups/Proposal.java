package org.zealousladder.core.groups;

import java.util.List;

/**
 * Groups that were found.
 *
 * @param groups students by their places, in the groups' order
 * @param cost what it comes to
 * @param again pairs who meet again, the newest first
 * @param tries from how many beginnings it was looked for; none found anything better
 */
public record Proposal(List<List<Integer>> groups, Cost cost, List<GroupTask.Met> again, int tries) {
    /** Each with its weight; the lower the better. */
    public record Cost(double need, double fresh, double size) {
        public double total() {
            return need + fresh + size;
        }
    }
}
