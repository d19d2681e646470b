package org.zealousladder.server.exchange.records;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.nio.file.Path;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.function.Predicate;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.zealousladder.server.ServerTest;
import org.zealousladder.server.TestServer;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** Files that wait, with another server of the same records beside this one. */
class ImportTurnsTest extends ServerTest {
    private static final Path FILE = TestServer.csv("student,measure,date,score,status", "S1001,maze,2026-03-04,12,scored");
    private final UUID other = UUID.randomUUID();

    @BeforeEach
    void another() {
        db.sql("insert into server_process (id) values (:id)").param("id", other).update();
    }

    @AfterEach
    void gone() {
        db.sql("delete from server_process where id = :id").param("id", other).update();
    }

    private void inLine(int person, boolean reading, int secondsAgo) {
        db.sql("""
                insert into records_turn (person_id, server_id, asked_at, began_at, step, share)
                values (:person, :server, now() - make_interval(secs => :ago), case when :reading then now() end, case when :reading then 'reading' end, 0.5)""")
                .param("person", person).param("server", other).param("ago", secondsAgo).param("reading", reading).update();
    }

    private void over(int person) {
        db.sql("delete from records_turn where person_id = :person").param("person", person).update();
    }

    private JsonNode turnIs(Viewer viewer, Predicate<JsonNode> so) throws InterruptedException {
        JsonNode turn = body(read(viewer, "/api/records/imports/turn"));
        for (int i = 0; i < 200 && !so.test(turn); i++) {
            Thread.sleep(50);
            turn = body(read(viewer, "/api/records/imports/turn"));
        }
        assertTrue(so.test(turn), turn.toString());
        return turn;
    }

    @Test
    void twoAreReadAtOnceOverAllServersAndWhoWaitsSeesHowManyAreAhead() throws Exception {
        Viewer admin = person("a.sandvik");
        inLine(90_001, true, 60);
        inLine(90_002, true, 50);
        inLine(90_003, false, 40);
        assertFalse(body(read(admin, "/api/records/imports/turn")).get("any").asBoolean());
        CompletableFuture<Integer> answer = CompletableFuture.supplyAsync(() -> upload(admin, FILE).andReturn().getResponse().getStatus());
        JsonNode turn = turnIs(admin, t -> t.get("any").asBoolean());
        assertEquals(1, turn.get("ahead").asInt());
        over(90_003);
        turnIs(admin, t -> t.path("ahead").asInt(-1) == 0);
        assertFalse(answer.isDone());
        over(90_001);
        assertEquals(200, answer.get(20, TimeUnit.SECONDS));
        assertFalse(body(read(admin, "/api/records/imports/turn")).get("any").asBoolean());
    }

    @Test
    void onePersonHasOneFileReadWhateverTheServerUnlessThatHasEnded() throws Exception {
        Viewer admin = person("a.sandvik");
        inLine(admin.id(), true, 5);
        JsonNode turn = body(read(admin, "/api/records/imports/turn"));
        assertEquals("reading", turn.get("step").asString());
        assertEquals(0.5, turn.get("share").asDouble());
        upload(admin, FILE).andExpect(refused("409 conflict"));
        db.sql("update server_process set seen_at = now() - interval '11 seconds' where id = :id").param("id", other).update();
        upload(admin, FILE).andExpect(status().isOk());
    }
}
