package org.zealousladder.server.engagement.looks;

import java.time.LocalDate;
import org.zealousladder.core.engagement.Engagement;
import org.zealousladder.core.engagement.EngagementRule;
import org.zealousladder.core.engagement.RuleSetting;
import org.zealousladder.server.engagement.attendance.Attended;
import org.zealousladder.server.platform.words.Words;

/**
 * A rule that speaks, in words.
 *
 * @param title what it says
 * @param detail the actual figure against the threshold
 */
public record Said(EngagementRule rule, String title, String detail, double actual, double threshold, LocalDate since) {

    static Said of(Engagement.Flag f, RuleSetting setting) {
        String since = Words.shortDay(f.since());
        return switch (f.rule()) {
            case QUIET -> of(f, "quiet since " + since, setting.lowestQuarter()
                    ? Math.round(f.actual()) + " minutes a week; the class's lowest quarter is under " + Math.round(f.threshold())
                    : percent(f.actual()) + " of the class's time; the rule says " + percent(f.threshold()));
            case NOT_SEEN -> of(f, "not seen for " + Math.round(f.actual()) + " school days",
                    "since " + since + "; the rule says " + Math.round(f.threshold()));
            case DROPPED -> of(f, "dropped since " + since,
                    Words.plain(round(f.actual())) + " usual swings below their own weeks before; the rule says " + Words.plain(f.threshold()));
            case WORK_NOT_IN -> f.threshold() == setting.threshold()
                    ? of(f, Math.round(f.actual()) + (f.actual() == 1 ? " piece" : " pieces") + " of work not in",
                            "the first was due on " + since + "; the rule says " + Math.round(f.threshold()))
                    : of(f, percent(f.actual()) + " of the work not in", "the first was due on " + since + "; the rule says " + percent(f.threshold()));
            case LOW_MARKS -> of(f, "low marks since " + since, percent(f.actual()) + " of the points that could be earned; "
                    + (setting.lowestQuarter() ? "the class's lowest quarter is under " : "the rule says ") + percent(f.threshold()));
            case OFTEN_ABSENT -> throw new IllegalStateException();
        };
    }

    static Said oftenAbsent(Attended a, RuleSetting rule) {
        return new Said(EngagementRule.OFTEN_ABSENT, "away on " + a.away().size() + " of " + a.days() + " school days",
                percent(a.share()) + " this year; the rule says " + percent(rule.threshold()), a.share(), rule.threshold(), a.away().get(0));
    }

    private static Said of(Engagement.Flag f, String title, String detail) {
        return new Said(f.rule(), title, detail, f.actual(), f.threshold(), f.since());
    }

    private static String percent(double share) {
        return Math.round(100 * share) + " %";
    }

    private static double round(double value) {
        return Math.round(10 * value) / 10.0;
    }
}
