package org.zealousladder.server.monitoring.trends;

import static java.util.Objects.requireNonNull;

import java.sql.Array;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.core.ScoreSeries;
import org.zealousladder.core.scores.FormName;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.school.roster.Enrolled;

/** Reads what is pooled: one query, of the grades that are asked for. */
@Repository
class PoolsStore {
    private final JdbcClient db;
    private final PoolFits fits;

    PoolsStore(JdbcClient db, PoolFits fits) {
        this.db = db;
        this.fits = fits;
    }

    /** The pools that {@code students} belong to; weeks are counted from {@code origin}. */
    Pools of(Collection<Enrolled> students, Collection<Measure> measures, LocalDate origin, LocalDate asOf) {
        return new Pools(fits.of(pooled(students.stream().map(e -> new Grade(e.schoolId(), e.grade())).distinct().toList(), measures, origin, asOf)));
    }

    /** A grade of a school. */
    record Grade(int school, int grade) {}

    /** What would be fitted for some grades. */
    Map<Pools.Group, PoolFits.Pooled> pooled(List<Grade> grades, Collection<Measure> measures, LocalDate origin, LocalDate asOf) {
        if (grades.isEmpty() || measures.isEmpty()) {
            return Map.of();
        }
        Map<Integer, Measure> byId = measures.stream().collect(Collectors.toMap(Measure::id, m -> m, (a, b) -> a));
        Map<Pools.Group, PoolFits.Pooled> pools = new HashMap<>();
        db.sql("""
                select school_id, measure_id, grade, days, scores, forms
                  from trends_phases_of_schools(:schools, :grades, :measures, :origin, :asOf, :baseline)""")
                .param("schools", grades.stream().map(Grade::school).toArray(Integer[]::new))
                .param("grades", shorts(grades.stream().map(Grade::grade).toList())).param("measures", shorts(byId.keySet())).param("origin", origin)
                .param("asOf", asOf).param("baseline", Phases.BASELINE_DAYS).query(row -> {
                    Pools.Group group = new Pools.Group(row.getInt("measure_id"), row.getInt("school_id"), row.getInt("grade"));
                    Measure measure = requireNonNull(byId.get(group.measure()));
                    pools.computeIfAbsent(group, g -> new PoolFits.Pooled(measure.semOrZero(), measure.bounds(), new ArrayList<>())).series()
                            .add(series(row.getArray("days"), row.getArray("scores"), row.getArray("forms")));
                });
        return pools;
    }

    private static ScoreSeries series(Array days, Array scores, @Nullable Array forms) throws SQLException {
        Integer[] d = (Integer[]) days.getArray();
        Double[] y = (Double[]) scores.getArray();
        double[] weeks = new double[d.length];
        double[] values = new double[d.length];
        for (int i = 0; i < d.length; i++) {
            weeks[i] = d[i] / 7.0;
            values[i] = y[i];
        }
        if (forms == null) {
            return ScoreSeries.of(weeks, values);
        }
        return ScoreSeries.of(weeks, values, Arrays.stream((String[]) forms.getArray()).mapToInt(FormName::number).toArray());
    }

    private static Short[] shorts(Collection<Integer> of) {
        return of.stream().map(Integer::shortValue).toArray(Short[]::new);
    }
}
