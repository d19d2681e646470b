package org.zealousladder.core.groups;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Random;
import java.util.function.IntFunction;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * Looks for groups of a like need. Few students are tried in every arrangement; more begin in the order of their need, and in others by chance, and move and
 * change places as long as that is better. The same task and seed always have the same answer: it counts its steps and looks at no clock.
 */
public final class Grouper {
    private static final int BEGINNINGS = 20;
    /** Of many students there are fewer beginnings: each takes longer, and is nearer to the best. */
    private static final int FEWEST_BEGINNINGS = 3;
    private static final double MANY = 100;
    /** Up to so many arrangements are tried one by one. */
    private static final double ALL = 60_000;
    private static final int PLACINGS = 200_000;
    private static final double BETTER = 1e-10;

    private final GroupTask task;
    private final int groups;
    private final Blocks blocks;

    private Grouper(GroupTask task, IntFunction<String> names) {
        this.task = task;
        groups = task.count();
        blocks = new Blocks(task, groups, names);
    }

    /**
     * The best that is found.
     *
     * @param names how students are called where a lock is refused
     * @throws LockedOut when sizes or locks cannot hold together
     */
    public static Proposal propose(GroupTask task, long seed, IntFunction<String> names) {
        if (task.students() == 0) {
            return new Proposal(List.of(), new Proposal.Cost(0, 0, 0), List.of(), 0);
        }
        Grouper grouper = new Grouper(task, names);
        int b = grouper.blocks.members.length;
        return Math.pow(grouper.groups, b) <= ALL ? grouper.every() : grouper.search(seed);
    }

    private Proposal every() {
        Arrangement now = new Arrangement(blocks, task, groups);
        int[][] best = new int[1][];
        double[] cost = {Double.POSITIVE_INFINITY};
        every(now, 0, best, cost);
        if (best[0] == null) {
            throw locked();
        }
        return proposal(best[0], 1);
    }

    private void every(Arrangement now, int b, int[][] best, double[] cost) {
        if (b == now.group.length) {
            if (now.sizesHold()) {
                double c = now.cost().total();
                if (c < cost[0] - BETTER) {
                    cost[0] = c;
                    best[0] = now.group.clone();
                }
            }
            return;
        }
        for (int g = 0; g < groups; g++) {
            if (now.fits(b, g)) {
                now.place(b, g);
                every(now, b + 1, best, cost);
                now.lift(b);
            }
        }
    }

    private Proposal search(long seed) {
        Random random = new Random(seed);
        int[] best = null;
        double cost = Double.POSITIVE_INFINITY;
        int[] byNeed = byNeed();
        int beginnings = (int) Math.max(FEWEST_BEGINNINGS, Math.min(BEGINNINGS, Math.round(BEGINNINGS * MANY / task.students())));
        for (int t = 0; t < beginnings; t++) {
            Arrangement now = begin(t == 0 ? byNeed : shuffled(byNeed, random));
            if (now == null) {
                continue;
            }
            improve(now);
            double c = now.cost().total();
            if (c < cost - BETTER) {
                cost = c;
                best = now.group.clone();
            }
        }
        if (best == null) {
            throw locked();
        }
        return proposal(best, beginnings);
    }

    /** Along the direction in which needs differ most, by power iteration on the blocks' means. */
    private int[] byNeed() {
        int columns = blocks.sums[0].length;
        double[] along = new double[columns];
        Arrays.setAll(along, c -> 1 + c * 0.01);
        for (int step = 0; step < 50; step++) {
            double[] next = new double[columns];
            for (double[] s : blocks.sums) {
                double dot = dot(s, along);
                for (int c = 0; c < columns; c++) {
                    next[c] += dot * s[c];
                }
            }
            double length = Math.sqrt(Blocks.square(next));
            if (length < 1e-12) {
                break;
            }
            for (int c = 0; c < columns; c++) {
                along[c] = next[c] / length;
            }
        }
        double[] at = Arrays.stream(blocks.sums).mapToDouble(s -> dot(s, along)).toArray();
        return IntStream.range(0, at.length).boxed().sorted(Comparator.comparingDouble((Integer b) -> at[b] / blocks.members[b].length)).mapToInt(b -> b)
                .toArray();
    }

    private static double dot(double[] a, double[] b) {
        double sum = 0;
        for (int c = 0; c < a.length; c++) {
            sum += a[c] * b[c];
        }
        return sum;
    }

    private static int[] shuffled(int[] of, Random random) {
        int[] order = of.clone();
        for (int i = order.length - 1; i > 0; i--) {
            int j = random.nextInt(i + 1);
            int keep = order[i];
            order[i] = order[j];
            order[j] = keep;
        }
        return order;
    }

    /** Fills the groups in an order; the bound ones first, then those with most locks, going back where one has no place. Null where none was found. */
    private @Nullable Arrangement begin(int[] order) {
        Integer[] first = Arrays.stream(order).boxed().toArray(Integer[]::new);
        Arrays.sort(first, Comparator.comparing((Integer b) -> blocks.seat[b] < 0).thenComparing(b -> -locks(b))
                .thenComparing(b -> -(blocks.members[b].length > 1 ? blocks.members[b].length : 0)));
        Arrangement now = new Arrangement(blocks, task, groups);
        return fill(now, first, 0, task.students(), new int[1]) ? now : null;
    }

    private int locks(int b) {
        int n = 0;
        for (boolean a : blocks.apart[b]) {
            n += a ? 1 : 0;
        }
        return n;
    }

    /** @param left students who have no place yet */
    private boolean fill(Arrangement now, Integer[] order, int at, int left, int[] steps) {
        if (at == order.length) {
            return now.sizesHold();
        }
        int wanted = IntStream.range(0, groups).map(g -> Math.max(0, task.least() - now.size(g))).sum();
        if (wanted > left || steps[0]++ > PLACINGS) {
            return false;
        }
        int b = order[at];
        int k = blocks.members[b].length;
        // Its even share first, then up to the largest.
        for (int round = 0; round < 2; round++) {
            for (int g = 0; g < groups; g++) {
                int even = task.students() / groups + (g < task.students() % groups ? 1 : 0);
                if (now.size(g) + k <= even == (round == 0) && now.fits(b, g)) {
                    now.place(b, g);
                    if (fill(now, order, at + 1, left - k, steps)) {
                        return true;
                    }
                    now.lift(b);
                }
            }
        }
        return false;
    }

    private void improve(Arrangement now) {
        boolean better = true;
        while (better) {
            better = false;
            for (int b = 0; b < now.group.length; b++) {
                better |= improve(now, b);
            }
        }
    }

    private boolean improve(Arrangement now, int b) {
        double best = -BETTER;
        int to = -1;
        int with = -1;
        for (int g = 0; g < groups; g++) {
            double d = now.move(b, g);
            if (d < best) {
                best = d;
                to = g;
            }
        }
        for (int c = 0; c < now.group.length; c++) {
            double d = now.swap(b, c);
            if (d < best) {
                best = d;
                with = c;
            }
        }
        if (with >= 0) {
            int from = now.group[b];
            int there = now.group[with];
            now.lift(b);
            now.lift(with);
            now.place(b, there);
            now.place(with, from);
        } else if (to >= 0) {
            now.lift(b);
            now.place(b, to);
        }
        return with >= 0 || to >= 0;
    }

    private static LockedOut locked() {
        return new LockedOut("The sizes, and who is kept together, apart and in place, cannot all hold. Let go of one of them.");
    }

    private Proposal proposal(int[] group, int tries) {
        Arrangement now = new Arrangement(blocks, task, groups);
        List<List<Integer>> lists = new ArrayList<>();
        IntStream.range(0, groups).forEach(g -> lists.add(new ArrayList<>()));
        for (int b = 0; b < group.length; b++) {
            now.place(b, group[b]);
            for (int s : blocks.members[b]) {
                lists.get(group[b]).add(s);
            }
        }
        lists.forEach(l -> l.sort(null));
        int[] of = new int[task.students()];
        for (int g = 0; g < groups; g++) {
            for (int s : lists.get(g)) {
                of[s] = g;
            }
        }
        List<GroupTask.Met> again = task.met().stream().filter(m -> of[m.a()] == of[m.b()])
                .sorted(Comparator.comparingDouble(GroupTask.Met::weeks).thenComparingInt(GroupTask.Met::a).thenComparingInt(GroupTask.Met::b)).toList();
        return new Proposal(lists, now.cost(), again, tries);
    }
}
