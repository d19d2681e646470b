package org.zealousladder.server.screening.standings;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.zealousladder.core.summary.PercentileRanks;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.windows.Window;

/** Reads how whole grades score, without anybody's name. */
@Repository
class SpreadsStore {
    private final JdbcClient db;

    SpreadsStore(JdbcClient db) {
        this.db = db;
    }

    /** One query; nothing where nothing is asked. */
    Spreads of(int school, Collection<Window> windows, Collection<Measure> measures, Collection<Integer> grades, LocalDate asOf) {
        return windows.isEmpty() || measures.isEmpty() || grades.isEmpty() ? none() : new Spreads(spreads(school, windows, measures, grades, asOf), List.of(),
                sems(measures));
    }

    /** With how measures go together: two. */
    Spreads together(int school, Collection<Window> windows, Collection<Measure> measures, Collection<Integer> grades, LocalDate asOf) {
        if (windows.isEmpty() || measures.isEmpty() || grades.isEmpty()) {
            return none();
        }
        List<Spreads.Together> pairs = measures.size() < 2 ? List.of()
                : asked("select window_id, one, other, grade, n, correlation from scores_together(:school, ",
                        windows, measures, grades, asOf).param("school", school).query(Spreads.Together.class).list();
        return new Spreads(spreads(school, windows, measures, grades, asOf), pairs, sems(measures));
    }

    static Spreads none() {
        return new Spreads(List.of(), List.of(), Map.of());
    }

    private List<Spreads.Spread> spreads(int school, Collection<Window> windows, Collection<Measure> measures, Collection<Integer> grades, LocalDate asOf) {
        return asked("select window_id, measure_id, grade, n, mean, sd from scores_spreads(array[:school], ", windows, measures, grades, asOf)
                .param("school", school).query(Spreads.Spread.class).list();
    }

    private JdbcClient.StatementSpec asked(String select, Collection<Window> windows, Collection<Measure> measures, Collection<Integer> grades,
            LocalDate asOf) {
        return db.sql(select + ":windows, :measures, :grades, :asOf, :needed)").param("windows", windows.stream().map(Window::id).toArray(Integer[]::new))
                .param("measures", measures.stream().map(m -> (short) m.id()).toArray(Short[]::new))
                .param("grades", grades.stream().map(Integer::shortValue).toArray(Short[]::new)).param("asOf", asOf)
                .param("needed", PercentileRanks.NEEDED);
    }

    private static Map<Integer, Double> sems(Collection<Measure> measures) {
        return measures.stream().collect(Collectors.toMap(Measure::id, Measure::semOrZero, (a, b) -> a));
    }
}
