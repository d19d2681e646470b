package org.zealousladder.server.engagement.activity;

import java.time.LocalDate;
import java.time.LocalTime;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.server.school.roster.StudentRef;

/**
 * What a student or a class did in some time, as deep as it is told.
 *
 * @param trail from the program down to the place that is open; none for all programs
 * @param places within it
 * @param actions the newest in the place that is open
 */
record DoneView(LocalDate from, LocalDate to, List<DoneKind> kinds, List<DoneDay> days, List<DoneStep> trail, List<DonePlace> places,
        List<DoneAction> actions) {

    record DoneKind(String kind, double minutes, int actions) {}

    record DoneDay(LocalDate day, double minutes, int actions) {}

    record DoneStep(int id, String name) {}

    /**
     * A place.
     *
     * @param students how many of those asked for were there
     * @param usual minutes of a student of the class who was there, the median; null where several classes are asked for
     * @param deeper whether there are places within it
     */
    record DonePlace(int id, String name, double minutes, int actions, int students, @Nullable Double usual, boolean deeper) {}

    /** @param at the clock's time; null where only the day is told */
    record DoneAction(StudentRef student, LocalDate day, @Nullable LocalTime at, String kind, double minutes, int actions, @Nullable String place) {}
}
