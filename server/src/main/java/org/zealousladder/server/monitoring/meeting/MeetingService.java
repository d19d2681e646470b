package org.zealousladder.server.monitoring.meeting;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.monitoring.decisions.Decision;
import org.zealousladder.server.monitoring.goals.Goal;
import org.zealousladder.server.monitoring.goals.GoalsService;
import org.zealousladder.server.monitoring.plans.Concern;
import org.zealousladder.server.monitoring.plans.Following;
import org.zealousladder.server.monitoring.plans.Plan;
import org.zealousladder.server.monitoring.plans.StrategiesService;
import org.zealousladder.server.monitoring.plans.Strategy;
import org.zealousladder.server.monitoring.trends.CardsService;
import org.zealousladder.server.monitoring.trends.TrendCard;
import org.zealousladder.server.monitoring.trends.TrendsService;
import org.zealousladder.server.monitoring.trends.TrendsService.Looked;
import org.zealousladder.server.monitoring.trends.TrendsService.PeerMedian;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.Who;
import org.zealousladder.server.scores.scores.ScoresService.StudentMeasure;

/** Gathers what the team looks at together: a fixed number of reads whatever the number of students. */
@Service
@Transactional(readOnly = true)
public class MeetingService {
    private final TrendsService trends;
    private final CardsService cards;
    private final StrategiesService strategies;
    private final GoalsService goals;
    private final RosterService roster;

    MeetingService(TrendsService trends, CardsService cards, StrategiesService strategies, GoalsService goals, RosterService roster) {
        this.trends = trends;
        this.cards = cards;
        this.strategies = strategies;
        this.goals = goals;
        this.roster = roster;
    }

    /** What is talked about, in order, and the groups that it can be narrowed to. */
    public record MeetingView(List<AgendaItem> items, List<PeerMedian> peers, List<String> groups, List<Strategy> strategies) {}

    /** One student on the agenda. */
    public record AgendaItem(TrendCard card, @Nullable Concern concern, List<Plan> plans, List<Decision> decisions, List<Goal> replacedGoals) {}

    /** @param only students, in any order; empty for all who are followed */
    public MeetingView view(Who who, int measureId, int yearId, LocalDate asked, Collection<Integer> only, @Nullable String group) {
        Looked seen = trends.look(who, measureId, yearId, asked);
        Following following = seen.following();
        // Whom the team worries about without a goal yet is talked about, too, after those of whom something is proposed.
        List<TrendCard> all = new ArrayList<>(seen.cards());
        Set<Integer> carded = seen.cards().stream().map(c -> c.student().id()).collect(Collectors.toSet());
        List<Enrolled> rest = seen.students().stream().filter(e -> following.follows(e.id()) && !carded.contains(e.id())).toList();
        all.addAll(cards.withoutGoal(rest, seen.measure(), seen.ground(), seen.year(), seen.asOf()));
        List<String> groups = all.stream().map(c -> following.plan(c.student().id())).filter(Objects::nonNull).map(Plan::groupName).filter(Objects::nonNull)
                .distinct().sorted().toList();
        List<TrendCard> agenda = all.stream().filter(c -> only.isEmpty() || only.contains(c.student().id()))
                .filter(c -> group == null
                        || following.plan(c.student().id()) != null && group.equals(requireNonNull(following.plan(c.student().id())).groupName()))
                .toList();
        Map<Integer, List<Goal>> replaced = goals.replacedBy(agenda.stream().map(c -> c.student().id()).toList(), measureId, seen.year().starts(), seen.asOf())
                .stream()
                .collect(Collectors.groupingBy(Goal::studentId));
        List<AgendaItem> items = agenda.stream().map(c -> {
            int student = c.student().id();
            return new AgendaItem(c, worry(following.concern(student)), following.plans(student),
                    seen.ground().decisions(new StudentMeasure(student, measureId)), replaced.getOrDefault(student, List.of()));
        }).toList();
        return new MeetingView(items, seen.peers(), groups, agenda.isEmpty() ? List.of() : strategies.of(roster.school(who), seen.measure().area()));
    }

    /** Level 0 says that somebody does not worry any more. */
    private static @Nullable Concern worry(@Nullable Concern concern) {
        return concern == null || concern.level() == 0 ? null : concern;
    }
}
