package org.zealousladder.server.monitoring.trends;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.school.roster.ClassRef;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SchoolYear;

/**
 * Fits today's pools before somebody waits for them: a district's are a minute's work, after a start and whenever many scores have come in. One after the other, so
 * that whoever works meanwhile hardly notices.
 */
@Component
@ConditionalOnWebApplication
class WarmPools {
    private final RosterService roster;
    private final MeasuresService measures;
    private final PoolsStore pools;
    private final PoolFits fits;
    private final SchoolCalendar calendar;
    private final TransactionTemplate reading;

    WarmPools(RosterService roster, MeasuresService measures, PoolsStore pools, PoolFits fits, SchoolCalendar calendar,
            PlatformTransactionManager transactions) {
        this.roster = roster;
        this.measures = measures;
        this.pools = pools;
        this.fits = fits;
        this.calendar = calendar;
        reading = new TransactionTemplate(transactions);
        reading.setReadOnly(true);
    }

    @Scheduled(initialDelayString = "${ladder.trends.look:15000}", fixedDelayString = "${ladder.trends.look:600000}")
    void look() {
        warm();
    }

    /** @return how many pools there are today */
    int warm() {
        LocalDate today = calendar.today();
        return Viewer.SYSTEM.ask(() -> {
            Collection<Measure> all = measures.byId(today).values();
            Map<Integer, List<ClassRef>> schools = roster.classes().stream().collect(Collectors.groupingBy(ClassRef::schoolId));
            int n = 0;
            for (Map.Entry<Integer, List<ClassRef>> school : schools.entrySet()) {
                n += warm(school.getKey(), school.getValue(), all, today);
            }
            return n;
        });
    }

    private int warm(int school, List<ClassRef> classes, Collection<Measure> all, LocalDate today) {
        SchoolYear year = roster.yearOf(today, school);
        List<PoolsStore.Grade> grades = classes.stream().filter(c -> c.yearId() == year.id()).map(c -> new PoolsStore.Grade(school, c.grade())).distinct()
                .toList();
        // The records are let go before the fits, which take longer than the reading.
        Map<Pools.Group, PoolFits.Pooled> pooled = reading.execute(t -> pools.pooled(grades, all, year.starts(), today));
        if (pooled == null) {
            return 0;
        }
        pooled.forEach((group, pool) -> fits.of(Map.of(group, pool)));
        return pooled.size();
    }
}
