package org.zealousladder.server.measures.measures;

import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import org.zealousladder.core.decisions.Rule;
import org.zealousladder.core.decisions.RuleSettings;
import org.zealousladder.server.platform.problems.Refusal;

/** Settings of a measure's decision rule as they are sent. */
public record DecisionRuleForm(int measureId, @NotNull(message = "choose chance, trend or last-points") Rule rule,
        @Min(value = 2, message = "at least 2") @Max(value = 12, message = "at most 12") int lastPoints,
        @DecimalMin("0") @DecimalMax("1") double changeAtMost, @DecimalMin("0") @DecimalMax("1") double raiseAtLeast,
        @Min(value = 3, message = "a trend needs at least 3") @Max(value = 40, message = "at most 40") int minimumScores,
        @Min(value = 1, message = "at least 1") @Max(value = 40, message = "at most 40") int minimumWeeks) {

    public static DecisionRuleForm of(Measure m) {
        return new DecisionRuleForm(m.id(), m.rule(), m.lastPoints(), m.changeAtMost(), m.raiseAtLeast(), m.minimumScores(), m.minimumWeeks());
    }

    /** @throws Refusal 400 when the thresholds cross */
    public RuleSettings settings() {
        if (changeAtMost >= raiseAtLeast) {
            throw Refusal.invalid("changeAtMost",
                    "The chance at which the plan is changed must be under the one at which the goal is raised. Nothing was saved.");
        }
        return new RuleSettings(rule, lastPoints, changeAtMost, raiseAtLeast, minimumScores, minimumWeeks);
    }
}
