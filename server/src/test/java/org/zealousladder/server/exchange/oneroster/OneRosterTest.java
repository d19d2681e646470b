package org.zealousladder.server.exchange.oneroster;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.Test;
import org.zealousladder.server.ServerTest;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** A roster in one archive: taken whole, ended where it has gone, put right by what changed, and undone. */
class OneRosterTest extends ServerTest {
    private JsonNode look(Path bundle) throws Exception {
        return body(upload(person("a.sandvik"), bundle).andExpect(status().isOk()));
    }

    private static String way(JsonNode preview, boolean yes) {
        return "/api/records/imports/" + preview.get("id").asString() + "/acceptance" + (yes ? "?manyEnd=true" : "");
    }

    private JsonNode take(Path bundle) throws Exception {
        return take(bundle, false);
    }

    private JsonNode take(Path bundle, boolean yes) throws Exception {
        return body(send(person("a.sandvik"), way(look(bundle), yes), Map.of()).andExpect(status().isOk()));
    }

    /** Student, class or group, first day, last day. */
    private List<String> placed(String source) {
        return asking(Viewer.SYSTEM, () -> db.sql("""
                select concat_ws(' ', s.given_name, c.name, e.starts, e.ends) from roster_enrolment e join roster_student s on s.id = e.student_id
                  join roster_class c on c.id = e.class_id join roster_school o on o.id = c.school_id where o.code = upper(:source)
                union all
                select concat_ws(' ', s.given_name, g.name, m.starts, m.ends) from roster_member m join roster_student s on s.id = m.student_id
                  join roster_group g on g.id = m.group_id join roster_school o on o.id = g.school_id where o.code = upper(:source)
                order by 1""").param("source", source).query(String.class).list());
    }

    private List<String> staff(String source) {
        return asking(Viewer.SYSTEM, () -> db.sql("""
                select concat_ws(' ', p.login, p.role, case when not p.active then 'ended' end, c.name, g.name, t.ends, l.ends)
                  from people_person p join roster_school o on o.id = p.school_id left join people_teaches t on t.person_id = p.id left join roster_class c on c.id = t.class_id
                  left join roster_leads l on l.person_id = p.id left join roster_group g on g.id = l.group_id
                 where o.code = upper(:source) order by 1""").param("source", source).query(String.class).list());
    }

    private static String parts(JsonNode result) {
        StringBuilder all = new StringBuilder();
        result.get("parts")
                .forEach(p -> all.append(p.get("kind").asString()).append(' ').append(p.get("added").asInt()).append('/').append(p.get("changed").asInt())
                        .append('/').append(p.get("unchanged").asInt()).append(' '));
        return all.toString().strip();
    }

    @Test
    void aBundleBringsTheSchoolWholeAndASecondTimeNothing() throws Exception {
        JsonNode result = take(Bundles.school("rona", "Rona school").zip());
        assertEquals(
                "schools 1/0/0 years 0/0/1 people 3/0/0 classes 1/0/0 groups 1/0/0 students 4/0/0 enrolments 4/0/0 members 2/0/0 teaches 1/0/0 leads 1/0/0 "
                        + "identifiers 1/0/0 identifiers 2/0/0 identifiers 2/0/0 identifiers 7/0/0 identifiers 8/0/0",
                parts(result));
        assertEquals(0, result.get("refused").asInt());
        assertEquals(List.of("Ada Early readers 2026-01-12", "Ada Storm petrel 2025-08-25", "Bo Early readers 2026-01-12", "Bo Storm petrel 2025-08-25",
                "Cy Storm petrel 2025-08-25", "Di Storm petrel 2025-08-25"), placed("rona"));
        assertEquals(List.of("rona-head coordinator", "rona-kari teacher Storm petrel", "rona-per teacher Early readers"), staff("rona"));
        assertEquals(List.of("3", "rona-3A"), asking(Viewer.SYSTEM, () -> db.sql("""
                select unnest(array[c.grade::text, c.code]) from roster_class c where c.name = 'Storm petrel' and c.code = 'rona-3A'""").query(String.class)
                .list()));
        JsonNode again = look(Bundles.school("rona", "Rona school").zip()).get("result");
        assertEquals(0, again.get("added").asInt());
        assertEquals(0, again.get("changed").asInt());
        assertEquals(0, again.get("endings").size());
    }

    @Test
    void whoIsGoneIsEndedWhenSomebodySaysThatSoManyAreMeantAndComesBackWhenItIsUndone() throws Exception {
        take(Bundles.school("sula", "Sula school").zip());
        List<String> before = placed("sula");
        Path fewer = Bundles.school("sula", "Sula school").with("enrollments", "sula-e3,").with("enrollments", "sula-e8,").with("enrollments", "sula-e5,")
                .with("users", "sula-5,")
                .zip();
        JsonNode preview = look(fewer);
        assertEquals("[1 of 4 students in classes, 1 of 2 places in teaching groups, 1 of 1 teachers of classes, 1 of 3 accounts]",
                preview.get("result").get("endings").valueStream()
                        .map(e -> e.get("ended").asInt() + " of " + e.get("current").asInt() + " " + e.get("what").asString())
                        .toList().toString());
        send(person("a.sandvik"), way(preview, false), Map.of()).andExpect(refused("409 many-endings"));
        assertEquals(before, placed("sula"));
        send(person("a.sandvik"), way(preview, true), Map.of()).andExpect(status().isOk());
        assertEquals(
                List.of("Ada Early readers 2026-01-12", "Ada Storm petrel 2025-08-25", "Bo Early readers 2026-01-12 2026-03-13", "Bo Storm petrel 2025-08-25",
                        "Cy Storm petrel 2025-08-25 2026-03-13", "Di Storm petrel 2025-08-25"),
                placed("sula"));
        assertEquals(List.of("sula-head coordinator", "sula-kari teacher ended Storm petrel 2026-03-12", "sula-per teacher Early readers"), staff("sula"));
        long done = body(read(person("a.sandvik"), "/api/records/done")).get(0).get("id").asLong();
        send(person("a.sandvik"), "/api/records/done/" + done + "/undo", Map.of("reason", "half a file")).andExpect(status().isNoContent());
        assertEquals(before, placed("sula"));
        assertEquals(List.of("sula-head coordinator", "sula-kari teacher Storm petrel", "sula-per teacher Early readers"), staff("sula"));
    }

    @Test
    void whoMovesIsInOneClassAtATimeAndCountsAsNobodyGone() throws Exception {
        take(Bundles.school("foula", "Foula school").zip());
        Path moved = Bundles.school("foula", "Foula school")
                .with("classes", "", "foula-i,,,Arctic tern,04,,,homeroom,,foula-o,foula-t,,,")
                .with("enrollments", "foula-e2,", "foula-e9,,,foula-i,foula-o,foula-2,student,,2026-03-09,").zip();
        JsonNode preview = look(moved);
        assertEquals(0, preview.get("result").get("endings").size());
        send(person("a.sandvik"), way(preview, false), Map.of()).andExpect(status().isOk());
        assertEquals(List.of("Bo Arctic tern 2026-03-09", "Bo Early readers 2026-01-12", "Bo Storm petrel 2025-08-25 2026-03-08"),
                placed("foula").stream().filter(p -> p.startsWith("Bo")).toList());
    }

    @Test
    void aDeltaChangesWhatItNamesAndPassesOverWhatIsOlder() throws Exception {
        take(Bundles.school("unst", "Unst school").zip());
        take(new Bundles("unst", "delta")
                .file("users", Bundles.USERS, Bundles.user("unst-1", "active", "2026-03-10T08:00:00.000Z", "unst-ada", "Adele", "Skerry", "unst1")).zip());
        JsonNode older = take(new Bundles("unst", "delta")
                .file("users", Bundles.USERS, Bundles.user("unst-1", "active", "2026-03-09T08:00:00.000Z", "unst-ada", "Ade", "Skerry", "unst1"),
                        Bundles.user("unst-6", "tobedeleted", "2026-03-11T08:00:00.000Z", "unst-per", "Per", "Holm", ""))
                .file("enrollments", Bundles.ENROLLMENTS, "unst-e4,tobedeleted,2026-03-11T08:00:00.000Z,unst-h,unst-o,unst-4,student,,,",
                        "unst-e10,active,2026-03-11T08:00:00.000Z,unst-g,unst-o,unst-3,student,,2026-03-09,")
                .zip(), true);
        assertTrue(older.get("notices").toString().contains("1 row is older than what is known from there"), older.get("notices").toString());
        assertEquals(List.of("Adele Early readers 2026-01-12", "Adele Storm petrel 2025-08-25", "Bo Early readers 2026-01-12", "Bo Storm petrel 2025-08-25",
                "Cy Early readers 2026-03-09", "Cy Storm petrel 2025-08-25", "Di Storm petrel 2025-08-25 2026-03-13"), placed("unst"));
        assertEquals(List.of("unst-head coordinator", "unst-kari teacher Storm petrel", "unst-per teacher ended Early readers"), staff("unst"));
    }

    @Test
    void whatDanglesIsRefusedByItselfAndARowThatCannotBeReadEndsNobody() throws Exception {
        take(Bundles.school("yell", "Yell school").zip());
        JsonNode dangling = look(Bundles.school("yell", "Yell school").with("enrollments", "yell-e1,", "yell-e1,,,yell-gone,yell-o,yell-1,student,,,",
                "yell-e9,,,yell-h,yell-o,yell-nobody,student,,,").zip()).get("result");
        assertEquals(2, dangling.get("refused").asInt());
        assertEquals(0, dangling.get("endings").size());
        assertTrue(dangling.get("refusals").toString().contains("There is no class 'yell-gone'"), dangling.get("refusals").toString());
        JsonNode unread = look(Bundles.school("yell", "Yell school").with("enrollments", "yell-e1,", "yell-e1,,,yell-h,yell-o,yell-1,student,,some day,").zip())
                .get("result");
        assertEquals(1, unread.get("refused").asInt());
        assertEquals(0, unread.get("endings").size());
        assertTrue(unread.get("notices").toString().contains("Rows of enrollments.csv cannot be read, so nothing is ended"), unread.get("notices").toString());
    }

    @Test
    void somebodyAtTwoSchoolsHasARoleAtEachAndGoesOutWithBoth() throws Exception {
        take(Bundles.school("papa", "Papa school").zip());
        take(Bundles.school("stour", "Stour school").zip());
        Bundles both = Bundles.school("papa", "Papa school").with("orgs", "papa-x,", "papa-s2,,,Stour school,school,STOUR,")
                .with("roles", "papa-r9,", "papa-r9,,,papa-5,secondary,principal,2026-01-05,2026-06-26,papa-s2,");
        String roles = "select concat_ws(' ', r.role, s.code, r.starts, r.ends) from people_role r join people_person p on p.id = r.person_id join roster_school s on s.id = r.school_id"
                + " where p.login = (select x.login from people_person x join roster_foreign f on f.kind = 'person' and f.record_id = x.id and f.foreign_id = 'papa-5')";
        take(both.zip());
        assertEquals(List.of("coordinator STOUR 2026-01-05 2026-06-26"), asking(Viewer.SYSTEM, () -> db.sql(roles).query(String.class).list()));
        take(both.zip());
        assertEquals(1, asking(Viewer.SYSTEM, () -> db.sql(roles).query(String.class).list()).size(), "the same again");
        assertTrue(String.join("\n", takenOut(person("a.sandvik")).get("roles.csv")).contains("secondary,principal,2026-01-05,2026-06-26"));
    }

    @Test
    void noFileMakesAnAdministratorOrTakesOneAway() throws Exception {
        take(Bundles.school("noss", "Noss school").zip());
        take(Bundles.school("noss", "Noss school").with("users", "noss-7,", Bundles.user("noss-7", "", "", "a.sandvik", "A.", "Sandvik", ""))
                .with("roles", "noss-r7,", "noss-r7,,,noss-7,primary,teacher,,,noss-o,").with("users", "noss-6,",
                        Bundles.user("noss-6", "", "", "noss-per", "Per", "Holm", ""))
                .with("roles", "noss-r6,", "noss-r6,,,noss-6,primary,systemAdministrator,,,noss-o,").zip(), true);
        assertEquals("administrator true",
                people.sql("select role || ' ' || active from people_person where login = 'a.sandvik'").query(String.class).single());
        assertEquals("teacher", people.sql("select role from people_person where login = 'noss-per'").query(String.class).single());
    }

    @Test
    void aRosterWithoutHomeClassesSaysSoAndWhatIsNotReadIsNamed() throws Exception {
        JsonNode result = look(Bundles.school("hoy", "Hoy school").with("classes", "hoy-h,", "hoy-h,,,Storm petrel,03,,hoy-3A,scheduled,,hoy-o,hoy-t,,,")
                .file("demographics", "sourcedId,status,dateLastModified,birthDate,sex", "hoy-1,,,2016-05-05,").zip()).get("result");
        String notices = result.get("notices").toString();
        assertTrue(notices.contains("The roster names no home classes"), notices);
        assertTrue(notices.contains("demographics.csv is not read; nothing of it is kept."), notices);
    }

    @Test
    void aSourcedIdThatComesTwiceCountsOnce() throws Exception {
        JsonNode result = look(Bundles.school("fetlar", "Fetlar school")
                .with("courses", "fetlar-k,", "fetlar-k,,,fetlar-y,Reading,,,fetlar-o,,", "fetlar-k,,,fetlar-y,Sums,,,fetlar-o,,")
                .with("users", "fetlar-2,", Bundles.user("fetlar-2", "", "", "fetlar-bo", "Bo", "Skerry", "fetlar2"),
                        Bundles.user("fetlar-2", "", "", "fetlar-bo", "Beau", "Skerry", "fetlar2"))
                .zip()).get("result");
        assertTrue(result.get("notices").toString().contains("2 rows have the sourcedId of an earlier one"), result.get("notices").toString());
        assertTrue(parts(result).contains("groups 1/0/0 students 4/0/0"), parts(result));
        assertEquals(0, result.get("refused").asInt());
    }

    private String wayOut() {
        return "/api/records/roster.zip?year=" + thisYear() + "&asOf=2026-03-13";
    }

    private Map<String, List<String>> takenOut(Viewer who) throws Exception {
        byte[] bytes = read(who, wayOut()).andExpect(status().isOk()).andReturn().getResponse().getContentAsByteArray();
        Map<String, List<String>> files = new java.util.LinkedHashMap<>();
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(bytes))) {
            for (ZipEntry e = zip.getNextEntry(); e != null; e = zip.getNextEntry()) {
                files.put(e.getName(), new String(zip.readAllBytes(), StandardCharsets.UTF_8).lines().toList());
            }
        }
        return files;
    }

    @Test
    void whatGoesOutComesInAgainAsItIs() throws Exception {
        take(Bundles.school("eday", "Eday school").zip());
        byte[] bytes = read(person("a.sandvik"), wayOut()).andExpect(status().isOk()).andReturn().getResponse().getContentAsByteArray();
        Path file = Files.write(Files.createTempFile("ladder-test-", ".zip"), bytes);
        JsonNode result = look(file).get("result");
        Files.delete(file);
        result.get("parts").forEach(p -> {
            assertEquals(0, p.get("changed").asInt(), p.toString());
            assertTrue(p.get("added").asInt() == 0 || p.get("kind").asString().equals("identifiers"), p.toString());
        });
        assertEquals(0, result.get("refused").asInt(), result.get("refusals").toString());
        assertEquals(0, result.get("endings").size());
        assertTrue(result.get("notices").toString().contains("results.csv is not read"), result.get("notices").toString());
    }

    @Test
    void whatGoesOutIsInTheStandardsWordsAndItsScoresFindTheirStudents() throws Exception {
        Map<String, List<String>> files = takenOut(person("m.tveit"));
        assertTrue(files.get("manifest.csv").containsAll(List.of("oneroster.version,1.2", "file.results,bulk", "file.demographics,absent")));
        assertEquals(Bundles.CLASSES, files.get("classes.csv").get(0));
        assertEquals(Bundles.USERS, files.get("users.csv").get(0));
        assertEquals(Bundles.ROLES, files.get("roles.csv").get(0));
        assertEquals(Bundles.ENROLLMENTS, files.get("enrollments.csv").get(0));
        assertEquals(1, files.get("orgs.csv").stream().skip(1).count(), "a coordinator's own school alone");
        String kittiwake = "line-" + classId("2025-KITTIWAKE") + "-" + measure("oral-reading") + "-";
        List<String> lines = files.get("lineItems.csv").stream().filter(l -> l.startsWith(kittiwake)).toList();
        assertEquals(2, lines.size());
        assertTrue(
                lines.stream()
                        .anyMatch(l -> l.contains(
                                ",\"Oral reading, Winter\",words correct per minute,2026-01-12,2026-01-23,class-2025-KITTIWAKE,screening,,0,250,org-SKERROW")),
                lines.toString());
        Map<String, Integer> status = new java.util.TreeMap<>();
        files.get("results.csv").stream().skip(1).map(l -> l.split(",", -1)).forEach(c -> {
            assertTrue(files.get("lineItems.csv").stream().anyMatch(l -> l.startsWith(c[3] + ",")), c[3]);
            assertTrue(!c[3].startsWith(kittiwake) || c[4].startsWith("pupil-S"), "by the number of the office: " + c[4]);
            status.merge(c[5] + (c[6].isEmpty() ? " without" : " with"), 1, Integer::sum);
        });
        assertTrue(status.get("fully graded with") > 1000 && status.get("not submitted without") > 0, status.toString());
        assertEquals(null, status.get("fully graded without"));
        read(person("i.mensah"), wayOut()).andExpect(refused("403 forbidden"));
    }

    @Test
    void aTeacherBringsInNoRoster() throws Exception {
        upload(person("i.mensah"), Bundles.school("mousa", "Mousa school").zip()).andExpect(refused("403 forbidden"));
    }
}
