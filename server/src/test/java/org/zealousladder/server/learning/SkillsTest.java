package org.zealousladder.server.learning;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.springframework.test.web.servlet.ResultActions;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;
import org.zealousladder.server.ScreeningTest;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** Skills: brought in, seen by a class, a student, an item; what having one means. */
class SkillsTest extends ScreeningTest {
    /** A class with a framework of three skills, the second resting on the first and the third on the second, and two items for each. */
    private Viewer taught(String code, String... students) {
        String login = "k." + code.toLowerCase(java.util.Locale.ROOT);
        take("login,person,role,school", login + ",K. Teacher,teacher,SKERROW");
        newClass(code, 3, login, students);
        take("framework,framework_name,of_school", code + ",Framework " + code + ",SKERROW");
        take("framework,skill,skill_name,area,domain,grade", code + "," + code + "-one,One,Maths,Counting,3", code + "," + code + "-two,Two,Maths,Counting,3",
                code + "," + code + "-three,Three,Maths,Shapes,2");
        take("rests_on,skill", code + "-one," + code + "-two", code + "-two," + code + "-three");
        take("item,prompt,item_kind,of_school", code + "-a,3 - 1 =,number,SKERROW", code + "-b,5 - 2 =,number,SKERROW", code + "-c,30 - 8 =,number,SKERROW",
                code + "-d,41 - 9 =,number,SKERROW");
        take("item,skill", code + "-a," + code + "-one", code + "-b," + code + "-one", code + "-c," + code + "-two", code + "-d," + code + "-two");
        take("item,answer,worth,shows", code + "-a,2,1,", code + "-b,3,1,", code + "-c,22,1,", code + "-c,38,0,takes the smaller from the larger",
                code + "-d,32,1,",
                code + "-d,48,0,takes the smaller from the larger");
        return person(login);
    }

    private String where(String code) {
        return "who=class-" + classId(code) + "&year=" + thisYear() + "&asOf=2026-03-13";
    }

    private ResultActions put(Viewer who, String path, Map<String, ?> body) {
        return call(who, MockMvcRequestBuilders.put(path).contentType("application/json").content(json.writeValueAsString(body)));
    }

    private int id(String table, String code) {
        return asking(Viewer.SYSTEM, () -> db.sql("select id from " + table + " where code = :c").param("c", code).query(Integer.class).single());
    }

    /** Five answers of a student on each of two items of a skill. */
    private String[] five(String code, String student, String first, String answer, String second, String other) {
        return Stream.concat(Stream.of("student,item,date,points,answer"), Stream.of("01", "02", "03", "04", "05")
                .flatMap(d -> List.of(code + "-" + student + "," + code + "-" + first + ",2026-03-" + d + ",," + answer,
                        code + "-" + student + "," + code + "-" + second + ",2026-03-" + d + ",," + other).stream()))
                .toArray(String[]::new);
    }

    private JsonNode row(JsonNode view, String name) {
        return view.get("rows").valueStream().filter(r -> r.get("name").asString().equals(name)).findFirst().orElseThrow();
    }

    @Test
    void aClassIsSeenSkillBySkillAndTheMistakeTheyShareIsTold() throws Exception {
        Viewer teacher = taught("SKA", "Ada", "Ben", "Cy", "Di");
        take(five("SKA", "ADA", "c", "22", "d", "32"));
        take(five("SKA", "BEN", "c", "38", "d", "48"));
        take(five("SKA", "CY", "c", "38", "d", "31"));
        int framework = id("skills_framework", "SKA");
        JsonNode view = body(read(teacher, "/api/skills?" + where("SKA") + "&framework=" + framework).andExpect(status().isOk()));
        JsonNode two = row(view, "Two");
        assertEquals("3 1 2", two.at("/counts/tried").asInt() + " " + two.at("/counts/secure").asInt() + " " + two.at("/counts/notYet").asInt());
        assertEquals(List.of(student("Di SKA")), two.at("/standings/notTried").valueStream().map(JsonNode::asInt).toList());
        assertTrue(two.at("/counts/enough").asBoolean());
        // Two do not have it: it is to be taught again, and who has it goes on to what rests on it.
        assertEquals(id("skills_skill", "SKA-two"), view.at("/again/skill").asInt());
        assertEquals("Three", view.at("/again/next/name").asString());
        assertEquals("Two", view.at("/rows/0/name").asString(), "what nobody tried comes last");
        JsonNode opened = body(read(teacher, "/api/skills/" + framework + "/" + id("skills_skill", "SKA-two") + "?" + where("SKA")).andExpect(status().isOk()));
        assertEquals("takes the smaller from the larger", opened.at("/mistake/shows").asString());
        assertEquals(2, opened.at("/mistake/students").size());
        assertEquals(6, opened.get("answers").size(), "the newest of each student and item");
        assertEquals(List.of("One"), opened.get("restsOn").valueStream().map(s -> s.get("name").asString()).toList());
        // As it was known before any of it.
        JsonNode before = body(read(teacher, "/api/skills?" + where("SKA").replace("2026-03-13", "2026-02-20") + "&framework=" + framework));
        assertEquals(0, row(before, "Two").at("/counts/tried").asInt());
        // Nobody else's class.
        read(taught("SKB", "Eva"), "/api/skills?" + where("SKA") + "&framework=" + framework).andExpect(status().isForbidden());
    }

    @Test
    void anItemsSkillsAreMendedAndEverythingFollows() throws Exception {
        Viewer teacher = taught("SKC", "Ada");
        take(five("SKC", "ADA", "c", "22", "d", "32"));
        int framework = id("skills_framework", "SKC");
        int two = id("skills_skill", "SKC-two");
        List<Integer> three = List.of(id("skills_skill", "SKC-three"));
        for (String item : List.of("SKC-c", "SKC-d")) {
            String at = "/api/skills/items/" + id("skills_item", item) + "/skills";
            put(teacher, at, Map.of("skills", three)).andExpect(status().isUnprocessableContent()).andExpect(jsonPath("$.field").value("because"));
            JsonNode look = body(send(teacher, at, Map.of("skills", three)).andExpect(status().isOk()));
            assertEquals(1, look.get("students").asInt());
            assertEquals(item.equals("SKC-c") ? "Two 1>1, Three 0>1" : "Two 1>0, Three 1>1", String.join(", ", look.get("skills").valueStream()
                    .map(k -> k.get("name").asString() + " " + k.get("triedNow").asInt() + ">" + k.get("triedThen").asInt()).toList()));
            put(teacher, at, Map.of("skills", three, "seen", three, "because", "it asks for that")).andExpect(status().isConflict());
            put(teacher, at, Map.of("skills", three, "seen", List.of(two), "because", "it asks for that")).andExpect(status().isNoContent());
            JsonNode past = body(read(teacher, at).andExpect(status().isOk()));
            assertEquals("Two Three it asks for that K. Teacher " + two, past.at("/0/before/0").asString() + " " + past.at("/0/after/0").asString() + " "
                    + past.at("/0/because").asString() + " " + past.at("/0/by").asString() + " " + past.at("/0/undo/0").asInt());
        }
        JsonNode view = body(read(teacher, "/api/skills?" + where("SKC") + "&framework=" + framework));
        assertEquals(0, row(view, "Two").at("/counts/tried").asInt());
        assertEquals(1, row(view, "Three").at("/counts/secure").asInt());
    }

    @Test
    void whatIsTaughtNowIsKeptByItsTeacherAlone() throws Exception {
        Viewer teacher = taught("SKD", "Ada");
        Viewer other = taught("SKE", "Ben");
        Map<String, Object> form = Map.of("who", "class-" + classId("SKD"), "skill", id("skills_skill", "SKD-one"), "taught", true);
        put(other, "/api/skills/taught", form).andExpect(status().isForbidden());
        put(teacher, "/api/skills/taught", form).andExpect(status().isNoContent());
        put(teacher, "/api/skills/taught", form).andExpect(status().isNoContent());
        String page = "/api/skills?" + where("SKD") + "&framework=" + id("skills_framework", "SKD");
        assertTrue(row(body(read(teacher, page)), "One").get("taught").asBoolean());
        put(teacher, "/api/skills/taught", Map.of("who", "class-" + classId("SKD"), "skill", id("skills_skill", "SKD-one"), "taught", false))
                .andExpect(status().isNoContent());
        assertTrue(!row(body(read(teacher, page)), "One").get("taught").asBoolean());
    }

    @Test
    void aStudentsNextSkillRestsOnWhatIsSecure() throws Exception {
        Viewer teacher = taught("SKF", "Ada");
        take(five("SKF", "ADA", "a", "2", "b", "3"));
        take(five("SKF", "ADA", "c", "38", "d", "48"));
        JsonNode own = body(read(teacher, "/api/skills/students/" + student("Ada SKF") + "?year=" + thisYear() + "&asOf=2026-03-13&framework="
                + id("skills_framework", "SKF")).andExpect(status().isOk()));
        assertEquals("Two", own.at("/next/name").asString());
        assertEquals(20, own.get("answers").size());
        read(taught("SKG", "Ben"), "/api/skills/students/" + student("Ada SKF") + "?year=" + thisYear() + "&asOf=2026-03-13&framework="
                + id("skills_framework", "SKF")).andExpect(status().isNotFound());
        // Two spans of the same student.
        JsonNode beside = body(
                read(teacher, "/api/skills/beside?framework=" + id("skills_framework", "SKF") + "&year=" + thisYear() + "&asOf=2026-03-13&a=student-"
                        + student("Ada SKF") + "&aTo=2026-03-02&b=student-" + student("Ada SKF") + "&bFrom=2026-03-03").andExpect(status().isOk()));
        assertEquals("4 6", beside.at("/rows/0/first/answers").asInt() + " " + beside.at("/rows/0/second/answers").asInt());
        assertEquals(0.0, beside.at("/rows/0/difference").asDouble());
    }

    @Test
    void aTopicIsSeenBeforeDuringAndAfter() throws Exception {
        Viewer teacher = taught("SKH", "Ada", "Ben");
        take("student,item,date,points,answer", "SKH-ADA,SKH-c,2026-01-10,,38", "SKH-ADA,SKH-c,2026-02-10,,22", "SKH-ADA,SKH-c,2026-03-10,,22",
                "SKH-BEN,SKH-c,2026-01-10,,22", "SKH-BEN,SKH-c,2026-03-10,,38");
        String page = "/api/skills/" + id("skills_framework", "SKH") + "/" + id("skills_skill", "SKH-two") + "/topic?" + where("SKH");
        JsonNode topic = body(read(teacher, page + "&from=2026-02-01&to=2026-02-28").andExpect(status().isOk()));
        assertEquals("2 1 2", topic.at("/before/answers").asInt() + " " + topic.at("/during/answers").asInt() + " " + topic.at("/after/answers").asInt());
        assertEquals("1 1 2", topic.get("up").asInt() + " " + topic.get("down").asInt() + " " + topic.get("both").asInt());
        read(teacher, page + "&from=2026-02-01&to=2026-01-28").andExpect(status().isUnprocessableContent())
                .andExpect(jsonPath("$.detail").value("The topic ends before it begins. Choose another day."));
    }

    @Test
    void whatHavingASkillMeansIsShownFirstAndSetWithAReason() throws Exception {
        Viewer coordinator = person("m.tveit");
        taught("SKI", "Ada");
        take("student,item,date,points,answer", "SKI-ADA,SKI-a,2026-03-10,,2", "SKI-ADA,SKI-b,2026-03-10,,3", "SKI-ADA,SKI-a,2026-03-11,,2",
                "SKI-ADA,SKI-b,2026-03-11,,3");
        int school = school();
        JsonNode now = body(read(coordinator, "/api/skills/settings?school=" + school));
        Map<String, Object> form = new java.util.HashMap<>(Map.of("school", school, "year", thisYear(), "seen", now.get("seen").asInt(), "standard", 0.95,
                "sureness", 0.75, "halfLife", 90));
        JsonNode preview = body(send(coordinator, "/api/skills/settings/preview", form).andExpect(status().isOk()));
        assertTrue(preview.get("moves").valueStream().anyMatch(m -> m.at("/student/name").asString().equals("Ada SKI") && m.get("down").asInt() == 1),
                preview.toString());
        send(coordinator, "/api/skills/settings", form).andExpect(status().isUnprocessableContent()).andExpect(jsonPath("$.field").value("because"));
        form.put("because", "agreed");
        form.put("standard", 1.2);
        send(coordinator, "/api/skills/settings", form).andExpect(status().isUnprocessableContent()).andExpect(jsonPath("$.field").value("standard"));
        form.put("standard", 0.7);
        send(coordinator, "/api/skills/settings", form).andExpect(status().isNoContent());
        send(coordinator, "/api/skills/settings", form).andExpect(status().isConflict());
        send(person("k.ski"), "/api/skills/settings", form).andExpect(status().isForbidden());
        assertEquals("agreed", body(read(coordinator, "/api/skills/settings?school=" + school)).at("/history/0/because").asString());
    }
}
