package org.zealousladder.server.screening.tiers;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.measures.windows.Window;
import org.zealousladder.server.scores.scores.Score;
import org.zealousladder.server.scores.scores.ScoresService;

/** Who is to be tested again: the team asked for it, and nothing of that area and window was recorded since. */
@Service
@Transactional(readOnly = true)
public class RetestsService {
    private final TiersStore store;
    private final MeasuresService measures;
    private final ScoresService scores;

    RetestsService(TiersStore store, MeasuresService measures, ScoresService scores) {
        this.store = store;
        this.measures = measures;
        this.scores = scores;
    }

    /** @param askedOn the day on which it was asked for */
    public record Retest(int studentId, int windowId, String area, LocalDate askedOn) {}

    /** Of some students in some windows, as known on a day. */
    public List<Retest> due(Collection<Integer> students, List<Window> windows, LocalDate asOf) {
        if (students.isEmpty() || windows.isEmpty()) {
            return List.of();
        }
        List<TiersStore.RetestRow> asked = store.retests(students, windows.stream().map(Window::id).toList(), asOf);
        if (asked.isEmpty()) {
            return List.of();
        }
        Map<Integer, String> areas = measures.measures(asOf).stream().collect(Collectors.toMap(Measure::id, Measure::area));
        List<Score> screened = scores.screening(asked.stream().map(TiersStore.RetestRow::studentId).distinct().toList(), areas.keySet(), windows, asOf);
        Map<Long, OffsetDateTime> recorded = scores.recordedAt(screened.stream().map(Score::id).toList());
        return asked.stream().filter(a -> screened.stream().noneMatch(s -> s.studentId() == a.studentId() && s.scored()
                && a.area().equals(areas.get(s.measureId())) && belongs(s, a, windows)
                && requireNonNull(recorded.get(s.id())).isAfter(a.recordedAt())))
                .map(a -> new Retest(a.studentId(), a.windowId(), a.area(), a.onDay())).toList();
    }

    private static boolean belongs(Score score, TiersStore.RetestRow asked, List<Window> windows) {
        Window w = windows.stream().filter(x -> x.id() == asked.windowId()).findFirst().orElseThrow();
        return score.belongsTo(w.id(), w.starts(), w.ends());
    }
}
