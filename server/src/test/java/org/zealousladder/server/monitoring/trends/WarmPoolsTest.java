package org.zealousladder.server.monitoring.trends;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertSame;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Map;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.transaction.PlatformTransactionManager;
import org.zealousladder.core.growth.SteadyPopulation;
import org.zealousladder.server.ServerTest;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SchoolYear;

/** Nobody waits for a fit in the morning. */
class WarmPoolsTest extends ServerTest {
    @Autowired
    private RosterService roster;

    @Autowired
    private MeasuresService measures;

    @Autowired
    private PoolsStore pools;

    @Autowired
    private SchoolCalendar calendar;

    @Autowired
    private PlatformTransactionManager transactions;

    @Test
    void whatAViewAsksForIsFittedBefore() {
        PoolFits fits = new PoolFits();
        WarmPools warm = new WarmPools(roster, measures, pools, fits, calendar, transactions);
        signOutHere();
        int pooled = warm.warm();
        assertTrue(pooled >= 4, "the demo monitors three grades on two measures: " + pooled);
        long kept = fits.size();
        assertTrue(kept > 0 && kept <= pooled, kept + " of " + pooled);
        Map<Pools.Group, PoolFits.Pooled> asked = asking(Viewer.SYSTEM, () -> {
            SchoolYear year = roster.year(thisYear());
            return pools.pooled(roster.classes().stream().filter(c -> c.yearId() == year.id() && c.grade() == 3)
                    .map(c -> new PoolsStore.Grade(c.schoolId(), c.grade())).distinct().toList(), measures.byId(calendar.today()).values(), year.starts(),
                    calendar.today());
        });
        Map<Pools.Group, SteadyPopulation> found = fits.of(asked);
        assertTrue(found.values().stream().anyMatch(p -> p.series() >= 5), "a grade of the demo is pooled: " + found.keySet());
        assertEquals(kept, fits.size(), "nothing was left to be fitted");
        assertEquals(pooled, warm.warm(), "a second look finds the same");
        assertEquals(kept, fits.size());
        found.forEach((group, population) -> assertSame(population, fits.of(Map.of(group, asked.get(group))).get(group)));
    }
}
