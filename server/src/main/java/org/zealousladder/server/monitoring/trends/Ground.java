package org.zealousladder.server.monitoring.trends;

import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.zealousladder.server.monitoring.decisions.Decision;
import org.zealousladder.server.monitoring.goals.Goal;
import org.zealousladder.server.monitoring.plans.Plan;
import org.zealousladder.server.scores.scores.ScoresService.StudentMeasure;

/** What is known of students on measures beside their scores: read once a request, by whoever needs it first. */
public record Ground(Map<StudentMeasure, Goal> goals, Map<StudentMeasure, List<Plan>> plans, Map<StudentMeasure, List<Decision>> decisions) {

    static Ground of(Collection<Goal> goals, Collection<Plan> plans, Collection<Decision> decisions) {
        return new Ground(
                goals.stream().collect(Collectors.toMap(g -> new StudentMeasure(g.studentId(), g.measureId()), g -> g, (a, b) -> a, LinkedHashMap::new)),
                plans.stream().collect(Collectors.groupingBy(p -> new StudentMeasure(p.studentId(), p.measureId()))),
                decisions.stream().collect(Collectors.groupingBy(d -> new StudentMeasure(d.studentId(), d.measureId()))));
    }

    /** The newest first. */
    List<Plan> plans(StudentMeasure of) {
        return plans.getOrDefault(of, List.of());
    }

    /** The oldest first. */
    public List<Decision> decisions(StudentMeasure of) {
        return decisions.getOrDefault(of, List.of());
    }
}
