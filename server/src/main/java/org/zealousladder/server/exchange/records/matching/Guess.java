package org.zealousladder.server.exchange.records.matching;

import static java.util.Objects.requireNonNull;

import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.scores.ScoreStatus;
import org.zealousladder.server.platform.files.Cells;
import org.zealousladder.server.platform.files.Column;
import org.zealousladder.server.platform.files.Forms.DayForm;
import org.zealousladder.server.platform.files.Reference;
import org.zealousladder.server.platform.files.Subject;

/** What a table nobody has matched yet probably is: by its headings, and by what stands in its columns. For a person to look at. */
public final class Guess {
    private static final double LIKELY = 0.6;
    private static final double SURELY = 0.8;
    /** Words for one who was not there, and for one who is not tested. */
    private static final Set<String> ABSENT = Set.of("abs", "absent", "ab", "away", "ill", "sick", "krank", "fehlt", "abwesend", "malade", "ausente", "aus",
            "assente",
            "afwezig", "not present");
    private static final Set<String> EXEMPT = Set.of("ex", "exempt", "exempted", "befreit", "dispense", "dispensé", "exento", "exenta", "esonerato",
            "vrijgesteld");
    private static final Set<String> INVALID = Set.of("invalid", "inv", "ungültig", "ungueltig", "no válido", "void", "spoilt", "spoiled");
    private static final Set<String> NOTHING = Set.of("-", "–", "—", ".", "/", "n/a", "na", "none", "null", "nil", "k.a.", "#n/a", "nt", "not tested", "*");

    /** What stands where the students' names do, in the row that tells the right answers. */
    private static final Set<String> KEY = Set.of("key", "answer key", "answers", "correct", "right", "solution");
    private static final Pattern ITEM = Pattern.compile("(?i)(q|item|question|nr\\.?|no\\.?|#)?[ ._-]?\\d{1,3}[a-z]?");
    private static final int FEWEST_ITEMS = 3;

    private static final Pattern DAY = Pattern.compile("\\d{4}[-/.]\\d{1,2}[-/.]\\d{1,2}|\\d{1,2}[-/.]\\d{1,2}[-/.](?:\\d{4}|\\d{2})");

    private final Sql sql;
    private final List<Subject> subjects;
    private final List<Reference> references;

    public Guess(Sql sql, List<Subject> subjects, List<Reference> references) {
        this.sql = sql;
        this.subjects = subjects;
        this.references = references;
    }

    private record Measure(String code, String name) {}

    private record Window(String name, LocalDate opens, LocalDate closes, boolean thisYear) {}

    /** Never null; without a subject when nothing is known of it. */
    public Matching of(Sample sample) throws SQLException {
        List<Measure> measures = sql.list("select code, name from measures_measure order by length(name) desc",
                r -> new Measure(r.getString(1), r.getString(2)));
        List<String> schools = sql
                .strings("select code from roster_school s where not exists (select from people_person p where p.id = scope_person() and p.school_id <> s.id)");
        List<String> years = sql.strings("select name from roster_year where ends >= scope_today() order by starts limit 1");
        Map<Integer, Matching.Use> scores = scoreColumns(sample, measures);
        Map<Integer, Map<String, Double>> content = content(sample, scores.keySet());
        Matching best = new Matching(null, sample.headings().stream().map(Matching.Use::none).toList(), Map.of(), Map.of(), Map.of());
        double most = 0;
        for (Subject subject : subjects) {
            Map<Integer, Matching.Use> folds = subject.folded() == null ? Map.of() : subject.foldedName() == null ? scores : items(subject, sample);
            Matching guess = complete(subject, assign(subject, sample, content, folds), measures, schools, years);
            double worth = worth(subject, guess);
            if (worth > most) {
                most = worth;
                best = guess;
            }
        }
        Subject about = subject(best.subject());
        return about == null ? best : new Matching(best.subject(), best.columns(), best.fixed(), usual(about, best, sample), Map.of());
    }

    private @Nullable Subject subject(@Nullable String code) {
        return subjects.stream().filter(s -> s.code().equals(code)).findFirst().orElse(null);
    }

    /** How much of the table a subject explains, less what it would still need. */
    private static double worth(Subject subject, Matching guess) {
        long used = guess.columns().stream().filter(u -> u.field() != null).count();
        long met = subject.needs().stream().filter(n -> n.oneOf().stream().anyMatch(set -> set.stream().allMatch(guess::has))).count();
        // A table of which nothing that counts is there is none of that kind.
        double usual = subject.composed() == null ? 0 : 0.6;
        return met == 0 ? 0 : usual + used + 4.0 * met / subject.needs().size() - 0.01 * subject.fields().size();
    }

    private Matching assign(Subject subject, Sample sample, Map<Integer, Map<String, Double>> content, Map<Integer, Matching.Use> scores) {
        record Fit(int column, String field, double score) {}
        List<Fit> fits = new ArrayList<>();
        for (int c = 0; c < sample.headings().size(); c++) {
            if (scores.containsKey(c)) {
                continue;
            }
            for (Subject.Field f : subject.fields()) {
                double byHeading = Headings.fit(sample.headings().get(c), f.name());
                if (f.name().equals("student") && subject.field("full_name") == null) {
                    byHeading = Math.max(byHeading, Headings.fit(sample.headings().get(c), "full_name"));
                }
                double byContent = content.getOrDefault(c, Map.of()).getOrDefault(f.name(), 0.0);
                if (f.column().type() == Column.Type.DATE && sample.share(c, Sample::isDay) < LIKELY || f.column().type() == Column.Type.NUMBER
                        && sample.share(c, t -> Sample.isNumber(t) || word(t) != null) < LIKELY) {
                    continue;
                }
                if (f.column().type() == Column.Type.DATE && byHeading == 0 && fits.stream().noneMatch(x -> x.field().equals(f.name()))) {
                    byContent = 0.3;
                }
                if (Math.max(byHeading, byContent) > 0.25) {
                    fits.add(new Fit(c, f.name(), byHeading + 1.5 * byContent));
                }
            }
        }
        fits.sort((a, b) -> Double.compare(b.score(), a.score()));
        Map<Integer, String> chosen = new HashMap<>();
        Set<String> taken = new HashSet<>();
        for (Fit f : fits) {
            if (!chosen.containsKey(f.column()) && taken.add(f.field())) {
                chosen.put(f.column(), f.field());
            }
        }
        List<Matching.Use> uses = new ArrayList<>();
        for (int c = 0; c < sample.headings().size(); c++) {
            String heading = sample.headings().get(c);
            uses.add(scores.containsKey(c) ? scores.get(c) : new Matching.Use(heading, chosen.get(c), Map.of()));
        }
        return new Matching(subject.code(), uses, Map.of(), Map.of(), Map.of());
    }

    /** Columns of a sheet with a column an item: over which a number stands, or in which the row of the key has something. */
    private Map<Integer, Matching.Use> items(Subject subject, Sample sample) {
        List<String> key = sample.rows().stream().filter(r -> r.stream().anyMatch(t -> KEY.contains(Lines.key(t)))).findFirst().orElse(List.of());
        Map<Integer, Matching.Use> found = new HashMap<>();
        for (int c = 0; c < sample.headings().size(); c++) {
            String heading = sample.headings().get(c);
            boolean keyed = !key.isEmpty() && !key.get(c).isEmpty() && !KEY.contains(Lines.key(key.get(c))) && sample.share(c, Sample::isDay) < LIKELY;
            if (keyed || ITEM.matcher(heading.strip()).matches()) {
                found.put(c, Matching.Use.of(heading, requireNonNull(subject.folded())));
            }
        }
        return found.size() < FEWEST_ITEMS ? Map.of() : found;
    }

    /** Columns over which a measure, a window or a day stands, and in which numbers do. */
    private Map<Integer, Matching.Use> scoreColumns(Sample sample, List<Measure> measures) throws SQLException {
        List<Window> windows = sql.list("""
                select w.name, w.starts, w.ends, scope_today() between y.starts and y.ends from measures_window w join roster_year y on y.id = w.year_id
                 order by y.starts desc""", r -> new Window(r.getString(1), r.getObject(2, LocalDate.class), r.getObject(3, LocalDate.class), r.getBoolean(4)));
        LocalDate today = sql.list("select scope_today()", r -> r.getObject(1, LocalDate.class)).get(0);
        Map<Integer, Matching.Use> found = new HashMap<>();
        for (int c = 0; c < sample.headings().size(); c++) {
            String heading = sample.headings().get(c);
            String plain = " " + Headings.plain(heading) + " ";
            Map<String, String> with = new LinkedHashMap<>();
            measures.stream().filter(m -> plain.contains(" " + Headings.plain(m.name()) + " ") || plain.contains(" " + Headings.plain(m.code()) + " "))
                    .findFirst()
                    .ifPresent(m -> with.put("measure", m.code()));
            windows.stream().filter(w -> w.thisYear() && plain.contains(" " + Headings.plain(w.name()) + " ") && !w.opens().isAfter(today)).findFirst()
                    .ifPresent(w -> with.put("date", (w.closes().isAfter(today) ? today : w.closes()).toString()));
            day(sample, heading).ifPresent(d -> with.put("date", d));
            boolean numbers = sample.share(c, t -> Sample.isNumber(t) || word(t) != null) >= LIKELY && sample.share(c, Sample::isNumber) > 0;
            boolean week = plain.matches(".* (week|wk|woche|kw|semaine|semana|uke|vecka|uge) ?\\d+ .*");
            if (numbers && (!with.isEmpty() || week)) {
                found.put(c, new Matching.Use(heading, "score", with));
            }
        }
        return found;
    }

    /** A day within a heading, read as those of the others can be. */
    private static Optional<String> day(Sample sample, String heading) {
        boolean monthFirst = sample.headings().stream().map(DAY::matcher).filter(Matcher::find).map(m -> Cells.dayAndMonth(m.group()))
                .anyMatch(p -> p != null && p[1] > 12);
        Matcher day = DAY.matcher(heading);
        try {
            return day.find() ? Optional.of(Cells.day(day.group(), monthFirst ? DayForm.MONTH_FIRST : DayForm.DAY_FIRST)) : Optional.empty();
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    /** For each column, the share of its different texts that name something on record, by field. */
    private Map<Integer, Map<String, Double>> content(Sample sample, Set<Integer> known) throws SQLException {
        Map<Integer, Map<String, Double>> all = new HashMap<>();
        for (int c = 0; c < sample.headings().size(); c++) {
            Set<String> texts = sample.texts(c);
            if (known.contains(c) || texts.isEmpty() || sample.share(c, t -> Sample.isDay(t) || t.length() > 80) > 0.5) {
                continue;
            }
            Map<String, Double> shares = new HashMap<>();
            for (Reference r : references) {
                if (!r.column().equals("school") && !r.column().equals("year")) {
                    double codes = known(r, texts, true);
                    double names = codes >= SURELY ? 0 : known(r, texts, false);
                    if (Math.max(codes, names) >= LIKELY) {
                        shares.put(r.column(), Math.max(codes, names));
                    }
                    if (names >= LIKELY && r.column().equals("student")) {
                        shares.put("full_name", names);
                    } else if (codes < LIKELY && r.column().equals("login") && names >= LIKELY) {
                        shares.put("teacher", names);
                    }
                }
            }
            all.put(c, shares);
        }
        return all;
    }

    private double known(Reference r, Collection<String> texts, boolean byCode) throws SQLException {
        sql.execute("create temporary table asked (text text, narrower text) on commit drop");
        try (PreparedStatement put = sql.connection().prepareStatement("insert into asked select x, null from unnest(?::text[]) x")) {
            put.setArray(1, sql.connection().createArrayOf("text", texts.toArray()));
            put.execute();
        }
        sql.execute("analyze asked");
        String hits = byCode ? "select count(*) from asked a where exists (select from (" + r.codes() + ") k (code) where k.code = a.text)"
                : "select count(distinct text) from (" + r.meant() + ") m (text)";
        double share = (double) sql.number(hits) / texts.size();
        sql.execute("drop table asked");
        return share;
    }

    /** What holds for every row where there is no choice. */
    private static Matching complete(Subject about, Matching guess, List<Measure> measures, List<String> schools, List<String> years) {
        Map<String, String> fixed = new TreeMap<>();
        if (about.field("measure") != null && !guess.has("measure") && measures.size() == 1) {
            fixed.put("measure", measures.get(0).code());
        }
        if (about.field("school") != null && !guess.has("school") && schools.size() == 1) {
            fixed.put("school", schools.get(0));
        }
        if (about.field("year") != null && !guess.has("year") && years.size() == 1) {
            fixed.put("year", years.get(0));
        }
        return new Matching(about.code(), guess.columns(), fixed, Map.of(), Map.of());
    }

    /** Words of the sample that usually mean something, by field. */
    public static Map<String, Map<String, String>> usual(Subject about, Matching matching, Sample sample) {
        Map<String, Map<String, String>> words = new TreeMap<>();
        for (int c = 0; c < matching.columns().size(); c++) {
            Subject.Field field = about.field(matching.columns().get(c).field());
            if (field != null && !field.instead().isEmpty()) {
                for (String text : sample.texts(c)) {
                    String means = word(text);
                    if (means != null) {
                        words.computeIfAbsent(field.name(), f -> new TreeMap<>()).put(text, means);
                    }
                }
            }
        }
        return words;
    }

    private static @Nullable String word(String text) {
        String key = Lines.key(text);
        return ABSENT.contains(key) ? ScoreStatus.ABSENT.code() : EXEMPT.contains(key) ? ScoreStatus.EXEMPT.code()
                : INVALID.contains(key) ? ScoreStatus.INVALID.code() : NOTHING.contains(key) ? Matching.NOTHING : null;
    }
}
