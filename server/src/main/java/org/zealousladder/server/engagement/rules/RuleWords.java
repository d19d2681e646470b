package org.zealousladder.server.engagement.rules;

import org.zealousladder.core.engagement.EngagementRule;
import org.zealousladder.core.engagement.RuleSetting;
import org.zealousladder.server.platform.words.Words;

/** Rules in plain words. */
public final class RuleWords {
    private RuleWords() {}

    public static String name(EngagementRule rule) {
        return switch (rule) {
            case QUIET -> "Quiet";
            case NOT_SEEN -> "Not seen";
            case DROPPED -> "Dropped";
            case WORK_NOT_IN -> "Work not in";
            case LOW_MARKS -> "Low marks";
            case OFTEN_ABSENT -> "Often absent";
        };
    }

    /** The whole rule, with its thresholds. */
    public static String of(EngagementRule rule, RuleSetting s) {
        if (!s.on()) {
            return name(rule) + ": not asked";
        }
        return name(rule) + ": " + switch (rule) {
            case QUIET -> (s.lowestQuarter() ? "in the class's lowest quarter" : "under " + percent(s.threshold()) + " of the class's time") + " for "
                    + weeks(s.weeks())
                    + " or more";
            case NOT_SEEN -> "nothing done for " + counted((long) s.threshold(), "school day") + " or more";
            case DROPPED -> "more than " + Words.plain(s.threshold()) + " usual swings below their own six weeks before, for " + weeks(s.weeks());
            case WORK_NOT_IN -> counted((long) s.threshold(), "piece") + " of work or more, or " + percent(s.share()) + " of what was due, in the newest "
                    + weeks(s.weeks());
            case LOW_MARKS -> s.lowestQuarter() ? "in the class's lowest quarter" : "under " + percent(s.threshold()) + " of the points that could be earned";
            case OFTEN_ABSENT -> "away on " + percent(s.threshold()) + " of the school days or more";
        };
    }

    private static String weeks(int n) {
        return counted(n, "week");
    }

    private static String counted(long n, String what) {
        return n + " " + what + (n == 1 ? "" : "s");
    }

    private static String percent(double share) {
        return Math.round(100 * share) + " %";
    }
}
