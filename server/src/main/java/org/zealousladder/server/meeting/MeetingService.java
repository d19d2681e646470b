package org.zealousladder.server.meeting;

import java.time.LocalDate;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.decisions.DecisionsService;
import org.zealousladder.server.decisions.Taken;
import org.zealousladder.server.goals.Goal;
import org.zealousladder.server.goals.GoalsService;
import org.zealousladder.server.plans.Concern;
import org.zealousladder.server.plans.ConcernsService;
import org.zealousladder.server.plans.Plan;
import org.zealousladder.server.plans.PlansService;
import org.zealousladder.server.plans.StrategiesService;
import org.zealousladder.server.plans.Strategy;
import org.zealousladder.server.roster.RosterService;
import org.zealousladder.server.roster.Who;
import org.zealousladder.server.trends.TrendCard;
import org.zealousladder.server.trends.TrendsService;
import org.zealousladder.server.trends.TrendsService.PeerMedian;
import org.zealousladder.server.trends.TrendsService.TrendsView;

/** Gathers what the team looks at together: a fixed number of reads whatever the number of students. */
@Service
@Transactional(readOnly = true)
public class MeetingService {
    private final TrendsService trends;
    private final PlansService plans;
    private final ConcernsService concerns;
    private final StrategiesService strategies;
    private final DecisionsService decisions;
    private final GoalsService goals;
    private final RosterService roster;

    MeetingService(TrendsService trends, PlansService plans, ConcernsService concerns, StrategiesService strategies, DecisionsService decisions,
            GoalsService goals, RosterService roster) {
        this.trends = trends;
        this.plans = plans;
        this.concerns = concerns;
        this.strategies = strategies;
        this.decisions = decisions;
        this.goals = goals;
        this.roster = roster;
    }

    /** What is talked about, in order, and the groups that it can be narrowed to. */
    public record MeetingView(List<AgendaItem> items, List<PeerMedian> peers, List<String> groups, List<Strategy> strategies) {}

    /** One student on the agenda. */
    public record AgendaItem(TrendCard card, @Nullable Concern concern, List<Plan> plans, List<Taken> decisions, List<Goal> replacedGoals) {}

    /** @param only students, in any order; empty for all who are monitored */
    public MeetingView view(Who who, int measureId, int yearId, LocalDate asked, Collection<Integer> only, @Nullable String group) {
        LocalDate asOf = roster.year(yearId).clamp(asked);
        TrendsView view = trends.view(who, measureId, yearId, asked);
        List<Integer> ids = view.cards().stream().map(c -> c.student().id()).toList();
        Map<Integer, List<Plan>> planned = plans.knownOn(ids, measureId, asOf).stream().collect(Collectors.groupingBy(Plan::studentId));
        List<String> groups = planned.values().stream().flatMap(List::stream).filter(p -> p.open() && p.groupName() != null).map(Plan::groupName)
                .distinct().sorted().toList();
        List<TrendCard> cards = view.cards().stream().filter(c -> only.isEmpty() || only.contains(c.student().id()))
                .filter(c -> group == null || planned.getOrDefault(c.student().id(), List.of()).stream().anyMatch(p -> p.open() && group.equals(p.groupName())))
                .toList();
        Map<Integer, List<Taken>> taken = decisions.knownOn(ids, measureId, asOf).stream().collect(Collectors.groupingBy(Taken::studentId));
        Map<Integer, List<Goal>> replaced = goals.replacedBy(ids, measureId, asOf).stream().collect(Collectors.groupingBy(Goal::studentId));
        Map<Integer, Concern> worried = new HashMap<>();
        if (!cards.isEmpty()) {
            concerns.knownOn(ids, cards.get(0).measure().area(), asOf).stream().filter(c -> c.level() > 0).forEach(c -> worried.put(c.studentId(), c));
        }
        List<AgendaItem> items = cards.stream().map(c -> new AgendaItem(c, worried.get(c.student().id()),
                planned.getOrDefault(c.student().id(), List.of()), taken.getOrDefault(c.student().id(), List.of()),
                replaced.getOrDefault(c.student().id(), List.of()))).toList();
        return new MeetingView(items, view.peers(), groups,
                cards.isEmpty() ? List.of() : strategies.of(roster.school(who), cards.get(0).measure().area()));
    }
}
