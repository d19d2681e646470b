package org.zealousladder.server.monitoring.trends;

import java.util.Map;
import java.util.Optional;
import org.zealousladder.core.growth.SteadyPopulation;

/** The populations that trends lean on, by measure, school and grade. Where there is none, a trend is fitted by itself. */
record Pools(Map<Group, SteadyPopulation> populations) {

    /** Who is pooled: the monitored students of a school's grade on a measure. */
    record Group(int measure, int school, int grade) {}

    Optional<SteadyPopulation> of(Group group) {
        return Optional.ofNullable(populations.get(group));
    }
}
