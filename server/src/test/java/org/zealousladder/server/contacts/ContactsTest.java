package org.zealousladder.server.contacts;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.zealousladder.server.ScreeningTest;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** Calls and talks that are noted, and when to look again. */
class ContactsTest extends ScreeningTest {
    private Viewer teacher = Viewer.SYSTEM;

    @BeforeEach
    void ourClass() {
        take("login,person,role,school,email", "c.noted,Cara Noted,teacher,SKERROW,c.noted@skerrow.example");
        newClass("NOTED", 3, "c.noted", "Ada", "Ben");
        teacher = person("c.noted");
    }

    private Map<String, Object> note(String student, String words) {
        return new HashMap<>(
                Map.of("students", List.of(student(student + " NOTED")), "way", "call", "whom", "home", "on", "2026-03-12", "reached", true, "words", words));
    }

    private List<JsonNode> about(String student, String asOf) throws Exception {
        return body(read(teacher, "/api/contacts?who=class-" + classId("NOTED") + "&year=" + thisYear() + "&asOf=" + asOf).andExpect(status().isOk()))
                .get("contacts")
                .valueStream().filter(c -> c.at("/student/name").asString().equals(student + " NOTED")).toList();
    }

    @Test
    void aCallIsNotedOnceStandsOnThePageAndTheDeskAndIsLookedAtOnItsDay() throws Exception {
        Map<String, Object> note = note("Ada", "Reads ten minutes after supper");
        note.put("name", "Ane");
        note.put("lookAgainOn", "2026-03-20");
        for (int i = 0; i < 2; i++) {
            sendOnce(teacher, "/api/contacts/notes", "noted-once", note).andExpect(status().isNoContent());
        }
        assertEquals(1, about("Ada", "2026-03-13").size());
        JsonNode page = body(read(teacher, "/api/students/" + student("Ada NOTED") + "?year=" + thisYear() + "&asOf=2026-03-13"));
        assertEquals("Reads ten minutes after supper", page.at("/contacts/0/words").asString());
        assertEquals("Cara Noted", page.at("/contacts/0/by").asString());
        // On its day it waits on the Desk until somebody says that they have looked.
        String desk = "/api/desk?who=class-" + classId("NOTED") + "&year=" + thisYear() + "&asOf=";
        assertEquals(0, body(read(teacher, desk + "2026-03-19")).get("again").size());
        JsonNode again = body(read(teacher, desk + "2026-03-20")).get("again");
        assertEquals(1, again.size());
        send(teacher, "/api/contacts/" + again.at("/0/id").asLong() + "/looked", Map.of()).andExpect(status().isNoContent());
        send(teacher, "/api/contacts/" + again.at("/0/id").asLong() + "/looked", Map.of()).andExpect(status().isNotFound());
        assertEquals(0, body(read(teacher, desk + "2026-03-20")).get("again").size());
        assertTrue(about("Ada", "2026-03-13").get(0).get("looked").asBoolean());
        // The day before it was noted nobody knew of it.
        assertEquals(List.of(), about("Ada", "2026-03-12"));
    }

    @Test
    void aNoteSaysWhatIsWrongWithItAndIsTakenBackByWhoNotedIt() throws Exception {
        Map<String, Object> ahead = note("Ben", "Said so");
        ahead.put("on", "2026-03-14");
        send(teacher, "/api/contacts/notes", ahead).andExpect(status().isUnprocessableContent()).andExpect(jsonPath("$.field").value("on"));
        Map<String, Object> backwards = note("Ben", "Said so");
        backwards.put("lookAgainOn", "2026-03-13");
        send(teacher, "/api/contacts/notes", backwards).andExpect(status().isUnprocessableContent()).andExpect(jsonPath("$.field").value("lookAgainOn"));
        Map<String, Object> empty = note("Ben", " ");
        send(teacher, "/api/contacts/notes", empty).andExpect(status().isUnprocessableContent()).andExpect(jsonPath("$.field").value("words"));
        // Nobody answered: that needs no words.
        empty.put("reached", false);
        send(teacher, "/api/contacts/notes", empty).andExpect(status().isNoContent());
        JsonNode noted = about("Ben", "2026-03-13").get(0);
        assertFalse(noted.get("reached").asBoolean());
        String back = "/api/contacts/" + noted.get("id").asLong() + "/withdraw";
        send(person("a.sandvik"), back, Map.of("because", " ")).andExpect(status().isUnprocessableContent());
        send(person("r.oduya"), back, Map.of("because", "wrong student")).andExpect(status().isNotFound());
        send(person("m.tveit"), back, Map.of("because", "wrong student")).andExpect(status().isNotFound());
        send(teacher, back, Map.of("because", "wrong student")).andExpect(status().isNoContent());
        assertEquals(List.of(), about("Ben", "2026-03-13"));
        send(person("r.oduya"), "/api/contacts/notes", note("Ada", "Not mine")).andExpect(status().isForbidden());
    }

    @Test
    void aFileOfContactsComesInOnceAndCanBeUndone() throws Exception {
        newClass("FILED", 3, "c.noted", "Eve");
        teacher = person("c.noted");
        String[] file = {"student,date,way,whom,name,reached,words,look_again_on,by",
                "FILED-EVE,2026-03-02,call,home,Ane,yes,\"Glad, and will read\",2026-03-20,c.noted",
                "FILED-EVE,2026-03-03,talk,student,,no,,,"};
        signInHere(person("m.tveit"));
        var first = imports.take(org.zealousladder.server.TestServer.csv(file));
        assertEquals(2, first.added(), first.toString());
        long done = asking(Viewer.SYSTEM, () -> db.sql("select max(id) from records_done").query(Long.class).single());
        assertEquals(0, imports.take(org.zealousladder.server.TestServer.csv(file)).added());
        var wrong = imports
                .take(org.zealousladder.server.TestServer.csv(file[0], "FILED-EVE,2026-03-14,call,home,,,Hello,,", "FILED-EVE,2026-03-02,call,home,,,,,",
                        "FILED-EVE,2026-03-02,talk,home,,,Hello,2026-03-01,nobody.here"));
        assertEquals(List.of("date", "words", "by", "look_again_on"), wrong.refusals().stream().map(r -> r.column()).toList());
        signOutHere();
        String page = "/api/contacts?who=class-" + classId("FILED") + "&year=" + thisYear() + "&asOf=2026-03-13";
        JsonNode contacts = body(read(teacher, page)).get("contacts");
        assertEquals(List.of("", "Glad, and will read"), contacts.valueStream().map(c -> c.path("words").asString("")).toList());
        assertEquals("Cara Noted", contacts.at("/1/by").asString());
        send(person("a.sandvik"), "/api/records/done/" + done + "/undo", Map.of("reason", "wrong file")).andExpect(status().isNoContent());
        assertEquals(0, body(read(teacher, page)).get("contacts").size());
    }
}
