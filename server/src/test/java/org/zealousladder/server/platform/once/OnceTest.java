package org.zealousladder.server.platform.once;

import static org.hamcrest.Matchers.containsString;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.CyclicBarrier;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.Test;
import org.zealousladder.server.ScreeningTest;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** What is sent twice under one key is done once, and answered the same. */
class OnceTest extends ScreeningTest {
    private static final String DAY = "2026-03-13";

    private Map<String, Object> typed(String student, Object value) {
        return new TreeMap<>(Map.of("studentId", student(student), "measureId", measure("maze"), "day", DAY, "values", List.of(value), "status", "scored"));
    }

    private int versions(String student) {
        return asking(Viewer.SYSTEM, () -> db.sql("select count(*) from scores_score where student_id = :s").param("s", student(student))
                .query(Integer.class).single());
    }

    @Test
    void aScoreSentAgainAfterItWasCorrectedElsewhereIsNotPutBack() throws Exception {
        newClass("2025-ONCE", 3, "b.calder", "Ann");
        Map<String, Object> first = typed("Ann 2025-ONCE", 14);
        JsonNode answer = body(sendOnce(person("b.calder"), "/api/strip", "key-1", first).andExpect(status().isOk()));
        Map<String, Object> second = typed("Ann 2025-ONCE", 16);
        second.put("seen", answer.get("scoreId").asLong());
        sendOnce(person("m.tveit"), "/api/strip", "key-1", second).andExpect(status().isOk());
        assertEquals(answer, body(sendOnce(person("b.calder"), "/api/strip", "key-1", first).andExpect(status().isOk())),
                "the answer of then; keys are a person's own");
        assertEquals(2, versions("Ann 2025-ONCE"), "the first, and the other person's correction");
    }

    @Test
    void aKeyIsForOneChange() throws Exception {
        newClass("2025-KEY", 3, "b.calder", "Bea");
        sendOnce(person("b.calder"), "/api/strip", "key-2", typed("Bea 2025-KEY", 14)).andExpect(status().isOk());
        sendOnce(person("b.calder"), "/api/strip", "key-2", typed("Bea 2025-KEY", 15)).andExpect(status().isUnprocessableContent())
                .andExpect(jsonPath("$.type").value("urn:zealous-ladder:key-used"));
        sendOnce(person("b.calder"), "/api/strip", "k".repeat(101), typed("Bea 2025-KEY", 15)).andExpect(status().isBadRequest());
    }

    @Test
    void aRefusedChangeCanBeTriedAgainUnderItsKey() throws Exception {
        newClass("2025-AGAIN", 3, "b.calder", "Cid");
        score("2025-AGAIN-Cid", "maze", "2026-03-06", 10);
        Map<String, Object> jump = typed("Cid 2025-AGAIN", 30);
        sendOnce(person("b.calder"), "/api/strip", "key-3", jump).andExpect(status().isConflict())
                .andExpect(jsonPath("$.type").value("urn:zealous-ladder:unlikely"))
                .andExpect(jsonPath("$.detail").value(containsString("30 is 20 above the 10 of 6 Mar 2026")));
        jump.put("sure", true);
        sendOnce(person("b.calder"), "/api/strip", "key-3", jump).andExpect(status().isOk());
    }

    @Test
    void sixAtOnceWithOneKeyAreOne() throws Exception {
        newClass("2025-SIX", 3, "b.calder", "Dag");
        Map<String, Object> form = typed("Dag 2025-SIX", 14);
        Viewer teacher = person("b.calder");
        ExecutorService senders = Executors.newFixedThreadPool(6);
        CyclicBarrier together = new CyclicBarrier(6);
        List<Future<JsonNode>> answers = new ArrayList<>();
        for (int i = 0; i < 6; i++) {
            answers.add(senders.submit(() -> {
                together.await();
                return body(sendOnce(teacher, "/api/strip", "key-4", form).andExpect(status().isOk()));
            }));
        }
        List<JsonNode> all = new ArrayList<>();
        for (Future<JsonNode> a : answers) {
            all.add(a.get());
        }
        senders.shutdown();
        assertEquals(1, all.stream().distinct().count());
        assertEquals(1, versions("Dag 2025-SIX"));
    }

    @Test
    void aCorrectionSentTwiceIsNoConflict() throws Exception {
        newClass("2025-TWICE", 3, "b.calder", "Eli");
        score("2025-TWICE-Eli", "maze", "2026-03-06", 10);
        long id = asking(Viewer.SYSTEM, () -> db.sql("select id from scores_score where student_id = :s").param("s", student("Eli 2025-TWICE"))
                .query(Long.class).single());
        for (int i = 0; i < 2; i++) {
            sendOnce(person("b.calder"), "/api/scores/" + id + "/corrections", "key-5", Map.of("value", 12, "status", "scored", "reason", "slip"))
                    .andExpect(status().isNoContent());
        }
        assertEquals(2, versions("Eli 2025-TWICE"));
    }

    @Test
    void theSameJumpIsAskedAboutOnTheChart() throws Exception {
        newClass("2025-CHART", 3, "b.calder", "Fay");
        score("2025-CHART-Fay", "maze", "2026-03-06", 10);
        Map<String, Object> form = new TreeMap<>(
                Map.of("studentId", student("Fay 2025-CHART"), "measureId", measure("maze"), "takenOn", DAY, "value", 30, "status", "scored"));
        send(person("b.calder"), "/api/scores", form).andExpect(status().isConflict()).andExpect(jsonPath("$.type").value("urn:zealous-ladder:unlikely"));
        form.put("sure", true);
        send(person("b.calder"), "/api/scores", form).andExpect(status().isNoContent());
    }
}
