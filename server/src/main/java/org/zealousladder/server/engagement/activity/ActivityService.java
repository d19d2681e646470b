package org.zealousladder.server.engagement.activity;

import java.time.LocalDate;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Weeks of whole classes. A classmate whom the viewer does not see is in them without a name, since a class's week is the median of all. */
@Service
@Transactional(readOnly = true)
public class ActivityService {
    private final ActivityStore store;

    ActivityService(ActivityStore store) {
        this.store = store;
    }

    /**
     * Classes by their number; one of which the viewer sees nobody is left out.
     *
     * @param monday of the first of the weeks
     * @param weeks how many
     */
    public Map<Integer, ClassActivity> classes(Collection<Integer> classes, LocalDate monday, int weeks, LocalDate asOf) {
        Map<Integer, ClassActivity> all = new HashMap<>();
        store.classes(classes, monday, asOf).stream().collect(Collectors.groupingBy(ActivityStore.SeatWeeks::classId))
                .forEach((classId, rows) -> all.put(classId, new ClassActivity(classId, rows.stream().map(r -> seat(r, weeks)).toList())));
        return all;
    }

    /** Minutes of one student in the week that began on a Monday; weeks without any are left out. */
    public record OwnWeek(LocalDate monday, double minutes) {}

    public List<OwnWeek> ofStudent(int student, LocalDate from, LocalDate asOf) {
        return store.ofStudent(student, from, asOf);
    }

    /** What a student did on a day, by kind. @param kind as it is on record */
    public record DoneOn(LocalDate day, String kind, double minutes, int actions) {}

    /** The newest first. */
    public List<DoneOn> done(int student, LocalDate from, LocalDate asOf, int most) {
        return store.done(student, from, asOf, most);
    }

    /** What a student did over some days. @param days on which anything was done */
    public record Spent(int student, double minutes, int days) {}

    /** Between two days, both included, by student; who did nothing is left out. */
    public Map<Integer, Spent> spent(Collection<Integer> students, LocalDate from, LocalDate to) {
        return store.spent(students, from, to).stream().collect(Collectors.toMap(Spent::student, s -> s));
    }

    private static ClassActivity.Seat seat(ActivityStore.SeatWeeks row, int weeks) {
        double[] minutes = new double[weeks];
        int[] actions = new int[weeks];
        for (int i = 0; i < row.weeks().length; i++) {
            minutes[row.weeks()[i]] = row.minutes()[i];
            actions[row.weeks()[i]] = row.actions()[i];
        }
        return new ClassActivity.Seat(row.studentId(), minutes, actions, row.firstDay(), row.lastDay());
    }
}
