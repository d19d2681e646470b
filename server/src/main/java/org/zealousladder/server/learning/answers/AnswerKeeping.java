package org.zealousladder.server.learning.answers;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;

/** Puts the answers of a sitting on record, each as it comes; what comes later takes the place of what came before. */
@Service
public class AnswerKeeping {
    private final AnswerKeepingStore store;
    private final SchoolCalendar calendar;

    AnswerKeeping(AnswerKeepingStore store, SchoolCalendar calendar) {
        this.store = store;
        this.calendar = calendar;
    }

    /**
     * An answer on its way onto the record.
     *
     * @param answer null: taken back
     * @param points where somebody says what it is worth; null: as the item's key has it
     * @param told when the student's device says that it was given, in milliseconds since 1970; null: now
     * @param source check or paper
     */
    public record Given(long sitting, int student, int check, int item, @Nullable String answer, @Nullable Double points, @Nullable Integer seconds,
            @Nullable Long told, String source) {}

    /**
     * What of an answer is on record now.
     *
     * @param points null while nobody has said what it is worth
     */
    public record Kept(@Nullable String answer, @Nullable Double points) {}

    /** The same again changes nothing; one that was given before what is on record is left out. */
    @Transactional
    public Kept keep(Given given) {
        store.lock(given.sitting());
        AnswerKeepingStore.Current before = store.current(given.sitting(), given.item()).orElse(null);
        double possible = store.possible(given.item());
        if (given.points() != null && (given.points() < 0 || given.points() > possible)) {
            throw Refusal.invalid("points", "Points are 0 to " + org.zealousladder.server.platform.words.Words.plain(possible) + ". Nothing was saved.");
        }
        Double points = given.points() != null || given.answer() == null ? given.points() : store.worth(given.item(), given.answer(), possible);
        if (before != null) {
            boolean late = given.told() != null && before.told() != null && before.told() > given.told();
            boolean same = java.util.Objects.equals(before.answer(), given.answer()) && java.util.Objects.equals(before.points(), points);
            if (late || same) {
                return new Kept(before.answer(), before.points());
            }
        } else if (given.answer() == null && given.points() == null) {
            return new Kept(null, null);
        }
        LocalDate today = calendar.today();
        store.put(given, before, points, possible, today);
        return new Kept(given.answer(), points);
    }

    /** What was left out counts as nothing right, once the student has said that this was all. */
    @Transactional
    public void leftOut(long sitting, int student, int check, String source) {
        store.leftOut(sitting, student, check, source, calendar.today());
    }

    /**
     * Values anew what was answered so, in sittings of the viewer's students or anybody's.
     *
     * @param answer as answers are compared
     * @return the sittings in which it counts otherwise now
     */
    @Transactional
    public java.util.List<Long> anew(int item, String answer) {
        return store.anew(item, answer, calendar.today());
    }
}
