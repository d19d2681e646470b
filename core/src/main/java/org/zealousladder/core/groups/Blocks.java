package org.zealousladder.core.groups;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.IntFunction;
import java.util.stream.IntStream;

/** Students who are kept together move as one; everything the search asks for is held by block. */
final class Blocks {
    final int[][] members;
    /** Sum of the members' needs, each column of variance 1. */
    final double[][] sums;
    /** Of all students: squares of needs, over the number of students. */
    final double squares;
    final double[][] fresh;
    /** Of pairs within blocks, which no arrangement changes. */
    final double freshWithin;
    final boolean[][] apart;
    /** The group a block stays in, or -1. */
    final int[] seat;
    private final int[] blockOf;

    /**
     * @param names how students are called in a refusal
     * @throws LockedOut for locks that contradict
     */
    Blocks(GroupTask task, int groups, IntFunction<String> names) {
        int n = task.students();
        int[] root = IntStream.range(0, n).toArray();
        task.together().forEach(p -> join(root, p.a(), p.b()));
        int[] of = new int[n];
        List<List<Integer>> lists = new ArrayList<>();
        int[] number = new int[n];
        Arrays.fill(number, -1);
        for (int s = 0; s < n; s++) {
            int r = find(root, s);
            if (number[r] < 0) {
                number[r] = lists.size();
                lists.add(new ArrayList<>());
            }
            of[s] = number[r];
            lists.get(of[s]).add(s);
        }
        blockOf = of;
        members = lists.stream().map(l -> l.stream().mapToInt(i -> i).toArray()).toArray(int[][]::new);
        double[][] z = standardized(task.need());
        sums = Arrays.stream(members).map(m -> sum(z, m)).toArray(double[][]::new);
        squares = n == 0 ? 0 : Arrays.stream(z).mapToDouble(Blocks::square).sum() / n;
        fresh = new double[members.length][members.length];
        double within = 0;
        for (GroupTask.Met met : task.met()) {
            int a = of[met.a()];
            int b = of[met.b()];
            if (a == b) {
                within += met.cost();
            } else {
                fresh[a][b] += met.cost();
                fresh[b][a] += met.cost();
            }
        }
        freshWithin = within;
        apart = new boolean[members.length][members.length];
        for (GroupTask.Pair p : task.apart()) {
            if (of[p.a()] == of[p.b()]) {
                throw new LockedOut(names.apply(p.a()) + " and " + names.apply(p.b()) + " are kept apart, and together by other locks.");
            }
            apart[of[p.a()]][of[p.b()]] = true;
            apart[of[p.b()]][of[p.a()]] = true;
        }
        seat = seats(task, groups, names);
    }

    private int[] seats(GroupTask task, int groups, IntFunction<String> names) {
        int[] seats = new int[members.length];
        Arrays.fill(seats, -1);
        int[] taken = new int[groups];
        int[] who = new int[members.length];
        task.stays().forEach((student, group) -> {
            if (group < 0 || group >= groups) {
                throw new LockedOut(names.apply(student) + " stays in group " + (group + 1) + ", and there are " + groups + ".");
            }
            int b = blockOf[student];
            if (seats[b] >= 0 && seats[b] != group) {
                throw new LockedOut(names.apply(who[b]) + " and " + names.apply(student) + " are kept together, and stay in different groups.");
            }
            if (seats[b] < 0) {
                taken[group] += members[b].length;
                seats[b] = group;
                who[b] = student;
            }
        });
        for (int b = 0; b < members.length; b++) {
            if (members[b].length > task.most()) {
                throw new LockedOut(names.apply(members[b][0]) + " and " + (members[b].length - 1) + " others are kept together: more than the " + task.most()
                        + " of a group.");
            }
            for (int c = 0; c < b; c++) {
                if (apart[b][c] && seats[b] >= 0 && seats[b] == seats[c]) {
                    throw new LockedOut(
                            names.apply(who[c]) + " and " + names.apply(who[b]) + " are kept apart, and both stay in group " + (seats[b] + 1) + ".");
                }
            }
        }
        for (int g = 0; g < groups; g++) {
            if (taken[g] > task.most()) {
                throw new LockedOut(taken[g] + " students stay in group " + (g + 1) + ": more than the " + task.most() + " of a group.");
            }
        }
        return seats;
    }

    private static int find(int[] root, int s) {
        int r = s;
        while (root[r] != r) {
            r = root[r];
        }
        return r;
    }

    private static void join(int[] root, int a, int b) {
        root[find(root, a)] = find(root, b);
    }

    /** Each column with mean 0 and variance 1; one that is the same for all says nothing. */
    static double[][] standardized(double[][] need) {
        int columns = need.length == 0 ? 0 : need[0].length;
        double[][] z = Arrays.stream(need).map(r -> new double[columns]).toArray(double[][]::new);
        for (int c = 0; c < columns; c++) {
            int col = c;
            double mean = Arrays.stream(need).mapToDouble(r -> r[col]).average().orElse(0);
            double sd = Math.sqrt(Arrays.stream(need).mapToDouble(r -> (r[col] - mean) * (r[col] - mean)).average().orElse(0));
            for (int s = 0; s < need.length; s++) {
                z[s][c] = sd <= 1e-12 * Math.max(1, Math.abs(mean)) ? 0 : (need[s][c] - mean) / sd;
            }
        }
        return z;
    }

    private static double[] sum(double[][] z, int[] members) {
        double[] sum = new double[z[0].length];
        for (int m : members) {
            for (int c = 0; c < sum.length; c++) {
                sum[c] += z[m][c];
            }
        }
        return sum;
    }

    static double square(double[] x) {
        double sum = 0;
        for (double v : x) {
            sum += v * v;
        }
        return sum;
    }
}
