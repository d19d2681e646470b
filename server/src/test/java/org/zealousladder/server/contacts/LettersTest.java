package org.zealousladder.server.contacts;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.zealousladder.server.ScreeningTest;
import org.zealousladder.server.TestServer;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.standins.MailStandIn.Mail;
import tools.jackson.databind.JsonNode;

/** Letters: seen one by one, sent one by one, each once. */
class LettersTest extends ScreeningTest {
    /** A class of one test: Ada with two at home, Ben with a mother who must not be written to, Cleo with nobody. */
    private Viewer family(String code) {
        String login = "l." + code.toLowerCase(java.util.Locale.ROOT);
        take("login,person,role,school,email", login + ",Lena Ørsted,teacher,SKERROW," + login + "@skerrow.example");
        newClass(code, 3, login, "Ada", "Ben", "Cleo");
        take("student,name,relation,email,language,no_writing", code + "-Ada,Ane Hale,mother,ane." + code + "@home.example,English,",
                code + "-Ada,Arun Hale,father,arun." + code + "@home.example,Tamil,", code + "-Ben,Bea Holm,mother,bea." + code + "@home.example,English,yes");
        return person(login);
    }

    private Map<String, Object> letter(String code, String subject, String body, String... students) {
        Map<String, Object> form = new HashMap<>();
        form.put("students", List.of(students).stream().map(s -> student(s + " " + code)).toList());
        form.put("to", "home");
        form.put("wordings", List.of(Map.of("language", "", "subject", subject, "body", body)));
        form.put("measure", measure("oral-reading"));
        form.put("year", thisYear());
        return form;
    }

    private JsonNode preview(Viewer who, Map<String, Object> form) throws Exception {
        return body(send(who, "/api/contacts/letters/preview", form).andExpect(status().isOk()));
    }

    /** As it was seen. */
    private Map<String, Object> seen(Viewer who, Map<String, Object> form) throws Exception {
        Map<String, Object> all = new HashMap<>(form);
        all.put("seen", preview(who, form).get("seen").asString());
        return all;
    }

    /** The class's letters become due, and have been tried. */
    private List<Map<String, Object>> gone(String code) throws InterruptedException {
        String of = "student_id in (select id from roster_student where code like '" + code + "-%')";
        asking(Viewer.SYSTEM, () -> db.sql("update contacts_letter set next_try = now() where state = 'waiting' and " + of).update());
        List<Map<String, Object>> rows = List.of();
        for (int i = 0; i < 200; i++) {
            rows = asking(Viewer.SYSTEM,
                    () -> db.sql("select id, to_address, state, tries, said, next_try > now() + interval '50 seconds' as later from contacts_letter where " + of
                            + " order by id").query().listOfRows());
            if (rows.stream().noneMatch(r -> r.get("state").equals("sending") || r.get("state").equals("waiting") && r.get("later").equals(false))) {
                return rows;
            }
            Thread.sleep(50);
        }
        throw new AssertionError("nothing has become of " + rows);
    }

    private static List<Mail> mails(String code) {
        return TestServer.MAIL.mails().stream().filter(m -> m.to().stream().anyMatch(t -> t.contains(code))).toList();
    }

    @Test
    void everyReaderHasALetterOfTheirOwnInTheirLanguageAndTheAnswersGoToTheTeacher() throws Exception {
        Viewer teacher = family("LETA");
        score("LETA-Ada", "oral-reading", "2025-09-10", 40);
        score("LETA-Ada", "oral-reading", "2026-03-05", 61);
        Map<String, Object> form = letter("LETA", "Good news about {first name}", "Dear {recipient},\n{score} now, {gain} more.\n{sender}", "Ada", "Ben",
                "Cleo");
        form.put("wordings",
                List.of(Map.of("language", "", "subject", "Good news about {first name}", "body", "Dear {recipient},\n{score} now, {gain} more.\n{sender}"),
                        Map.of("language", "tamil", "subject", "நல்ல செய்தி", "body", "{recipient}: {first name} {score}")));
        JsonNode view = preview(teacher, form);
        assertEquals("Dear Ane Hale,\n61 now, 21 more.\nLena Ørsted", view.at("/letters/0/body").asString());
        assertEquals("Arun Hale: Ada 61|tamil", view.at("/letters/1/body").asString() + "|" + view.at("/letters/1/language").asString());
        assertEquals(2, view.get("letters").size());
        assertEquals(List.of("must not be written to", "nobody at home is on record"),
                view.get("unreached").valueStream().map(u -> u.get("why").asString()).toList());
        Map<String, Object> sent = seen(teacher, form);
        // The answer got lost and it is sent again: each letter is in once.
        for (int i = 0; i < 2; i++) {
            sendOnce(teacher, "/api/contacts/letters", "leta-once", sent).andExpect(status().isOk()).andExpect(jsonPath("$.letters").value(2));
        }
        assertEquals(List.of("sent", "sent"), gone("LETA").stream().map(r -> r.get("state")).toList());
        List<Mail> mails = mails("LETA");
        assertEquals(List.of(List.of("ane.LETA@home.example"), List.of("arun.LETA@home.example")), mails.stream().map(Mail::to).toList());
        Mail first = mails.get(0);
        assertEquals("Good news about Ada", first.subject());
        assertEquals("Dear Ane Hale,\n61 now, 21 more.\nLena Ørsted", first.text().replace("\r", "").strip());
        assertTrue(first.header("Reply-To").contains("<l.leta@skerrow.example>"), first.message());
        assertFalse(first.message().contains("Arun"), "nobody sees another");
        assertEquals("நல்ல செய்தி", mails.get(1).subject());
        assertEquals(2, mails.stream().map(m -> m.header("Message-ID")).distinct().count());
        JsonNode contacts = body(read(teacher, "/api/contacts?who=class-" + classId("LETA") + "&year=" + thisYear() + "&asOf=2026-03-13")).get("contacts");
        assertEquals(List.of("mail|sent|Arun Hale", "mail|sent|Ane Hale"),
                contacts.valueStream().map(c -> c.get("way").asString() + "|" + c.get("letter").asString() + "|" + c.get("name").asString()).toList());
    }

    @Test
    void aFieldWithoutAValueAndAnotherStudentsNameAreDealtWithFirst() throws Exception {
        Viewer teacher = family("LETB");
        Map<String, Object> form = letter("LETB", "About {first name}", "{first name} reads {score} words.", "Ada");
        JsonNode view = preview(teacher, form);
        assertEquals("score", view.at("/letters/0/missing/0").asString());
        send(teacher, "/api/contacts/letters", seen(teacher, form)).andExpect(status().isUnprocessableContent())
                .andExpect(jsonPath("$.detail")
                        .value("There is no {score} for Ada LETB. Say what stands there instead, or leave the letter out. Nothing was sent."));
        form.put("instead", Map.of("score", "{gain} not yet known"));
        // What is put in is not looked through for fields again: no text goes round in circles.
        assertEquals("Ada reads {gain} not yet known words.", preview(teacher, form).at("/letters/0/body").asString());
        Map<String, Object> other = letter("LETB", "About {first name}", "Unlike ben letb, all is well.", "Ada");
        assertEquals("It names another student, Ben LETB. A letter speaks of one student only.", preview(teacher, other).at("/letters/0/wrong").asString());
        send(teacher, "/api/contacts/letters", seen(teacher, other)).andExpect(status().isUnprocessableContent());
        send(teacher, "/api/contacts/letters/preview", letter("LETB", "A", "{rank}", "Ada")).andExpect(status().isUnprocessableContent())
                .andExpect(jsonPath("$.field").value("body"));
        send(teacher, "/api/contacts/letters/preview", letter("LETB", "A\r\nBcc: all@home.example", "x", "Ada")).andExpect(status().isUnprocessableContent())
                .andExpect(jsonPath("$.field").value("subject"));
        // Left out one by one until none is left.
        List<String> keys = view.get("letters").valueStream().map(l -> l.get("key").asString()).toList();
        form.put("without", keys);
        send(teacher, "/api/contacts/letters", seen(teacher, form)).andExpect(status().isUnprocessableContent())
                .andExpect(jsonPath("$.field").value("students"));
        send(person("r.oduya"), "/api/contacts/letters/preview", form).andExpect(status().isForbidden());
        assertEquals(List.of(), gone("LETB"));
    }

    @Test
    void whatWouldReadOtherwiseThanWasSeenDoesNotGo() throws Exception {
        Viewer teacher = family("LETC");
        score("LETC-Ada", "oral-reading", "2026-03-05", 61);
        Map<String, Object> sent = seen(teacher, letter("LETC", "About {first name}", "{score}", "Ada"));
        score("LETC-Ada", "oral-reading", "2026-03-12", 64);
        send(teacher, "/api/contacts/letters", sent).andExpect(status().isConflict());
        assertEquals(List.of(), gone("LETC"));
        people.sql("update people_person set email = null where login = 'l.letc'").update();
        send(teacher, "/api/contacts/letters", seen(teacher, letter("LETC", "About {first name}", "Hello", "Ada"))).andExpect(status().isUnprocessableContent())
                .andExpect(jsonPath("$.field").value("replyTo"));
    }

    @Test
    void aRefusedLetterIsNotTriedAgainABusyServerIsAndALetterThatMayHaveGoneWaitsForAPerson() throws Exception {
        Viewer teacher = family("LETD");
        take("student,name,relation,email", "LETD-Cleo,Rae,aunt,refused.LETD@home.example", "LETD-Cleo,Bo,uncle,busy.LETD@home.example",
                "LETD-Cleo,Cy,father,cut.LETD@home.example");
        send(teacher, "/api/contacts/letters", seen(teacher, letter("LETD", "About {first name}", "A word", "Cleo"))).andExpect(status().isOk());
        List<Map<String, Object>> tried = gone("LETD");
        assertEquals(List.of("refused.LETD@home.example failed 1", "busy.LETD@home.example waiting 1", "cut.LETD@home.example unsure 1"),
                tried.stream().map(r -> r.get("to_address") + " " + r.get("state") + " " + r.get("tries")).toList());
        assertTrue(String.valueOf(tried.get(0).get("said")).contains("nobody of that name"), tried.toString());
        // Only what waits is tried again, and what may have gone out is not.
        assertEquals(List.of("failed 1", "waiting 2", "unsure 1"), gone("LETD").stream().map(r -> r.get("state") + " " + r.get("tries")).toList());
        assertEquals(1, mails("LETD").size());
        long busy = ((Number) tried.get(1).get("id")).longValue();
        send(teacher, "/api/contacts/letters/" + busy + "/stop", Map.of()).andExpect(status().isNoContent());
        send(teacher, "/api/contacts/letters/" + busy + "/stop", Map.of()).andExpect(status().isConflict());
        send(person("r.oduya"), "/api/contacts/letters/" + busy + "/stop", Map.of()).andExpect(status().isConflict());
        assertEquals("stopped", gone("LETD").get(1).get("state"));
    }

    @Test
    void anAddressWithALineBreakIsRefusedWhereverItComesFrom() {
        family("LETE");
        signInHere(Viewer.SYSTEM);
        var result = imports.take(TestServer.csv("student,name,relation,email", "LETE-Ada,Eve,aunt,\"eve@home.example\nBcc: all@home.example\""));
        assertEquals(1, result.refused(), result.toString());
    }

    @Test
    void theSchoolsTextsAreKeptByWhoSetsUp() throws Exception {
        Viewer teacher = family("LETF");
        Map<String, Object> text = new HashMap<>(Map.of("schoolId", school(), "name", "A kind word", "purpose", "praise", "wordings",
                List.of(Map.of("language", "", "subject", "S", "body", "B {first name}"), Map.of("language", "Tamil", "subject", "S", "body", "B"))));
        send(teacher, "/api/contacts/texts", text).andExpect(status().isForbidden());
        Viewer coordinator = person("m.tveit");
        send(coordinator, "/api/contacts/texts", text).andExpect(status().isNoContent());
        JsonNode kept = body(read(teacher, "/api/contacts/texts")).get("texts").valueStream().filter(t -> t.get("name").asString().equals("A kind word"))
                .findFirst()
                .orElseThrow();
        assertEquals(2, kept.get("wordings").size());
        text.put("wordings", List.of(Map.of("language", "Tamil", "subject", "S", "body", "B")));
        send(coordinator, "/api/contacts/texts", text).andExpect(status().isUnprocessableContent()).andExpect(jsonPath("$.field").value("wordings"));
        text.put("wordings", List.of(Map.of("language", "", "subject", "S", "body", "{tier}")));
        send(coordinator, "/api/contacts/texts", text).andExpect(status().isUnprocessableContent()).andExpect(jsonPath("$.field").value("body"));
        send(teacher, "/api/contacts/texts/1/end", Map.of()).andExpect(status().isForbidden());
        send(coordinator, "/api/contacts/texts/" + kept.get("id").asInt() + "/end", Map.of()).andExpect(status().isNoContent());
        send(coordinator, "/api/contacts/texts/" + kept.get("id").asInt() + "/end", Map.of()).andExpect(status().isNotFound());
    }

    @Test
    void aStudentIsWrittenToAtTheirOwnAddressAndThoseAtHomeAreNot() throws Exception {
        Viewer lena = family("LOWN");
        take("student,name,email,own", "LOWN-Ada,Ada LOWN,ada.lown@pupils.example,yes");
        Map<String, Object> form = letter("LOWN", "Well done", "Dear {recipient}, well done.", "Ada", "Ben");
        assertEquals(List.of("ane.LOWN@home.example", "arun.LOWN@home.example"),
                preview(lena, form).get("letters").valueStream().map(l -> l.get("address").asString()).toList());
        form.put("to", "student");
        JsonNode view = preview(lena, form);
        assertEquals("ada.lown@pupils.example|Dear Ada LOWN, well done.",
                view.at("/letters/0/address").asString() + "|" + view.at("/letters/0/body").asString());
        assertEquals(1, view.get("letters").size());
        assertEquals("no address of their own is on record", view.at("/unreached/0/why").asString());
        send(lena, "/api/contacts/letters", seen(lena, form)).andExpect(status().isOk());
        assertEquals("student", asking(Viewer.SYSTEM, () -> db.sql("select whom from contacts_contact where student_id = :s").param("s", student("Ada LOWN"))
                .query(String.class).single()));
    }

    @Test
    void whoHasAStudentOnACaseloadIsAmongTheirOtherTeachers() throws Exception {
        Viewer lena = family("LADV");
        take("login,person,role,school,email", "l.adviser,Ada Viser,teacher,SKERROW,adviser@skerrow.example");
        take("caseload_of,student,from", "l.adviser,LADV-Ada,2026-01-12");
        Map<String, Object> form = letter("LADV", "About {first name}", "{first name}: what do you see?", "Ada", "Ben");
        form.put("to", "staff");
        JsonNode view = preview(lena, form);
        assertEquals(List.of("adviser@skerrow.example"), view.get("letters").valueStream().map(l -> l.get("address").asString()).toList());
        assertEquals("no other teacher or adviser", view.at("/unreached/0/why").asString());
    }
}
