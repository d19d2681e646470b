package org.zealousladder.server.screening.changes;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.interceptor.TransactionAspectSupport;
import org.zealousladder.core.scores.ScoreScale;
import org.zealousladder.server.measures.measures.MeasureForm;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SetupRights;
import org.zealousladder.server.scores.scores.Score;
import org.zealousladder.server.scores.scores.ScoresService;
import org.zealousladder.server.screening.changes.ChangePreview.Outside;
import org.zealousladder.server.screening.changes.ChangePreview.PlaceMoved;
import org.zealousladder.server.screening.changes.ChangePreview.StudentMoved;
import org.zealousladder.server.screening.changes.Changing.Made;
import org.zealousladder.server.screening.changes.ReadingsOfScores.Readings;
import tools.jackson.databind.json.JsonMapper;

/**
 * Shows changes, makes them, takes them back. A preview makes the change in a transaction of its own, looks who stands elsewhere, and rolls it back: what
 * is shown is what would be done.
 */
@Service
public class ChangesService {
    private static final int LISTED = 30;

    private final Map<ChangeKind, Changing> changing = new EnumMap<>(ChangeKind.class);
    private final ChangesStore store;
    private final ReadingsOfScores readings;
    private final ScoresService scores;
    private final RosterService roster;
    private final SetupRights rights;
    private final SchoolCalendar calendar;
    private final JsonMapper json;

    ChangesService(List<Changing> all, ChangesStore store, ReadingsOfScores readings, ScoresService scores, RosterService roster, SetupRights rights,
            SchoolCalendar calendar, JsonMapper json) {
        all.forEach(c -> c.kinds().forEach(k -> changing.put(k, c)));
        this.store = store;
        this.readings = readings;
        this.scores = scores;
        this.roster = roster;
        this.rights = rights;
        this.calendar = calendar;
        this.json = json;
    }

    private Changing of(SetupChange change) {
        return requireNonNull(changing.get(change.kind()));
    }

    private record Done(Made made, List<StudentMoved> movers, List<PlaceMoved> places, String sentence) {}

    private Done make(SetupChange change, @Nullable String reason) {
        Changing kind = of(change);
        Readings before = readings.of(kind.reach(change));
        Made made = kind.make(change, reason);
        Readings after = readings.of(kind.reach(made.after()));
        List<StudentMoved> movers = Movers.between(before, after);
        int of = Math.max(before.students().size(), after.students().size());
        return new Done(made, movers, Movers.places(before, after), change.kind() == ChangeKind.RULE ? "" : Movers.sentence(movers, of));
    }

    /** What a change would do. Nothing is saved. */
    @Transactional
    public ChangePreview preview(SetupChange change) {
        SetupChange now = of(change).now(change);
        Done done = make(change, null);
        TransactionAspectSupport.currentTransactionStatus().setRollbackOnly();
        List<StudentMoved> movers = done.movers();
        return new ChangePreview(done.made().words(), done.sentence(), done.places(), movers.subList(0, Math.min(movers.size(), ChangePreview.MOST)),
                movers.size(),
                outside(change.measure()), text(now), !Objects.equals(now, done.made().after()));
    }

    private List<Outside> outside(@Nullable MeasureForm measure) {
        if (measure == null) {
            return List.of();
        }
        List<Score> all = scores.outside(measure.id(), new ScoreScale(measure.lowest(), measure.highest(), measure.decimals()), ChangePreview.MOST);
        Map<Integer, Enrolled> here = roster.enrolledAmong(all.stream().map(Score::studentId).distinct().toList(), calendar.today()).stream()
                .collect(Collectors.toMap(Enrolled::id, e -> e, (a, b) -> a));
        return all.stream().map(s -> {
            Enrolled e = here.get(s.studentId());
            return new Outside(e == null ? null : e.ref(), s.takenOn(), requireNonNull(s.value()));
        }).toList();
    }

    /** @param seen what the preview said of how it was; null: it was not looked at */
    @Transactional
    public void save(SetupChange change, @Nullable String reason, @Nullable String seen) {
        store.lock();
        SetupChange now = of(change).now(change);
        if (seen != null && !seen.equals(text(now))) {
            throw Refusal.conflict("Somebody else has changed this meanwhile. Yours was not saved; look at what it is now first.");
        }
        keep(change, now, reason, null);
    }

    private void keep(SetupChange change, @Nullable SetupChange now, @Nullable String reason, @Nullable Long undoes) {
        Done done = make(change, Words.orNull(reason));
        if (Objects.equals(now, done.made().after())) {
            throw Refusal.invalid("change", "That is how it is already; nothing was changed.");
        }
        String why = Words.orNull(reason);
        if (why == null) {
            throw Refusal.invalid("reason", "Say why; it stays on record. Nothing was saved.");
        }
        Made made = done.made();
        store.insert(new ChangesStore.NewRow(change.kind(), made.schoolId(), made.about(), made.words(), done.sentence(), why,
                made.before() == null ? null : json.writeValueAsString(made.before()), json.writeValueAsString(made.after()), undoes, calendar.today(),
                Viewer.current().id()));
    }

    private String text(@Nullable SetupChange now) {
        return now == null ? "" : json.writeValueAsString(now);
    }

    /** Brings back how it was before a change, as a change of its own. */
    @Transactional
    public void takeBack(long id, @Nullable String reason) {
        store.lock();
        ChangesStore.Row row = store.byId(id).filter(r -> visible(r.schoolId())).orElseThrow(() -> Refusal.notFound("There is no such change on record."));
        if (row.undone()) {
            throw Refusal.conflict("It has been taken back already.");
        }
        SetupChange before = before(row);
        if (before == null) {
            throw Refusal.conflict("There was nothing before it, so it cannot be taken back. Change it instead.");
        }
        SetupChange after = json.readValue(row.after(), SetupChange.class);
        Changing kind = of(after);
        SetupChange now = after.removedWindow() != null ? after : kind.now(after);
        if (!row.newest() || !Objects.equals(now, after)) {
            throw Refusal.conflict("It has been changed again since. Take back the newest change first; nothing was saved.");
        }
        keep(before, kind.now(before), reason, id);
    }

    private @Nullable SetupChange before(ChangesStore.Row row) {
        return row.before() == null ? null : json.readValue(row.before(), SetupChange.class);
    }

    private boolean visible(@Nullable Integer schoolId) {
        return schoolId == null || Viewer.current().worksAt(schoolId);
    }

    /**
     * A change on record.
     *
     * @param effect who stood elsewhere, in a sentence; empty where that was not counted
     * @param undone whether it was taken back
     * @param takesBack whether it took another one back
     * @param before what brings back how it was, where the viewer may still do that
     */
    public record Recorded(long id, ChangeKind kind, LocalDate changedOn, @Nullable String by, String words, String effect, String reason, boolean undone,
            boolean takesBack, @Nullable SetupChange before) {}

    /** What was changed by a day, the newest first. */
    @Transactional(readOnly = true)
    public List<Recorded> list(List<ChangeKind> kinds, @Nullable Integer school, LocalDate asOf) {
        if (school != null && !visible(school)) {
            throw Refusal.forbidden("That school is not yours.");
        }
        return store.of(kinds.stream().map(ChangeKind::code).toList(), school, asOf, LISTED).stream()
                .map(r -> new Recorded(r.id(), r.kind(), r.changedOn(), r.by(), r.words(), r.effect(), r.reason(), r.undone(),
                        r.undoes() != null, r.newest() && !r.undone() && asOf.equals(calendar.today()) && rights.mayChange(r.schoolId()) ? before(r) : null))
                .toList();
    }
}
