package org.zealousladder.server.learning;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.zealousladder.server.ScreeningTest;
import org.zealousladder.server.TestServer;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** The sheets that schools have: a row a student and a column an item, with the key in a row of its own. */
class AnswerSheetTest extends ScreeningTest {
    private Viewer teacher(String code, String... students) {
        String login = "s." + code.toLowerCase(java.util.Locale.ROOT);
        take("login,person,role,school", login + ",S. Teacher,teacher,SKERROW");
        newClass(code, 3, login, students);
        return person(login);
    }

    private JsonNode look(Viewer who, String... lines) throws Exception {
        return body(upload(who, TestServer.csv(lines)).andExpect(status().isOk()));
    }

    /** Says what the check is called and on which day it was taken. */
    private JsonNode said(Viewer who, JsonNode preview, String check) throws Exception {
        Map<String, Object> matching = new LinkedHashMap<>(json.treeToValue(preview.at("/result/files/0/matching"), Map.class));
        matching.put("fixed", Map.of("check_code", check, "date", "2026-03-09"));
        return body(send(who, "/api/records/imports/" + preview.get("id").asString() + "/forms", Map.of("matching", matching)).andExpect(status().isOk()));
    }

    private List<String> answers(String check) {
        return asking(Viewer.SYSTEM,
                () -> db.sql("""
                select s.given_name || ' ' || i.code || ' ' || a.answer || ' ' || a.points || '/' || a.possible from skills_answer a join roster_student s on s.id = a.student_id
                  join skills_item i on i.id = a.item_id join skills_check c on c.id = a.check_id where c.code = :c and a.superseded_by is null order by 1""")
                        .param("c", check)
                        .query(String.class).list());
    }

    @Test
    void aWideSheetWithItsKeyMakesACheckItsItemsAndTheAnswers() throws Exception {
        Viewer teacher = teacher("SHA", "Ada", "Zoë", "Cy");
        JsonNode preview = look(teacher, "Name;Klasse;Q1;Q2;Q3;Q4", "KEY;;B;C;376;yes", "POINTS;;1;1;2;1", "Ada SHA;SHA;b;A;376;", "Zoë SHA;SHA;B;C;224; YES ",
                "Nobody Known;SHA;B;C;1;no");
        assertEquals("answer-sheet", preview.at("/result/files/0/matching/subject").asString(), preview.toString());
        assertEquals(2, preview.at("/result/open").size(), preview.at("/result/open").toString());
        JsonNode said = said(teacher, preview, "March sheet");
        assertEquals(List.of(), said.at("/result/open").valueStream().toList());
        assertEquals(4, said.at("/result/refused").asInt(), "each answer of somebody who is not known: " + said);
        assertTrue(said.at("/result/refusals/0/message").asString().contains("Nobody Known"), said.at("/result/refusals").toString());
        send(teacher, "/api/records/imports/" + said.get("id").asString() + "/acceptance", Map.of()).andExpect(status().isOk());
        assertEquals(List.of("Ada March sheet Q1 b 1/1", "Ada March sheet Q2 A 0/1", "Ada March sheet Q3 376 2/2", "Zoë March sheet Q1 B 1/1",
                "Zoë March sheet Q2 C 1/1", "Zoë March sheet Q3 224 0/2", "Zoë March sheet Q4 YES 1/1"), answers("March sheet"));
        // The same sheet again says nothing new.
        JsonNode again = said(teacher, look(teacher, "Name;Klasse;Q1;Q2;Q3;Q4", "KEY;;B;C;376;yes", "Ada SHA;SHA;b;A;376;"), "March sheet");
        assertEquals(0, again.at("/result/added").asInt() + again.at("/result/changed").asInt(), again.toString());
    }

    @Test
    void withoutAKeyTheCellsArePoints() throws Exception {
        Viewer teacher = teacher("SHB", "Ada", "Ben");
        JsonNode said = said(teacher, look(teacher, "Student,1,2,3", "Ada SHB,1,0,1", "Ben SHB,1,x,0"), "Plain sheet");
        assertEquals(1, said.at("/result/refused").asInt(), said.toString());
        assertTrue(said.at("/result/refusals/0/message").asString().contains("The item has no key, so say the points."),
                said.at("/result/refusals").toString());
        send(teacher, "/api/records/imports/" + said.get("id").asString() + "/acceptance", Map.of()).andExpect(status().isOk());
        assertEquals(5, answers("Plain sheet").size());
    }

    @Test
    void whatCannotBeIsSaidWithItsRepair() {
        teacher("SHC", "Ada");
        take("item,prompt,of_school", "SHC-q,Which?,SKERROW");
        var wrong = imports.look(TestServer.csv("student,item,date,points,answer", "SHC-Ada,SHC-q,2026-03-09,2,", "SHC-Ada,SHC-none,2026-03-09,1,",
                "SHC-Ada,SHC-q,2027-03-09,1,", "SHC-Ada,SHC-q,2026-03-08,,x"));
        assertEquals(List.of("That is more than the 1 that can be earned.", "There is no item called 'SHC-none'.", "The date is in the future.",
                "The item has no key, so say the points."), wrong.refusals().stream().map(r -> r.message()).toList());
        var circle = imports.look(TestServer.csv("rests_on,skill", "nowhere,neither"));
        assertEquals(1, circle.refused());
    }
}
