package org.zealousladder.server.screening.changes;

import static java.util.Objects.requireNonNull;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.zealousladder.core.tiers.TierRule;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.measures.windows.Window;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.screening.tiers.TierRuleForm;
import org.zealousladder.server.screening.tiers.TierRules;

/** How a school combines measures into a tier. */
@Component
class TierRuleChanging implements Changing {
    private final TierRules rules;
    private final MeasuresService measures;
    private final Reaches reaches;

    TierRuleChanging(TierRules rules, MeasuresService measures, Reaches reaches) {
        this.rules = rules;
        this.measures = measures;
        this.reaches = reaches;
    }

    @Override
    public Set<ChangeKind> kinds() {
        return Set.of(ChangeKind.TIER_RULE);
    }

    @Override
    public SetupChange now(SetupChange change) {
        TierRuleForm form = requireNonNull(change.tierRule());
        return SetupChange.of(rules.now(form.school(), form.area()));
    }

    @Override
    public Made make(SetupChange change, @Nullable String reason) {
        SetupChange before = now(change);
        TierRuleForm form = requireNonNull(change.tierRule());
        rules.choose(form);
        SetupChange after = now(change);
        return new Made("tier rule " + form.area() + " of school " + form.school(), form.school(), before, after,
                form.area() + " tiers were proposed by " + words(before) + "; they are now proposed by " + words(after) + ".");
    }

    private String words(SetupChange change) {
        TierRuleForm form = requireNonNull(change.tierRule());
        Map<Integer, Measure> known = measures.byId();
        boolean weighted = form.rule() == TierRule.WEIGHTED;
        String of = form.measures().stream().map(w -> MeasuresService.required(known.get(w.measureId())).name()
                + (weighted ? " (" + Words.plain(w.weight()) + ")" : "")).collect(Collectors.joining(", "));
        return switch (form.rule()) {
            case LOWEST -> "the tier with most support of ";
            case WEIGHTED -> "the weighted mean of ";
            case MOST -> "the tier that most give of ";
        } + of;
    }

    @Override
    public Reach reach(SetupChange change) {
        List<Integer> school = List.of(requireNonNull(change.tierRule()).school());
        List<Window> begun = reaches.begun(school);
        return new Reach(school, begun.subList(Math.max(0, begun.size() - 1), begun.size()));
    }
}
