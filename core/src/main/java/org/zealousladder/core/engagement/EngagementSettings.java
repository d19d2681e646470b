package org.zealousladder.core.engagement;

import java.util.EnumMap;
import java.util.Map;

/** How all the rules are set in a place. */
public final class EngagementSettings {
    private final Map<EngagementRule, RuleSetting> rules = new EnumMap<>(EngagementRule.class);

    /**
     * The usual ones, but for those given.
     *
     * @throws IllegalArgumentException for a threshold that cannot be
     */
    public EngagementSettings(Map<EngagementRule, RuleSetting> otherwise) {
        for (EngagementRule rule : EngagementRule.values()) {
            rules.put(rule, rule.checked(otherwise.getOrDefault(rule, rule.standard())));
        }
    }

    /** What holds where a school has said nothing else. */
    public static EngagementSettings standard() {
        return new EngagementSettings(Map.of());
    }

    public RuleSetting of(EngagementRule rule) {
        return rules.getOrDefault(rule, rule.standard());
    }

    public boolean on(EngagementRule rule) {
        return of(rule).on();
    }
}
