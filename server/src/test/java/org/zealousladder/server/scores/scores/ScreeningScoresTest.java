package org.zealousladder.server.scores.scores;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.zealousladder.server.ScreeningTest;
import org.zealousladder.server.measures.windows.Window;
import org.zealousladder.server.measures.windows.WindowsService;
import org.zealousladder.server.platform.who.Viewer;

/** Which of many scores is the screening score: the database, the school's list and those who have the scores at hand choose the same. */
class ScreeningScoresTest extends ScreeningTest {
    private static final LocalDate TODAY = LocalDate.of(2026, 3, 13);

    @Autowired
    private ScoresService scores;
    @Autowired
    private WindowsService allWindows;

    private void put(int student, LocalDate on, Double value, String status, Integer window) {
        db.sql("""
                insert into scores_score (student_id, measure_id, taken_on, value, status, source, known_from, window_id)
                values (:s, :m, :on, :value::double precision, :status, 'entered', :on, :w::integer) on conflict do nothing""").param("s", student)
                .param("m", measure("maze")).param("on", on).param("value", value).param("status", status).param("w", window).update();
    }

    @Test
    void theDatabaseAndThoseWhoHaveTheScoresChooseTheSame() {
        String[] names = {"A", "B", "C", "D", "E", "F", "G", "H", "I", "J", "K", "L"};
        newClass("2025-CHOICE", 3, "b.calder", names);
        List<Integer> ids = java.util.Arrays.stream(names).map(n -> student(n + " 2025-CHOICE")).toList();
        Random random = new Random(5);
        List<Window> windows = allWindows.windows(TODAY).stream().filter(w -> w.yearId() == thisYear() && !w.starts().isAfter(TODAY)).toList();
        asking(Viewer.SYSTEM, () -> {
            for (int id : ids) {
                for (int i = 0; i < 9; i++) {
                    boolean scored = random.nextInt(3) > 0;
                    Integer named = random.nextInt(4) == 0 ? (Integer) windows.get(random.nextInt(windows.size())).id() : null;
                    put(id, LocalDate.of(2025, 9, 8).plusDays(random.nextInt(180)), scored ? (Double) (double) random.nextInt(60) : null,
                            scored ? "scored" : random.nextBoolean() ? "absent" : "invalid", named);
                    Window w = windows.get(random.nextInt(windows.size()));
                    put(id, w.starts().plusDays(random.nextInt(5)), (double) random.nextInt(60), "scored", null);
                }
            }
            return null;
        });
        List<Score> chosen = asking(person("m.tveit"), () -> scores.screening(ids, List.of(measure("maze")), windows, TODAY));
        List<Score> all = asking(person("m.tveit"), () -> scores.of(ids, List.of(measure("maze")), LocalDate.of(2025, 8, 1), TODAY));
        Map<String, Long> atHand = new TreeMap<>();
        for (Window w : windows) {
            for (int id : ids) {
                all.stream().filter(s -> s.studentId() == id && s.belongsTo(w.id(), w.starts(), w.ends())).min(Score.SCREENING_FIRST)
                        .ifPresent(s -> atHand.put(w.id() + "/" + id, s.id()));
            }
        }
        assertTrue(atHand.size() > 12, "the case is worth looking at");
        List<Score> inWindows = asking(person("m.tveit"), () -> scores.inWindows(ids, List.of(measure("maze")), windows, TODAY));
        assertEquals(all.stream().filter(s -> windows.stream().anyMatch(w -> s.belongsTo(w.id(), w.starts(), w.ends()))).map(Score::id).sorted().toList(),
                inWindows.stream().map(Score::id).sorted().toList(), "all that belong to a window, each once");
        assertEquals(atHand, new TreeMap<>(chosen.stream().collect(Collectors.toMap(s -> s.windowId() + "/" + s.studentId(), Score::id))));

        for (Window w : windows) {
            List<Double> mine = new ArrayList<>(chosen.stream().filter(s -> s.windowId() == w.id() && s.scored()).map(Score::value).toList());
            List<Double> schools = new ArrayList<>(
                    asking(person("b.calder"), () -> scores.ofSchool(new ScoresService.SchoolAsked(school(), w, List.of(measure("maze")), List.of(3)), TODAY))
                            .stream()
                            .filter(v -> v.measureId() == measure("maze")).map(ScoresService.SchoolValue::value).toList());
            mine.forEach(v -> assertTrue(schools.remove(v), "the school's list has " + v));
        }
    }

    @Test
    void aNamedScoreGoesBeforeAWeeklyProbeAndTheLatestOfThem() {
        newClass("2025-NAMED", 3, "b.calder", "Ada");
        int ada = student("Ada 2025-NAMED");
        int winter = window("Winter");
        asking(Viewer.SYSTEM, () -> {
            put(ada, LocalDate.of(2026, 1, 13), null, "invalid", null);
            put(ada, LocalDate.of(2026, 1, 15), 20.0, "scored", null);
            put(ada, LocalDate.of(2026, 2, 2), 24.0, "scored", winter);
            put(ada, LocalDate.of(2026, 2, 9), 25.0, "scored", winter);
            put(ada, LocalDate.of(2026, 2, 16), 30.0, "scored", null);
            return null;
        });
        List<Window> window = allWindows.windows(TODAY).stream().filter(w -> w.id() == winter).toList();
        assertEquals(25.0, asking(person("b.calder"), () -> scores.screening(List.of(ada), List.of(measure("maze")), window, TODAY)).get(0).value());
        assertEquals(24.0, asking(person("b.calder"), () -> scores.screening(List.of(ada), List.of(measure("maze")), window, LocalDate.of(2026, 2, 5))).get(0)
                .value());
    }
}
