package org.zealousladder.server.engagement.work;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.summary.Quantiles;
import org.zealousladder.core.work.Counting;
import org.zealousladder.core.work.WhichAttempt;
import org.zealousladder.core.work.WorkResult;
import org.zealousladder.core.work.WorkRules;
import org.zealousladder.core.work.WorkState;
import org.zealousladder.core.work.WorkSums;
import org.zealousladder.server.engagement.work.WorkView.PieceColumn;
import org.zealousladder.server.engagement.work.WorkView.PieceView;
import org.zealousladder.server.engagement.work.WorkView.WorkCell;
import org.zealousladder.server.engagement.work.WorkView.WorkRow;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SchoolYear;
import org.zealousladder.server.school.roster.StudentRef;
import org.zealousladder.server.school.roster.Who;

/** Puts the pages of work together. */
@Service
@Transactional(readOnly = true)
class WorkPageService {
    private final WorkService work;
    private final PiecesService pieces;
    private final RosterService roster;

    WorkPageService(WorkService work, PiecesService pieces, RosterService roster) {
        this.work = work;
        this.pieces = pieces;
        this.roster = roster;
    }

    /**
     * How somebody wants to look at it; null: as the school counts, or all.
     *
     * @param attempt which counts; @param late whether late ones do
     */
    record Looking(@Nullable WhichAttempt attempt, @Nullable Boolean late, @Nullable String subject, @Nullable String kind) {}

    private record Asked(SchoolYear year, LocalDate asOf, List<Enrolled> students, WorkBook book, Setting own, Counting counting) {}

    private Asked ask(Who who, int yearId, LocalDate asked, Looking looking) {
        SchoolYear year = roster.year(yearId);
        LocalDate asOf = year.clamp(asked);
        List<Enrolled> students = roster.enrolled(who, yearId, asOf);
        Setting own = work.settings(asOf).getOrDefault(roster.school(who), Setting.STANDARD);
        Counting counting = new Counting(looking.attempt() == null ? own.counting().attempt() : looking.attempt(),
                looking.late() == null ? own.counting().late() : looking.late(),
                own.counting().missingIsZero());
        return new Asked(year, asOf, students, work.of(students, year, asOf, counting), own, counting);
    }

    WorkView view(Who who, int yearId, LocalDate asked, Looking looking) {
        Asked a = ask(who, yearId, asked, looking);
        List<Piece> shown = a.book().pieces().stream().filter(p -> looking.subject() == null || looking.subject().equals(p.subject()))
                .filter(p -> looking.kind() == null || looking.kind().equals(p.kind())).toList();
        Set<Integer> ids = shown.stream().map(Piece::id).collect(Collectors.toSet());
        Map<Integer, WorkSums> sums = new HashMap<>();
        a.book().students().forEach((s, w) -> {
            List<WorkResult> own = w.results().entrySet().stream().filter(e -> ids.contains(e.getKey())).map(Map.Entry::getValue).toList();
            if (!own.isEmpty()) {
                sums.put(s, WorkSums.of(own, a.asOf(), a.counting()));
            }
        });
        double[] shares = sums.values().stream().map(WorkSums::shareEarned).filter(OptionalDouble::isPresent).mapToDouble(OptionalDouble::getAsDouble)
                .toArray();
        Double median = shares.length < 2 ? null : Quantiles.of(shares).median().orElseThrow();
        boolean cells = who.kind() != Who.Kind.SCHOOL && who.kind() != Who.Kind.GRADE;
        List<WorkRow> rows = a.students().stream().filter(e -> sums.containsKey(e.id()))
                .map(e -> row(a, e, requireNonNull(sums.get(e.id())), median, cells ? shown : List.of())).toList();
        List<PieceColumn> columns = cells ? shown.stream().map(p -> column(a, p)).toList() : List.of();
        int toMark = (int) a.book().students().values().stream().flatMap(w -> w.results().entrySet().stream())
                .filter(e -> ids.contains(e.getKey()) && e.getValue().state() == WorkState.HANDED_IN).count();
        return new WorkView(columns, rows, cells, new WorkView.WorkCounting(a.counting().attempt(), a.counting().late(), a.counting().missingIsZero(),
                a.counting().equals(a.own().counting())), a.own().scale().rungs(), median, distinct(a.book().pieces().stream().map(Piece::subject)),
                distinct(a.book().pieces().stream().map(Piece::kind)), pieces.places(yearId, a.asOf()),
                a.students().stream().filter(e -> !sums.containsKey(e.id())).map(Enrolled::ref).toList(), toMark);
    }

    private static List<String> distinct(Stream<@Nullable String> words) {
        return words.filter(Objects::nonNull).map(Objects::requireNonNull).distinct().sorted().toList();
    }

    private WorkRow row(Asked a, Enrolled e, WorkSums s, @Nullable Double median, List<Piece> shown) {
        StudentWork own = requireNonNull(a.book().students().get(e.id()));
        List<WorkCell> cells = shown.stream().filter(p -> own.results().containsKey(p.id()))
                .map(p -> cell(a, p, e.id(), requireNonNull(own.results().get(p.id())))).toList();
        Double earned = s.shareEarned().isPresent() ? s.shareEarned().getAsDouble() : null;
        return new WorkRow(e.ref(), cells, s.soFar(), s.ofAll(), earned, s.shareAttempted().isPresent() ? s.shareAttempted().getAsDouble() : null, s.marked(),
                s.due(), s.missing(),
                earned == null ? null : a.own().scale().at(earned).name(), s.ofAll() > 0 ? a.own().scale().at(s.soFar() / s.ofAll()).name() : null,
                earned == null || median == null || s.marked() < WorkRules.FEWEST ? WorkRules.Below.NOT
                        : WorkRules.below(earned, median, a.own().soft(), a.own().strong()));
    }

    private static WorkCell cell(Asked a, Piece p, int student, WorkResult r) {
        Cell of = a.book().cells().getOrDefault(student, Map.of()).getOrDefault(p.id(), Cell.NOTHING);
        MarksService.MarkEntry typed = MarksService.entry(p, of);
        return new WorkCell(p.id(), r.state(), r.late(), r.points(), of.attempts().size(), of.reason(), typed.value(), typed.status(), typed.scoreId());
    }

    private PieceColumn column(Asked a, Piece p) {
        List<WorkResult> all = a.book().students().values().stream().map(w -> w.results().get(p.id())).filter(Objects::nonNull).map(Objects::requireNonNull)
                .toList();
        double[] shares = shares(all);
        return new PieceColumn(p.id(), p.title(), p.ofName(), p.subject(), p.kind(), p.due(), p.possible(), p.skill(), p.link(),
                (int) all.stream().filter(WorkResult::in).count(),
                (int) all.stream().filter(r -> r.state() == WorkState.HANDED_IN).count(),
                (int) all.stream().filter(r -> r.state() == WorkState.MISSING).count(), all.size(),
                shares.length < WorkRules.FEWEST ? null : Quantiles.of(shares).median().orElseThrow(), pieces.mayChange(p));
    }

    private static double[] shares(List<WorkResult> all) {
        return all.stream().filter(r -> r.points() != null).mapToDouble(r -> requireNonNull(r.points()) / r.possible()).toArray();
    }

    PieceView piece(Who who, int yearId, LocalDate asked, int id, Looking looking) {
        Asked a = ask(who, yearId, asked, looking);
        Piece p = a.book().pieces().stream().filter(x -> x.id() == id).findFirst()
                .orElseThrow(() -> Refusal.notFound("None of these students has that work to do."));
        Map<Integer, WorkResult> results = new HashMap<>();
        a.book().students().forEach((s, w) -> {
            WorkResult r = w.results().get(id);
            if (r != null) {
                results.put(s, r);
            }
        });
        double[] shares = shares(List.copyOf(results.values()));
        int[] bins = new int[10];
        Arrays.stream(shares).forEach(s -> bins[Math.min(9, (int) Math.floor(10 * s + 1e-9))]++);
        Quantiles q = Quantiles.of(shares);
        return new PieceView(column(a, p), shares.length < WorkRules.FEWEST ? List.of()
                : IntStream.rangeClosed(0, 4).mapToObj(i -> q.at(i / 4.0).orElseThrow()).toList(), Arrays.stream(bins).boxed().toList(),
                a.students().stream().filter(e -> results.containsKey(e.id())).sorted(Comparator.comparing(Enrolled::ref, StudentRef.BY_NAME)).map(e -> {
                    WorkResult r = requireNonNull(results.get(e.id()));
                    Cell c = a.book().cells().getOrDefault(e.id(), Map.of()).getOrDefault(id, Cell.NOTHING);
                    return new WorkView.PieceResult(e.ref(), r.state(), r.late(), r.points(), c.reason(), c.attempts().stream()
                            .map(t -> new WorkView.PieceAttempt(t.number(), requireNonNull(t.onDay()), t.points(), t.possible(), t.seconds(), t.link()))
                            .toList());
                }).toList());
    }
}
