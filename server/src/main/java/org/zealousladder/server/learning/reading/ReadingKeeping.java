package org.zealousladder.server.learning.reading;

import java.time.LocalDate;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.scores.FormName;
import org.zealousladder.core.scores.ScoreStatus;
import org.zealousladder.server.learning.reading.ReadingViews.Outcome;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.scores.scores.ScoreEntry;
import org.zealousladder.server.scores.scores.ScoresService;

/** Counts a reading, keeps it, and takes it back. */
@Service
public class ReadingKeeping {
    private final ReadingStore store;
    private final PassagesStore passages;
    private final PassagesService library;
    private final RosterService roster;
    private final MeasuresService measures;
    private final ScoresService scores;
    private final SchoolCalendar calendar;

    ReadingKeeping(ReadingStore store, PassagesStore passages, PassagesService library, RosterService roster, MeasuresService measures, ScoresService scores,
            SchoolCalendar calendar) {
        this.store = store;
        this.passages = passages;
        this.library = library;
        this.roster = roster;
        this.measures = measures;
        this.scores = scores;
        this.calendar = calendar;
    }

    /** What a reading comes to, without keeping it. */
    @Transactional(readOnly = true)
    public Outcome count(ReadingForm form) {
        roster.requireStudent(form.studentId());
        int school = roster.enrolled(form.studentId(), calendar.today()).schoolId();
        return counted(form, school);
    }

    private Outcome counted(ReadingForm f, int school) {
        return Counting.of(library.passage(f.passageId(), school), Counting.Heard.of(f),
                new Counting.Standards(passages.levels(school, calendar.today()), passages.behaviours(school)));
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
                    ScoreEntry.of(form.studentId(), measure.id(), form.readOn(), Math.rint(outcome.correctPerMinute() * unit) / unit, ScoreStatus.SCORED)
                            .sure(true).named(FormName.shortened(library.passage(form.passageId(), school).title())));
        }
        return id;
    }

    /** Takes back a reading that was recorded by mistake. */
    @Transactional
    public void withdraw(long id) {
        if (!store.withdraw(id, calendar.today(), Viewer.current().id())) {
            throw Refusal.notFound("There is no such reading among your students', or it was taken back already.");
        }
    }

    /** Undoes a {@link #withdraw}: by who did it, on the same day, so that no day is shown otherwise than it was. */
    @Transactional
    public void restore(long id) {
        if (!store.restore(id, calendar.today(), Viewer.current().id())) {
            throw Refusal.conflict("Only who took a reading back can bring it back, on the same day. Nothing was changed.");
        }
    }
}
