package org.zealousladder.core.groups;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.zealousladder.core.groups.GroupTask.Met;
import org.zealousladder.core.groups.GroupTask.Pair;
import org.zealousladder.core.groups.GroupTask.Weights;

/** Groups against every arrangement there is, against chance, and against the locks. */
class GrouperTest {
    private static double[][] need(Random random, int n, int columns) {
        return IntStream.range(0, n).mapToObj(s -> random.doubles(columns).map(v -> Math.round(v * 4)).toArray()).toArray(double[][]::new);
    }

    private static List<Met> met(Random random, int n, int pairs) {
        List<Met> all = new ArrayList<>();
        for (int i = 0; i < pairs; i++) {
            int a = random.nextInt(n);
            int b = random.nextInt(n);
            if (a != b) {
                all.add(new Met(a, b, random.nextInt(20)));
            }
        }
        return all;
    }

    private static GroupTask task(double[][] need, List<Met> met, int least, int most, int groups) {
        return new GroupTask(need, met, least, most, groups, List.of(), List.of(), Map.of(), Weights.USUAL);
    }

    /** The cost from the definition, going through all pairs. */
    private static double cost(GroupTask task, int[] of, int groups) {
        double[][] z = Blocks.standardized(task.need());
        double need = 0;
        double uneven = 0;
        for (int g = 0; g < groups; g++) {
            List<Integer> in = new ArrayList<>();
            for (int s = 0; s < of.length; s++) {
                if (of[s] == g) {
                    in.add(s);
                }
            }
            for (int c = 0; c < z[0].length; c++) {
                int col = c;
                double mean = in.stream().mapToDouble(s -> z[s][col]).average().orElse(0);
                need += in.stream().mapToDouble(s -> (z[s][col] - mean) * (z[s][col] - mean)).sum();
            }
            uneven += Math.abs(in.size() - of.length / (double) groups);
        }
        double again = task.met().stream().filter(m -> of[m.a()] == of[m.b()]).mapToDouble(m -> Math.pow(2, -m.weeks() / 6)).sum();
        return task.weights().need() * need / of.length + task.weights().fresh() * again + task.weights().size() * uneven;
    }

    private static int[] of(Proposal p, int n) {
        int[] of = new int[n];
        for (int g = 0; g < p.groups().size(); g++) {
            for (int s : p.groups().get(g)) {
                of[s] = g;
            }
        }
        return of;
    }

    @Test
    void nothingIsBetterForUpToNineInThreeGroups() {
        Random random = new Random(1);
        for (int n = 3; n <= 9; n++) {
            for (int round = 0; round < 6; round++) {
                GroupTask task = task(need(random, n, 1 + round % 3), met(random, n, 6), 1, 5, 3);
                Proposal p = Grouper.propose(task, 1, String::valueOf);
                double best = Double.POSITIVE_INFINITY;
                for (int code = 0; code < Math.pow(3, n); code++) {
                    int[] of = new int[n];
                    int rest = code;
                    int[] size = new int[3];
                    for (int s = 0; s < n; s++) {
                        of[s] = rest % 3;
                        size[of[s]]++;
                        rest /= 3;
                    }
                    if (size[0] >= 1 && size[1] >= 1 && size[2] >= 1 && size[0] <= 5 && size[1] <= 5 && size[2] <= 5) {
                        best = Math.min(best, cost(task, of, 3));
                    }
                }
                assertEquals(best, p.cost().total(), 1e-9);
                assertEquals(best, cost(task, of(p, n), 3), 1e-9);
            }
        }
    }

    @Test
    void aThousandRandomMixesAreNoBetterAndTheCostIsThatOfTheDefinition() {
        Random random = new Random(2);
        GroupTask task = task(need(random, 60, 6), met(random, 60, 150), 4, 5, 0);
        Proposal p = Grouper.propose(task, 1, String::valueOf);
        int groups = p.groups().size();
        assertEquals(cost(task, of(p, 60), groups), p.cost().total(), 1e-9);
        List<Integer> seats = new ArrayList<>();
        for (int g = 0; g < groups; g++) {
            seats.addAll(Collections.nCopies(p.groups().get(g).size(), g));
        }
        for (int i = 0; i < 1000; i++) {
            Collections.shuffle(seats, random);
            assertTrue(cost(task, seats.stream().mapToInt(g -> g).toArray(), groups) >= p.cost().total());
        }
        assertTrue(p.groups().stream().allMatch(g -> g.size() >= 4 && g.size() <= 5));
        assertEquals(p, Grouper.propose(task, 1, String::valueOf), "the same task has the same answer");
    }

    @Test
    void likeNeedsSitTogetherAndWhoMetYesterdayDoesNotWhereTheNeedAllowsIt() {
        double[][] need = {{0}, {0}, {0}, {9}, {9}, {9}};
        assertEquals(List.of(List.of(0, 1, 2), List.of(3, 4, 5)), Grouper.propose(task(need, List.of(), 3, 3, 0), 1, String::valueOf).groups());
        // All of one need: pairs who met last week are parted, and one that must meet again is told.
        double[][] same = new double[4][1];
        Proposal p = Grouper.propose(task(same, List.of(new Met(0, 1, 1), new Met(2, 3, 1)), 2, 2, 2), 1, String::valueOf);
        assertEquals(List.of(), p.again());
        Proposal again = Grouper.propose(task(new double[2][1], List.of(new Met(0, 1, 3)), 2, 2, 1), 1, String::valueOf);
        assertEquals(List.of(new Met(0, 1, 3)), again.again());
    }

    @Test
    void locksAreNeverBroken() {
        Random random = new Random(3);
        for (int round = 0; round < 12; round++) {
            int n = 20 + random.nextInt(20);
            GroupTask free = task(need(random, n, 3), met(random, n, 40), 3, 6, 0);
            List<Pair> together = List.of(new Pair(0, 1), new Pair(1, 2), new Pair(5, 6));
            List<Pair> apart = List.of(new Pair(0, 7), new Pair(7, 8), new Pair(8, 9), new Pair(7, 9));
            GroupTask task = new GroupTask(free.need(), free.met(), 3, 6, 0, together, apart, Map.of(7, 1, 10, 0), Weights.USUAL);
            Proposal p = Grouper.propose(task, round, String::valueOf);
            int[] of = of(p, n);
            together.forEach(t -> assertEquals(of[t.a()], of[t.b()]));
            apart.forEach(t -> assertTrue(of[t.a()] != of[t.b()]));
            assertEquals("1 0", of[7] + " " + of[10]);
            assertTrue(p.groups().stream().allMatch(g -> g.size() >= 3 && g.size() <= 6));
        }
    }

    @Test
    void locksThatContradictAreSaidInWords() {
        double[][] need = new double[8][1];
        assertTrue(refused(new GroupTask(need, List.of(), 4, 4, 0, List.of(new Pair(0, 1), new Pair(1, 2)), List.of(new Pair(0, 2)), Map.of(), Weights.USUAL))
                .contains("A and C are kept apart, and together by other locks."));
        assertTrue(refused(new GroupTask(need, List.of(), 4, 4, 0, List.of(new Pair(0, 1)), List.of(), Map.of(0, 0, 1, 1), Weights.USUAL))
                .contains("are kept together, and stay in different groups."));
        assertTrue(refused(new GroupTask(need, List.of(), 4, 4, 0, List.of(), List.of(new Pair(0, 1)), Map.of(0, 1, 1, 1), Weights.USUAL))
                .contains("A and B are kept apart, and both stay in group 2."));
        // Three who are all apart do not fit into two groups.
        assertTrue(refused(new GroupTask(need, List.of(), 4, 4, 0, List.of(), List.of(new Pair(0, 1), new Pair(1, 2), new Pair(0, 2)), Map.of(), Weights.USUAL))
                .contains("cannot all hold"));
        assertTrue(refused(task(need, List.of(), 5, 6, 0)).contains("8 students do not make groups of 5 to 6"));
        assertTrue(refused(task(need, List.of(), 3, 5, 4)).contains("8 students do not make 4 groups of 3 to 5"));
    }

    private static String refused(GroupTask task) {
        return String.valueOf(assertThrows(LockedOut.class, () -> Grouper.propose(task, 1, s -> String.valueOf((char) ('A' + s)))).getMessage());
    }

    @Test
    void whatTheNeedIsMeasuredInDoesNotMatter() {
        Random random = new Random(4);
        double[][] need = need(random, 24, 2);
        double[][] other = IntStream.range(0, 24).mapToObj(s -> new double[] {need[s][0] * 1000 + 7, need[s][1]}).toArray(double[][]::new);
        assertEquals(Grouper.propose(task(need, List.of(), 4, 4, 0), 1, String::valueOf).groups(),
                Grouper.propose(task(other, List.of(), 4, 4, 0), 1, String::valueOf).groups());
        assertEquals(List.of(), Grouper.propose(task(new double[0][0], List.of(), 3, 6, 0), 1, String::valueOf).groups());
    }
}
