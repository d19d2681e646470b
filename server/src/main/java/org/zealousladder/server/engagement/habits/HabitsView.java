package org.zealousladder.server.engagement.habits;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.engagement.Habits;
import org.zealousladder.server.school.roster.StudentRef;

/**
 * When things are done.
 *
 * @param hours those with anything in them
 * @param days days with anything done
 * @param mostly of all together; null where the figures do not allow it
 * @param students those of whom it can be said, and what
 * @param actions how many have a time of day
 * @param untimed how many tell only the day
 */
record HabitsView(List<HabitHour> hours, List<HabitDay> days, @Nullable MostlyIn mostly, List<StudentMostly> students, int actions, int untimed) {

    /** @param day of the week, 1 for Monday @param hour of the school's clock */
    record HabitHour(int day, int hour, int actions, double minutes) {}

    /** @param students how many did something */
    record HabitDay(LocalDate day, double minutes, int students) {}

    /** @param share of the actions in that part of the day @param low the lower end of its 95 % interval */
    record MostlyIn(Habits.Part part, double share, double low) {
        static MostlyIn of(Habits.Mostly m) {
            return new MostlyIn(m.part(), m.share(), m.low());
        }
    }

    record StudentMostly(StudentRef student, MostlyIn mostly, int actions) {}
}
