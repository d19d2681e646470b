package org.zealousladder.server.exchange.records;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.zealousladder.server.ServerTest;
import org.zealousladder.server.TestServer;
import org.zealousladder.server.platform.who.Viewer;

/** Every kind of file beside scores: new, changed, unchanged, refused. */
class OtherFilesTest extends ServerTest {
    private ImportResult take(String... lines) {
        return imports.take(TestServer.csv(lines));
    }

    private ImportResult look(String... lines) {
        return imports.look(TestServer.csv(lines));
    }

    private static void counts(ImportResult r, String kind, int added, int changed, int unchanged, int refused) {
        assertEquals(kind, r.kind());
        assertEquals(List.of(added, changed, unchanged, refused), List.of(r.added(), r.changed(), r.unchanged(), r.refused()), r.toString());
    }

    private static String why(ImportResult r) {
        return r.refusals().get(0).column() + ": " + r.refusals().get(0).message();
    }

    @Test
    void schoolsAreNamedAndRenamed() {
        counts(take("school,name", "NORTH,North school"), "schools", 1, 0, 0, 0);
        counts(take("school,name", "NORTH,North Island school", "SKERROW,Skerrow Island School"), "schools", 0, 1, 1, 0);
    }

    @Test
    void yearsMayNotOverlapNorEndBeforeTheyBegin() {
        counts(take("year,starts,ends", "2026-27,2026-08-24,2027-06-25"), "years", 1, 0, 0, 0);
        assertTrue(why(look("year,starts,ends", "Extra,2026-06-01,2026-09-01")).startsWith("starts: The year overlaps"));
        assertTrue(why(look("year,starts,ends", "Odd,2030-06-01,2030-05-01")).startsWith("ends: The last day must be after"));
        counts(look("year,starts,ends", "A,2031-08-01,2032-06-01", "B,2032-05-01,2033-06-01"), "years", 1, 0, 0, 1);
    }

    @Test
    void classesNeedASchoolAYearAndAGrade() {
        String header = "class,school,year,name,grade";
        counts(take(header, "2025-SKUA,SKERROW,2025-26,Skua,2"), "classes", 1, 0, 0, 0);
        counts(take(header, "2025-SKUA,SKERROW,2025-26,Skua,3"), "classes", 0, 1, 0, 0);
        ImportResult wrong = look(header, "X,NOWHERE,2025-26,X,2", "Y,SKERROW,1999-00,Y,2", "Z,SKERROW,2025-26,Z,14", "W,SKERROW,2025-26,W,two");
        counts(wrong, "classes", 0, 0, 0, 4);
        assertEquals(List.of("school", "year", "grade", "grade"), wrong.refusals().stream().map(r -> r.column()).toList());
    }

    @Test
    void studentsMayHaveOneNameAndTheirSupportCanChange() {
        counts(take("student,given_name,family_name", "N1,Pelé,", "N2,Ann,O'Neil"), "students", 2, 0, 0, 0);
        counts(take("student,given_name,family_name,support", "N1,Pelé,,Language support", "N2,Ann,O'Neil,"), "students", 0, 1, 1, 0);
        counts(look("student,given_name,family_name", "N3,,Nobody"), "students", 0, 0, 0, 1);
        counts(look("student,given_name,family_name", "N4,A,B", "N4,A,C"), "students", 1, 0, 0, 1);
    }

    @Test
    void peopleNeedASchoolUnlessTheyAdministerAll() {
        String header = "login,person,role,school";
        counts(take(header, "X.New,X. New,teacher,SKERROW", "z.all,Z. All,administrator,"), "people", 2, 0, 0, 0);
        counts(take(header, "x.new,X. New,coordinator,SKERROW"), "people", 0, 1, 0, 0);
        assertTrue(why(look(header, "y.new,Y. New,teacher,")).contains("needs a school"));
        assertTrue(why(look(header, "y.new,Y. New,principal,SKERROW")).startsWith("role: 'principal' is not known here; use teacher"));
        counts(take("login,class", "x.new,2025-TERN"), "teaches", 1, 0, 0, 0);
        counts(take("login,class", "x.new,2025-TERN", "X.NEW,2025-TERN"), "teaches", 0, 0, 2, 0);
        assertTrue(why(look("login,class", "nobody,2025-TERN")).contains("sign-in name"));
    }

    @Test
    void measuresSayHowTheyAreRead() {
        String header = "measure,title,kind,area,unit,lowest,highest,decimals,better,sem,rule";
        counts(take(header, "errors,Errors,probe,Writing,errors in a text,0,100,0,lower,2,trend"), "measures", 1, 0, 0, 0);
        counts(take(header, "errors,Errors,probe,Writing,errors in a text,0,100,0,lower,,trend"), "measures", 0, 1, 0, 0);
        ImportResult wrong = look(header, "a,A,probe,R,u,10,5,0,higher,,", "b,B,probe,R,u,0,5,7,higher,,", "c,C,probe,R,u,0,5,0,higher,-1,",
                "d,D,quiz,R,u,0,5,0,higher,,",
                "e,E,probe,R,u,0,5,0,sideways,,");
        counts(wrong, "measures", 0, 0, 0, 5);
        assertEquals(List.of("highest", "decimals", "sem", "kind", "better"), wrong.refusals().stream().map(r -> r.column()).toList());
    }

    @Test
    void goalsFromAFileReplaceTheOldOneAndKeepIt() {
        String header = "student,measure,start_date,start_score,goal_date,goal_score";
        counts(take(header, "S1001,story-writing,2026-01-15,20,2026-05-08,34"), "goals", 1, 0, 0, 0);
        counts(take(header, "S1001,story-writing,2026-01-15,20,2026-05-08,34"), "goals", 0, 0, 1, 0);
        counts(take(header, "S1001,story-writing,2026-01-15,20,2026-05-08,38"), "goals", 0, 1, 0, 0);
        List<Double> kept = asking(Viewer.SYSTEM, () -> db.sql("""
                select o.goal_score from goals_goal o join goals_goal n on n.id = o.superseded_by where n.goal_score = 38""").query(Double.class).list());
        assertEquals(List.of(34.0), kept);
        ImportResult wrong = look(header, "S1002,story-writing,2026-01-15,20,2026-01-15,34", "S1003,story-writing,2026-01-15,20,2026-05-08,19",
                "S1004,story-writing,2026-04-15,20,2026-05-08,34", "S1005,story-writing,2026-01-15,20,2026-05-08,340",
                "S9999,story-writing,2026-01-15,20,2026-05-08,34");
        counts(wrong, "goals", 0, 0, 0, 5);
    }

    private List<String> chain(String student, String measure) {
        return asking(Viewer.SYSTEM, () -> db.sql("""
                with recursive chain as (
                  select g.id, g.superseded_by, g.goal_score, 1 as place from goals_goal g join roster_student s on s.id = g.student_id
                    join measures_measure m on m.id = g.measure_id
                   where s.code = :student and m.code = :measure and not exists (select from goals_goal o where o.superseded_by = g.id)
                  union all select n.id, n.superseded_by, n.goal_score, c.place + 1 from chain c join goals_goal n on n.id = c.superseded_by)
                select goal_score::int::text || case when superseded_by is null then ' stands' else '' end from chain order by place""")
                .param("student", student).param("measure", measure).query(String.class).list());
    }

    @Test
    void goalsOfYearsBeforeTakeTheirPlaceInTheChainInWhateverOrderTheyCome() {
        String header = "student,measure,start_date,start_score,goal_date,goal_score";
        counts(take(header, "S1002,story-writing,2026-01-15,20,2026-05-08,34", "S1002,story-writing,2025-09-15,14,2025-12-12,22"), "goals", 2, 0, 0, 0);
        assertEquals(List.of("22", "34 stands"), chain("S1002", "story-writing"));
        String lastYear = "S1002,story-writing,2024-10-01,8,2025-05-02,18";
        counts(take(header, lastYear), "goals", 1, 0, 0, 0);
        counts(take(header, lastYear), "goals", 0, 0, 1, 0);
        assertEquals(List.of("18", "22", "34 stands"), chain("S1002", "story-writing"));
        counts(take(header, "S1002,story-writing,2026-01-15,20,2026-05-08,36"), "goals", 0, 1, 0, 0);
        assertEquals(List.of("18", "22", "34", "36 stands"), chain("S1002", "story-writing"));
        assertTrue(why(look(header, "S1002,story-writing,2025-05-05,8,2025-06-20,18")).contains("A goal in between cannot be brought in"));
        assertTrue(why(look(header, "S1003,story-writing,2025-10-15,20,2026-05-08,34", "S1003,story-writing,2026-01-15,20,2026-05-08,36"))
                .contains("begins on 2026-01-15, before this one is due"));
    }

    @Test
    void changesOfPlanComeInOnce() {
        String header = "student,measure,changed_on,change";
        counts(take(header, "S1001,oral-reading,2026-01-19,Daily instead of twice a week"), "plan-changes", 1, 0, 0, 0);
        counts(take(header, "S1001,oral-reading,2026-01-19,Daily instead of twice a week"), "plan-changes", 0, 0, 1, 0);
        assertTrue(why(look(header, "S1001,oral-reading,2026-04-01,Later")).contains("in the future"));
    }

    @Test
    void aTeacherReachesOnlyTheirOwnStudentsThroughAFile() throws Exception {
        String own = asking(Viewer.SYSTEM,
                () -> db.sql("select code from roster_student where id = :id").param("id", student("Dalia Stroud")).query(String.class).single());
        upload(person("r.oduya"), TestServer.csv("student,measure,date,score", own + ",maze,2026-03-11,12", "S1001,maze,2026-03-11,12"))
                .andExpect(status().isOk()).andExpect(jsonPath("$.result.added").value(1)).andExpect(jsonPath("$.result.refused").value(1))
                .andExpect(jsonPath("$.result.refusals[0].message").value("There is no student among yours with the code or the name 'S1001'."));
    }

    @Test
    void whatALongFileRefusesIsCountedWholeAndShownInPart() {
        String[] lines = new String[301];
        lines[0] = "student,measure,date,score";
        for (int i = 1; i < lines.length; i++) {
            lines[i] = "S9" + i + ",maze,2026-03-11,12";
        }
        ImportResult r = look(lines);
        assertEquals(300, r.refused());
        assertEquals(100, r.refusals().size());
        assertTrue(r.notices().get(0).startsWith("300 students of the file are not among yours") && r.notices().get(0).endsWith("and more."));
    }
}
