package org.zealousladder.server.engagement.activity;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
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
        store.classes(classes, monday, asOf).stream().collect(Collectors.groupingBy(ActivityStore.SeatWeek::classId)).forEach((classId, rows) -> {
            List<ClassActivity.Seat> seats = new ArrayList<>();
            rows.stream().collect(Collectors.groupingBy(ActivityStore.SeatWeek::seat)).values().forEach(of -> seats.add(seat(of, weeks)));
            all.put(classId, new ClassActivity(classId, seats));
        });
        return all;
    }

    private static ClassActivity.Seat seat(List<ActivityStore.SeatWeek> rows, int weeks) {
        double[] minutes = new double[weeks];
        int[] actions = new int[weeks];
        LocalDate first = null;
        LocalDate last = null;
        for (ActivityStore.SeatWeek r : rows) {
            if (r.week() != null) {
                minutes[r.week()] = r.minutes();
                actions[r.week()] = r.actions();
                first = earlier(first, r.firstDay());
                last = later(last, r.lastDay());
            }
        }
        return new ClassActivity.Seat(rows.get(0).studentId(), minutes, actions, first, last);
    }

    private static @Nullable LocalDate earlier(@Nullable LocalDate a, @Nullable LocalDate b) {
        return a == null || b != null && b.isBefore(a) ? b : a;
    }

    private static @Nullable LocalDate later(@Nullable LocalDate a, @Nullable LocalDate b) {
        return a == null || b != null && b.isAfter(a) ? b : a;
    }
}
