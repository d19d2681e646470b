package org.zealousladder.server.overview.papers;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.zealousladder.server.ServerTest;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** Papers whose server ended before it was made. */
class AdoptingTest extends ServerTest {
    @Autowired
    private PapersService papers;

    private long left(Viewer of, String who, int seenSecondsAgo) {
        UUID gone = UUID.randomUUID();
        db.sql("insert into server_process (id, seen_at) values (:id, now() - make_interval(secs => :ago))").param("id", gone).param("ago", seenSecondsAgo)
                .update();
        String asked = """
                {"who": %s, "year": %d, "measure": %d, "asOf": "2026-03-13", "codes": false}""".formatted(who, thisYear(), measure("maze"));
        return asking(of, () -> db.sql("""
                insert into papers_job (person_id, kind, title, total, file, server_id, asked)
                values (:person, 'screening-report', 'left', 1, 'left.pdf', :server, :asked::jsonb) returning id""")
                .param("person", of.id()).param("server", gone).param("asked", asked).query(Long.class).single());
    }

    private JsonNode finished(Viewer of, long id) throws InterruptedException {
        JsonNode progress = body(read(of, "/api/papers/" + id));
        for (int i = 0; i < 300 && !progress.get("ready").asBoolean() && progress.get("failed") == null; i++) {
            Thread.sleep(100);
            progress = body(read(of, "/api/papers/" + id));
        }
        return progress;
    }

    @Test
    void itIsMadeHereWithWhatItsAskerMaySee() throws InterruptedException {
        Viewer teacher = person("r.oduya");
        int own = classId("2025-KITTIWAKE");
        long mine = left(teacher, "{\"kind\": \"CLASS\", \"id\": " + own + "}", 30);
        long others = left(teacher, "{\"kind\": \"SCHOOL\", \"id\": 1}", 30);
        long alive = left(teacher, "{\"kind\": \"CLASS\", \"id\": " + own + "}", 0);
        papers.adopt();
        JsonNode elsewhere = body(read(teacher, "/api/papers/" + alive));
        assertTrue(!elsewhere.get("ready").asBoolean() && elsewhere.get("failed") == null, "that server lives and makes it: " + elsewhere);
        assertTrue(finished(teacher, mine).get("ready").asBoolean());
        assertEquals("A whole grade or school is for its coordinators. Choose one of your classes in the line at the top.",
                finished(teacher, others).get("failed").asString());
    }
}
