package org.zealousladder.server.overview.find;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.criteria.Criterion;
import org.zealousladder.core.criteria.Criterion.Condition;
import org.zealousladder.core.criteria.CriterionParser;
import org.zealousladder.core.criteria.CriterionText;
import org.zealousladder.core.criteria.MistakeException;
import org.zealousladder.core.criteria.Noun;
import org.zealousladder.core.criteria.Subject;
import org.zealousladder.core.criteria.Term;
import org.zealousladder.core.criteria.When;
import org.zealousladder.server.platform.criteria.Sql;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.StudentRef;
import org.zealousladder.server.school.roster.Who;

/** Reads a criterion, finds whom it holds for, and says how many each line leaves. */
@Service
@Transactional(readOnly = true)
public class FindService {
    private static final Subject CLASS = Subject.of(Term.CLASS, null, new When.Unsaid());

    private final Vocabulary vocabulary;
    private final Finder finder;
    private final FindStore store;
    private final RosterService roster;

    FindService(Vocabulary vocabulary, Finder finder, FindStore store, RosterService roster) {
        this.vocabulary = vocabulary;
        this.finder = finder;
        this.store = store;
        this.roster = roster;
    }

    /** Everything the page of a criterion shows. A criterion that is not understood is answered too, with its mistake. */
    FindView view(FindAsk ask) {
        Sql base = roster.base(ask.who() == null ? null : Who.parse(ask.who()), ask.asOf());
        Criterion c;
        try {
            c = ask.text().isBlank() ? null : read(ask.text());
        } catch (MistakeException e) {
            FindStore.Counted all = everybody(base, ask.asOf());
            return new FindView(ask.text(), new FindView.FindMistake(e.place().start(), e.place().end(), e.sentence(), e.expected()), all.found().size(), 0, 0,
                    List.of(), FindView.FindShown.FOUND, List.of(), List.of(), List.of(), null);
        }
        if (c == null) {
            FindStore.Counted all = everybody(base, ask.asOf());
            List<Subject> columns = columns(ask.columns(), null);
            return new FindView("", null, all.found().size(), all.found().size(), 0, List.of(), FindView.FindShown.FOUND, texts(columns),
                    rows(columns, all.found(), Map.of(), ask), List.of(), null);
        }
        return view(c, base, ask);
    }

    private FindView view(Criterion c, Sql base, FindAsk ask) {
        CriterionText text = CriterionText.of(c);
        Finder.Prepared prepared = finder.prepare(c, base, ask.asOf());
        Counts counts = new Counts(c, text, prepared);
        FindStore.Counted counted = store.counted(prepared.sql(), counts.wanted, prepared.verdict(), ask.asOf());
        List<Subject> columns = columns(ask.columns(), c);
        List<Integer> shown = ask.cannotTell() ? counted.cannotTell() : counted.found();
        return new FindView(text.text(), null, counted.counts().get(0), counted.found().size(), counted.cannotTell().size(), counts.reasons(counted),
                ask.cannotTell() ? FindView.FindShown.CANNOT_TELL : FindView.FindShown.FOUND, texts(columns), rows(columns, shown, prepared.reckoned(), ask),
                counts.lines(counted),
                Edits.more(c));
    }

    /** The criterion that a sentence is, with names as they are on record. @throws MistakeException where it is not understood */
    Criterion read(String text) {
        return vocabulary.reader().resolved(CriterionParser.parse(text));
    }

    private FindStore.Counted everybody(Sql base, LocalDate asOf) {
        return store.counted(new CriterionSql(base), List.of(), "true", asOf);
    }

    /** Who is found. @param found students by number, in no order */
    public record Found(String text, List<Integer> found, List<Integer> cannotTell) {}

    /**
     * Those of a scope for whom a criterion holds.
     *
     * @param who null: every student of the viewer's
     * @throws MistakeException where the criterion is not understood
     */
    public Found find(String text, @Nullable Who who, LocalDate asOf) {
        Criterion c = read(text);
        Finder.Prepared prepared = finder.prepare(c, roster.base(who, asOf), asOf);
        FindStore.Counted counted = store.counted(prepared.sql(), List.of(), prepared.verdict(), asOf);
        return new Found(CriterionText.of(c).text(), counted.found(), counted.cannotTell());
    }

    /** A table to take out. @param columns heads, as they can be typed */
    public record FoundTable(List<String> columns, List<FoundRow> rows) {}

    /** @param values in the columns' order; null: nothing on record */
    public record FoundRow(Enrolled student, List<@Nullable Object> values) {}

    /** All of some students with what columns say of them. @param columns null: those that the criterion speaks of @throws MistakeException as above */
    public FoundTable table(String text, @Nullable String columns, List<Integer> students, @Nullable Integer sort, boolean descending, LocalDate asOf) {
        List<Subject> wanted = columns(columns, text.isBlank() ? null : read(text));
        return new FoundTable(texts(wanted), rows(wanted, students, asOf, Map.of(), new Finder.Sorted(sort, descending), 0, Integer.MAX_VALUE));
    }

    /** All that a view shows, from its first row on. @throws Refusal 422 where the criterion is not understood */
    FoundTable export(FindAsk ask) {
        Sql base = roster.base(ask.who() == null ? null : Who.parse(ask.who()), ask.asOf());
        List<Integer> students;
        if (ask.text().isBlank()) {
            students = everybody(base, ask.asOf()).found();
        } else {
            try {
                Found found = find(ask.text(), ask.who() == null ? null : Who.parse(ask.who()), ask.asOf());
                students = ask.cannotTell() ? found.cannotTell() : found.found();
            } catch (MistakeException e) {
                throw Refusal.invalid("text", e.sentence());
            }
        }
        return table(ask.text(), ask.columns(), students, ask.sort(), ask.descending(), ask.asOf());
    }

    private List<FindView.FindRow> rows(List<Subject> columns, List<Integer> students, Map<Subject, Map<Integer, ?>> reckoned, FindAsk ask) {
        return rows(columns, students, ask.asOf(), reckoned, new Finder.Sorted(ask.sort(), ask.descending()), ask.from(), ask.rows()).stream()
                .map(r -> new FindView.FindRow(r.student().ref(), r.values())).toList();
    }

    private List<FoundRow> rows(List<Subject> columns, List<Integer> students, LocalDate asOf, Map<Subject, Map<Integer, ?>> reckoned, Finder.Sorted by,
            int from,
            int rows) {
        if (students.isEmpty()) {
            return List.of();
        }
        // By name, the page is known before anything is told of anybody: then it is told of those on it alone.
        boolean byName = by.column() == null;
        List<Integer> page = byName ? store.byName(roster.base(students, asOf), asOf, rows, from) : students;
        List<FindStore.Row> table = finder.table(columns, page, roster.base(page, asOf), asOf, reckoned, by, byName ? 0 : from, rows);
        Map<Integer, Enrolled> names = roster.enrolledAmong(table.stream().map(FindStore.Row::student).toList(), asOf).stream()
                .collect(Collectors.toMap(Enrolled::id, Function.identity(), (a, b) -> a));
        return table.stream().filter(r -> names.containsKey(r.student())).map(r -> new FoundRow(requireNonNull(names.get(r.student())), r.values())).toList();
    }

    /** Columns that were asked for, or else the class and what the criterion speaks of. */
    private List<Subject> columns(@Nullable String asked, @Nullable Criterion c) {
        if (asked != null && !asked.isBlank()) {
            try {
                Vocabulary.Names names = vocabulary.reader();
                return CriterionParser.columns(asked).stream().map(names::resolved).distinct().toList();
            } catch (MistakeException e) {
                throw Refusal.invalid("columns", "Columns: " + e.sentence()).with("start", e.place().start()).with("end", e.place().end());
            }
        }
        Set<Subject> all = new LinkedHashSet<>(List.of(CLASS));
        if (c != null) {
            c.conditions().stream().map(Condition::subject).map(FindService::column).forEach(all::add);
        }
        return List.copyOf(all);
    }

    /** Of the last scores a column shows the newest. */
    private static Subject column(Subject s) {
        return s.when() instanceof When.LastScores ? Subject.of(s.term(), s.about(), new When.Unsaid()) : s;
    }

    private static List<String> texts(List<Subject> columns) {
        return columns.stream().map(CriterionText::of).toList();
    }

    /** Names of a kind, as they can be written in a criterion. */
    List<String> names(Noun noun, @Nullable String about) {
        return vocabulary.names(noun, about).stream().map(CriterionText::name).toList();
    }

    /** Which counts are asked for, and what they are counts of: the students; of each line, for how many of those before it holds; how many are left after. */
    private static final class Counts {
        private final Criterion whole;
        private final CriterionText text;
        private final List<String> wanted = new ArrayList<>(List.of("true"));
        private final List<Place> places = new ArrayList<>();

        /** @param holds number of its count @param left the same; 0: none */
        private record Place(CriterionText.Line line, int holds, int left, int cannotTell) {}

        Counts(Criterion whole, CriterionText text, Finder.Prepared prepared) {
            this.whole = whole;
            this.text = text;
            List<Criterion> top = whole instanceof Criterion.And a ? a.of() : List.of(whole);
            String before = "true";
            int next = 0;
            for (Criterion item : top) {
                int lines = item.conditions().size();
                String after = before + " and " + prepared.of(item);
                for (int k = 0; k < lines; k++, next++) {
                    CriterionText.Line line = text.lines().get(next);
                    Condition c = requireNonNull(line.of());
                    String holds = line.turned() ? "(not " + prepared.of(c) + ")" : prepared.of(c);
                    places.add(new Place(line, want(before + " and " + holds), k == lines - 1 ? want(after) : 0,
                            want("(" + prepared.verdict() + ") is null and (" + prepared.of(c) + ") is null")));
                }
                before = after;
            }
        }

        private int want(String sql) {
            wanted.add(sql);
            return wanted.size() - 1;
        }

        List<FindView.FindReason> reasons(FindStore.Counted counted) {
            List<FindView.FindReason> all = new ArrayList<>();
            for (int i = 0; i < places.size(); i++) {
                int n = counted.counts().get(places.get(i).cannotTell());
                if (n > 0) {
                    all.add(new FindView.FindReason(i, n));
                }
            }
            all.sort(Comparator.comparing(r -> -r.students()));
            return all;
        }

        List<FindView.FindLine> lines(FindStore.Counted counted) {
            return places.stream().map(p -> {
                Criterion c = Edits.node(whole, requireNonNull(p.line().of()));
                return new FindView.FindLine(p.line().start(), p.line().end(), p.line().depth(), counted.counts().get(p.holds()),
                        p.left() == 0 ? null : counted.counts().get(p.left()), parts(p.line()), Edits.without(whole, c), Edits.turned(whole, c),
                        Edits.either(whole, c), p.line().from(), p.line().to(), p.line().turned());
            }).toList();
        }

        private List<FindView.FindPart> parts(CriterionText.Line line) {
            return text.parts().stream().filter(p -> p.start() >= line.start() && p.end() <= line.end() && p.end() > line.start())
                    .sorted(Comparator.comparing(CriterionText.Part::start))
                    .map(p -> new FindView.FindPart(p.what(), p.start(), p.end(), p.of() instanceof Condition c ? c.subject().term().code() : null,
                            p.what() == CriterionText.What.JOIN ? Edits.joinedOtherwise(whole, p.of()) : null))
                    .toList();
        }
    }

    /** Names as views show them, in the order given. */
    List<StudentRef> refs(List<Integer> students, LocalDate asOf) {
        return roster.enrolledAmong(students, asOf).stream().map(Enrolled::ref).toList();
    }
}
