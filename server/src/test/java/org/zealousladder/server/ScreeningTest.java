package org.zealousladder.server;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import java.util.stream.StreamSupport;
import org.zealousladder.server.exchange.records.ImportResult;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.JsonNode;

/** What the tests of the screening views share. Each works on students of its own, so that they can run in any order. */
public abstract class ScreeningTest extends ServerTest {
    protected static Stream<JsonNode> each(JsonNode list) {
        return StreamSupport.stream(list.spliterator(), false);
    }

    protected static JsonNode of(JsonNode list, String name) {
        return each(list).filter(r -> r.at("/student/name").asString().equals(name)).findFirst().orElseThrow(() -> new AssertionError("no " + name));
    }

    protected int window(String name) {
        return db.sql("select w.id from measures_window w join roster_year y on y.id = w.year_id where y.name = '2025-26' and w.name = :name")
                .param("name", name)
                .query(Integer.class).single();
    }

    protected int school() {
        return db.sql("select id from roster_school where code = 'SKERROW'").query(Integer.class).single();
    }

    protected String scope(String code, String more) {
        return "?who=class-" + classId(code) + "&year=" + thisYear() + "&asOf=2026-03-13" + more;
    }

    protected String wholeSchool(String more) {
        return "?who=school-" + school() + "&year=" + thisYear() + "&asOf=2026-03-13" + more;
    }

    /** A class of this year with students that only this test knows, taught by {@code login}. */
    protected void newClass(String code, int grade, String login, String... students) {
        signInHere(Viewer.SYSTEM);
        take("class,school,year,name,grade", code + ",SKERROW,2025-26," + code + "," + grade);
        take("login,class", login + "," + code);
        List<String> names = new ArrayList<>(List.of("student,given_name,family_name"));
        List<String> places = new ArrayList<>(List.of("student,class,from,to"));
        for (String s : students) {
            names.add(code + "-" + s + "," + s + "," + code);
            places.add(code + "-" + s + "," + code + ",2025-08-25,");
        }
        take(names.toArray(String[]::new));
        take(places.toArray(String[]::new));
    }

    protected ImportResult take(String... lines) {
        signInHere(Viewer.SYSTEM);
        ImportResult r = imports.take(TestServer.csv(lines));
        if (r.refused() > 0) {
            throw new AssertionError(r.refusals().toString());
        }
        return r;
    }

    protected void score(String student, String measure, String day, Object value) {
        take("student,measure,date,score", student + "," + measure + "," + day + "," + value);
    }

    protected Map<String, Object> cell(String student, String measure, int window, Object value, Long seen) {
        Map<String, Object> cell = new TreeMap<>(Map.of("studentId", student(student), "measureId", measure(measure), "windowId", window,
                "takenOn", LocalDate.of(2026, 3, 13).toString(), "status", "scored", "value", value, "sure", true));
        if (seen != null) {
            cell.put("seen", seen);
        }
        return cell;
    }
}
