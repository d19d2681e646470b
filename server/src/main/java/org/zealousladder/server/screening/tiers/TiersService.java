package org.zealousladder.server.screening.tiers;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.bands.Band;
import org.zealousladder.core.bands.TrueScores;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.measures.windows.Window;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.SetupRights;
import org.zealousladder.server.school.roster.StudentRef;
import org.zealousladder.server.school.roster.Who;
import org.zealousladder.server.screening.standings.Cell;
import org.zealousladder.server.screening.standings.Screening;
import org.zealousladder.server.screening.standings.ScreeningService;
import org.zealousladder.server.screening.standings.StandingsService;
import org.zealousladder.server.screening.tiers.RetestsService.Retest;
import org.zealousladder.server.screening.tiers.TiersView.DecidedTier;
import org.zealousladder.server.screening.tiers.TiersView.Evidence;
import org.zealousladder.server.screening.tiers.TiersView.Flow;
import org.zealousladder.server.screening.tiers.TiersView.LastSeason;
import org.zealousladder.server.screening.tiers.TiersView.Opinion;
import org.zealousladder.server.screening.tiers.TiersView.ProposedTier;
import org.zealousladder.server.screening.tiers.TiersView.TierRow;

/** Proposes tiers, and shows them beside what the team decided and teachers think. */
@Service
public class TiersService {
    private final TiersStore store;
    private final ScreeningService screenings;
    private final StandingsService standings;
    private final ClosingService closing;
    private final TierRules rules;
    private final RetestsService retests;
    private final MeasuresService measures;
    private final SetupRights rights;

    TiersService(TiersStore store, ScreeningService screenings, StandingsService standings, ClosingService closing, TierRules rules, RetestsService retests,
            MeasuresService measures,
            SetupRights rights) {
        this.store = store;
        this.screenings = screenings;
        this.standings = standings;
        this.closing = closing;
        this.rules = rules;
        this.retests = retests;
        this.measures = measures;
        this.rights = rights;
    }

    /** @param asked which area; the first one if null or unknown */
    @Transactional(readOnly = true)
    public TiersView view(Who who, int yearId, @Nullable Integer windowId, @Nullable String asked, LocalDate day) {
        return view(screenings.open(who, yearId, windowId, day), asked);
    }

    /** As {@link #view(Who, int, Integer, String, LocalDate)}, of a window that is open already. */
    @Transactional(readOnly = true)
    public TiersView view(Screening screening, @Nullable String asked) {
        LocalDate asOf = screening.asOf();
        List<String> areas = screening.measures().stream().map(Measure::area).distinct().toList();
        if (areas.isEmpty()) {
            areas = measures.measures().stream().map(Measure::area).distinct().toList();
        }
        String area = asked != null && areas.contains(asked) ? asked : areas.get(0);
        List<Measure> ofArea = screening.measures().stream().filter(m -> m.area().equals(area)).toList();
        Proposals proposals = proposals(screening, area);

        List<Enrolled> students = new ArrayList<>(screening.expected());
        students.addAll(screening.later());
        List<Integer> ids = students.stream().map(Enrolled::id).toList();
        List<Integer> windows = new ArrayList<>(List.of(screening.window().id()));
        screening.before().map(Window::id).ifPresent(windows::add);
        Map<Integer, TiersStore.DecidedRow> now = new HashMap<>();
        Map<Integer, TiersStore.DecidedRow> then = new HashMap<>();
        store.decided(ids, area, windows, asOf).forEach(d -> (d.windowId() == screening.window().id() ? now : then).put(d.studentId(), d));
        Map<Integer, TiersStore.OpinionRow> opinions = store.opinions(ids, area, screening.window().id(), asOf).stream()
                .collect(Collectors.toMap(TiersStore.OpinionRow::studentId, o -> o));

        Set<Integer> due = retests.due(ids, List.of(screening.window()), asOf).stream().filter(r -> r.area().equals(area)).map(Retest::studentId)
                .collect(Collectors.toSet());
        List<TierRow> rows = students.stream().map(s -> new TierRow(s.ref(), s.support(), proposals.now(s).orElse(null), evidence(screening, s, ofArea),
                lastSeason(then.get(s.id()), proposals.before(s)), opinion(opinions.get(s.id())), decided(now.get(s.id()), due)))
                .sorted(Comparator.comparingInt(TiersService::order).thenComparing(TierRow::student, StudentRef.BY_NAME)).toList();
        TreeSet<Integer> tiers = new TreeSet<>();
        for (Measure m : ofArea) {
            for (int grade : screening.standings().ladders().grades(m.id(), screening.window().id())) {
                screening.standings().ladders().of(m.id(), screening.window().id(), grade)
                        .ifPresent(l -> l.bands().stream().map(Band::tier).forEach(tiers::add));
            }
        }
        WindowState state = closing.state(screening, List.of(area));
        return new TiersView(screening.window(), screening.before().map(Window::name).orElse(null), state, screening.schoolId(), areas, area,
                proposals.rule(), ofArea.stream().map(Measure::ref).toList(),
                ofArea.stream().filter(m -> m.semOrZero() == 0 && proposals.rule().counts(m.id())).map(Measure::name).toList(),
                TrueScores.ASSUMED_RELIABILITY, List.copyOf(tiers),
                summary(rows), flows(rows), rows,
                rights.mayChange(screening.schoolId()));
    }

    /** The tier that each area's rule proposes for each student of a screening, by area. */
    @Transactional(readOnly = true)
    public Map<String, Map<Integer, Integer>> proposed(Screening screening) {
        Map<String, Map<Integer, Integer>> byArea = new TreeMap<>();
        screening.measures().stream().map(Measure::area).distinct().forEach(area -> {
            Proposals proposals = proposals(screening, area);
            Map<Integer, Integer> tiers = new HashMap<>();
            screening.everyone().forEach(s -> proposals.now(s).ifPresent(p -> tiers.put(s.id(), p.tier())));
            byArea.put(area, tiers);
        });
        return byArea;
    }

    private Proposals proposals(Screening screening, String area) {
        List<Measure> ofArea = screening.measures().stream().filter(m -> m.area().equals(area)).toList();
        return new Proposals(screening, rules.inUse(screening.schoolId(), area, ofArea, screening.asOf()), ofArea, standings, screening.asOf());
    }

    /** Close calls first, then those without a score, then by the support proposed; what is decided stands last. */
    private static int order(TierRow row) {
        if (row.decided() != null && !row.decided().retested()) {
            return row.decided().tier() == null ? 50 : 100 - row.decided().tier();
        }
        return row.proposal() == null ? 2 : row.proposal().closeCall() ? 1 : 20 - row.proposal().tier();
    }

    private static String summary(List<TierRow> rows) {
        long decided = rows.stream().filter(r -> r.decided() != null && r.decided().settled()).count();
        long again = rows.stream().filter(r -> r.decided() != null && !r.decided().settled() && !r.decided().retested()).count();
        long close = rows.stream().filter(r -> open(r) && r.proposal() != null && r.proposal().closeCall()).count();
        long untested = rows.stream().filter(r -> open(r) && r.proposal() == null).count();
        List<String> parts = new ArrayList<>(List.of(decided + " of " + rows.size() + " decided"));
        if (close > 0) {
            parts.add(Words.number(close) + (close == 1 ? " close call" : " close calls") + " to talk about");
        }
        if (untested > 0) {
            parts.add(Words.number(untested) + " without a score");
        }
        if (again > 0) {
            parts.add(Words.number(again) + " to be tested again");
        }
        return Words.sentence(String.join(", ", parts));
    }

    /** Whether the team has yet to decide: nothing was decided, or the retest it asked for is there. */
    static boolean open(TierRow r) {
        return r.decided() == null || r.decided().retested();
    }

    private static List<Flow> flows(List<TierRow> rows) {
        Map<Integer, Map<Integer, List<Integer>>> flows = new TreeMap<>();
        for (TierRow r : rows) {
            Integer to = r.decided() != null ? r.decided().tier() : r.proposal() == null ? null : (Integer) r.proposal().tier();
            if (r.lastSeason() != null && to != null) {
                flows.computeIfAbsent(r.lastSeason().tier(), k -> new TreeMap<>()).computeIfAbsent(to, k -> new ArrayList<>()).add(r.student().id());
            }
        }
        return flows.entrySet().stream().flatMap(f -> f.getValue().entrySet().stream().map(t -> new Flow(f.getKey(), t.getKey(), t.getValue()))).toList();
    }

    private static List<Evidence> evidence(Screening screening, Enrolled student, List<Measure> ofArea) {
        return ofArea.stream().map(m -> {
            Cell c = screening.cell(student.id(), m.id());
            return new Evidence(m.id(), c.status(), c.value(), c.bandName(), c.tier(), c.closeCall());
        }).toList();
    }

    private static @Nullable LastSeason lastSeason(TiersStore.@Nullable DecidedRow decided, Optional<ProposedTier> proposed) {
        if (decided != null && decided.tier() != null) {
            return new LastSeason(decided.tier(), true);
        }
        return proposed.map(p -> new LastSeason(p.tier(), false)).orElse(null);
    }

    private static @Nullable Opinion opinion(TiersStore.@Nullable OpinionRow o) {
        return o == null ? null : new Opinion(o.id(), o.tier(), o.note(), o.by(), o.onDay());
    }

    private static @Nullable DecidedTier decided(TiersStore.@Nullable DecidedRow d, Set<Integer> due) {
        return d == null ? null : new DecidedTier(d.id(), d.outcome(), d.tier(), d.proposed(), d.because(), d.reason(), d.by(), d.onDay(),
                d.tier() == null && !due.contains(d.studentId()));
    }
}
