package org.zealousladder.server.learning.reading;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
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
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.measures.measures.SetupRights;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.StudentRef;
import org.zealousladder.server.school.roster.Who;
import org.zealousladder.server.scores.scores.Score;
import org.zealousladder.server.scores.scores.ScoreEntry;
import org.zealousladder.server.scores.scores.ScoresService;

/** Reads, counts and keeps readings. */
@Service
public class ReadingService {
    private static final String TWICE = "The library has one of that name already. Nothing was saved.";

    private final ReadingStore store;
    private final PassagesStore passages;
    private final RosterService roster;
    private final MeasuresService measures;
    private final ScoresService scores;
    private final SetupRights rights;
    private final SchoolCalendar calendar;

    ReadingService(ReadingStore store, PassagesStore passages, RosterService roster, MeasuresService measures, ScoresService scores, SetupRights rights,
            SchoolCalendar calendar) {
        this.store = store;
        this.passages = passages;
        this.roster = roster;
        this.measures = measures;
        this.scores = scores;
        this.rights = rights;
        this.calendar = calendar;
    }

    @Transactional(readOnly = true)
    public ReadingHome home(Who who, int yearId, LocalDate asked) {
        LocalDate asOf = roster.year(yearId).clamp(asked);
        int school = roster.school(who);
        List<Enrolled> students = roster.enrolled(who, yearId, asOf);
        Map<Integer, StudentRef> refs = students.stream().collect(Collectors.toMap(Enrolled::id, Enrolled::ref, (a, b) -> a));
        Map<Integer, Passage> texts = passages.passages(school).stream()
                .collect(Collectors.toMap(Passage::id, Function.identity(), (a, b) -> a, java.util.LinkedHashMap::new));
        LevelTable levels = passages.levels(school, asOf);
        List<ReadingStore.ReadingRow> rows = refs.isEmpty() ? List.of() : store.ofStudents(refs.keySet(), roster.year(yearId).starts(), asOf);
        Map<Long, List<ReadingForm.MarkAt>> marks = rows.isEmpty() ? Map.of() : store.marks(rows.stream().map(ReadingStore.ReadingRow::id).toList());
        List<ReadingBrief> readings = rows.stream().filter(r -> texts.containsKey(r.passageId())).map(r -> {
            Outcome o = Counting.of(requireNonNull(texts.get(r.passageId())), r.seconds(), r.lastWord(), marks.getOrDefault(r.id(), List.of()), null, List.of(),
                    List.of(),
                    levels, List.of());
            return new ReadingBrief(r.id(), requireNonNull(refs.get(r.studentId())), r.passageId(), requireNonNull(texts.get(r.passageId())).title(),
                    r.readOn(), o.correctPerMinute(),
                    o.accuracy(), r.level());
        }).toList();
        return new ReadingHome(students.stream().map(Enrolled::ref).toList(), List.copyOf(texts.values()), passages.behaviours(school),
                levels.levels().stream().map(l -> new ReadingLevel(l.name(), l.accuracy(), l.comprehension())).toList(), readings, school,
                rights.mayChange(school));
    }

    /** What a reading comes to, without keeping it. */
    @Transactional(readOnly = true)
    public Outcome count(ReadingForm form) {
        roster.requireStudent(form.studentId());
        int school = roster.enrolled(form.studentId(), calendar.today()).schoolId();
        return counted(form, school);
    }

    private Outcome counted(ReadingForm f, int school) {
        return Counting.of(passage(f.passageId(), school), f.seconds(), f.lastWord(), f.marks(), f.retelling(), f.answers(), f.seen(),
                passages.levels(school, calendar.today()), passages.behaviours(school));
    }

    /** Keeps a reading; with a measure also its words correct per minute as the day's score, both or neither. */
    @Transactional
    public long save(ReadingForm form) {
        roster.requireStudent(form.studentId());
        LocalDate today = calendar.today();
        if (form.readOn().isAfter(today)) {
            throw Refusal.invalid("readOn", "The date is in the future. Use today's or an earlier one.");
        }
        int school = roster.enrolled(form.studentId(), today).schoolId();
        Outcome outcome = counted(form, school);
        String level = form.level() == null || form.level().isBlank() ? outcome.proposedLevel() : form.level().strip();
        String reason = Words.orNull(form.levelReason());
        if (passages.levels(school, today).levels().stream().noneMatch(l -> l.name().equals(level))) {
            throw Refusal.invalid("level", "There is no level '" + level + "' in the school's table.");
        }
        if (!level.equals(outcome.proposedLevel()) && reason == null) {
            throw Refusal.invalid("levelReason", "Say in a few words why another level than the proposed '" + outcome.proposedLevel() + "'.");
        }
        long id = store.insert(form, outcome.proposedLevel(), level, level.equals(outcome.proposedLevel()) ? null : reason, today, Viewer.current().id());
        if (form.measureId() != null) {
            Measure measure = measures.measure(form.measureId());
            double unit = Math.pow(10, measure.decimals());
            // Counted, not typed: there is no slip to ask about.
            scores.enter(
                    ScoreEntry.of(form.studentId(), measure.id(), form.readOn(), Math.rint(outcome.correctPerMinute() * unit) / unit, Score.SCORED).sure(true));
        }
        return id;
    }

    /** A reading and the others of the same passage by the same student. */
    @Transactional(readOnly = true)
    public ReadingPair pair(long id, LocalDate asOf) {
        ReadingStore.ReadingRow row = store.byId(id, asOf).orElseThrow(() -> Refusal.notFound("There is no such reading among your students'."));
        Enrolled student = roster.enrolled(row.studentId(), asOf);
        List<ReadingStore.ReadingRow> all = new ArrayList<>(store.ofStudents(List.of(row.studentId()), LocalDate.EPOCH, asOf));
        all.removeIf(r -> r.passageId() != row.passageId() || r.id() == id);
        all.add(0, row);
        List<Long> ids = all.stream().map(ReadingStore.ReadingRow::id).toList();
        Map<Long, List<ReadingForm.MarkAt>> marks = store.marks(ids);
        Map<Long, List<ReadingForm.Answer>> answers = store.answers(ids);
        Map<Long, List<ReadingForm.Seen>> seen = store.seen(ids);
        Passage passage = passage(row.passageId(), student.schoolId());
        LevelTable levels = passages.levels(student.schoolId(), asOf);
        List<Behaviour> library = passages.behaviours(student.schoolId());
        List<ReadingRecord> records = all.stream().map(r -> {
            List<ReadingForm.MarkAt> m = marks.getOrDefault(r.id(), List.of());
            List<ReadingForm.Answer> a = answers.getOrDefault(r.id(), List.of());
            List<ReadingForm.Seen> s = seen.getOrDefault(r.id(), List.of());
            return new ReadingRecord(r.id(), student.ref(), passage, r.readOn(), r.seconds(), r.limitSeconds(), r.lastWord(), m, r.retelling(), a, s, r.level(),
                    r.levelReason(), r.note(), r.by(), Counting.of(passage, r.seconds(), r.lastWord(), m, r.retelling(), a, s, levels, library));
        }).toList();
        return new ReadingPair(records.get(0), records.stream().skip(1).map(o -> new OtherReading(o, Counting.compare(records.get(0), o))).toList(), library);
    }

    /** Takes back a reading that was recorded by mistake. */
    @Transactional
    public void withdraw(long id) {
        if (!store.withdraw(id, calendar.today(), Viewer.current().id())) {
            throw Refusal.notFound("There is no such reading among your students', or it was taken back already.");
        }
    }

    private Passage passage(int id, int school) {
        return passages.passages(school).stream().filter(p -> p.id() == id).findFirst()
                .orElseThrow(() -> Refusal.notFound("There is no such passage in the school."));
    }

    /** @param questions with ids that are ignored */
    @Transactional
    public int addPassage(int school, String title, @Nullable Integer grade, String body, List<Passage.Question> questions) {
        requireTeam(school);
        int words = Passage.split(body).stream().mapToInt(List::size).sum();
        if (words < 20 || words > 2000) {
            throw Refusal.invalid("body", "A passage has 20 to 2,000 words; this one has " + words + ". Nothing was saved.");
        }
        int id = passages.insert(school, title.strip(), grade, body.strip(), Viewer.current().id());
        if (!questions.isEmpty()) {
            passages.ask(id, questions);
        }
        return id;
    }

    /** Passages are the school's own: everyone who works there may add one. */
    private void requireTeam(int school) {
        Viewer viewer = Viewer.current();
        if (viewer.role() != Viewer.Role.ADMINISTRATOR && !Integer.valueOf(school).equals(viewer.schoolId())) {
            throw Refusal.forbidden("Passages of another school are not yours to change. Nothing was saved.");
        }
    }

    @Transactional
    public void retire(int passage, int school, boolean retired) {
        rights.require(school, "Passages");
        if (!passages.retire(passage, school, retired)) {
            throw Refusal.notFound("There is no such passage in the school.");
        }
    }

    @Transactional
    public void saveBehaviour(@Nullable Integer id, int school, String name, String teach, boolean retired) {
        rights.require(school, "The library");
        if (passages.behaviours(school).stream().anyMatch(b -> !Objects.equals(b.id(), id) && b.name().equalsIgnoreCase(name.strip()))) {
            throw Refusal.invalid("name", TWICE);
        }
        try {
            passages.saveBehaviour(id, school, name.strip(), teach.strip(), retired);
        } catch (org.springframework.dao.DuplicateKeyException e) {
            throw Refusal.invalid("name", TWICE);
        }
    }

    @Transactional
    public void saveLevels(int school, List<ReadingLevel> levels) {
        rights.require(school, "Levels");
        try {
            LevelTable table = new LevelTable(levels.stream().map(l -> new LevelTable.Level(l.name().strip(), l.accuracy(), l.comprehension())).toList());
            passages.replaceLevels(school, table, calendar.today(), Viewer.current().id());
        } catch (IllegalArgumentException e) {
            throw Refusal.invalid("levels", e.getMessage() + " Nothing was saved.");
        }
    }
}
