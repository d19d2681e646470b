package org.zealousladder.core.engagement;

import org.zealousladder.core.Coded;

/** What is looked at. A rule answers with the actual figure, its threshold and since when; or that it cannot tell. */
public enum EngagementRule implements Coded {
    /** Less time than the class, week after week. Threshold: a share of the class's time. */
    QUIET(new RuleSetting(true, 0.5, 0, 2, false), 0.01, 1, 12),
    /** Nothing at all for some time. Threshold: school days. */
    NOT_SEEN(new RuleSetting(true, 5, 0, 0, false), 1, 60, 0),
    /** A fall against one's own weeks before, beyond what happened to everybody. Threshold: robust spreads of those weeks. */
    DROPPED(new RuleSetting(true, 2.5, 0, 2, false), 0.5, 20, 6),
    /** Work that was due and not handed in. Threshold: pieces of work; or the share of what was due. */
    WORK_NOT_IN(new RuleSetting(true, 3, 1 / 3.0, 4, false), 1, 100, 20),
    /** Few of the points that could be earned. Threshold: a share of them. */
    LOW_MARKS(new RuleSetting(true, 0.5, 0, 0, false), 0.01, 1, 0),
    /** Away often. Threshold: a share of the school days. */
    OFTEN_ABSENT(new RuleSetting(true, 0.1, 0, 0, false), 0.01, 1, 0);

    private final RuleSetting standard;
    private final double least;
    private final double most;
    private final int mostWeeks;

    EngagementRule(RuleSetting standard, double least, double most, int mostWeeks) {
        this.standard = standard;
        this.least = least;
        this.most = most;
        this.mostWeeks = mostWeeks;
    }

    /** What holds where a school has said nothing else. */
    public RuleSetting standard() {
        return standard;
    }

    /** Whether the threshold is a count. */
    public boolean whole() {
        return this == NOT_SEEN || this == WORK_NOT_IN;
    }

    /** Whether it has a number of weeks. */
    public boolean hasWeeks() {
        return mostWeeks > 0;
    }

    public boolean hasShare() {
        return this == WORK_NOT_IN;
    }

    public boolean hasQuarter() {
        return this == QUIET || this == LOW_MARKS;
    }

    /** Whether it looks at time, and so at no work, mark or day away. */
    public boolean ofTime() {
        return this == QUIET || this == NOT_SEEN || this == DROPPED;
    }

    /** Whether it looks at course work. */
    public boolean ofWork() {
        return this == WORK_NOT_IN || this == LOW_MARKS;
    }

    /**
     * The same, if it can be.
     *
     * @throws IllegalArgumentException saying what can be
     */
    public RuleSetting checked(RuleSetting s) {
        if (!(s.threshold() >= least && s.threshold() <= most) || whole() && s.threshold() != Math.rint(s.threshold())) {
            throw new IllegalArgumentException(
                    "The threshold of " + code() + " is " + (whole() ? "a whole number " : "") + "from " + plain(least) + " to " + plain(most) + ".");
        }
        if (hasShare() && !(s.share() > 0 && s.share() <= 1)) {
            throw new IllegalArgumentException("The share of " + code() + " lies above 0 and is at most 1.");
        }
        if (hasWeeks() && !(s.weeks() >= 1 && s.weeks() <= mostWeeks)) {
            throw new IllegalArgumentException("The weeks of " + code() + " are 1 to " + mostWeeks + ".");
        }
        if (s.lowestQuarter() && !hasQuarter()) {
            throw new IllegalArgumentException("Only quiet and low-marks can ask for the lowest quarter.");
        }
        return s;
    }

    private static String plain(double value) {
        return value == Math.rint(value) ? Long.toString((long) value) : Double.toString(value);
    }
}
