package org.zealousladder.server.monitoring.plans;

import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.zealousladder.server.monitoring.goals.Goal;

/** Why students are followed on a measure: a concern in its area, a plan that runs, or a goal. Whoever has none of these is not. */
public final class Following {
    private final Map<Integer, Concern> concerns;
    private final Map<Integer, List<Plan>> plans;
    private final Map<Integer, Goal> goals;

    Following(List<Concern> concerns, List<Plan> plans, List<Goal> goals) {
        this.concerns = concerns.stream().collect(Collectors.toMap(Concern::studentId, c -> c));
        this.plans = plans.stream().collect(Collectors.groupingBy(Plan::studentId));
        this.goals = goals.stream().collect(Collectors.toMap(Goal::studentId, g -> g));
    }

    /** Also one that was taken back, level 0. */
    public @Nullable Concern concern(int student) {
        return concerns.get(student);
    }

    /** The one that runs. */
    public @Nullable Plan plan(int student) {
        return plans(student).stream().filter(Plan::open).findFirst().orElse(null);
    }

    /** All of them, the newest first. */
    public List<Plan> plans(int student) {
        return plans.getOrDefault(student, List.of());
    }

    List<Plan> past(int student) {
        return plans(student).stream().filter(p -> !p.open()).toList();
    }

    public @Nullable Goal goal(int student) {
        return goals.get(student);
    }

    public Collection<Goal> goals() {
        return goals.values();
    }

    /** Everybody's, those that are over too. */
    public Collection<Plan> plans() {
        return plans.values().stream().flatMap(List::stream).toList();
    }

    /** Whoever has a goal, a plan (also one that is over), or a concern (also one that was taken back). */
    public Collection<Integer> students() {
        return Stream.of(goals, plans, concerns).flatMap(m -> m.keySet().stream()).collect(Collectors.toSet());
    }

    public boolean follows(int student) {
        Concern concern = concerns.get(student);
        return concern != null && concern.level() > 0 || plan(student) != null || goals.containsKey(student);
    }
}
