package org.zealousladder.server.monitoring.trends;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyInt;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.zealousladder.core.decisions.Rule;
import org.zealousladder.core.scores.ScoreStatus;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SchoolYear;
import org.zealousladder.server.school.roster.Who;
import org.zealousladder.server.scores.scores.Score;
import org.zealousladder.server.scores.scores.ScoresService;

/** First, best and latest score between two days. */
class SpansServiceTest {
    private static final LocalDate START = LocalDate.of(2025, 10, 6);
    private static final LocalDate TODAY = LocalDate.of(2026, 3, 13);
    private static final Who CLASS = new Who(Who.Kind.CLASS, 4, null);
    private final RosterService roster = mock(RosterService.class);
    private final MeasuresService measures = mock(MeasuresService.class);
    private final ScoresService scores = mock(ScoresService.class);
    private final SpansService spans = new SpansService(roster, measures, scores);
    private final List<Score> all = new ArrayList<>();

    @BeforeEach
    void records() {
        when(roster.year(2)).thenReturn(new SchoolYear(2, "2025-26", LocalDate.of(2025, 8, 25), LocalDate.of(2026, 6, 26)));
        when(roster.enrolled(any(), anyInt(), any())).thenReturn(List.of(student(1, "Ada"), student(2, "Bo"), student(3, "Cy")));
        measure("higher");
        scored(1, 50, 70, 64);
        scored(2, 40);
        when(scores.of(any(), any(), any(), any())).thenReturn(all);
    }

    private void measure(String better) {
        when(measures.measure(anyInt(), any())).thenReturn(
                new Measure(1, "m", "Oral reading", "probe", "Reading", "words", 0, 250, 0, better, 4.5, Rule.CHANCE, 6, 4, 4, 0.25, 0.9));
    }

    private static Enrolled student(int id, String name) {
        return new Enrolled(id, "S" + id, name, "Quill", null, 4, "Tern", 3, LocalDate.of(2025, 8, 25), null, 1);
    }

    private void scored(int student, double... values) {
        for (int i = 0; i < values.length; i++) {
            all.add(new Score(all.size() + 1, student, 1, START.plusWeeks(4L * i), values[i], ScoreStatus.SCORED));
        }
    }

    private SpansService.SpansView view(LocalDate from, LocalDate to) {
        return spans.view(CLASS, 1, 2, from, to, TODAY);
    }

    @Test
    void theThreeComparisonsAreOfTheThreeScores() {
        SpansService.SpansView view = view(START, TODAY);
        assertEquals(List.of("Ada Quill", "Bo Quill"), view.rows().stream().map(r -> r.student().name()).toList());
        assertEquals(1, view.without(), "Cy has no score: counted, not dropped in silence");
        SpansService.SpanRow ada = view.rows().get(0);
        assertEquals(new SpansService.Dated(START, 50), ada.first());
        assertEquals(new SpansService.Dated(START.plusWeeks(4), 70), ada.best());
        assertEquals(new SpansService.Dated(START.plusWeeks(8), 64), ada.latest());
        assertEquals(14, ada.firstToLatest());
        assertEquals(20, ada.firstToBest());
        assertEquals(-6, ada.bestToLatest());
        SpansService.SpanRow bo = view.rows().get(1);
        assertEquals(1, bo.n());
        assertEquals(0, bo.firstToLatest());
    }

    @Test
    void whereLowerIsBetterTheBestIsTheLowest() {
        measure("lower");
        assertEquals(50, view(START, TODAY).rows().get(0).best().score());
        assertEquals(14, view(START, TODAY).rows().get(0).bestToLatest());
    }

    @Test
    void scoresAfterTheLastDayAndWhatWasNotScoredDoNotCount() {
        all.add(new Score(90, 3, 1, START.plusWeeks(1), null, ScoreStatus.ABSENT));
        SpansService.SpansView view = view(START, START.plusWeeks(5));
        assertEquals(70, view.rows().get(0).latest().score());
        assertEquals(1, view.without());
        assertEquals(TODAY, view(START, TODAY.plusWeeks(4)).to(), "no further than the day that is looked at");
    }

    @Test
    void theDaysMustBeInOrder() {
        assertEquals("The first day must not be after the last.", assertThrows(Refusal.class, () -> view(TODAY, START)).getMessage());
    }
}
