package org.zealousladder.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import org.zealousladder.core.groups.GroupTask;
import org.zealousladder.core.groups.Grouper;
import org.zealousladder.core.groups.Proposal;

/** Small groups of 60 and of 800 students, against their budgets. That no random mix is better is a test of the core. */
public final class GroupsBenchmark {
    private GroupsBenchmark() {}

    /** Prints the time of the second of two rounds; the first warms up. */
    public static void main(String[] args) {
        measure(60, 0.5);
        measure(800, 5);
    }

    private static void measure(int students, double budget) {
        Random random = new Random(7);
        double[][] need = new double[students][];
        for (int s = 0; s < students; s++) {
            need[s] = random.doubles(6).toArray();
        }
        List<GroupTask.Met> met = new ArrayList<>();
        for (int i = 0; i < 6 * students; i++) {
            int a = random.nextInt(students);
            int b = random.nextInt(students);
            if (a != b) {
                met.add(new GroupTask.Met(Math.min(a, b), Math.max(a, b), random.nextInt(20)));
            }
        }
        GroupTask task = new GroupTask(need, met, 4, 5, 0, List.of(new GroupTask.Pair(0, 1)), List.of(new GroupTask.Pair(2, 3)), Map.of(4, 0),
                GroupTask.Weights.USUAL);
        double seconds = 0;
        Proposal found = null;
        for (int round = 0; round < 2; round++) {
            long start = System.nanoTime();
            found = Grouper.propose(task, 1, Integer::toString);
            seconds = (System.nanoTime() - start) / 1e9;
        }
        System.out.printf(Locale.ROOT, "groups: %d students in %d groups in %.2f s: %.2f of the budget of %.1f s (cost %.3f)%n", students,
                found.groups().size(), seconds,
                seconds / budget, budget, found.cost().total());
    }
}
