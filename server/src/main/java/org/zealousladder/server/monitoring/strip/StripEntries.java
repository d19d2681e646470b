package org.zealousladder.server.monitoring.strip;

import java.time.LocalDate;
import java.util.Arrays;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.zealousladder.core.scores.Jump;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.monitoring.strip.StripView.StripEntry;
import org.zealousladder.server.scores.scores.Score;
import org.zealousladder.server.scores.scores.ScoresService;

/** What a line of the strip shows: the score it is about, and the one before it. */
@Component
class StripEntries {
    private final StripStore store;

    StripEntries(StripStore store) {
        this.store = store;
    }

    /**
     * One entry a student.
     *
     * @param all the students' scores on the measure until {@code until}
     * @param from first day whose score counts as the one to show; the newest is taken
     * @param until the day to enter for, where there is none
     */
    Map<Integer, StripEntry> of(Measure measure, Collection<Integer> students, List<Score> all, LocalDate from, LocalDate until) {
        Map<Integer, List<Score>> byStudent = all.stream().filter(s -> !s.takenOn().isAfter(until)).collect(Collectors.groupingBy(Score::studentId));
        Map<Integer, Score> now = byStudent.values().stream().flatMap(l -> newest(l, from).stream()).collect(Collectors.toMap(Score::studentId, s -> s));
        Map<Long, List<Double>> forms = now.isEmpty() ? Map.of() : store.forms(now.values().stream().map(Score::id).toList()).stream()
                .collect(Collectors.toMap(StripStore.FormsRow::id, f -> Arrays.asList(f.forms())));
        return students.stream().collect(Collectors.toMap(id -> id, id -> entry(measure, byStudent.getOrDefault(id, List.of()), now.get(id), forms, until)));
    }

    private static Optional<Score> newest(List<Score> own, LocalDate from) {
        return own.stream().filter(s -> !s.takenOn().isBefore(from)).max(Comparator.comparing(Score::takenOn));
    }

    private static StripEntry entry(Measure measure, List<Score> own, @Nullable Score now, Map<Long, List<Double>> forms, LocalDate until) {
        LocalDate day = now == null ? until : now.takenOn();
        Score last = own.stream().filter(s -> s.takenOn().isBefore(day) && s.scored()).max(Comparator.comparing(Score::takenOn)).orElse(null);
        Jump likely = ScoresService.likely(measure, last).orElse(null);
        return new StripEntry(day, now == null ? null : now.id(), now == null ? null : now.value(), now == null ? null : now.status(),
                now == null ? null : forms.get(now.id()), now == null ? null : now.form(), last == null ? null : last.takenOn(),
                last == null ? null : last.value(),
                likely == null ? null : likely.low(), likely == null ? null : likely.high());
    }
}
