package org.zealousladder.bench;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The page of a student with twelve years of records, and the sheets of a whole class for home and for the meeting. */
public final class StudentBenchmark {
    private static final int WARM = 20;
    private static final int ROUNDS = 100;
    /** Milliseconds, 95 of 100 answers. */
    private static final int PAGE = 150;
    private static final int PACKET = 20_000;

    private StudentBenchmark() {}

    /** @param args the server's address, and the student's number */
    public static void main(String[] args) throws Exception {
        DemoPerson administrator = new DemoPerson(args[0], "a.sandvik");
        List<Long> times = new ArrayList<>();
        for (int round = -WARM; round < ROUNDS; round++) {
            long took = administrator.timed("/api/students/" + args[1] + "?asOf=" + DemoPerson.TODAY);
            if (round >= 0) {
                times.add(took);
            }
        }
        Collections.sort(times);
        double p95 = times.get((int) (ROUNDS * 0.95)) / 1e6;
        System.out.printf(Locale.ROOT, "page of a student with twelve years: p50 %.0f ms, p95 %.0f ms: %.2f of the budget of %d ms%n",
                times.get(ROUNDS / 2) / 1e6, p95,
                p95 / PAGE, PAGE);
        Matcher who = Pattern.compile("who=(class-\\d+)").matcher(administrator.classScope());
        who.find();
        for (String kind : List.of("home", "meeting")) {
            long start = System.nanoTime();
            String body = "{\"kind\":\"" + kind + "\",\"whose\":\"" + who.group(1)
                    + "\",\"sections\":[\"scores\",\"percentiles\",\"plans\",\"skills\",\"days\",\"time\",\"work\","
                    + "\"agreed\",\"signatures\"],\"second\":false,\"asOf\":\"" + DemoPerson.TODAY + "\",\"codes\":false}";
            Matcher id = Pattern.compile("\"id\":(\\d+)").matcher(DemoPerson.text(administrator.send("POST", "/api/prints", "application/json", body)));
            if (!id.find()) {
                throw new IllegalStateException("no sheets were begun");
            }
            String progress = "";
            while (!progress.contains("\"ready\":true")) {
                Thread.sleep(50);
                progress = administrator.get("/api/papers/" + id.group(1));
                if (progress.contains("\"failed\":\"")) {
                    throw new IllegalStateException(progress);
                }
            }
            double took = (System.nanoTime() - start) / 1e6;
            System.out.printf(Locale.ROOT, "sheets of a class for %s: %.1f s: %.2f of the budget of %d s%n", kind, took / 1000, took / PACKET, PACKET / 1000);
        }
    }
}
