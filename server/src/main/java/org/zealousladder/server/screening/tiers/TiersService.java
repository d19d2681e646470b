package org.zealousladder.server.screening.tiers;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.bands.Band;
import org.zealousladder.core.tiers.TierRule;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.measures.measures.SetupRights;
import org.zealousladder.server.measures.measures.Window;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.StudentRef;
import org.zealousladder.server.school.roster.Who;
import org.zealousladder.server.screening.standings.Cell;
import org.zealousladder.server.screening.standings.Screening;
import org.zealousladder.server.screening.standings.ScreeningService;
import org.zealousladder.server.screening.standings.StandingsService;
import org.zealousladder.server.screening.tiers.TiersView.DecidedTier;
import org.zealousladder.server.screening.tiers.TiersView.Evidence;
import org.zealousladder.server.screening.tiers.TiersView.Flow;
import org.zealousladder.server.screening.tiers.TiersView.LastSeason;
import org.zealousladder.server.screening.tiers.TiersView.Opinion;
import org.zealousladder.server.screening.tiers.TiersView.ProposedTier;
import org.zealousladder.server.screening.tiers.TiersView.RuleInUse;
import org.zealousladder.server.screening.tiers.TiersView.TierRow;
import org.zealousladder.server.screening.tiers.TiersView.Weighed;

/** Proposes tiers, keeps what the team decides and what teachers think. */
@Service
public class TiersService {
    private final TiersStore store;
    private final ScreeningService screenings;
    private final StandingsService standings;
    private final ClosingService closing;
    private final MeasuresService measures;
    private final RosterService roster;
    private final SetupRights rights;
    private final SchoolCalendar calendar;

    TiersService(TiersStore store, ScreeningService screenings, StandingsService standings, ClosingService closing, MeasuresService measures,
            RosterService roster, SetupRights rights, SchoolCalendar calendar) {
        this.store = store;
        this.screenings = screenings;
        this.standings = standings;
        this.closing = closing;
        this.measures = measures;
        this.roster = roster;
        this.rights = rights;
        this.calendar = calendar;
    }

    /** @param asked which area; the first one if null or unknown */
    @Transactional(readOnly = true)
    public TiersView view(Who who, int yearId, @Nullable Integer windowId, @Nullable String asked, LocalDate day) {
        Screening screening = screenings.open(who, yearId, windowId, day);
        LocalDate asOf = screening.asOf();
        List<String> areas = screening.measures().stream().map(Measure::area).distinct().toList();
        if (areas.isEmpty()) {
            areas = measures.measures().stream().map(Measure::area).distinct().toList();
        }
        String area = asked != null && areas.contains(asked) ? asked : areas.get(0);
        List<Measure> ofArea = screening.measures().stream().filter(m -> m.area().equals(area)).toList();
        RuleInUse rule = rule(screening.schoolId(), area, ofArea, asOf);
        Proposals proposals = new Proposals(screening, rule, ofArea, standings, asOf);

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

        List<TierRow> rows = students.stream().map(s -> new TierRow(s.ref(), s.support(), proposals.now(s).orElse(null), evidence(screening, s, ofArea),
                lastSeason(then.get(s.id()), proposals.before(s)), opinion(opinions.get(s.id())), decided(now.get(s.id()))))
                .sorted(Comparator.comparingInt(TiersService::order).thenComparing(TierRow::student, StudentRef.BY_NAME)).toList();
        TreeSet<Integer> tiers = new TreeSet<>();
        for (Measure m : ofArea) {
            for (int grade : screening.standings().ladders().grades(m.id(), screening.window().id())) {
                screening.standings().ladders().of(m.id(), screening.window().id(), grade)
                        .ifPresent(l -> l.bands().stream().map(Band::tier).forEach(tiers::add));
            }
        }
        WindowState state = closing.state(screening.window().id(), screening.schoolId(), asOf);
        return new TiersView(screening.window(), screening.before().map(Window::name).orElse(null), state, screening.schoolId(), areas, area, rule,
                ofArea.stream().map(Measure::ref).toList(), List.copyOf(tiers), summary(rows), flows(rows), rows, rights.mayChange(screening.schoolId()));
    }

    /** A decided tier as a student's page shows it; a retest has no tier. */
    public record TierOnRecord(String area, String window, String year, String outcome, @Nullable Integer tier, @Nullable String reason, @Nullable String by,
            LocalDate onDay) {}

    /** The newest tier decided for each of the students in an area by {@code asOf}; those without one are left out. */
    @Transactional(readOnly = true)
    public Map<Integer, TierOnRecord> newest(Collection<Integer> students, String area, LocalDate asOf) {
        return students.isEmpty() ? Map.of() : store.newest(students, area, asOf);
    }

    /** What was decided for a student by {@code asOf}, the newest window first. */
    @Transactional(readOnly = true)
    public List<TierOnRecord> ofStudent(int student, LocalDate asOf) {
        return store.ofStudent(student, asOf);
    }

    /** Close calls first, then those without a score, then by the support proposed; what is decided stands last. */
    private static int order(TierRow row) {
        if (row.decided() != null) {
            return row.decided().outcome().equals("retest") ? 50 : 100 - requireNonNull(row.decided().tier());
        }
        return row.proposal() == null ? 2 : row.proposal().closeCall() ? 1 : 20 - row.proposal().tier();
    }

    private static String summary(List<TierRow> rows) {
        long decided = rows.stream().filter(r -> r.decided() != null).count();
        long close = rows.stream().filter(r -> r.decided() == null && r.proposal() != null && r.proposal().closeCall()).count();
        long untested = rows.stream().filter(r -> r.decided() == null && r.proposal() == null).count();
        List<String> parts = new ArrayList<>(List.of(decided + " of " + rows.size() + " decided"));
        if (close > 0) {
            parts.add(Words.number(close) + (close == 1 ? " close call" : " close calls") + " to talk about");
        }
        if (untested > 0) {
            parts.add(Words.number(untested) + " without a score");
        }
        return Words.sentence(String.join(", ", parts));
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

    private static @Nullable DecidedTier decided(TiersStore.@Nullable DecidedRow d) {
        return d == null ? null : new DecidedTier(d.id(), d.outcome(), d.tier(), d.proposed(), d.because(), d.reason(), d.by(), d.onDay());
    }

    /** The school's rule, or the one to begin with: the tier that most measures of the area give, all weighing the same. */
    private RuleInUse rule(int school, String area, List<Measure> ofArea, LocalDate asOf) {
        return store.rule(school, area, asOf).map(r -> new RuleInUse(r.rule(), store.ruleMeasures(r.id()), true))
                .orElseGet(() -> new RuleInUse(TierRule.MOST.code(), ofArea.stream().map(m -> new Weighed(m.id(), 1)).toList(), false));
    }

    /**
     * One decision of the team.
     *
     * @param outcome confirmed, overridden or retest
     * @param tier for an override
     * @param proposed the proposal that the team saw; null when there was none
     * @param seen the decision that this one replaces
     */
    public record TierDecision(int studentId, String outcome, @Nullable Integer tier, @Nullable Integer proposed, @Nullable String reason,
            @Nullable Long seen) {}

    /** Keeps decisions, all or none. */
    @Transactional
    public int decide(Who who, int yearId, int windowId, String area, List<TierDecision> decisions) {
        int school = roster.school(who);
        if (!rights.mayChange(school)) {
            throw Refusal.forbidden("Tiers are confirmed by coordinators. You can give your view of a student; nothing was saved.");
        }
        closing.requireOpen(measures.window(windowId), school);
        if (decisions.isEmpty()) {
            throw Refusal.invalid("decisions", "Choose at least one student.");
        }
        TiersView view = view(who, yearId, windowId, area, calendar.today());
        Map<Integer, TierRow> rows = view.rows().stream().collect(Collectors.toMap(r -> r.student().id(), r -> r));
        List<TiersStore.NewTier> tiers = decisions.stream().map(d -> newTier(d, rows.get(d.studentId()), view.tiers())).toList();
        int written = store.decide(tiers, windowId, view.area(), calendar.today(), Viewer.current().id());
        if (written < tiers.size()) {
            throw Refusal.conflict("Somebody else has decided for one of these students meanwhile. Nothing of yours was saved; look again.");
        }
        return written;
    }

    private static TiersStore.NewTier newTier(TierDecision d, @Nullable TierRow row, List<Integer> tiers) {
        if (row == null) {
            throw Refusal.forbidden("One of the students is not in this list. Nothing was saved.");
        }
        ProposedTier p = row.proposal();
        String reason = d.reason() == null || d.reason().isBlank() ? null : d.reason().strip();
        Integer tier = switch (d.outcome()) {
            case "confirmed" -> {
                if (p == null) {
                    throw Refusal.invalid("decisions",
                            row.student().name() + " has no score, so there is no tier to confirm. Give a tier with a reason, or ask for a retest.");
                }
                if (d.proposed() == null || d.proposed() != p.tier()) {
                    throw Refusal.conflict(
                            "The proposal for " + row.student().name() + " has changed meanwhile, to tier " + p.tier() + ". Nothing was saved; look again.");
                }
                yield p.tier();
            }
            case "overridden" -> {
                if (reason == null) {
                    throw Refusal.invalid("reason", "Say why the tier is another than proposed; it stays on record.");
                }
                if (d.tier() == null || !tiers.contains(d.tier())) {
                    throw Refusal.invalid("tier", "Choose one of the tiers " + Words.list(tiers.stream().map(String::valueOf).toList()) + ".");
                }
                yield d.tier();
            }
            case "retest" -> null;
            default -> throw Refusal.invalid("outcome", "Confirm the tier, give another, or ask for a retest.");
        };
        return new TiersStore.NewTier(d.studentId(), d.outcome(), tier, p == null ? null : (Integer) p.tier(), p == null ? null : p.certainty(),
                p == null ? "Not tested." : p.reason(), reason, d.seen());
    }

    /** Keeps a teacher's view of a student. */
    @Transactional
    public void opine(int student, int windowId, String area, int tier, @Nullable String note, @Nullable Long seen) {
        roster.requireStudent(student);
        Window window = measures.window(windowId);
        closing.requireOpen(window, roster.enrolled(student, calendar.today()).schoolId());
        if (tier < 1 || tier > 5 || measures.measures().stream().noneMatch(m -> m.area().equals(area))) {
            throw Refusal.invalid("tier", "Choose a tier from 1 to 5 in one of the areas.");
        }
        if (!store.opine(student, windowId, area, tier, note == null || note.isBlank() ? null : note.strip(), seen, calendar.today(), Viewer.current().id())) {
            throw Refusal.conflict("Somebody else has given a view of this student meanwhile. Yours was not saved; look again.");
        }
    }

    /** Says how the school combines measures of an area from today on. */
    @Transactional
    public void chooseRule(int school, String area, String rule, List<Weighed> weighed) {
        rights.require(school, "Rules");
        try {
            TierRule.of(rule);
        } catch (IllegalArgumentException e) {
            throw Refusal.invalid("rule", Words.sentence(requireNonNull(e.getMessage())));
        }
        Map<Integer, Measure> known = measures.byId();
        if (weighed.isEmpty() || weighed.stream().anyMatch(w -> known.get(w.measureId()) == null || !known.get(w.measureId()).area().equals(area))) {
            throw Refusal.invalid("measures", "Choose at least one measure of " + area + ".");
        }
        if (weighed.stream().anyMatch(w -> !(w.weight() > 0 && w.weight() <= 100))
                || weighed.stream().map(Weighed::measureId).distinct().count() < weighed.size()) {
            throw Refusal.invalid("measures", "A weight is a number above 0 and at most 100, one a measure.");
        }
        store.chooseRule(school, area, rule, weighed, calendar.today(), Viewer.current().id());
    }
}
