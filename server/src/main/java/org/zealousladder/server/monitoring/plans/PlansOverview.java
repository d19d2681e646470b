package org.zealousladder.server.monitoring.plans;

import static java.util.Objects.requireNonNull;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.monitoring.plans.PlansView.OwnConcern;
import org.zealousladder.server.monitoring.plans.PlansView.PlanRow;
import org.zealousladder.server.monitoring.plans.PlansView.Suggestion;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SetupRights;
import org.zealousladder.server.school.roster.StudentRef;
import org.zealousladder.server.school.roster.Who;
import org.zealousladder.server.screening.tiers.TiersOnRecord;
import org.zealousladder.server.screening.tiers.TiersOnRecord.TierOnRecord;

/** Gathers concerns, plans, goals and the week's sessions of everyone in scope. */
@Service
@Transactional(readOnly = true)
public class PlansOverview {
    private final PlansService plans;
    private final ConcernsService concerns;
    private final FollowingService followed;
    private final StrategiesService strategies;
    private final TiersOnRecord tiers;
    private final MeasuresService measures;
    private final RosterService roster;
    private final SetupRights rights;

    PlansOverview(PlansService plans, ConcernsService concerns, FollowingService followed, StrategiesService strategies, TiersOnRecord tiers,
            MeasuresService measures, RosterService roster, SetupRights rights) {
        this.plans = plans;
        this.concerns = concerns;
        this.followed = followed;
        this.strategies = strategies;
        this.tiers = tiers;
        this.measures = measures;
        this.roster = roster;
        this.rights = rights;
    }

    public PlansView view(Who who, int measureId, int yearId, LocalDate asked) {
        LocalDate asOf = roster.year(yearId).clamp(asked);
        Measure measure = measures.measure(measureId, asOf);
        List<Enrolled> students = roster.enrolled(who, yearId, asOf);
        List<Integer> ids = students.stream().map(Enrolled::id).toList();
        Following following = followed.on(ids, measure, roster.year(yearId), asOf);
        Map<Integer, TierOnRecord> newest = tiers.newest(ids, measure.area(), asOf);
        LocalDate week = asOf.with(TemporalAdjusters.previousOrSame(DayOfWeek.MONDAY));
        Map<Long, Map<LocalDate, Integer>> held = new HashMap<>();
        plans.sessions(ids, week, week.plusDays(6), asOf).forEach(s -> held.computeIfAbsent(s.planRoot(), r -> new TreeMap<>()).put(s.onDay(), s.given()));

        List<PlanRow> rows = new ArrayList<>();
        List<StudentRef> others = new ArrayList<>();
        List<Suggestion> suggested = new ArrayList<>();
        for (Enrolled e : students) {
            Concern concern = following.concern(e.id());
            Suggestion suggestion = suggestion(e.ref(), newest.get(e.id()), concern);
            if (following.follows(e.id())) {
                Plan now = following.plan(e.id());
                rows.add(new PlanRow(e.ref(), concern, suggestion, now, following.past(e.id()), following.goal(e.id()),
                        now == null ? Map.of() : held.getOrDefault(now.root(), Map.of())));
            } else {
                others.add(e.ref());
                if (suggestion != null) {
                    suggested.add(suggestion);
                }
            }
        }
        rows.sort(Comparator.comparing((PlanRow r) -> r.concern() == null ? 0 : -r.concern().level()).thenComparing(PlanRow::student, StudentRef.BY_NAME));
        int school = roster.school(who);
        return new PlansView(measure.ref(), measure.area(), school, week, rows, others, suggested, strategies.of(school, measure.area()),
                rights.mayChange(school), summary(rows), elsewhere(students, asOf));
    }

    /** Concerns in areas of the school's own, which no measure is about: there is no other page for them. */
    private List<OwnConcern> elsewhere(List<Enrolled> students, LocalDate asOf) {
        Set<String> measured = measures.byId(asOf).values().stream().map(Measure::area).collect(Collectors.toSet());
        Map<Integer, Enrolled> byId = students.stream().collect(Collectors.toMap(Enrolled::id, e -> e, (a, b) -> a));
        return concerns.knownOn(byId.keySet(), null, asOf).stream().filter(c -> c.level() > 0 && !measured.contains(c.area()))
                .sorted(Comparator.comparing(Concern::area).thenComparing(c -> -c.level())
                        .thenComparing(c -> requireNonNull(byId.get(c.studentId())).ref(), StudentRef.BY_NAME))
                .map(c -> new OwnConcern(requireNonNull(byId.get(c.studentId())).ref(), c)).toList();
    }

    /** Tier 2 suggests level 2, tier 3 and beyond level 3; nothing where somebody has judged already at least as high, or since. */
    private static @Nullable Suggestion suggestion(StudentRef student, @Nullable TierOnRecord tier, @Nullable Concern concern) {
        if (tier == null || tier.tier() == null || tier.tier() < 2) {
            return null;
        }
        int level = Math.min(3, tier.tier());
        boolean judged = concern != null && (concern.level() >= level || !concern.since().isBefore(tier.onDay()));
        return judged ? null : new Suggestion(student, level, "Tier " + tier.tier() + " in " + tier.window().toLowerCase(Locale.ROOT));
    }

    private static String summary(List<PlanRow> rows) {
        long without = rows.stream().filter(r -> r.plan() == null && r.concern() != null && r.concern().level() > 0).count();
        long thin = rows.stream().filter(r -> r.plan() != null && r.plan().tooLittle()).count();
        List<String> parts = new ArrayList<>();
        if (without > 0) {
            parts.add(Words.number(without) + " without a plan");
        }
        if (thin > 0) {
            parts.add(Words.number(thin)
                    + (thin == 1 ? " plan was given fewer than 60 % of its sessions" : " plans were given fewer than 60 % of their sessions"));
        }
        return parts.isEmpty() ? "" : Words.sentence(String.join(", ", parts));
    }
}
