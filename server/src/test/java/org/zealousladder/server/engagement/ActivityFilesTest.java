package org.zealousladder.server.engagement;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.zealousladder.server.ServerTest;
import org.zealousladder.server.TestServer;
import org.zealousladder.server.exchange.records.ImportResult;
import org.zealousladder.server.platform.who.Viewer;

/** Files of activity and attendance: taken, taken again, corrected, refused, undone; and days that are always what the actions say. */
class ActivityFilesTest extends ServerTest {
    private static final String HEAD = "student,date,time,kind,minutes,actions,program,book,chapter,page";

    private ImportResult take(String... lines) throws Exception {
        signInHere(Viewer.SYSTEM);
        return imports.take(TestServer.csv(lines));
    }

    private static String counts(ImportResult r) {
        return r.added() + " new, " + r.changed() + " changed, " + r.unchanged() + " unchanged, " + r.refused() + " refused";
    }

    private List<String> days(String student) {
        return asking(Viewer.SYSTEM, () -> db.sql("""
                select on_day || ' ' || kind || ' ' || minutes || ' ' || actions from engagement_day d join roster_student s on s.id = d.student_id
                 where s.code = :s and on_day between '2025-09-01' and '2025-09-12' order by on_day, kind""").param("s", student).query(String.class).list());
    }

    /** Every day of every student is what its actions add up to, and every week what its days; a day has no more than its minutes. */
    private void everyDayAndWeekIsItsActions() {
        assertEquals(0, asking(Viewer.SYSTEM, () -> db.sql("""
                select count(*) from (select student_id, on_day, kind, least(sum(counted), 1440)::real as minutes, sum(actions) as actions from engagement_action where superseded_at is null group by 1, 2, 3) a
                  full join engagement_day d using (student_id, on_day, kind) where (a.minutes, a.actions) is distinct from (d.minutes, d.actions)""")
                .query(Integer.class).single()));
        assertEquals(0, asking(Viewer.SYSTEM, () -> db.sql("""
                select count(*) from (select student_id, date_trunc('week', on_day)::date as monday, sum(minutes)::double precision as minutes, sum(actions) as actions, min(on_day) as first_day,
                                             max(on_day) filter (where minutes > 0 or actions > 0) as last_day from engagement_day group by 1, 2) d
                  full join engagement_week w using (student_id, monday)
                 where (d.minutes, d.actions, d.first_day, d.last_day) is distinct from (w.minutes, w.actions, w.first_day, w.last_day)""")
                .query(Integer.class).single()));
    }

    @Test
    void rowsAreTakenOnceCorrectedAndTakenBackWhole() throws Exception {
        String[] file = {HEAD, "S1003,2025-09-02,,reading,12,3,Dune Diary,Part one,,", "S1003,2025-09-02,,practice,5.5,,Dune Diary,,,",
                "S1003,2025-09-03,,reading,7,,,,,"};
        assertEquals("3 new, 0 changed, 0 unchanged, 0 refused", counts(take(file)));
        assertEquals(List.of("2025-09-02 practice 5.5 1", "2025-09-02 reading 12 3", "2025-09-03 reading 7 1"), days("S1003"));
        assertEquals("0 new, 0 changed, 3 unchanged, 0 refused", counts(take(file)));
        file[1] = file[1].replace("12,3", "20,4");
        assertEquals("0 new, 1 changed, 2 unchanged, 0 refused", counts(take(file)));
        assertEquals("2025-09-02 reading 20 4", days("S1003").get(1));
        everyDayAndWeekIsItsActions();

        long done = asking(Viewer.SYSTEM, () -> db.sql("select max(id) from records_done").query(Long.class).single());
        send(person("a.sandvik"), "/api/records/done/" + done + "/undo", Map.of("reason", "the wrong file")).andExpect(status().isNoContent());
        assertEquals("2025-09-02 reading 12 3", days("S1003").get(1));
        everyDayAndWeekIsItsActions();
    }

    @Test
    void withoutMinutesTheTimeSinceTheActionBeforeCountsUpToFive() throws Exception {
        // 2 minutes, then 4, then a long pause that counts 5; one out of order comes later.
        assertEquals("4 new, 0 changed, 0 unchanged, 0 refused",
                counts(take(HEAD, "S1004,2025-09-02,10:00,practice,,,,,,", "S1004,2025-09-02,10:02,practice,,,,,,",
                        "S1004,2025-09-02,10:06,practice,,,,,,", "S1004,2025-09-02,11:30,practice,,,,,,")));
        assertEquals(List.of("2025-09-02 practice 11 4"), days("S1004"));
        take(HEAD, "S1004,2025-09-02,10:40,reading,,,,,,");
        // The pause is parted: 5 for the one that came between, 5 for the one after it.
        assertEquals(List.of("2025-09-02 practice 11 4", "2025-09-02 reading 5 1"), days("S1004"));
        take(HEAD, "S1004,2025-09-02,10:05,reading,,,,,,");
        assertEquals(List.of("2025-09-02 practice 8 4", "2025-09-02 reading 8 2"), days("S1004"));
        everyDayAndWeekIsItsActions();
    }

    @Test
    void whatCannotBeIsRefusedRowByRow() throws Exception {
        ImportResult r = take(HEAD, "S1003,2026-03-14,,reading,10,,,,,", "S1003,2025-09-02,,reading,1000000,,,,,", "S1003,2025-09-02,,reading,-1,,,,,",
                "S1003,2025-09-02,25:00,video,1,,,,,",
                "S1003,2025-09-02,,running,1,,,,,", "NOBODY,2025-09-02,,reading,1,,,,,", "S1003,2025-09-02,,reading,1,,,Part one,,",
                "S1003,2025-09-02,,reading,1,,P,,Chapter,",
                "S1003,2025-09-05,,other,1,,,,,", "S1003,2025-09-05,,other,2,,,,,");
        assertEquals(9, r.refused());
        List<String> said = r.refusals().stream().map(Object::toString).toList();
        for (String part : List.of("The date is in the future.", "A day has 0 to 1440 minutes.", "A time is written as 14:05.", "'running' is not known here",
                "Say the program that the book is in.",
                "Say the book that the chapter is in.", "NOBODY")) {
            assertTrue(said.stream().anyMatch(s -> s.contains(part)), part + " in " + said);
        }
        assertEquals(1, r.added(), "of two that differ the first");
    }

    @Test
    void aCoordinatorBringsInTheSchoolsAndATeacherDoesNot() throws Exception {
        var file = TestServer.csv(HEAD, "S1003,2025-09-08,,video,3,,,,,");
        upload(person("r.oduya"), file).andExpect(
                result -> assertTrue(result.getResponse().getStatus() == 403 || body(upload(person("r.oduya"), file)).toString().contains("oordinator")));
        assertEquals(Stream.of("2025-09-08").filter(d -> days("S1003").stream().anyMatch(x -> x.startsWith(d))).toList(), List.of());
    }

    @Test
    void attendanceIsCorrectedByALaterFileAndKnownAsItWas() throws Exception {
        String[] file = {"student,date,status,reason", "S1003,2025-08-20,absent,ill", "S1003,2025-08-21,late,", "S1004,2025-08-20,present,"};
        assertEquals("3 new, 0 changed, 0 unchanged, 0 refused", counts(take(file)));
        file[1] = "S1003,2025-08-20,late,the ferry";
        assertEquals("0 new, 1 changed, 2 unchanged, 0 refused", counts(take(file)));
        assertEquals(List.of("late the ferry"),
                asking(Viewer.SYSTEM, () -> db
                        .sql("""
                select status || ' ' || reason from attendance_day d join roster_student s on s.id = d.student_id where s.code = 'S1003' and on_day = '2025-08-20' and superseded_by is null""")
                        .query(String.class).list()));
        long done = asking(Viewer.SYSTEM, () -> db.sql("select max(id) from records_done").query(Long.class).single());
        send(person("a.sandvik"), "/api/records/done/" + done + "/undo", Map.of("reason", "the wrong file")).andExpect(status().isNoContent());
        assertEquals(List.of("absent"),
                asking(Viewer.SYSTEM, () -> db
                        .sql("""
                select status from attendance_day d join roster_student s on s.id = d.student_id where s.code = 'S1003' and on_day = '2025-08-20' and superseded_by is null""")
                        .query(String.class).list()));
        assertEquals(1, take("student,date,status,reason", "S1003,2026-03-14,absent,").refused());
    }

    @Test
    void aMonthThatTwoWantAtOnceIsMadeOnce() throws Exception {
        CountDownLatch made = new CountDownLatch(1);
        Callable<Integer> month = () -> db.sql("select 1 from (select engagement_months(array['2001-05-04'::date])) m").query(Integer.class).single();
        ExecutorService both = Executors.newFixedThreadPool(2);
        try {
            Future<Integer> first = both.submit(() -> asking(Viewer.SYSTEM, () -> {
                month.call();
                made.countDown();
                // Until the other one waits for what this one has made and not yet kept.
                while (db.sql("select count(*) from pg_locks where locktype = 'advisory' and not granted").query(Integer.class).single() == 0) {
                    Thread.onSpinWait();
                }
                return 1;
            }));
            Future<Integer> second = both.submit(() -> {
                made.await();
                return asking(Viewer.SYSTEM, month);
            });
            assertEquals(2, first.get(20, TimeUnit.SECONDS) + second.get(20, TimeUnit.SECONDS));
        } finally {
            both.shutdownNow();
        }
    }
}
