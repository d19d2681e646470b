package org.zealousladder.server.scores.scores;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.sql.Connection;
import java.sql.DriverManager;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DriverManagerDataSource;
import org.springframework.test.context.TestPropertySource;
import org.zealousladder.server.ServerTest;
import org.zealousladder.server.TestServer;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** What is kept of screening scores is what looking them up says, at every moment: entered, corrected, withdrawn, a window moved, a student come. */
@TestPropertySource(properties = {"ladder.test.records=kept", "ladder.scores.many=10", "ladder.scores.look=3600000"})
class KeptScreeningTest extends ServerTest {
    private static final String ALL = """
            (select array_agg(id) from roster_student), (select array_agg(id) from measures_measure where kind <> 'outside'),
            (select array_agg(id order by id) from measures_window where starts <= scope_today()),
            (select array_agg(starts order by id) from measures_window where starts <= scope_today()),
            (select array_agg(ends order by id) from measures_window where starts <= scope_today()), scope_today()""";

    @Autowired
    private KeptScreening kept;

    @Value("${spring.datasource.url}")
    private String url;

    private Viewer admin;

    private JdbcClient owner() {
        return JdbcClient.create(new DriverManagerDataSource(url, "ladder_owner", System.getenv("LADDER_TEST_OWNER_PASSWORD")));
    }

    @BeforeEach
    void keep() throws InterruptedException {
        admin = person("a.sandvik");
        signOutHere();
        for (int i = 0; i < 40; i++) {
            kept.keep();
            // Somebody who began before is waited for.
            if (one("select count(*) from scores_kept_of where kept_at is null") == 0) {
                return;
            }
            Thread.sleep(250);
        }
    }

    private long one(String sql) {
        return asking(Viewer.SYSTEM, () -> db.sql(sql).query(Long.class).single());
    }

    private String rows(Viewer who, String from) {
        return asking(who,
                () -> db.sql("select md5(coalesce(string_agg(x::text, '|' order by x::text), '')) || count(*) from (select student_id, measure_id, window_id, "
                        + "id, taken_on, value, status from " + from + ") x").query(String.class).single());
    }

    private boolean tells(String measure, String window) {
        return asking(Viewer.SYSTEM, () -> db.sql("""
                select scores_kept_tells(array[m.id], array[w.id], array[w.starts], array[w.ends], scope_today()) from measures_measure m, measures_window w
                 where m.code = :m and w.name = :w and w.year_id = :y""").param("m", measure).param("w", window).param("y", thisYear()).query(Boolean.class)
                .single());
    }

    /** However it is asked, by whom: the same. @param fresh whether it comes from what is kept */
    private void same(boolean fresh) {
        assertEquals(fresh, asking(Viewer.SYSTEM, () -> db.sql("select scores_kept_tells(a, b, c, d, e) from (select " + ALL.substring(ALL.indexOf(',') + 1)
                + ") x(a, b, c, d, e)").query(Boolean.class).single()));
        for (Viewer who : new Viewer[] {Viewer.SYSTEM, person("m.tveit"), person("r.oduya")}) {
            signOutHere();
            String looked = rows(who, "scores_screening(" + ALL + ")");
            assertEquals(looked, rows(who, "scores_screening_wide(" + ALL + ", 1)"), who.login());
            assertEquals(looked, rows(who, "scores_screening_wide(" + ALL + ", 1000000)"), who.login());
        }
        if (fresh) {
            assertEquals(rows(Viewer.SYSTEM, "scores_screening(" + ALL + ")"), rows(Viewer.SYSTEM, "scores_kept"), "that is what is kept");
        }
    }

    private void bring(String... lines) throws Exception {
        JsonNode preview = body(upload(admin, TestServer.csv(lines)));
        send(admin, "/api/records/imports/" + preview.get("id").asString() + "/acceptance", Map.of());
        signOutHere();
    }

    @Test
    void whatIsEnteredMarksItAndOnlyIt() throws Exception {
        same(true);
        assertTrue(one("select count(*) from scores_kept") > 1000);
        bring("student,measure,date,score,status", "S1040,maze,2026-01-12,3,scored", "S1041,maze,2026-01-13,,absent", "S1042,maze,2026-02-20,7,scored");
        assertFalse(tells("maze", "Winter"));
        assertTrue(tells("maze", "Autumn"));
        assertTrue(tells("oral-reading", "Winter"));
        same(false);
        kept.keep();
        same(true);
        long stale = one("select count(*) from scores_kept_stale");
        bring("student,measure,date,score", "S1042,maze,2026-02-21,7");
        assertEquals(stale, one("select count(*) from scores_kept_stale"), "a weekly score of no window marks nothing");
        bring("student,measure,date,score", "S1040,maze,2026-01-12,4");
        same(false);
        owner().sql("delete from scores_score where student_id = (select id from roster_student where code = 'S1041') and measure_id = :m")
                .param("m", measure("maze"))
                .update();
        same(false);
        kept.keep();
        same(true);
    }

    @Test
    void aMakeUpAWindowThatMovesAndWhoComes() {
        owner().sql("""
                insert into scores_score (student_id, measure_id, taken_on, value, status, known_from, source, window_id)
                select id, :m, '2026-02-26', 12, 'scored', '2026-02-26', 'entered', :w from roster_student where code = 'S1043'""").param("m", measure("maze"))
                .param("w", window("Winter")).update();
        assertFalse(tells("maze", "Winter"));
        same(false);
        kept.keep();
        same(true);
        owner().sql("update measures_window set ends = ends + 20 where id = :w").param("w", window("Winter")).update();
        assertFalse(tells("oral-reading", "Winter"), "other days, other scores");
        same(false);
        for (int i = 0; i < 20 && !tells("oral-reading", "Winter"); i++) {
            kept.keep();
        }
        same(true);
        owner().sql("update measures_window set ends = ends - 20 where id = :w").param("w", window("Winter")).update();
        same(false);
        assertFalse(asking(Viewer.SYSTEM, () -> db.sql("""
                select scores_kept_tells(array[m.id], array[w.id], array[w.starts], array[w.ends], scope_today() - 1) from measures_measure m, measures_window w
                 where m.code = 'maze' and w.name = 'Autumn' and w.year_id = :y""").param("y", thisYear()).query(Boolean.class).single()),
                "of an earlier day it says nothing");
    }

    private int window(String name) {
        return asking(Viewer.SYSTEM,
                () -> db.sql("select id from measures_window where name = :n and year_id = :y").param("n", name).param("y", thisYear()).query(Integer.class)
                        .single());
    }

    /** A transaction that began before the windows were named may not have seen them: nothing is kept until it has ended. */
    @Test
    void whoBeganBeforeIsWaitedFor() throws Exception {
        try (Connection slow = DriverManager.getConnection(url, "ladder_owner", System.getenv("LADDER_TEST_OWNER_PASSWORD"))) {
            slow.setAutoCommit(false);
            try (var statement = slow.createStatement()) {
                statement.execute("delete from scores_kept_of");
                slow.commit();
                statement.execute("select pg_current_xact_id()");
                kept.keep();
                kept.keep();
                assertEquals(0, one("select count(*) from scores_kept_of where kept_at is not null"));
                same(false);
                slow.commit();
            }
        }
        kept.keep();
        assertEquals(0, one("select count(*) from scores_kept_of where kept_at is null"));
        same(true);
    }
}
