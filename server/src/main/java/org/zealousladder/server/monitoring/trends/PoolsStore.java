package org.zealousladder.server.monitoring.trends;

import java.sql.Array;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.core.ScoreSeries;
import org.zealousladder.core.growth.PooledGrowth;
import org.zealousladder.core.growth.Population;
import org.zealousladder.server.school.roster.Enrolled;

/** Reads what is pooled: one query, of the grades that are asked for. */
@Repository
class PoolsStore {
    private final JdbcClient db;

    PoolsStore(JdbcClient db) {
        this.db = db;
    }

    /** The pools that {@code students} belong to; weeks are counted from {@code origin}. */
    Pools of(Collection<Enrolled> students, Collection<Integer> measures, LocalDate origin, LocalDate asOf) {
        record Grade(int school, int grade) {}
        List<Grade> grades = students.stream().map(e -> new Grade(e.schoolId(), e.grade())).distinct().toList();
        if (grades.isEmpty()) {
            return new Pools(Map.of());
        }
        Map<Pools.Group, PooledGrowth> pools = new HashMap<>();
        db.sql("""
                select school_id, measure_id, grade, days, scores
                  from trends_phases_of_schools(:schools, :grades, :measures, :origin, :asOf, :baseline)""")
                .param("schools", grades.stream().map(Grade::school).toArray(Integer[]::new))
                .param("grades", shorts(grades.stream().map(Grade::grade).toList())).param("measures", shorts(measures)).param("origin", origin)
                .param("asOf", asOf).param("baseline", Phases.BASELINE_DAYS).query(row -> {
                    Pools.Group group = new Pools.Group(row.getInt("measure_id"), row.getInt("school_id"), row.getInt("grade"));
                    pools.computeIfAbsent(group, g -> new PooledGrowth()).add(series(row.getArray("days"), row.getArray("scores")));
                });
        Map<Pools.Group, Population> populations = new HashMap<>();
        pools.forEach((group, pool) -> pool.fit().ifPresent(p -> populations.put(group, p)));
        return new Pools(populations);
    }

    private static ScoreSeries series(Array days, Array scores) throws SQLException {
        Integer[] d = (Integer[]) days.getArray();
        Double[] y = (Double[]) scores.getArray();
        double[] weeks = new double[d.length];
        double[] values = new double[d.length];
        for (int i = 0; i < d.length; i++) {
            weeks[i] = d[i] / 7.0;
            values[i] = y[i];
        }
        return ScoreSeries.of(weeks, values);
    }

    private static Short[] shorts(Collection<Integer> of) {
        return of.stream().map(Integer::shortValue).toArray(Short[]::new);
    }
}
