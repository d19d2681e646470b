package org.zealousladder.server.exchange.records;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.zealousladder.server.ScreeningTest;
import org.zealousladder.server.TestServer;
import org.zealousladder.server.platform.who.Viewer;

/** Files of cut sets, cuts of several sets, tiers and growth norms: new, changed, unchanged, refused. */
class ScreeningFilesTest extends ScreeningTest {
    private ImportResult look(String... lines) {
        signInHere(Viewer.SYSTEM);
        return imports.look(TestServer.csv(lines));
    }

    private static List<Integer> counts(ImportResult r) {
        return List.of(r.added(), r.changed(), r.unchanged(), r.refused());
    }

    @Test
    void cutSetsAreNamedAndOneIsChosen() {
        String head = "set,set_title,set_kind,school,note,counts";
        assertEquals(List.of(1, 0, 0, 0), counts(take(head, "isles,Isles 2026,published,,As published,no")));
        assertEquals(List.of(0, 0, 1, 0), counts(take(head, "isles,Isles 2026,published,,As published,no")));
        assertEquals(List.of(0, 1, 0, 0), counts(take(head, "isles,Isles 2026 second edition,published,,As published,no")));
        ImportResult wrong = look(head, "x,X,published,NOWHERE,,no", "y,Y,guessed,,,no");
        assertEquals(2, wrong.refused());
        take("school,name", "SETS,Sets school");
        take(head, "sets-own,Own cuts,local,SETS,,yes");
        int school = db.sql("select id from roster_school where code = 'SETS'").query(Integer.class).single();
        assertEquals(1, db.sql("select count(*) from measures_default_set where school_id = :s and superseded_on is null").param("s", school)
                .query(Integer.class).single());
        assertEquals(List.of(0, 0, 1, 0), counts(take(head, "sets-own,Own cuts,local,SETS,,yes")));
    }

    @Test
    void cutsOfASetLeaveTheOthersAlone() {
        take("set,set_title,set_kind", "strict,Strict,trial");
        String head = "measure,grade,year,window,band,tier,from_score,set";
        ImportResult r = take(head, "number-facts,4,2025-26,Winter,Low,3,,strict", "number-facts,4,2025-26,Winter,High,1,90,strict");
        assertEquals(List.of(2, 0, 0, 0), counts(r));
        assertEquals(3, asking(Viewer.SYSTEM, () -> db.sql("""
                select count(*) from measures_band b join measures_ladder l on l.id = b.ladder_id join measures_cut_set s on s.id = l.set_id
                  join measures_measure m on m.id = l.measure_id
                 where s.code = 'local' and m.code = 'number-facts' and l.grade = 4 and l.window_id = :w and l.superseded_on is null""")
                .param("w", window("Winter")).query(Integer.class).single()));
        ImportResult unknown = look(head, "number-facts,4,2025-26,Winter,Low,3,,nosuch", "number-facts,4,2025-26,Winter,High,1,90,nosuch");
        assertTrue(unknown.refusals().get(0).message().contains("There is no set of cut scores 'nosuch'"), unknown.refusals().toString());
        ImportResult outside = look(head, "number-facts,4,2025-26,Winter,Low,3,,strict", "number-facts,4,2025-26,Winter,High,1,900,strict");
        assertEquals(
                List.of("Row 3 of the same ladder is refused, and it is taken as a whole or not at all.", "A band of this measure begins between 0 and 120."),
                outside.refusals().stream().map(ImportResult.RowRefusal::message).toList());
    }

    @Test
    void tiersThatWereDecidedElsewhereAreKeptWithTheirDay() {
        newClass("2025-TFILE", 3, "b.calder", "Lea");
        String head = "student,area,year,window,tier,decided,reason";
        assertEquals(List.of(1, 0, 0, 0), counts(take(head, "2025-TFILE-Lea,Reading,2025-26,Autumn,2,2025-10-01,")));
        assertEquals(List.of(0, 0, 1, 0), counts(take(head, "2025-TFILE-Lea,Reading,2025-26,Autumn,2,2025-10-01,")));
        assertEquals(List.of(0, 1, 0, 0), counts(take(head, "2025-TFILE-Lea,Reading,2025-26,Autumn,3,2025-11-01,second look")));
        ImportResult wrong = look(head, "2025-TFILE-Lea,Poetry,2025-26,Autumn,2,,", "2025-TFILE-Lea,Reading,2025-26,Summer term,2,,",
                "2025-TFILE-Lea,Reading,2025-26,Autumn,9,,",
                "2025-TFILE-Lea,Reading,2025-26,Winter,2,2025-08-30,", "NOBODY,Reading,2025-26,Autumn,2,,");
        assertEquals(List.of("area", "window", "tier", "decided", "student"), wrong.refusals().stream().map(x -> x.column()).toList());
        var page = body(read(person("b.calder"), "/api/students/" + student("Lea 2025-TFILE") + "?asOf=2026-03-13"));
        assertEquals(3, page.at("/tiers/0/tier").asInt());
        assertEquals("second look", page.at("/tiers/0/reason").asString());
        assertEquals(2, body(read(person("b.calder"), "/api/students/" + student("Lea 2025-TFILE") + "?asOf=2025-10-15")).at("/tiers/0/tier").asInt());
    }

    @Test
    void aTeacherDoesNotBringInTiersNorACoordinatorNorms() throws Exception {
        signInHere(person("r.oduya"));
        var teacher = org.junit.jupiter.api.Assertions.assertThrows(org.zealousladder.server.platform.problems.Refusal.class,
                () -> imports.look(TestServer.csv("student,area,year,window,tier", "S1001,Reading,2025-26,Autumn,2")));
        assertTrue(teacher.getMessage().contains("tiers"), teacher.getMessage());
        signInHere(person("m.tveit"));
        org.junit.jupiter.api.Assertions.assertThrows(org.zealousladder.server.platform.problems.Refusal.class,
                () -> imports.look(TestServer.csv("norm_set,measure,grade,window,percentile,score", "N,maze,3,Autumn,50,12")));
    }

    @Test
    void growthNormsNeedEveryPercentileInEveryGrade() {
        String head = "norm_set,measure,grade,percentile,growth_per_week,rests_on";
        assertEquals(List.of(4, 0, 0, 0),
                counts(take(head, "Pace,maze,2,25,0.1,300", "Pace,maze,2,75,0.4,300", "Pace,maze,3,25,0.1,310", "Pace,maze,3,75,0.3,310")));
        assertEquals(List.of(0, 2, 2, 0),
                counts(take(head, "Pace,maze,2,25,0.1,300", "Pace,maze,2,75,0.4,300", "Pace,maze,3,25,0.1,310", "Pace,maze,3,75,0.35,310")));
        ImportResult hole = look(head, "Gap,maze,2,25,0.1,", "Gap,maze,2,75,0.4,", "Gap,maze,3,25,0.1,");
        assertEquals("The table has a hole: grade 3, percentile 75 is missing. Every grade needs the same percentiles.", hole.refusals().get(0).message());
        assertEquals(3, hole.refused());
        ImportResult odd = look(head, "Odd,maze,2,0,0.1,", "Odd,nosuch,2,50,0.1,", "Odd2,maze,2,50,0.1,0");
        assertEquals(3, odd.refused(), odd.refusals().toString());
    }

    /** A file of two schools: each coordinator's own rows are taken, the others are named and refused, and nothing is half-saved. */
    @Test
    void aFileOfTwoSchoolsIsTakenOnlyInPart() {
        take("school,name", "OTHER,Other school");
        take("class,school,year,name,grade", "2025-OTHER,OTHER,2025-26,Other,3");
        take("student,given_name,family_name", "OTH-1,Mia,Other");
        take("student,class,from,to", "OTH-1,2025-OTHER,2025-08-25,");
        newClass("2025-OURS", 3, "b.calder", "Nia");
        signInHere(person("m.tveit"));
        ImportResult seen = imports.look(TestServer.csv("student,measure,date,score", "2025-OURS-Nia,maze,2026-01-13,14", "OTH-1,maze,2026-01-13,15"));
        assertEquals(List.of(1, 0, 0, 1), counts(seen));
        assertTrue(seen.notices().contains("1 student of the file is not among yours: OTH-1."), seen.notices().toString());
        signInHere(Viewer.SYSTEM);
        assertEquals(0, asking(Viewer.SYSTEM,
                () -> db.sql("select count(*) from scores_score where student_id = :s").param("s", student("Nia 2025-OURS")).query(Integer.class).single()),
                "a look saves nothing");
    }
}
