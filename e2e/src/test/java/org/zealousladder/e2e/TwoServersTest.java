package org.zealousladder.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.google.gson.JsonElement;
import com.google.gson.JsonParser;
import java.io.IOException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.atomic.AtomicBoolean;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** Two servers and a replica over the same records: one of them is killed while people work. */
class TwoServersTest {
    private static final String NAME = "demo-two";
    private static final int WRITERS = 6;
    private static Operations ops;
    private static List<String> addresses;

    @BeforeAll
    static void twoServers() throws Exception {
        ops = new Operations(NAME);
        ops.demoSchool("");
        ops.well("replica_start demo-two; LADDER_PACE=20 servers_start demo-two 0 2");
        addresses = ops.well("cat $STATE/demo-two/server.port $STATE/demo-two/2/server.port").lines().map(p -> "http://127.0.0.1:" + p).toList();
    }

    @AfterAll
    static void stop() throws Exception {
        ops.close();
    }

    private final ConcurrentLinkedQueue<String> saved = new ConcurrentLinkedQueue<>();
    private final ConcurrentLinkedQueue<String> wrong = new ConcurrentLinkedQueue<>();
    private final AtomicBoolean over = new AtomicBoolean();

    /** Types scores, one day after another, and looks at each at once. */
    private void types(int number, JsonElement student, String scope) {
        try {
            AnyServer person = new AnyServer(addresses, number % 2, "m.tveit");
            String id = student.getAsJsonObject().get("id").getAsString();
            String code = student.getAsJsonObject().get("code").getAsString();
            LocalDate day = LocalDate.of(2025, 9, 1).plusDays(number);
            for (int n = 0; !over.get(); n++, day = day.plusDays(1)) {
                double value = 20 + n % 60 + 0.0;
                AnyServer.Answer answer = person.post("/api/scores", "{\"studentId\":" + id + ",\"measureId\":1,\"takenOn\":\"" + day + "\",\"value\":" + value
                        + ",\"status\":\"scored\",\"sure\":true}");
                // A day that holds a score already, or lies in a closed window, is refused; that is an answer as well.
                if (answer.status() == 204) {
                    String line = code + ",oral-reading," + day + "," + (int) value;
                    saved.add(line);
                    if (!person.get("/api/records/scores.csv?measure=1&" + scope).body().contains(line)) {
                        wrong.add("not seen right after it was saved: " + line);
                    }
                } else if (answer.status() >= 500 || answer.status() == 401 || answer.status() == 429) {
                    wrong.add(answer.toString());
                }
                if (day.isAfter(LocalDate.of(2026, 3, 10))) {
                    return;
                }
                Thread.sleep(60);
            }
        } catch (IOException | RuntimeException e) {
            wrong.add(e.toString());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /** Waits until so many more scores are saved than are now: how fast that goes is the machine's matter, that it goes on is ours. */
    private void areSaved(int more) throws InterruptedException {
        int enough = saved.size() + more;
        for (int i = 0; i < 600 && saved.size() < enough && wrong.isEmpty(); i++) {
            Thread.sleep(100);
        }
        assertEquals(List.of(), List.copyOf(wrong));
        assertTrue(saved.size() >= enough, () -> "work stands still after " + saved.size() + " scores");
    }

    @Test
    void oneIsKilledWhilePeopleWorkAndNothingIsLostAndNoErrorLasts() throws Exception {
        AnyServer coordinator = new AnyServer(addresses, 0, "m.tveit");
        String who = "who=school-1&year=2&asOf=2026-03-13";
        JsonElement rows = JsonParser.parseString(coordinator.get("/api/table?" + who).body()).getAsJsonObject().get("rows");
        List<Thread> people = new ArrayList<>();
        for (int w = 0; w < WRITERS; w++) {
            int number = w;
            JsonElement student = rows.getAsJsonArray().get(w * 7).getAsJsonObject().get("student");
            Thread thread = new Thread(() -> types(number, student, who));
            thread.start();
            people.add(thread);
        }
        areSaved(30);
        List<String> reports = new ArrayList<>();
        for (int r = 0; r < 6; r++) {
            reports.add(JsonParser
                    .parseString(coordinator.post("/api/report/pdf", "{\"who\":\"school-1\",\"year\":2,\"measure\":1,\"asOf\":\"2026-03-13\"}").body())
                    .getAsJsonObject().get("id").getAsString());
        }
        ops.well("kill -9 $(server_pid demo-two)");
        areSaved(40);
        assertTrue(asked() > 70, "views were read from the replica: " + asked());
        ops.well("kill -9 $(database_pid demo-two/replica)");
        areSaved(40);
        over.set(true);
        for (Thread person : people) {
            person.join();
        }
        assertEquals(List.of(), List.copyOf(wrong));
        Set<String> once = new HashSet<>(saved);
        List<String> kept = ops
                .well("database_value demo-two ladder \"select s.code || ',' || m.code || ',' || c.taken_on || ',' || c.value from scores_score c"
                        + " join roster_student s on s.id = c.student_id join measures_measure m on m.id = c.measure_id where c.recorded_at > now() - interval '10 minutes'"
                        + " and c.superseded_by is null\"")
                .lines().filter(once::contains).sorted().toList();
        List<String> told = new ArrayList<>(saved);
        Collections.sort(told);
        assertEquals(told, kept, "each that was told to be saved is there once");
        for (String report : reports) {
            assertTrue(coordinator.becomes("/api/papers/" + report, "\"ready\":true"), "report " + report);
        }
        ops.well("replica_start demo-two");
        long before = asked();
        for (int i = 0; i < 300 && asked() < before + 100; i++) {
            coordinator.get("/api/ladder?measure=1&" + who);
        }
        assertTrue(asked() >= before + 100, "it is asked again once it is back");
    }

    /** How often a table was read in the replica; the servers' own looks at how far it is read none. */
    private static long asked() throws Exception {
        return Long.parseLong(ops.well("database_value demo-two/replica ladder 'select sum(seq_scan + coalesce(idx_scan, 0)) from pg_stat_user_tables'"));
    }
}
