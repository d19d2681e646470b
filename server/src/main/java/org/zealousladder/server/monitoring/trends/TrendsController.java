package org.zealousladder.server.monitoring.trends;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.zealousladder.core.goals.GoalKind;
import org.zealousladder.server.measures.measures.DecisionRuleForm;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.Who;

/** The Trends view. */
@RestController
class TrendsController {
    private final TrendsService trends;
    private final GoalAdviser adviser;
    private final RulePreview rules;
    private final SpansService spans;
    private final PastService past;
    private final RosterService roster;

    TrendsController(TrendsService trends, GoalAdviser adviser, RulePreview rules, SpansService spans, PastService past, RosterService roster) {
        this.trends = trends;
        this.adviser = adviser;
        this.rules = rules;
        this.spans = spans;
        this.past = past;
        this.roster = roster;
    }

    @GetMapping("/api/trends")
    TrendsService.TrendsView trends(@RequestParam String who, @RequestParam int measure, @RequestParam int year, @RequestParam LocalDate asOf) {
        return trends.view(Who.parse(who), measure, year, asOf);
    }

    @GetMapping("/api/trends/spans")
    SpansService.SpansView spans(@RequestParam String who, @RequestParam int measure, @RequestParam int year, @RequestParam LocalDate from,
            @RequestParam LocalDate to, @RequestParam LocalDate asOf) {
        return spans.view(Who.parse(who), measure, year, from, to, asOf);
    }

    /** Of the whole school that {@code who} is of, as far as it is in view. */
    @GetMapping("/api/trends/past")
    PastService.PastView past(@RequestParam String who, @RequestParam LocalDate asOf) {
        return past.of(roster.school(Who.parse(who)), asOf);
    }

    @GetMapping("/api/trends/{student}/{measure}")
    TrendsService.TrendDetail detail(@PathVariable int student, @PathVariable int measure, @RequestParam LocalDate asOf) {
        return trends.detail(student, measure, asOf);
    }

    @GetMapping("/api/trends/{student}/{measure}/goal-options")
    GoalOptions options(@PathVariable int student, @PathVariable int measure, @RequestParam LocalDate asOf) {
        return adviser.options(student, measure, asOf);
    }

    record GoalDraft(@NotNull(message = "say what kind of goal") GoalKind kind, @NotNull LocalDate startDate, double startScore,
            @NotNull LocalDate goalDate, @Nullable Integer percentile, @Nullable Double factor, @Nullable Double goalScore, @Nullable String basis) {}

    /** Reads only, for all that it is posted: a draft has too many parts for an address. */
    @PostMapping("/api/trends/{student}/{measure}/goal-advice")
    GoalAdvice advice(@PathVariable int student, @PathVariable int measure, @RequestParam LocalDate asOf, @Valid @RequestBody GoalDraft draft) {
        return adviser.advise(student, measure,
                new GoalReckoner.Draft(draft.kind(), draft.startDate(), draft.startScore(), draft.goalDate(), draft.percentile(),
                        draft.factor(), draft.goalScore(), draft.basis()),
                asOf);
    }

    record JointAsk(@NotEmpty @Size(max = 40) List<Integer> students, @Valid JointGoals.@Nullable JointDraft draft) {}

    /** Reads only, like the one above. */
    @PostMapping("/api/trends/joint-goals")
    JointGoals joint(@RequestParam int measure, @RequestParam LocalDate asOf, @Valid @RequestBody JointAsk ask) {
        return adviser.joint(ask.students(), measure, ask.draft(), asOf);
    }

    @PostMapping("/api/trends/rule-effect")
    RulePreview.RuleEffect effect(@RequestParam String who, @RequestParam int year, @RequestParam LocalDate asOf, @Valid @RequestBody DecisionRuleForm form) {
        return rules.effect(Who.parse(who), year, form.measureId(), form.settings(), asOf);
    }
}
