package org.zealousladder.server.engagement.work;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.Coded;
import org.zealousladder.core.work.Attempt;
import org.zealousladder.core.work.Counting;
import org.zealousladder.core.work.MarkScale;
import org.zealousladder.core.work.WhichAttempt;
import org.zealousladder.core.work.WorkResult;
import org.zealousladder.core.work.WorkSums;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.SchoolYear;
import tools.jackson.databind.json.JsonMapper;

/** What became of the work of some students. */
@Service
@Transactional(readOnly = true)
public class WorkService {
    private final WorkStore store;
    private final JsonMapper json;

    WorkService(WorkStore store, JsonMapper json) {
        this.store = store;
        this.json = json;
    }

    /** All work of the year, as their schools count it. */
    public WorkBook of(Collection<Enrolled> students, SchoolYear year, LocalDate asOf) {
        return of(students, year, asOf, null);
    }

    /** @param counting in place of the schools' own; null: as they count */
    WorkBook of(Collection<Enrolled> students, SchoolYear year, LocalDate asOf, @Nullable Counting counting) {
        return of(students, year.starts(), year.ends(), asOf, counting);
    }

    /** What became, by {@code asOf}, of the work that was due between two days, both included. */
    public WorkBook between(Collection<Enrolled> students, LocalDate from, LocalDate to, LocalDate asOf) {
        return of(students, from, to, asOf, null);
    }

    private WorkBook of(Collection<Enrolled> students, LocalDate from, LocalDate to, LocalDate asOf, @Nullable Counting counting) {
        List<Integer> ids = students.stream().map(Enrolled::id).toList();
        Map<Integer, List<Integer>> own = store.whose(ids, from, to, asOf).stream()
                .collect(Collectors.groupingBy(WorkStore.Whose::studentId, Collectors.mapping(WorkStore.Whose::pieceId, Collectors.toList())));
        if (own.isEmpty()) {
            return new WorkBook(List.of(), Map.of(), Map.of(), settings(asOf));
        }
        List<Piece> pieces = store.pieces(own.values().stream().flatMap(List::stream).distinct().toList());
        Map<Integer, Piece> byId = pieces.stream().collect(Collectors.toMap(Piece::id, p -> p));
        Map<Integer, Map<Integer, Cell>> cells = store.cells(own.keySet(), byId.keySet(), asOf);
        Map<Integer, Setting> settings = settings(asOf);
        Map<Integer, StudentWork> all = new HashMap<>();
        for (Enrolled e : students) {
            List<Integer> theirs = own.get(e.id());
            if (theirs != null) {
                Counting by = counting == null ? settings.getOrDefault(e.schoolId(), Setting.STANDARD).counting() : counting;
                Map<Integer, WorkResult> results = new HashMap<>();
                theirs.forEach(
                        p -> results.put(p, result(requireNonNull(byId.get(p)), cells.getOrDefault(e.id(), Map.of()).getOrDefault(p, Cell.NOTHING), asOf, by)));
                all.put(e.id(), new StudentWork(e.id(), results, WorkSums.of(results.values(), asOf, by)));
            }
        }
        return new WorkBook(pieces, all, cells, settings);
    }

    static WorkResult result(Piece p, Cell cell, LocalDate asOf, Counting by) {
        return WorkResult.of(cell.told(),
                cell.attempts().stream().map(a -> new Attempt(requireNonNull(a.onDay()), a.points(), a.possible() == null ? p.possible() : a.possible()))
                        .toList(),
                p.due(),
                p.possible(), asOf, by);
    }

    /** How schools count, where they have said so. */
    Map<Integer, Setting> settings(LocalDate asOf) {
        return store.settings(asOf).stream().collect(Collectors.toMap(WorkStore.SettingRow::schoolId,
                r -> new Setting(new Counting(Coded.of(WhichAttempt.class, r.attempt(), "an attempt"), r.late(), r.missingZero()), r.soft(), r.strong(),
                        new MarkScale(List.of(json.readValue(r.rungs(), MarkScale.Rung[].class))))));
    }
}
