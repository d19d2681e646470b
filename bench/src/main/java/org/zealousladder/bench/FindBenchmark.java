package org.zealousladder.bench;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;

/** Twenty criteria over the whole district, as its administrator asks them. Prints each one's median, and the 95th percentile of all. */
public final class FindBenchmark {
    private static final int ROUNDS = 5;
    /** Milliseconds, 95 of 100 answers. */
    private static final int BUDGET = 1000;
    private static final List<String> CRITERIA = List.of("grade is 3", "school is on record and grade is from 2 to 4", "enrolled since 1 Sep 2025",
            "support is on record", "score in Oral reading is under 60", "score in Oral reading in winter is under 60",
            "any of whose last 3 scores in Oral reading are under 60", "gain in Oral reading from autumn to winter is under 5",
            "percentile in Oral reading in winter is under 10", "band in Oral reading in winter is Needs a lift", "tier in Reading screen in winter is 3",
            "not screened in Reading in winter", "close call in Oral reading in winter", "goal in Oral reading and no running plan in Reading",
            "days absent are over 7", "no contact with home since 1 Jan 2026",
            "tier in Oral reading in winter is 3 and no running plan in Reading and no contact with home in the last 6 weeks",
            "at least 2 of (tier in Oral reading in winter is 3; tier in Maze in winter is 3; tier in Number facts in winter is 3)",
            "(tier in Oral reading in winter is 3 or not screened in Oral reading in winter) and grade is 3",
            "tier in Oral reading in winter is 3 and chance of the goal in Oral reading is under 25 %");

    private FindBenchmark() {}

    /** @param args the server's address */
    public static void main(String[] args) throws Exception {
        DemoPerson administrator = new DemoPerson(args[0], "a.sandvik");
        List<Long> all = new ArrayList<>();
        for (String criterion : CRITERIA) {
            String body = "{\"text\":\"" + criterion + "\",\"asOf\":\"" + DemoPerson.TODAY
                    + "\",\"descending\":false,\"cannotTell\":false,\"from\":0,\"rows\":100}";
            List<Long> times = new ArrayList<>();
            for (int round = -2; round < ROUNDS; round++) {
                long start = System.nanoTime();
                var answer = administrator.send("POST", "/api/find", "application/json", body);
                if (answer.statusCode() != 200 || DemoPerson.text(answer).contains("\"mistake\"")) {
                    throw new IllegalStateException(criterion + ": " + answer.statusCode() + " " + DemoPerson.text(answer));
                }
                if (round >= 0) {
                    times.add(System.nanoTime() - start);
                }
            }
            all.addAll(times);
            Collections.sort(times);
            System.out.printf(Locale.ROOT, "  %5.0f ms  %s%n", times.get(ROUNDS / 2) / 1e6, criterion);
        }
        Collections.sort(all);
        double p95 = all.get((int) Math.ceil(all.size() * 0.95) - 1) / 1e6;
        System.out.printf(Locale.ROOT, "criteria over the district: %d answers, p50 %.0f ms, p95 %.0f ms: %.2f of the budget of %d ms%n", all.size(),
                all.get(all.size() / 2) / 1e6, p95, p95 / BUDGET, BUDGET);
    }
}
