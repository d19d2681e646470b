package org.zealousladder.server.screening.changes;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonInclude;
import jakarta.validation.Valid;
import java.util.LinkedHashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.zealousladder.server.measures.measures.DecisionRuleForm;
import org.zealousladder.server.measures.measures.MeasureForm;
import org.zealousladder.server.measures.windows.WindowForm;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.screening.cuts.LadderForm;
import org.zealousladder.server.screening.cuts.SetChoice;
import org.zealousladder.server.screening.tiers.TierRuleForm;

/**
 * One change: exactly one of its parts is there, and says how it is to be.
 *
 * @param removedWindow the window to delete
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record SetupChange(@Nullable @Valid WindowForm window, @Nullable Integer removedWindow, @Nullable @Valid MeasureForm measure,
        @Nullable @Valid DecisionRuleForm rule, @Nullable @Valid SetChoice set, @Nullable @Valid TierRuleForm tierRule,
        @Nullable @Valid LadderForm ladder) {

    static SetupChange of(WindowForm window) {
        return new SetupChange(window, null, null, null, null, null, null);
    }

    static SetupChange removed(int window) {
        return new SetupChange(null, window, null, null, null, null, null);
    }

    static SetupChange of(MeasureForm measure) {
        return new SetupChange(null, null, measure, null, null, null, null);
    }

    static SetupChange of(DecisionRuleForm rule) {
        return new SetupChange(null, null, null, rule, null, null, null);
    }

    static SetupChange of(SetChoice set) {
        return new SetupChange(null, null, null, null, set, null, null);
    }

    static SetupChange of(TierRuleForm rule) {
        return new SetupChange(null, null, null, null, null, rule, null);
    }

    static SetupChange of(LadderForm ladder) {
        return new SetupChange(null, null, null, null, null, null, ladder);
    }

    /** @throws Refusal 422 when not exactly one part is there */
    @JsonIgnore
    ChangeKind kind() {
        Map<ChangeKind, Object> parts = new LinkedHashMap<>();
        put(parts, ChangeKind.WINDOW, window);
        put(parts, ChangeKind.WINDOW_REMOVED, removedWindow);
        put(parts, ChangeKind.MEASURE, measure);
        put(parts, ChangeKind.RULE, rule);
        put(parts, ChangeKind.SET, set);
        put(parts, ChangeKind.TIER_RULE, tierRule);
        put(parts, ChangeKind.LADDER, ladder);
        if (parts.size() != 1) {
            throw Refusal.invalid("change", "Say one thing that is to change.");
        }
        return parts.keySet().iterator().next();
    }

    private static void put(Map<ChangeKind, Object> parts, ChangeKind kind, @Nullable Object part) {
        if (part != null) {
            parts.put(kind, part);
        }
    }
}
