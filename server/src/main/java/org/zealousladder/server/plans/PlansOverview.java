package org.zealousladder.server.plans;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.goals.Goal;
import org.zealousladder.server.goals.GoalsService;
import org.zealousladder.server.measures.Measure;
import org.zealousladder.server.measures.MeasuresService;
import org.zealousladder.server.measures.SetupRights;
import org.zealousladder.server.platform.Words;
import org.zealousladder.server.plans.PlansView.PlanRow;
import org.zealousladder.server.plans.PlansView.Suggestion;
import org.zealousladder.server.roster.Enrolled;
import org.zealousladder.server.roster.RosterService;
import org.zealousladder.server.roster.StudentRef;
import org.zealousladder.server.roster.Who;
import org.zealousladder.server.tiers.TiersService;
import org.zealousladder.server.tiers.TiersService.TierOnRecord;

/** Gathers concerns, plans, goals and the week's sessions of everyone in scope. */
@Service
@Transactional(readOnly = true)
public class PlansOverview {
    private final PlansService plans;
    private final ConcernsService concerns;
    private final StrategiesService strategies;
    private final GoalsService goals;
    private final TiersService tiers;
    private final MeasuresService measures;
    private final RosterService roster;
    private final SetupRights rights;

    PlansOverview(PlansService plans, ConcernsService concerns, StrategiesService strategies, GoalsService goals, TiersService tiers,
            MeasuresService measures, RosterService roster, SetupRights rights) {
        this.plans = plans;
        this.concerns = concerns;
        this.strategies = strategies;
        this.goals = goals;
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
        Map<Integer, Concern> worried = concerns.knownOn(ids, measure.area(), asOf).stream().collect(Collectors.toMap(Concern::studentId, c -> c));
        Map<Integer, List<Plan>> all = plans.knownOn(ids, measureId, asOf).stream().collect(Collectors.groupingBy(Plan::studentId));
        Map<Integer, Goal> aims = goals.knownOn(ids, measureId, asOf).stream().collect(Collectors.toMap(Goal::studentId, g -> g));
        Map<Integer, TierOnRecord> newest = tiers.newest(ids, measure.area(), asOf);
        LocalDate week = asOf.with(TemporalAdjusters.previousOrSame(DayOfWeek.MONDAY));
        Map<Long, Map<LocalDate, Integer>> held = new HashMap<>();
        plans.sessions(ids, week, week.plusDays(6), asOf).forEach(s -> held.computeIfAbsent(s.planRoot(), r -> new TreeMap<>()).put(s.onDay(), s.given()));

        List<PlanRow> rows = new ArrayList<>();
        List<StudentRef> others = new ArrayList<>();
        List<Suggestion> suggested = new ArrayList<>();
        for (Enrolled e : students) {
            Concern concern = worried.get(e.id());
            List<Plan> own = all.getOrDefault(e.id(), List.of());
            Plan now = own.stream().filter(Plan::open).findFirst().orElse(null);
            Goal goal = aims.get(e.id());
            Suggestion suggestion = suggestion(e.ref(), newest.get(e.id()), concern);
            if (concern != null && concern.level() > 0 || now != null || goal != null) {
                rows.add(new PlanRow(e.ref(), concern, suggestion, now, own.stream().filter(p -> !p.open()).toList(), goal,
                        now == null ? Map.of() : held.getOrDefault(now.root(), Map.of())));
            } else {
                others.add(e.ref());
                if (suggestion != null) {
                    suggested.add(suggestion);
                }
            }
        }
        rows.sort(Comparator.comparing((PlanRow r) -> r.concern() == null ? 0 : -r.concern().level()).thenComparing(r -> r.student().name()));
        int school = roster.school(who);
        return new PlansView(measure.ref(), measure.area(), school, week, rows, others, suggested, strategies.of(school, measure.area()),
                rights.mayChange(school), summary(rows));
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
            parts.add(Words.number(thin) + (thin == 1 ? " plan was" : " plans were") + " given less than 60 % of the time planned");
        }
        return parts.isEmpty() ? "" : Words.sentence(String.join(", ", parts));
    }
}
