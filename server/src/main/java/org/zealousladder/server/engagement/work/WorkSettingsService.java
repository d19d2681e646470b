package org.zealousladder.server.engagement.work;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.Coded;
import org.zealousladder.core.work.Counting;
import org.zealousladder.core.work.MarkScale;
import org.zealousladder.core.work.WhichAttempt;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.texts.Texts;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SchoolYear;
import org.zealousladder.server.school.roster.SetupRights;
import org.zealousladder.server.school.roster.StudentRef;
import org.zealousladder.server.school.roster.Who;
import tools.jackson.databind.json.JsonMapper;

/** How a school counts its work: a rule for everybody's marks, so it is set by who sets up, with a preview and a reason, from today on; taken back by setting what was before. */
@Service
@Transactional
class WorkSettingsService {
    private final WorkStore store;
    private final WorkService work;
    private final RosterService roster;
    private final SetupRights rights;
    private final SchoolCalendar calendar;
    private final JsonMapper json;

    WorkSettingsService(WorkStore store, WorkService work, RosterService roster, SetupRights rights, SchoolCalendar calendar, JsonMapper json) {
        this.store = store;
        this.work = work;
        this.roster = roster;
        this.rights = rights;
        this.calendar = calendar;
        this.json = json;
    }

    /** A way to count. */
    record WorkSetting(WhichAttempt attempt, boolean late, boolean missingIsZero, double soft, double strong, List<MarkScale.Rung> rungs) {
        static WorkSetting of(Setting s) {
            return new WorkSetting(s.counting().attempt(), s.counting().late(), s.counting().missingIsZero(), s.soft(), s.strong(), s.scale().rungs());
        }
    }

    /** One that was set. */
    record PastWorkSetting(WorkSetting setting, String because, LocalDate since, @Nullable String by) {}

    /** @param seen goes back with a change */
    record WorkSettingsView(WorkSetting now, int seen, boolean mayChange, List<PastWorkSetting> history) {}

    /** Whose mark would be another. */
    record MarkMoves(StudentRef student, @Nullable String before, @Nullable String after) {}

    /** @param students of whom something was marked, or would be */
    record MarksPreview(List<MarkMoves> moves, int students) {}

    @Transactional(readOnly = true)
    WorkSettingsView view(int school) {
        List<WorkStore.PastSetting> history = store.history(school);
        Setting now = work.settings(calendar.today()).getOrDefault(school, Setting.STANDARD);
        return new WorkSettingsView(WorkSetting.of(now), history.isEmpty() ? 0 : history.get(0).id(), rights.mayChange(school), history.stream()
                .map(h -> new PastWorkSetting(
                        new WorkSetting(Coded.of(WhichAttempt.class, h.attempt(), "an attempt"), h.late(), h.missingZero(), h.soft(), h.strong(),
                                List.of(json.readValue(h.rungs(), MarkScale.Rung[].class))),
                        h.because(), h.knownFrom(), h.by()))
                .toList());
    }

    private static Setting checked(WorkController.WorkSettingForm f) {
        if (!(f.soft() > 0 && f.soft() <= f.strong() && f.strong() <= 1)) {
            throw Refusal.invalid("soft", "The soft mark begins above 0 points below the middle, the strong one at as many or more, up to 100.");
        }
        try {
            return new Setting(new Counting(f.attempt(), f.late(), f.missingIsZero()), f.soft(), f.strong(), new MarkScale(f.rungs()));
        } catch (IllegalArgumentException e) {
            throw Refusal.invalid("rungs", requireNonNull(e.getMessage()));
        }
    }

    /** Who would have another mark today. */
    @Transactional(readOnly = true)
    MarksPreview preview(WorkController.WorkSettingForm f) {
        rights.require(f.school(), "Marks");
        Setting next = checked(f);
        LocalDate today = calendar.today();
        SchoolYear year = roster.year(f.year());
        List<Enrolled> students = roster.enrolled(Who.parse("school-" + f.school()), f.year(), year.clamp(today));
        WorkBook before = work.of(students, year, year.clamp(today));
        WorkBook after = work.of(students, year, year.clamp(today), next.counting());
        List<MarkMoves> moves = new ArrayList<>();
        int marked = 0;
        for (Enrolled e : students) {
            String was = mark(before, e.id(), before.of(f.school()).scale());
            String becomes = mark(after, e.id(), next.scale());
            marked += was != null || becomes != null ? 1 : 0;
            if (!Objects.equals(was, becomes)) {
                moves.add(new MarkMoves(e.ref(), was, becomes));
            }
        }
        return new MarksPreview(moves, marked);
    }

    private static @Nullable String mark(WorkBook book, int student, MarkScale scale) {
        StudentWork w = book.students().get(student);
        OptionalDouble share = w == null ? OptionalDouble.empty() : w.sums().shareEarned();
        return share.isEmpty() ? null : scale.at(share.getAsDouble()).name();
    }

    /** @throws Refusal 403 for another school; 409 where somebody else was first; 422 for a scale that is none, or without a reason */
    void set(WorkController.WorkSettingForm f) {
        rights.require(f.school(), "Marks");
        Setting next = checked(f);
        String because = f.because() == null ? null : Words.orNull(Texts.clean(f.because()));
        if (because == null) {
            throw Refusal.invalid("because", "Say why.");
        }
        List<WorkStore.PastSetting> history = store.history(f.school());
        if (f.seen() != (history.isEmpty() ? 0 : history.get(0).id())) {
            throw Refusal.conflict("Somebody else has set this meanwhile. Look at it again; yours was not saved.");
        }
        store.set(f.school(), new WorkStore.SettingRow(f.school(), f.attempt().code(), f.late(), f.missingIsZero(), f.soft(), f.strong(),
                json.writeValueAsString(next.scale().rungs())), because, calendar.today());
    }
}
