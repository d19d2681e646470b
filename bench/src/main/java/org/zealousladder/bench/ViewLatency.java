package org.zealousladder.bench;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.Collectors;

/**
 * Fifty teachers of the district demo at once, each asking for a view of their class about every two seconds; then
 * coordinators asking for their whole school. Prints the 50th and 95th percentile of the answers' times.
 */
public final class ViewLatency {
    private static final int PEOPLE = 50;
    private static final int REQUESTS_EACH = 20;
    private static final int SCHOOL_REQUESTS = 40;
    /** Milliseconds at the server, 95 of 100 answers. */
    private static final int CLASS_BUDGET = 60;
    private static final int SCHOOL_BUDGET = 200;
    private static final int ACTIVITY_BUDGET = 150;
    /** What follows the scope in them stands in its place. */
    private static final List<String> CLASS_VIEWS = List.of("/api/desk?SCOPE", "/api/ladder?measure=1&SCOPE", "/api/trends?measure=1&SCOPE",
            "/api/trends?measure=3&SCOPE", "/api/coverage?SCOPE", "/api/table?SCOPE", "/api/tiers?SCOPE", "/api/entry?SCOPE", "/api/plans?measure=1&SCOPE",
            "/api/meeting?measure=1&SCOPE", "/api/strip?measure=1&STRIP", "/api/reading?SCOPE");
    private static final List<String> ACTIVITY_VIEWS = List.of("/api/engagement/weeks?SCOPE", "/api/engagement/habits?SCOPE",
            "/api/engagement/effort?measure=1&SCOPE",
            "/api/engagement/attendance?SCOPE", "/api/engagement/done?from=2025-09-01&to=" + DemoPerson.TODAY + "&SCOPE", "/api/work?SCOPE", "/api/desk?SCOPE");

    private final String address;

    private final List<String> views;
    private final int classBudget;

    private ViewLatency(String address, boolean activity) {
        this.address = address;
        this.views = activity ? ACTIVITY_VIEWS : CLASS_VIEWS;
        this.classBudget = activity ? ACTIVITY_BUDGET : CLASS_BUDGET;
    }

    /** @param args the server's address; {@code activity} for what shows activity instead of scores */
    public static void main(String[] args) throws Exception {
        boolean activity = args.length > 1;
        ViewLatency bench = new ViewLatency(args[0], activity);
        bench.classes(8, false);
        bench.classes(REQUESTS_EACH, true);
        if (!activity) {
            bench.schools();
        }
    }

    private void classes(int requests, boolean print) throws Exception {
        ExecutorService pool = Executors.newFixedThreadPool(PEOPLE, work -> {
            Thread thread = new Thread(work);
            thread.setDaemon(true);
            return thread;
        });
        List<Future<Map<String, List<Long>>>> people = new ArrayList<>();
        for (int p = 0; p < PEOPLE; p++) {
            int person = p;
            people.add(pool.submit(() -> teacher(person, requests)));
        }
        Map<String, List<Long>> byView = new TreeMap<>();
        for (Future<Map<String, List<Long>>> person : people) {
            person.get().forEach((view, times) -> byView.computeIfAbsent(view, v -> new ArrayList<>()).addAll(times));
        }
        pool.shutdown();
        if (print) {
            report("class views, 50 people at once", byView.values().stream().flatMap(List::stream).collect(Collectors.toCollection(ArrayList::new)),
                    classBudget);
            byView.forEach((view, times) -> report("  of these " + view, times, classBudget));
        }
    }

    /** Times by the view asked for. */
    private Map<String, List<Long>> teacher(int number, int requests) throws Exception {
        Random random = new Random(number);
        DemoPerson session = new DemoPerson(address, "teacher.%d.%d.%d".formatted(number + 1, 2 + number % 5, 1 + number % 5));
        String scope = session.classScope();
        Map<String, List<Long>> times = new HashMap<>();
        for (int i = 0; i < requests; i++) {
            Thread.sleep(random.nextInt(4000));
            String view = views.get(random.nextInt(views.size())).replace("SCOPE", scope).replace("STRIP", scope.replace("asOf=", "day="));
            times.computeIfAbsent(view.substring(0, view.indexOf('?')), v -> new ArrayList<>()).add(session.timed(view));
        }
        return times;
    }

    private void schools() throws Exception {
        Map<String, List<Long>> byView = new TreeMap<>();
        for (int round = -2; round < SCHOOL_REQUESTS; round++) {
            // The first two only warm the server up.
            DemoPerson session = new DemoPerson(address, "coordinator." + (3 + round));
            String scope = session.schoolScope();
            for (String view : List.of("/api/desk?", "/api/ladder?measure=5&", "/api/ladder?measure=1&seasons=4&", "/api/table?", "/api/tiers?",
                    "/api/coverage?",
                    "/api/trends?measure=1&", "/api/plans?measure=1&", "/api/meeting?measure=1&")) {
                long time = session.timed(view + scope);
                if (round >= 0) {
                    byView.computeIfAbsent(view.replaceAll("[?&]$", ""), v -> new ArrayList<>()).add(time);
                }
            }
        }
        byView.forEach((view, times) -> report("school's " + view, times, SCHOOL_BUDGET));
    }

    private static void report(String what, List<Long> nanos, int budget) {
        Collections.sort(nanos);
        double p50 = nanos.get(nanos.size() / 2) / 1e6;
        double p95 = nanos.get((int) (nanos.size() * 0.95)) / 1e6;
        System.out.printf(Locale.ROOT, "%s: %d answers, p50 %.0f ms, p95 %.0f ms: %.2f of the budget of %d ms%n", what, nanos.size(), p50, p95, p95 / budget,
                budget);
    }
}
