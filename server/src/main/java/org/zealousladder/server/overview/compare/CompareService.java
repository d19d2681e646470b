package org.zealousladder.server.overview.compare;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.comparing.Tally;
import org.zealousladder.server.overview.compare.CompareView.BehindMark;
import org.zealousladder.server.overview.compare.CompareView.BehindStudent;
import org.zealousladder.server.overview.compare.CompareView.CompareBehind;
import org.zealousladder.server.overview.compare.CompareView.CompareSide;
import org.zealousladder.server.overview.periods.Period;
import org.zealousladder.server.overview.periods.PeriodsService;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.StudentRef;
import org.zealousladder.server.school.roster.Whose;

/** Puts two sides beside each other, and opens a row to what is behind it. */
@Service
@Transactional(readOnly = true)
class CompareService {
    private static final int MOST_MARKS = 200;

    private final RosterService roster;
    private final PeriodsService periods;
    private final MarksBehind marks;

    CompareService(RosterService roster, PeriodsService periods, MarksBehind marks) {
        this.roster = roster;
        this.periods = periods;
        this.marks = marks;
    }

    /** One side. @param of whose, as {@link Whose} has it */
    record Side(String of, LocalDate from, LocalDate to) {}

    private record Both(RosterService.Members one, RosterService.Members other, Period first, Period second, boolean same) {}

    private Both both(Side a, Side b, LocalDate asOf) {
        PeriodsService.require(a.from(), a.to());
        PeriodsService.require(b.from(), b.to());
        RosterService.Members one = roster.members(Whose.parse(a.of()), asOf);
        RosterService.Members other = roster.members(Whose.parse(b.of()), asOf);
        return new Both(one, other, periods.of(one.students(), a.from(), a.to(), asOf), periods.of(other.students(), b.from(), b.to(), asOf),
                ids(one.students()).equals(ids(other.students())));
    }

    private static Set<Integer> ids(List<Enrolled> students) {
        return students.stream().map(Enrolled::id).collect(Collectors.toSet());
    }

    CompareView view(Side a, Side b, LocalDate asOf) {
        Both both = both(a, b, asOf);
        return new CompareView(side(a, both.one(), both.first()), side(b, both.other(), both.second()), both.same(),
                // What nobody has on both sides, where those count alone, is not "nothing on record": there is nothing to compare.
                Lines.of(both.first(), both.second()).stream().map(l -> l.row(both.same())).filter(r -> r.firstN() + r.secondN() > 0).toList());
    }

    private static CompareSide side(Side asked, RosterService.Members members, Period period) {
        return new CompareSide(asked.of(), members.title(), period.from(), period.to(), members.students().size(), members.one());
    }

    /** @throws Refusal 404 for a row that there is not */
    CompareBehind behind(Side a, Side b, LocalDate asOf, String key) {
        Both both = both(a, b, asOf);
        Line line = Lines.of(both.first(), both.second()).stream().filter(l -> l.key().equals(key)).findFirst()
                .orElseThrow(() -> Refusal.notFound("There is no such row any more. Look at the comparison again."));
        Map<Integer, StudentRef> refs = new LinkedHashMap<>();
        Stream.concat(both.one().students().stream(), both.other().students().stream()).forEach(e -> refs.putIfAbsent(e.id(), e.ref()));
        Set<Integer> told = new HashSet<>(line.first().keySet());
        told.addAll(line.second().keySet());
        List<BehindStudent> students = told.stream().map(id -> student(requireNonNull(refs.get(id)), line))
                .sorted(Comparator.comparing(BehindStudent::student, StudentRef.BY_NAME)).toList();
        List<BehindMark> all = Stream.concat(marks.of(line, both.first(), asOf).stream().map(m -> mark(m, refs, false)),
                marks.of(line, both.second(), asOf).stream().map(m -> mark(m, refs, true)))
                .sorted(Comparator.comparing(BehindMark::day).reversed().thenComparing(BehindMark::student, StudentRef.BY_NAME)).toList();
        return new CompareBehind(line.row(both.same()), students, all.stream().limit(MOST_MARKS).toList(), all.size());
    }

    private static BehindMark mark(MarksBehind.Mark m, Map<Integer, StudentRef> refs, boolean second) {
        return new BehindMark(requireNonNull(refs.get(m.student())), second, m.day(), m.what(), m.value());
    }

    private static BehindStudent student(StudentRef ref, Line line) {
        Tally one = line.first().get(ref.id());
        Tally other = line.second().get(ref.id());
        return new BehindStudent(ref, mean(one), n(one), mean(other), n(other));
    }

    private static @Nullable Double mean(@Nullable Tally t) {
        return t == null ? null : t.mean();
    }

    private static int n(@Nullable Tally t) {
        return t == null ? 0 : (int) Math.round(t.n());
    }
}
