package org.zealousladder.server.engagement.tuning;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.engagement.EngagementRule;
import org.zealousladder.core.engagement.RuleSetting;

/**
 * The rules in a place.
 *
 * @param place what it is called
 * @param wider the wider place that counts where nothing is set, in words
 * @param mayChange whether the viewer may set rules there
 */
record RulesView(String place, String wider, boolean mayChange, List<RuleInPlace> rules, List<PastRule> history) {

    /**
     * A rule.
     *
     * @param words the whole rule as it counts here
     * @param about what it looks at
     * @param unit of the threshold
     * @param setting as it counts here
     * @param otherwise as it would count were it not set here
     * @param setHere whether it is set in this place
     * @param from where it is set
     * @param seen to be given back when saving
     */
    record RuleInPlace(EngagementRule rule, String name, String words, String about, RuleUnit unit, boolean hasWeeks, boolean hasShare, boolean hasQuarter,
            RuleSetting setting,
            RuleSetting otherwise, boolean setHere, String from, String seen) {}

    /** What a threshold counts. */
    enum RuleUnit implements org.zealousladder.core.Coded {
        SHARE,
        DAYS,
        SWINGS,
        PIECES
    }

    /** How it was set before. @param words of the rule; @param undoable whether it is the newest of its rule, and so can be taken back */
    record PastRule(EngagementRule rule, String words, String because, LocalDate on, @Nullable String by, boolean undoable) {}
}
