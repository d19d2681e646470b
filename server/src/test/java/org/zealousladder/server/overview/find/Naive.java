package org.zealousladder.server.overview.find;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.apache.commons.statistics.distribution.NormalDistribution;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;

/** The demo's records read whole, and each term worked out of them student by student, in the plainest way there is. */
final class Naive {
    record Place(int student, String className, int grade, LocalDate starts, @Nullable LocalDate ends) {
        boolean on(LocalDate day) {
            return !starts.isAfter(day) && (ends == null || !ends.isBefore(day));
        }
    }

    record Score(int student, String measure, LocalDate takenOn, @Nullable Double value, String status, @Nullable String named, long id) {}

    record Window(String name, String year, LocalDate starts, LocalDate ends) {}

    record Cut(String measure, int grade, String window, String year, String name, int tier, @Nullable Double from) {}

    record Group(int student, String grouping, String value) {}

    record Span(int student, String measure, String area, LocalDate starts, @Nullable LocalDate ends, String words) {}

    record Day(int student, LocalDate onDay, String status) {}

    record Spent(int student, LocalDate onDay, double minutes) {}

    record Contact(int student, LocalDate onDay) {}

    record Area(String name, String area, double sem) {}

    record Decided(int student, String area, String window, int tier) {}

    record Level(int student, String area, int level) {}

    static final LocalDate TODAY = LocalDate.of(2026, 3, 13);
    static final LocalDate YEAR = LocalDate.of(2025, 8, 25);

    final List<Place> places;
    final List<Score> scores;
    final List<Window> windows;
    final List<Cut> cuts;
    final List<Group> groups;
    final List<Span> plans;
    final List<Span> goals;
    final List<Day> days;
    final List<Day> off;
    final List<Spent> spent;
    final List<Contact> contacts;
    final List<Decided> tiers;
    final List<Level> concerns;
    final Map<String, Area> measures;

    Naive(JdbcClient db) {
        places = db.sql("select e.student_id as student, c.name as class_name, coalesce(e.grade, c.grade) as grade, e.starts, e.ends from roster_enrolment e"
                + " join roster_class c on c.id = e.class_id").query(Place.class).list();
        scores = db.sql("select s.student_id as student, m.name as measure, s.taken_on, s.value, s.status, w.name || y.name as named, s.id from scores_score s"
                + " join measures_measure m on m.id = s.measure_id left join measures_window w on w.id = s.window_id left join roster_year y on y.id = w.year_id"
                + " where s.superseded_on is null and s.status <> 'withdrawn'").query(Score.class).list();
        windows = db.sql("select w.name, y.name as year, w.starts, w.ends from measures_window w join roster_year y on y.id = w.year_id order by w.starts")
                .query(Window.class).list();
        cuts = db.sql("select m.name as measure, l.grade, w.name as window, y.name as year, b.name, b.tier, b.from_score as \"from\" from measures_ladder l"
                + " join measures_measure m on m.id = l.measure_id join measures_window w on w.id = l.window_id join roster_year y on y.id = w.year_id"
                + " join measures_band b on b.ladder_id = l.id join measures_default_set d on d.set_id = l.set_id and d.superseded_on is null"
                + " where l.superseded_on is null order by b.position").query(Cut.class).list();
        groups = db.sql("select x.student_id as student, g.name as grouping, x.value from roster_grouped x join roster_grouping g on g.id = x.grouping_id"
                + " where (x.ends is null or x.ends >= :today) and x.superseded_on is null").param("today", TODAY).query(Group.class).list();
        plans = db.sql("select p.student_id as student, m.name as measure, m.area, p.starts, p.closed_on as ends,"
                + " (select f.strategy from plans_phase f where f.plan_root = p.root and f.starts <= :today order by f.starts desc limit 1) as words"
                + " from plans_plan p join measures_measure m on m.id = p.measure_id where p.superseded_on is null").param("today", TODAY).query(Span.class)
                .list();
        goals = db.sql("select g.student_id as student, m.name as measure, m.area, g.start_date as starts, g.goal_date as ends, '' as words from goals_goal g"
                + " join measures_measure m on m.id = g.measure_id where g.superseded_on is null").query(Span.class).list();
        days = db.sql("select student_id as student, on_day, status from attendance_day where superseded_on is null").query(Day.class).list();
        off = db.sql(
                "select g::date as on_day, s.kind as status, 0 as student from calendar_span s cross join lateral generate_series(s.starts, s.ends, interval '1 day') g"
                        + " where s.ended_on is null")
                .query(Day.class).list();
        spent = db.sql("select student_id as student, on_day, sum(minutes)::double precision as minutes from engagement_day group by 1, 2").query(Spent.class)
                .list();
        contacts = db.sql("select c.student_id as student, c.on_day from contacts_contact c left join contacts_letter l on l.id = c.letter_id"
                + " where c.whom = 'home' and c.reached and c.withdrawn_on is null and (l.id is null or l.state = 'sent')").query(Contact.class).list();
        tiers = db.sql("select t.student_id as student, t.area, w.name as window, t.tier from tiers_tier t join measures_window w on w.id = t.window_id"
                + " where t.superseded_on is null and t.outcome <> 'withdrawn' and t.tier is not null").query(Decided.class).list();
        concerns = db.sql("select student_id as student, area, level from plans_concern where superseded_on is null").query(Level.class).list();
        measures = db.sql("select name, area, coalesce(sem, 0) as sem from measures_measure").query(Area.class).list().stream()
                .collect(Collectors.toMap(Area::name, a -> a));
    }

    List<Integer> students() {
        return places.stream().filter(p -> p.on(TODAY)).map(Place::student).toList();
    }

    Place place(int student) {
        return places.stream().filter(p -> p.student() == student && p.on(TODAY)).findFirst().orElseThrow();
    }

    private Stream<Score> scored(int student, String measure) {
        return scores.stream().filter(s -> s.student() == student && s.measure().equals(measure) && s.value() != null && !s.takenOn().isAfter(TODAY))
                .sorted(Comparator.comparing(Score::takenOn).thenComparing(Score::id));
    }

    /** The oldest first. */
    List<Double> scores(int student, String measure, LocalDate from, LocalDate to) {
        return scored(student, measure).filter(s -> !s.takenOn().isBefore(from) && !s.takenOn().isAfter(to)).map(s -> Objects.requireNonNull(s.value()))
                .toList();
    }

    Window window(String name, String year) {
        return windows.stream().filter(w -> w.name().equals(name) && w.year().equals(year)).findFirst().orElseThrow();
    }

    /** What was screened: a score named for the window, or else the first one within it; of none, the last word. */
    @Nullable
    Score screening(int student, String measure, Window w) {
        List<Score> all = scores.stream().filter(s -> s.student() == student && s.measure().equals(measure) && !s.takenOn().isAfter(TODAY))
                .filter(s -> s.named() != null ? s.named().equals(w.name() + w.year()) : !s.takenOn().isBefore(w.starts()) && !s.takenOn().isAfter(w.ends()))
                .toList();
        return all.stream().filter(s -> s.value() != null && s.named() != null).max(Comparator.comparing(Score::takenOn))
                .or(() -> all.stream().filter(s -> s.value() != null).min(Comparator.comparing(Score::takenOn)))
                .or(() -> all.stream().max(Comparator.comparing(Score::takenOn))).orElse(null);
    }

    @Nullable
    Double screened(int student, String measure, Window w) {
        Score s = screening(student, measure, w);
        return s == null ? null : s.value();
    }

    /** The cuts by which a student was read in a window. */
    private List<Cut> cuts(int student, String measure, Window w) {
        return places.stream().filter(p -> p.student() == student && p.on(w.ends())).findFirst().map(p -> cuts.stream().filter(c -> c.measure().equals(measure)
                && c.grade() == p.grade() && c.window().equals(w.name()) && c.year().equals(w.year())).toList()).orElse(List.of());
    }

    @Nullable
    Cut band(int student, String measure, Window w) {
        Double value = screened(student, measure, w);
        return value == null ? null : cuts(student, measure, w).stream().filter(c -> c.from() == null || value >= c.from()).reduce((a, b) -> b).orElse(null);
    }

    /** Whether the true score, drawn to the mean of the grade, may well be on the other side of a cut. */
    @Nullable
    Boolean close(int student, String measure, Window w) {
        Double value = screened(student, measure, w);
        double sem = Objects.requireNonNull(measures.get(measure)).sem();
        List<Cut> all = cuts(student, measure, w);
        if (value == null || all.isEmpty()) {
            return null;
        }
        double[] grade = ofGrade(student, measure, w).stream().mapToDouble(v -> v).toArray();
        double mean = Arrays.stream(grade).average().orElseThrow();
        double variance = Arrays.stream(grade).map(v -> (v - mean) * (v - mean)).sum() / (grade.length - 1);
        double reliability = grade.length < 10 ? 1 : sem == 0 ? 0.85 : 1 - sem * sem / variance;
        NormalDistribution truth = NormalDistribution.of(mean + reliability * (value - mean),
                grade.length < 10 ? sem : Math.sqrt(variance * reliability * (1 - reliability)));
        return all.stream().filter(c -> c.from() != null).anyMatch(
                c -> (value >= c.from() ? truth.cumulativeProbability(c.from()) : truth.survivalProbability(c.from())) > 0.2);
    }

    private List<Double> ofGrade(int student, String measure, Window w) {
        Place then = places.stream().filter(p -> p.student() == student && p.on(w.ends())).findFirst().orElseThrow();
        return places.stream().filter(p -> p.on(w.ends()) && p.grade() == then.grade()).map(p -> screened(p.student(), measure, w)).filter(Objects::nonNull)
                .toList();
    }

    @Nullable
    Double percentile(int student, String measure, Window w) {
        Double value = screened(student, measure, w);
        Place then = places.stream().filter(p -> p.student() == student && p.on(w.ends())).findFirst().orElse(null);
        if (value == null || then == null) {
            return null;
        }
        List<Double> all = ofGrade(student, measure, w);
        double below = all.stream().filter(v -> v < value).count() + 0.5 * all.stream().filter(v -> v.equals(value)).count();
        return all.size() < 10 ? null : (Double) (double) Math.round(100 * below / all.size());
    }

    boolean running(int student, Predicate<Span> which) {
        return plans.stream()
                .anyMatch(p -> p.student() == student && which.test(p) && !p.starts().isAfter(TODAY) && (p.ends() == null || p.ends().isAfter(TODAY)));
    }

    Set<String> strategies(int student) {
        return plans.stream().filter(p -> p.student() == student && !p.starts().isAfter(TODAY) && (p.ends() == null || p.ends().isAfter(TODAY)))
                .map(Span::words)
                .collect(Collectors.toSet());
    }

    private boolean open(LocalDate day) {
        boolean closed = off.stream().anyMatch(o -> o.onDay().equals(day) && !o.status().equals("term"));
        boolean terms = off.stream().anyMatch(o -> o.status().equals("term"));
        boolean inTerm = off.stream().anyMatch(o -> o.onDay().equals(day) && o.status().equals("term"));
        return day.getDayOfWeek().compareTo(DayOfWeek.FRIDAY) <= 0 && !closed && (!terms || inTerm);
    }

    double days(int student, String status, LocalDate from, LocalDate to) {
        return days.stream()
                .filter(d -> d.student() == student && d.status().equals(status) && !d.onDay().isBefore(from) && !d.onDay().isAfter(to) && open(d.onDay()))
                .count();
    }

    double shareAbsent(int student, LocalDate from, LocalDate to) {
        LocalDate since = places.stream().filter(p -> p.student() == student && !p.starts().isAfter(to) && (p.ends() == null || !p.ends().isBefore(from)))
                .map(Place::starts).min(Comparator.naturalOrder()).orElseThrow();
        long all = (since.isBefore(from) ? from : since).datesUntil(to.plusDays(1)).filter(this::open).count();
        return 100 * days(student, "absent", from, to) / all;
    }

    @Nullable
    Double minutes(int student, LocalDate from, LocalDate to) {
        List<Spent> own = spent.stream().filter(s -> s.student() == student && !s.onDay().isAfter(TODAY)).toList();
        return own.isEmpty() ? null : (Double) own.stream().filter(s -> !s.onDay().isBefore(from) && !s.onDay().isAfter(to)).mapToDouble(Spent::minutes).sum();
    }
}
