package org.zealousladder.server.measures.windows;

import java.time.LocalDate;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.zealousladder.core.criteria.Noun;
import org.zealousladder.core.criteria.When;
import org.zealousladder.server.platform.criteria.AnswersTerms;
import org.zealousladder.server.platform.criteria.Sql;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SchoolYear;

/** Names of screening windows, and which windows a criterion means. */
@Component
public class WindowTerms implements AnswersTerms {
    /** How far back the newest score in a window is looked for. */
    private static final int YEARS_BACK = 2;

    private final WindowsService windows;
    private final RosterService roster;

    WindowTerms(WindowsService windows, RosterService roster) {
        this.windows = windows;
        this.roster = roster;
    }

    @Override
    public Set<Noun> nouns() {
        return EnumSet.of(Noun.WINDOW);
    }

    @Override
    public List<String> names(Noun noun, @Nullable String about) {
        return windows.windows().stream().map(Window::name).distinct().toList();
    }

    /** Windows that are meant. @param thisYear whether only those of a student's own school year count */
    public record Meant(List<Window> windows, boolean thisYear) {
        /** As a table {@code w(id, year_id, starts, ends, this_year)}. */
        public Sql table() {
            return Sql.of("unnest(:windows, :windowYears, :opens::date[], :closes::date[]) as w(id, year_id, starts, ends)")
                    .bind("windows", windows.stream().map(Window::id).toArray(Integer[]::new))
                    .bind("windowYears", windows.stream().map(Window::yearId).toArray(Integer[]::new))
                    .bind("opens", windows.stream().map(w -> w.starts().toString()).toArray(String[]::new))
                    .bind("closes", windows.stream().map(w -> w.ends().toString()).toArray(String[]::new));
        }
    }

    /** The windows of a time that have begun; of nothing said, those of the last two years. */
    public Meant meant(When when, LocalDate asOf) {
        if (when instanceof When.InWindow w) {
            Map<Integer, String> years = roster.years().stream().collect(Collectors.toMap(SchoolYear::id, SchoolYear::name));
            // Without a year it is the year that runs: nothing older can be meant, and need not be read.
            return new Meant(begun(asOf, x -> x.name().equals(w.window())
                    && (w.year() == null ? x.starts().isAfter(asOf.minusYears(1)) : w.year().equals(years.get(x.yearId())))), w.year() == null);
        }
        return new Meant(begun(asOf, x -> x.starts().isAfter(asOf.minusYears(YEARS_BACK))), false);
    }

    private List<Window> begun(LocalDate asOf, Predicate<Window> which) {
        return windows.windows(asOf).stream().filter(w -> !w.starts().isAfter(asOf)).filter(which).toList();
    }
}
