package org.zealousladder.bench;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.zealousladder.standins.ActivitySender;

/**
 * A day of a district, sent by a program of each school, several at once: how long the receiving end takes for it, each statement checked, kept and
 * turned into minutes and actions. Their making and sending count too.
 */
public final class ActivityArrival {
    private static final int AT_ONCE = 4;
    private static final double BUDGET_SECONDS = 600;
    private static final double BUDGET_STATEMENTS = 2_000_000;
    /** What is made ahead at a time, so that memory does not hold a whole day. */
    private static final int PORTION = 2_500;

    private ActivityArrival() {}

    /** @param args the server's address, a file of lines {@code school,student}, the secret of every key ({@code bench-key-} and the school), how many statements */
    public static void main(String[] args) throws Exception {
        Map<String, List<String>> schools = new LinkedHashMap<>();
        for (String line : Files.readAllLines(Path.of(args[1]))) {
            String[] cells = line.split(",");
            schools.computeIfAbsent(cells[0], s -> new ArrayList<>()).add(cells[1]);
        }
        int each = Integer.parseInt(args[3]) / schools.size();
        ExecutorService pool = Executors.newFixedThreadPool(AT_ONCE, work -> {
            Thread thread = new Thread(work);
            thread.setDaemon(true);
            return thread;
        });
        List<Future<Integer>> all = new ArrayList<>();
        schools.forEach(
                (school, students) -> all.add(pool.submit(() -> day(new ActivitySender(args[0], "bench-key-" + school, args[2]), school, students, each))));
        long start = System.nanoTime();
        long taken = 0;
        for (Future<Integer> one : all) {
            taken += one.get();
        }
        double seconds = (System.nanoTime() - start) / 1e9;
        double budget = BUDGET_SECONDS * taken / BUDGET_STATEMENTS;
        System.out.printf(Locale.ROOT, "activity: %,d statements of %d schools taken in %.0f s (%,.0f a second): %.2f of the budget of %.0f s%n", taken,
                schools.size(),
                seconds, taken / seconds, seconds / budget, budget);
    }

    private static int day(ActivitySender sender, String school, List<String> students, int howMany) throws Exception {
        int taken = 0;
        for (int from = 0; from < howMany; from += PORTION) {
            taken += sender.send(
                    ActivitySender.morning(students, Math.min(PORTION, howMany - from), LocalDate.parse(DemoPerson.TODAY), 31L * school.hashCode() + from));
        }
        return taken;
    }
}
