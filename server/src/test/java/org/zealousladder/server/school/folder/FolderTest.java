package org.zealousladder.server.school.folder;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.put;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.header;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.test.web.servlet.ResultActions;
import org.zealousladder.server.ScreeningTest;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** Notes and files: who reads them, by the service's word and by the database's; what a file is, by its content. */
class FolderTest extends ScreeningTest {
    private static final byte[] PDF = "%PDF-1.7 a paper".getBytes(StandardCharsets.UTF_8);
    private static final byte[] PNG = {(byte) 0x89, 'P', 'N', 'G', '\r', '\n', 0x1a, '\n', 0, 0};

    private Viewer teacher;
    private Viewer colleague;
    private Viewer coordinator;
    private Viewer administrator;
    private int ada;

    @BeforeEach
    void people() {
        // Whatever one test writes, another does not read.
        String n = Long.toString(System.nanoTime(), 36).toUpperCase(java.util.Locale.ROOT);
        String low = n.toLowerCase(java.util.Locale.ROOT);
        take("login,person,role,school", "f.one" + low + ",Fay One,teacher,SKERROW", "f.two" + low + ",Fin Two,teacher,SKERROW");
        newClass("FOLD" + n, 3, "f.one" + low, "Ada");
        take("login,class", "f.two" + low + ",FOLD" + n);
        teacher = person("f.one" + low);
        colleague = person("f.two" + low);
        coordinator = person("m.tveit");
        administrator = person("a.sandvik");
        ada = asking(Viewer.SYSTEM,
                () -> db.sql("select student_id from roster_enrolment where class_id = :c").param("c", classId("FOLD" + n)).query(Integer.class)
                        .single());
    }

    private long note(Viewer by, String words, String readers) {
        return body(send(by, "/api/students/" + ada + "/folder/notes", Map.of("words", words, "readers", readers))).path("id").asLong();
    }

    private ResultActions sendFile(Viewer by, String name, String readers, byte[] content) {
        return call(by, post("/api/students/" + ada + "/folder/files").param("name", name).param("readers", readers).contentType("application/octet-stream")
                .content(content));
    }

    private List<String> notes(Viewer viewer, String asOf) {
        List<String> all = new ArrayList<>();
        body(read(viewer, "/api/students/" + ada + "?asOf=" + asOf)).path("folder").path("notes").forEach(x -> all.add(x.path("words").asString("")));
        return all;
    }

    private List<String> notes(Viewer viewer) {
        return notes(viewer, "2026-03-13");
    }

    @Test
    void aNoteIsReadByWhomItIsFor() throws Exception {
        note(teacher, "for all", "everybody");
        note(teacher, "for the team", "team");
        note(teacher, "for me", "self");
        assertEquals(List.of("for me", "for the team", "for all"), notes(teacher));
        assertEquals(List.of("for all"), notes(colleague));
        assertEquals(List.of("for the team", "for all"), notes(coordinator));
        assertEquals(List.of("for the team", "for all"), notes(administrator), "what is for oneself is nobody else's, an administrator's neither");
        // By whatever statement.
        for (Viewer v : List.of(colleague, coordinator, administrator)) {
            assertEquals(0L, asking(v,
                    () -> db.sql("select count(*) from folder_note where student_id = :s and readers = 'self'").param("s", ada).query(Long.class).single()));
        }
        assertEquals(0, asking(colleague, () -> db.sql("update folder_note set withdrawn_because = 'x' where student_id = :s").param("s", ada).update()));
        assertEquals(0, notes(person("r.oduya")).size(), "nothing at all of a student of another class");
        send(person("r.oduya"), "/api/students/" + ada + "/folder/notes", Map.of("words", "x", "readers", "everybody")).andExpect(refused("403 forbidden"));
        send(teacher, "/api/students/" + ada + "/folder/notes", Map.of("words", " ", "readers", "everybody")).andExpect(refused("422 invalid words"));
        send(teacher, "/api/students/" + ada + "/folder/notes", Map.of("words", "x", "readers", "everybody", "on", "2026-03-14"))
                .andExpect(refused("422 invalid on"));
    }

    private ResultActions change(Viewer by, long id, String words) {
        return call(by, put("/api/students/" + ada + "/folder/notes/" + id).contentType("application/json")
                .content(json.writeValueAsString(Map.of("words", words, "readers", "everybody"))));
    }

    @Test
    void aNoteIsChangedByItsWriterAndTakenBackWithAReason() throws Exception {
        long first = note(teacher, "spelt rong", "everybody");
        change(colleague, first, "mine now").andExpect(refused("403 forbidden"));
        long second = body(change(teacher, first, "spelt right")).path("id").asLong();
        assertNotEquals(first, second);
        change(teacher, first, "again").andExpect(refused("409 conflict"));
        assertEquals(List.of("spelt right"), notes(colleague));
        String back = "/api/students/" + ada + "/folder/notes/" + second + "/taken-back";
        send(colleague, back, Map.of("because", "no")).andExpect(refused("403 forbidden"));
        send(teacher, back, Map.of("because", "")).andExpect(refused("422 invalid because"));
        send(administrator, back, Map.of("because", "of another student")).andExpect(status().isNoContent());
        send(teacher, back, Map.of("because", "twice")).andExpect(refused("409 conflict"));
        assertEquals(List.of(), notes(teacher));
        assertEquals("of another student", asking(administrator, () -> db.sql("select withdrawn_because from folder_note where id = :id").param("id", second)
                .query(String.class).single()));
    }

    @Test
    void aFileIsWhatItsContentSays() throws Exception {
        sendFile(teacher, "hearing test.exe", "everybody", PDF).andExpect(status().isCreated());
        sendFile(teacher, "../../photo", "everybody", PNG).andExpect(status().isCreated());
        sendFile(teacher, "words.html", "everybody", "<b>Łódź</b>\n".getBytes(StandardCharsets.UTF_8)).andExpect(status().isCreated());
        sendFile(teacher, "paper.pdf", "everybody", new byte[] {'M', 'Z', 0, 1, 2}).andExpect(refused("422 invalid file"));
        sendFile(teacher, "empty.txt", "everybody", new byte[0]).andExpect(refused("422 invalid file"));
        byte[] large = Arrays.copyOf(PDF, FolderService.LARGEST + 1);
        sendFile(teacher, "large.pdf", "everybody", large).andExpect(refused("413 too-large file"));
        sendFile(teacher, "just.pdf", "everybody", Arrays.copyOf(PDF, FolderService.LARGEST)).andExpect(status().isCreated());
        JsonNode files = body(read(teacher, "/api/students/" + ada + "?asOf=2026-03-13")).path("folder").path("files");
        List<String> named = new ArrayList<>();
        files.forEach(f -> named.add(f.path("name").asString("") + " " + f.path("kind").asString("")));
        assertEquals(List.of("just.pdf pdf", "words.txt text", "photo.png png", "hearing test.pdf pdf"), named);
        long paper = files.get(3).path("id").asLong();
        byte[] got = read(colleague, "/api/students/" + ada + "/folder/files/" + paper).andExpect(status().isOk())
                .andExpect(header().string("Content-Type", "application/pdf")).andExpect(header().string("X-Content-Type-Options", "nosniff"))
                .andExpect(header().string("Content-Disposition", org.hamcrest.Matchers.startsWith("attachment;"))).andReturn().getResponse()
                .getContentAsByteArray();
        assertArrayEquals(PDF, got);
        read(colleague, "/api/students/" + ada + "/folder/files/" + files.get(1).path("id").asLong())
                .andExpect(header().string("Content-Type", "text/plain;charset=UTF-8"));
        long noted = 0;
        for (int i = 0; i < 50 && noted < 2; i++) {
            noted = asking(Viewer.SYSTEM, () -> db
                    .sql("select count(*) from audit_event where person_id = :p and kind = 'export' and what = 'A file of the folder' and student_id = :s")
                    .param("p", colleague.id()).param("s", ada).query(Long.class).single());
            Thread.sleep(100);
        }
        assertEquals(2, noted, "a download stands in the audit");
    }

    @Test
    void aFileIsFetchedByWhoMayAlone() throws Exception {
        sendFile(teacher, "mine.pdf", "self", PDF).andExpect(status().isCreated());
        sendFile(teacher, "ours.pdf", "team", PDF).andExpect(status().isCreated());
        JsonNode files = body(read(teacher, "/api/students/" + ada + "?asOf=2026-03-13")).path("folder").path("files");
        String team = "/api/students/" + ada + "/folder/files/" + files.get(0).path("id").asLong();
        String self = "/api/students/" + ada + "/folder/files/" + files.get(1).path("id").asLong();
        read(coordinator, team).andExpect(status().isOk());
        read(colleague, team).andExpect(refused("404 not-found"));
        read(administrator, self).andExpect(refused("404 not-found"));
        read(person("r.oduya"), team).andExpect(refused("403 forbidden"));
        send(colleague, team + "/taken-back", Map.of("because", "no")).andExpect(refused("409 conflict"));
        send(teacher, team + "/taken-back", Map.of("because", "the wrong one")).andExpect(status().isNoContent());
        read(coordinator, team).andExpect(refused("404 not-found"));
    }

    @Test
    void aSupportHasItsPaper() throws Exception {
        int support = db.sql("select id from roster_grouping where code = 'support'").query(Integer.class).single();
        send(coordinator, "/api/students/" + ada + "/grouped", Map.of("grouping", support, "value", "Individual plan")).andExpect(status().isNoContent());
        long grouped = asking(Viewer.SYSTEM, () -> db.sql("select id from roster_grouped where student_id = :s").param("s", ada).query(Long.class).single());
        call(teacher,
                post("/api/students/" + ada + "/folder/files").param("name", "plan.pdf").param("readers", "everybody").param("grouped", String.valueOf(grouped))
                        .contentType("application/octet-stream").content(PDF))
                .andExpect(status().isCreated());
        JsonNode file = body(read(colleague, "/api/students/" + ada + "?asOf=2026-03-13")).path("folder").path("files").get(0);
        assertEquals(grouped, file.path("grouped").asLong());
        call(teacher, post("/api/students/" + ada + "/folder/files").param("name", "plan.pdf").param("readers", "everybody").param("grouped", "999999999")
                .contentType("application/octet-stream").content(PDF)).andExpect(refused("422 invalid grouped"));
        assertTrue(body(read(colleague, "/api/students/" + ada + "?asOf=2026-03-13")).path("teachers").size() == 2);
    }
}
