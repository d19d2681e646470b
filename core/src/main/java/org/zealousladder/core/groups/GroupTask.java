package org.zealousladder.core.groups;

import java.util.List;
import java.util.Map;

/**
 * What groups are to be made of. Students are their places, from 0.
 *
 * @param need a row of numbers a student, of any unit; every column counts alike
 * @param met pairs who worked together before
 * @param least fewest in a group, @param most the most
 * @param groups how many; 0: as many as the sizes ask for
 * @param together pairs who are kept together, @param apart pairs who are kept apart
 * @param stays students who stay in a group, by its place from 0
 */
public record GroupTask(double[][] need, List<Met> met, int least, int most, int groups, List<Pair> together, List<Pair> apart, Map<Integer, Integer> stays,
        Weights weights) {
    /** What a difference of need, having met before, and uneven sizes weigh. */
    public record Weights(double need, double fresh, double size) {
        public static final Weights USUAL = new Weights(1, 0.5, 0.1);
    }

    /** Two students. */
    public record Pair(int a, int b) {}

    /** Two students who worked together, so many weeks ago. */
    public record Met(int a, int b, double weeks) {
        private static final double HALF = 6;

        /** What meeting again so soon costs: 1 at once, half of it after six weeks. */
        double cost() {
            return Math.pow(2, -Math.max(0, weeks) / HALF);
        }
    }

    public int students() {
        return need.length;
    }

    /**
     * How many groups there are.
     *
     * @throws LockedOut when no number of groups has such sizes
     */
    int count() {
        int n = students();
        if (least < 1 || most < least) {
            throw new LockedOut("A group has at least 1 student, and its largest size is no smaller than its smallest.");
        }
        int fewest = (n + most - 1) / most;
        int highest = n / least;
        if (groups > 0) {
            if (groups < fewest || groups > highest) {
                throw new LockedOut(n + " students do not make " + groups + " groups of " + least + " to " + most + ".");
            }
            return groups;
        }
        if (n > 0 && fewest > highest) {
            throw new LockedOut(n + " students do not make groups of " + least + " to " + most + "; allow other sizes.");
        }
        int wanted = (int) Math.round(2.0 * n / (least + most));
        return Math.max(fewest, Math.min(highest, wanted));
    }
}
