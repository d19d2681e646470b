package org.zealousladder.server.monitoring.strip;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.Who;

/** Medians of classes that somebody gave: points of the peers' line. */
@Service
public class MediansService {
    private final MeasuresService measures;
    private final RosterService roster;
    private final StripStore store;
    private final SchoolCalendar calendar;

    MediansService(MeasuresService measures, RosterService roster, StripStore store, SchoolCalendar calendar) {
        this.measures = measures;
        this.roster = roster;
        this.store = store;
        this.calendar = calendar;
    }

    /** A known median of a class. */
    public record KnownMedian(int classId, LocalDate day, double value) {}

    @Transactional(readOnly = true)
    public List<KnownMedian> known(Collection<Integer> classes, int measureId, LocalDate asOf) {
        return store.medians(classes, measureId, asOf).stream().flatMap(m -> m.value() == null ? java.util.stream.Stream.<KnownMedian>of()
                : java.util.stream.Stream.of(new KnownMedian(m.classId(), m.onDay(), m.value()))).toList();
    }

    /** @param value null takes it back */
    @Transactional
    public void put(int classId, int measureId, LocalDate day, @Nullable Double value) {
        Measure measure = measures.measure(measureId);
        if (day.isAfter(calendar.today())) {
            throw Refusal.invalid("day", "The date is in the future. Use today's or an earlier one.");
        }
        // A median lies between scores: it may have a decimal more than they have.
        if (value != null && !(value >= measure.lowest() && value <= measure.highest())) {
            measure.scale().problem(value, measure.name()).ifPresent(sentence -> {
                throw Refusal.invalid("median", sentence);
            });
        }
        roster.school(new Who(Who.Kind.CLASS, classId, null));
        store.put(classId, measureId, day, value, calendar.today(), Viewer.current().id());
    }
}
