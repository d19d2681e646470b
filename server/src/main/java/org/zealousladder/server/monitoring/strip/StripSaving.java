package org.zealousladder.server.monitoring.strip;

import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.scores.ScoreStatus;
import org.zealousladder.core.summary.Quantiles;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.monitoring.strip.StripView.StripEntry;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.scores.scores.Score;
import org.zealousladder.server.scores.scores.ScoreEntry;
import org.zealousladder.server.scores.scores.ScoresService;

/** Saves what was typed for a student on a day, one score at a time. */
@Service
public class StripSaving {
    private final RosterService roster;
    private final MeasuresService measures;
    private final ScoresService scores;
    private final StripEntries entries;
    private final SchoolCalendar calendar;

    StripSaving(RosterService roster, MeasuresService measures, ScoresService scores, StripEntries entries, SchoolCalendar calendar) {
        this.roster = roster;
        this.measures = measures;
        this.scores = scores;
        this.entries = entries;
        this.calendar = calendar;
    }

    /**
     * @param form as {@link StripScore} says
     * @return what is on record now; the same when it stands there already, so that what was sent twice is saved once
     * @throws Refusal 409 {@code conflict} with what stands there now when somebody else was first, 409 {@code unlikely} for a large jump
     */
    @Transactional
    public StripEntry save(StripScore form) {
        Measure measure = measures.measure(form.measureId());
        roster.requireStudent(form.studentId());
        form.values().forEach(v -> scores.check(measure, form.day(), v, ScoreStatus.SCORED));
        Double value = form.values().isEmpty() ? null : (Double) median(form.values(), measure.decimals());
        Score there = current(form.studentId(), form.measureId(), form.day());
        if (!stands(there, form, value)) {
            if (!Objects.equals(there == null ? null : there.id(), form.seen())) {
                throw overtaken(there).with("theirs", entryOf(measure, form.studentId(), form.day()));
            }
            ScoreEntry entry = ScoreEntry.of(form.studentId(), form.measureId(), form.day(), value, form.status()).onForms(form.values())
                    .sure(Boolean.TRUE.equals(form.sure())).named(form.form());
            if (there == null) {
                scores.enter(entry);
            } else {
                scores.correct(there.id(), entry);
            }
        }
        return entryOf(measure, form.studentId(), form.day());
    }

    private static boolean stands(@Nullable Score there, StripScore form, @Nullable Double value) {
        return there != null && there.status() == form.status() && Objects.equals(there.value(), value)
                && (form.form() == null || value == null || Objects.equals(there.form(), ScoresService.form(form.form())));
    }

    private static Refusal overtaken(@Nullable Score there) {
        if (there == null) {
            return Refusal.conflict("Somebody else has taken this score back meanwhile. Yours was not saved; type it again to keep it.");
        }
        Double value = there.value();
        return Refusal.conflict(
                "Somebody else entered " + (value != null ? Words.plain(value) : "'" + there.status().code() + "'") + " here meanwhile. Yours was not saved.");
    }

    /** The middle one of up to three; of two the one between them, in the measure's decimals. */
    private static double median(List<Double> values, int decimals) {
        double unit = Math.pow(10, decimals);
        return Math.rint(Quantiles.of(values.stream().mapToDouble(Double::doubleValue).toArray()).median().orElseThrow() * unit) / unit;
    }

    private @Nullable Score current(int student, int measureId, LocalDate day) {
        return scores.of(List.of(student), List.of(measureId), day, calendar.today()).stream().filter(s -> s.takenOn().equals(day)).findFirst().orElse(null);
    }

    private StripEntry entryOf(Measure measure, int student, LocalDate day) {
        List<Score> all = scores.of(List.of(student), List.of(measure.id()), day.minusYears(1), calendar.today());
        return Objects.requireNonNull(entries.of(measure, List.of(student), all, day, day).get(student));
    }
}
