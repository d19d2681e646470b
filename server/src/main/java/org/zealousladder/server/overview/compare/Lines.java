package org.zealousladder.server.overview.compare;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.ToDoubleFunction;
import java.util.function.ToIntFunction;
import java.util.stream.Collectors;
import org.zealousladder.core.comparing.FigureKind;
import org.zealousladder.core.comparing.Tally;
import org.zealousladder.server.learning.answers.AnswersService.DayCount;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.overview.compare.CompareView.CompareGroup;
import org.zealousladder.server.overview.periods.Period;
import org.zealousladder.server.overview.periods.Period.TookPart;
import org.zealousladder.server.school.roster.Enrolled;

/** All figures that two periods have, in the order in which they are shown. */
final class Lines {
    private final Map<String, Line> lines = new LinkedHashMap<>();
    private final Period first;
    private final Period second;
    /** A band is named where there is one student to a side; else counted. */
    private final boolean single;

    private Lines(Period first, Period second) {
        this.first = first;
        this.second = second;
        single = first.students().size() == 1 && second.students().size() == 1;
    }

    static List<Line> of(Period first, Period second) {
        Lines all = new Lines(first, second);
        all.scores();
        all.skills();
        all.work();
        all.engagement();
        return all.lines.values().stream().filter(l -> !l.empty()).toList();
    }

    private Period side(boolean two) {
        return two ? second : first;
    }

    private void add(Line line, SideFill fill) {
        lines.put(line.key(), line);
        fill.into(line, side(false), false);
        fill.into(line, side(true), true);
    }

    private interface SideFill {
        void into(Line line, Period period, boolean two);
    }

    private void scores() {
        Map<Integer, Measure> used = new LinkedHashMap<>();
        first.measures().forEach(m -> used.put(m.id(), m));
        second.measures().forEach(m -> used.putIfAbsent(m.id(), m));
        for (Measure m : used.values()) {
            int sign = (int) m.direction().sign();
            add(Line.of("score-" + m.id(), CompareGroup.SCORES, m.name() + ", latest", FigureKind.MEAN).in(m.unit(), m.decimals()).about(m.id()).sem(m.sem())
                    .better(sign),
                    (line, p, two) -> p.students().forEach(e -> p.course(e.id(), m)
                            .ifPresent(c -> line.side(two).put(e.id(), Tally.of(c.latest())))));
            add(Line.of("gain-" + m.id(), CompareGroup.SCORES, m.name() + ", first to latest", FigureKind.MEAN).in(m.unit(), m.decimals()).about(m.id())
                    .better(sign),
                    (line, p, two) -> p.students().forEach(e -> p.course(e.id(), m).filter(c -> c.n() > 1)
                            .ifPresent(c -> line.side(two).put(e.id(), Tally.of(c.latest() - c.first())))));
        }
        for (Measure m : used.values()) {
            add(Line.of("band-" + m.id(), CompareGroup.BANDS, m.name() + (single ? "" : ": in tier 1"), FigureKind.PEOPLE).about(m.id()),
                    (line, p, two) -> p.standings().forEach((student, own) -> {
                        var cell = own.get(m.id());
                        if (cell != null && cell.tier() != null) {
                            line.side(two).put(student, Tally.of(cell.tier() == 1));
                            if (single && cell.bandName() != null) {
                                line.words(two).put(student, cell.bandName());
                            }
                        }
                    }));
        }
    }

    private void skills() {
        Map<Integer, String> named = new LinkedHashMap<>();
        first.skills().forEach(k -> named.put(k.id(), k.name()));
        second.skills().forEach(k -> named.putIfAbsent(k.id(), k.name()));
        Map<Integer, List<DayCount>> one = first.answers().stream().collect(Collectors.groupingBy(DayCount::skill));
        Map<Integer, List<DayCount>> other = second.answers().stream().collect(Collectors.groupingBy(DayCount::skill));
        named.forEach((id, name) -> add(Line.of("skill-" + id, CompareGroup.SKILLS, name + ": answers right", FigureKind.COUNTS).about(id),
                (line, p, two) -> (two ? other : one).getOrDefault(id, List.of())
                        .forEach(d -> line.side(two).merge(d.student(), new Tally(d.shares(), d.n()), (a, b) -> new Tally(a.sum() + b.sum(), a.n() + b.n())))));
    }

    private void work() {
        counts("work-in", CompareGroup.WORK, "Work handed in, of what was due", TookPart::in, TookPart::due, 1);
        add(Line.of("work-points", CompareGroup.WORK, "Points earned, of what was marked", FigureKind.MEAN).in("%", 0),
                (line, p, two) -> p.part().forEach((student, t) -> {
                    if (t.possible() > 0) {
                        line.side(two).put(student, Tally.of(t.points() / t.possible()));
                    }
                }));
    }

    private void engagement() {
        boolean any = first.part().values().stream().anyMatch(t -> t.minutes() > 0) || second.part().values().stream().anyMatch(t -> t.minutes() > 0);
        if (any) {
            mean("minutes", "Minutes a week", "min", 0, TookPart::minutes);
            mean("active", "Days with any activity, a week", "days", 1, TookPart::activeDays);
        }
        if (first.part().values().stream().anyMatch(t -> t.sessions() > 0) || second.part().values().stream().anyMatch(t -> t.sessions() > 0)) {
            mean("sessions", "Sessions of plans, a week", "sessions", 1, TookPart::sessions);
        }
        counts("away", CompareGroup.ENGAGEMENT, "Days absent, of school days", TookPart::away, t -> t.schoolDays() == null ? 0 : t.schoolDays(), -1);
    }

    /** A week, so that a long and a short time can be held against each other. Of everybody: who did nothing did nothing. */
    private void mean(String key, String what, String unit, int decimals, ToDoubleFunction<TookPart> of) {
        add(Line.of(key, CompareGroup.ENGAGEMENT, what, FigureKind.MEAN).in(unit, decimals), (line, p, two) -> {
            for (Enrolled e : p.students()) {
                TookPart t = p.part().get(e.id());
                if (t != null) {
                    line.side(two).put(e.id(), Tally.of(of.applyAsDouble(t) / p.weeks()));
                }
            }
        });
    }

    private void counts(String key, CompareGroup group, String what, ToIntFunction<TookPart> of, ToIntFunction<TookPart> among, int better) {
        // The days of one student are alike: of several, each counts as one.
        add(Line.of(key, group, what, single ? FigureKind.COUNTS : FigureKind.MEAN).in("%", 0).better(better),
                (line, p, two) -> p.part().forEach((student, t) -> {
                    int n = among.applyAsInt(t);
                    if (n > 0) {
                        Tally own = new Tally(Math.min(n, of.applyAsInt(t)), n);
                        line.side(two).put(student, single ? own : Tally.of(own.mean()));
                    }
                }));
    }
}
