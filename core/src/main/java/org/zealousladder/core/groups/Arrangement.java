package org.zealousladder.core.groups;

import java.util.Arrays;

/** Blocks in groups, with what a move or a swap would change, reckoned without going through the others. */
final class Arrangement {
    private final Blocks blocks;
    private final GroupTask task;
    private final int n;
    private final int groups;
    final int[] group;
    private final int[] size;
    private final double[][] sums;
    private final double[] square;
    /** What each block would cost in each group by having met its members before. */
    private final double[][] met;
    private final int[][] conflicts;

    Arrangement(Blocks blocks, GroupTask task, int groups) {
        this.blocks = blocks;
        this.task = task;
        this.groups = groups;
        n = task.students();
        group = new int[blocks.members.length];
        Arrays.fill(group, -1);
        size = new int[groups];
        int columns = n == 0 ? 0 : blocks.sums[0].length;
        sums = new double[groups][columns];
        square = new double[groups];
        met = new double[group.length][groups];
        conflicts = new int[group.length][groups];
    }

    int size(int g) {
        return size[g];
    }

    private int weight(int b) {
        return blocks.members[b].length;
    }

    /** Whether a block not yet placed may go into a group as it is now. */
    boolean fits(int b, int g) {
        return (blocks.seat[b] < 0 || blocks.seat[b] == g) && conflicts[b][g] == 0 && size[g] + weight(b) <= task.most();
    }

    void place(int b, int g) {
        shift(b, g, 1);
        group[b] = g;
    }

    void lift(int b) {
        shift(b, group[b], -1);
        group[b] = -1;
    }

    private void shift(int b, int g, int sign) {
        size[g] += sign * weight(b);
        for (int c = 0; c < sums[g].length; c++) {
            sums[g][c] += sign * blocks.sums[b][c];
        }
        square[g] = Blocks.square(sums[g]);
        for (int other = 0; other < group.length; other++) {
            met[other][g] += sign * blocks.fresh[b][other];
            conflicts[other][g] += blocks.apart[b][other] ? sign : 0;
        }
    }

    boolean sizesHold() {
        return Arrays.stream(size).allMatch(s -> s >= task.least() && s <= task.most());
    }

    /** Change of the cost when a block moves; infinite where it must not. */
    double move(int b, int to) {
        int from = group[b];
        int k = weight(b);
        if (to == from || blocks.seat[b] >= 0 || conflicts[b][to] > 0 || size[from] - k < task.least() || size[to] + k > task.most()) {
            return Double.POSITIVE_INFINITY;
        }
        double need = spread(from, b, -1) + spread(to, -1, b) - kept(from) - kept(to);
        double uneven = uneven(size[from] - k) + uneven(size[to] + k) - uneven(size[from]) - uneven(size[to]);
        return -task.weights().need() * need / n + task.weights().fresh() * (met[b][to] - met[b][from]) + task.weights().size() * uneven;
    }

    /** The same when two change places. */
    double swap(int b, int c) {
        int from = group[b];
        int to = group[c];
        int grows = weight(c) - weight(b);
        if (from == to || blocks.seat[b] >= 0 || blocks.seat[c] >= 0 || conflicts[b][to] - (blocks.apart[b][c] ? 1 : 0) > 0
                || conflicts[c][from] - (blocks.apart[b][c] ? 1 : 0) > 0 || !within(size[from] + grows) || !within(size[to] - grows)) {
            return Double.POSITIVE_INFINITY;
        }
        double need = spread(from, b, c) + spread(to, c, b) - kept(from) - kept(to);
        double again = met[b][to] - met[b][from] + met[c][from] - met[c][to] - 2 * blocks.fresh[b][c];
        double uneven = uneven(size[from] + grows) + uneven(size[to] - grows) - uneven(size[from]) - uneven(size[to]);
        return -task.weights().need() * need / n + task.weights().fresh() * again + task.weights().size() * uneven;
    }

    private boolean within(int s) {
        return s >= task.least() && s <= task.most();
    }

    /** Squares that a group's mean takes off: the sum of its needs squared, over its size. */
    private double kept(int g) {
        return size[g] == 0 ? 0 : square[g] / size[g];
    }

    /** The same of a group without one block and with another; -1 for none. */
    private double spread(int g, int without, int with) {
        int s = size[g] - (without < 0 ? 0 : weight(without)) + (with < 0 ? 0 : weight(with));
        if (s == 0) {
            return 0;
        }
        double sum = 0;
        for (int c = 0; c < sums[g].length; c++) {
            double v = sums[g][c] - (without < 0 ? 0 : blocks.sums[without][c]) + (with < 0 ? 0 : blocks.sums[with][c]);
            sum += v * v;
        }
        return sum / s;
    }

    private double uneven(int s) {
        return Math.abs(s - n / (double) groups);
    }

    Proposal.Cost cost() {
        double need = blocks.squares;
        double uneven = 0;
        double again = blocks.freshWithin;
        for (int g = 0; g < groups; g++) {
            need -= n == 0 ? 0 : kept(g) / n;
            uneven += uneven(size[g]);
        }
        for (int b = 0; b < group.length; b++) {
            again += met[b][group[b]] / 2;
        }
        return new Proposal.Cost(task.weights().need() * Math.max(0, need), task.weights().fresh() * again, task.weights().size() * uneven);
    }
}
