package org.zealousladder.server.learning.reading;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.reading.LevelTable;
import org.zealousladder.server.learning.reading.ReadingViews.Behaviour;
import org.zealousladder.server.learning.reading.ReadingViews.OtherReading;
import org.zealousladder.server.learning.reading.ReadingViews.Outcome;
import org.zealousladder.server.learning.reading.ReadingViews.ReadingBrief;
import org.zealousladder.server.learning.reading.ReadingViews.ReadingHome;
import org.zealousladder.server.learning.reading.ReadingViews.ReadingLevel;
import org.zealousladder.server.learning.reading.ReadingViews.ReadingPair;
import org.zealousladder.server.learning.reading.ReadingViews.ReadingRecord;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SetupRights;
import org.zealousladder.server.school.roster.StudentRef;
import org.zealousladder.server.school.roster.Who;

/** Shows readings: those of a class, and one beside others of the same passage. */
@Service
@Transactional(readOnly = true)
public class ReadingService {
    private final ReadingStore store;
    private final PassagesStore passages;
    private final PassagesService library;
    private final RosterService roster;
    private final SetupRights rights;

    ReadingService(ReadingStore store, PassagesStore passages, PassagesService library, RosterService roster, SetupRights rights) {
        this.store = store;
        this.passages = passages;
        this.library = library;
        this.roster = roster;
        this.rights = rights;
    }

    public ReadingHome home(Who who, int yearId, LocalDate asked) {
        LocalDate asOf = roster.year(yearId).clamp(asked);
        int school = roster.school(who);
        List<Enrolled> students = roster.enrolled(who, yearId, asOf);
        Map<Integer, StudentRef> refs = students.stream().collect(Collectors.toMap(Enrolled::id, Enrolled::ref, (a, b) -> a));
        Map<Integer, Passage> texts = passages.passages(school).stream()
                .collect(Collectors.toMap(Passage::id, Function.identity(), (a, b) -> a, java.util.LinkedHashMap::new));
        LevelTable table = passages.levels(school, asOf);
        Counting.Standards levels = new Counting.Standards(table, List.of());
        List<ReadingStore.ReadingRow> rows = refs.isEmpty() ? List.of() : store.ofStudents(refs.keySet(), roster.year(yearId).starts(), asOf);
        Map<Long, List<ReadingForm.MarkAt>> marks = rows.isEmpty() ? Map.of() : store.marks(rows.stream().map(ReadingStore.ReadingRow::id).toList());
        List<ReadingBrief> readings = rows.stream().filter(r -> texts.containsKey(r.passageId())).map(r -> {
            Outcome o = Counting.of(requireNonNull(texts.get(r.passageId())),
                    new Counting.Heard(r.seconds(), r.lastWord(), marks.getOrDefault(r.id(), List.of()), null, List.of(), List.of()), levels);
            return new ReadingBrief(r.id(), requireNonNull(refs.get(r.studentId())), r.passageId(), requireNonNull(texts.get(r.passageId())).title(),
                    r.readOn(), o.correctPerMinute(),
                    o.accuracy(), r.level());
        }).toList();
        return new ReadingHome(students.stream().map(Enrolled::ref).toList(), List.copyOf(texts.values()), passages.behaviours(school),
                table.levels().stream().map(l -> new ReadingLevel(l.name(), l.accuracy(), l.comprehension())).toList(), readings, school,
                rights.mayChange(school));
    }

    /** The newest readings of a student, with their marks. */
    public List<ReadingRecord> newest(Enrolled student, LocalDate asOf, int most) {
        List<ReadingStore.ReadingRow> rows = store.ofStudents(List.of(student.id()), LocalDate.EPOCH, asOf).stream()
                .sorted(Comparator.comparing(ReadingStore.ReadingRow::readOn).thenComparing(ReadingStore.ReadingRow::id).reversed()).limit(most).toList();
        return rows.isEmpty() ? List.of() : records(rows, student, asOf, passages.behaviours(student.schoolId()));
    }

    private List<ReadingRecord> records(List<ReadingStore.ReadingRow> rows, Enrolled student, LocalDate asOf, List<Behaviour> behaviours) {
        List<Long> ids = rows.stream().map(ReadingStore.ReadingRow::id).toList();
        Map<Long, List<ReadingForm.MarkAt>> marks = store.marks(ids);
        Map<Long, List<ReadingForm.Answer>> answers = store.answers(ids);
        Map<Long, List<ReadingForm.Seen>> seen = store.seen(ids);
        Map<Integer, Passage> texts = rows.stream().map(ReadingStore.ReadingRow::passageId).distinct()
                .collect(Collectors.toMap(Function.identity(), p -> library.passage(p, student.schoolId())));
        Counting.Standards standards = new Counting.Standards(passages.levels(student.schoolId(), asOf), behaviours);
        return rows.stream().map(r -> {
            List<ReadingForm.MarkAt> m = marks.getOrDefault(r.id(), List.of());
            List<ReadingForm.Answer> a = answers.getOrDefault(r.id(), List.of());
            List<ReadingForm.Seen> s = seen.getOrDefault(r.id(), List.of());
            Passage passage = requireNonNull(texts.get(r.passageId()));
            return new ReadingRecord(r.id(), student.ref(), passage, r.readOn(), r.seconds(), r.limitSeconds(), r.lastWord(), m, r.retelling(), a, s, r.level(),
                    r.levelReason(), r.note(), r.by(), Counting.of(passage, new Counting.Heard(r.seconds(), r.lastWord(), m, r.retelling(), a, s), standards));
        }).toList();
    }

    /** A reading and the others of the same passage by the same student. */
    public ReadingPair pair(long id, LocalDate asOf) {
        ReadingStore.ReadingRow row = store.byId(id, asOf).orElseThrow(() -> Refusal.notFound("There is no such reading among your students'."));
        Enrolled student = roster.enrolled(row.studentId(), asOf);
        List<ReadingStore.ReadingRow> all = new ArrayList<>(store.ofStudents(List.of(row.studentId()), LocalDate.EPOCH, asOf));
        all.removeIf(r -> r.passageId() != row.passageId() || r.id() == id);
        all.add(0, row);
        List<Behaviour> behaviours = passages.behaviours(student.schoolId());
        List<ReadingRecord> records = records(all, student, asOf, behaviours);
        return new ReadingPair(records.get(0), records.stream().skip(1).map(o -> new OtherReading(o, Counting.compare(records.get(0), o))).toList(),
                behaviours);
    }
}
