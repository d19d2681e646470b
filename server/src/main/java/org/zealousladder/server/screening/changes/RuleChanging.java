package org.zealousladder.server.screening.changes;

import static java.util.Objects.requireNonNull;

import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.zealousladder.server.measures.measures.DecisionRuleForm;
import org.zealousladder.server.measures.measures.MeasureEditor;
import org.zealousladder.server.measures.measures.MeasuresService;

/** How a measure's trends are decided on. Whose proposals differ is shown by monitoring, which fits the trends. */
@Component
class RuleChanging implements Changing {
    private final MeasureEditor editor;
    private final MeasuresService measures;

    RuleChanging(MeasureEditor editor, MeasuresService measures) {
        this.editor = editor;
        this.measures = measures;
    }

    @Override
    public Set<ChangeKind> kinds() {
        return Set.of(ChangeKind.RULE);
    }

    @Override
    public SetupChange now(SetupChange change) {
        return SetupChange.of(DecisionRuleForm.of(measures.measure(requireNonNull(change.rule()).measureId())));
    }

    @Override
    public Made make(SetupChange change, @Nullable String reason) {
        SetupChange before = now(change);
        DecisionRuleForm rule = requireNonNull(change.rule());
        editor.decideBy(rule);
        String name = measures.measure(rule.measureId()).name();
        return new Made("rule " + rule.measureId(), null, before, now(change),
                name + " was decided " + words(requireNonNull(before.rule())) + "; it is now decided " + words(rule) + ".");
    }

    private static String words(DecisionRuleForm r) {
        String how = switch (r.rule()) {
            case CHANCE -> "by the chance of the goal (change at most " + Math.round(r.changeAtMost() * 100) + " %, raise at least "
                    + Math.round(r.raiseAtLeast() * 100) + " %, once all planned scores are in)";
            case TREND -> "by the trend against the goal line";
            case LAST_POINTS -> "by the last " + r.lastPoints() + " points";
        };
        return how + ", from " + r.minimumScores() + " scores over " + r.minimumWeeks() + " weeks on";
    }

    @Override
    public Reach reach(SetupChange change) {
        return Reach.NOBODY;
    }
}
