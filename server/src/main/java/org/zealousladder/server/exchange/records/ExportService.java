package org.zealousladder.server.exchange.records;

import static java.util.Objects.requireNonNull;
import static java.util.Objects.requireNonNullElse;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.platform.downloads.CsvRows;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SchoolYear;
import org.zealousladder.server.school.roster.Who;
import org.zealousladder.server.scores.scores.ScoresService;

/** The way out: scores in scope in the same form that the import reads. */
@Service
@Transactional(readOnly = true)
public class ExportService {
    private final RosterService roster;
    private final MeasuresService measures;
    private final ScoresService scores;

    ExportService(RosterService roster, MeasuresService measures, ScoresService scores) {
        this.roster = roster;
        this.measures = measures;
        this.scores = scores;
    }

    /** Scores of the year, of one measure or of all when it is null; of {@code picked} students only, unless that is empty. */
    public void write(Who who, @Nullable Integer measureId, int yearId, LocalDate asked, List<Integer> picked, CsvRows rows) {
        SchoolYear year = roster.year(yearId);
        LocalDate asOf = year.clamp(asked);
        Map<Integer, Measure> byId = measureId == null ? measures.byId() : Map.of(measureId, measures.measure(measureId));
        List<Enrolled> students = picked.isEmpty() ? roster.enrolled(who, yearId, asOf) : roster.enrolledAmong(picked, asOf);
        Map<Integer, String> codes = students.stream().collect(Collectors.toMap(Enrolled::id, Enrolled::code, (a, b) -> a));
        rows.add("student", "measure", "date", "score", "status", "form");
        scores.each(codes.keySet(), byId.keySet(), year.starts(), asOf, s -> rows.add(requireNonNull(codes.get(s.studentId())),
                requireNonNull(byId.get(s.measureId())).code(), s.takenOn().toString(), s.value() == null ? "" : Words.plain(s.value()), s.status().code(),
                requireNonNullElse(s.form(), "")));
    }
}
