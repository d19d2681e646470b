package org.zealousladder.core.engagement;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.calendar.SchoolDays;
import org.zealousladder.core.summary.Quantiles;

/** Judges a student's weeks by the rules about time. Scaling everybody's minutes changes nothing; a still week counts for nobody. */
public final class Engagement {
    /** A robust estimate of a standard deviation: this times the median absolute deviation, for normal errors. */
    private static final double ROBUST = 1.4826;
    /**
     * Six weeks that happen to be alike would make any fall a great one; a spread is at least a fifth, so that nobody has dropped who still does three fifths of what they did.
     */
    private static final double LEAST_SPREAD = 0.2;
    /** A week of nothing counts as a hundredth of the class's, since nothing has no logarithm. */
    private static final double LEAST_RATIO = 0.01;
    /** Weeks of a student's own that a fall is held against. */
    private static final int BEFORE = 6;
    /** Weeks over which a student's time is held against the class's. */
    private static final int LATELY = 4;

    private final ClassWeeks weeks;
    private final LocalDate firstMonday;
    private final SchoolDays days;
    private final LocalDate asOf;
    private final EngagementSettings settings;

    /**
     * A class on a day.
     *
     * @param firstMonday of the first of the weeks
     * @param days on which the school was open
     */
    public Engagement(ClassWeeks weeks, LocalDate firstMonday, SchoolDays days, LocalDate asOf, EngagementSettings settings) {
        this.weeks = weeks;
        this.firstMonday = firstMonday;
        this.days = days;
        this.asOf = asOf;
        this.settings = settings;
    }

    /**
     * A rule that speaks.
     *
     * @param actual the figure that it looks at: quiet, a share of the class's time (or minutes, by the lowest quarter); not seen, school days; dropped, robust spreads
     * @param threshold of the same figure
     * @param since the first day of what it speaks of
     */
    public record Flag(EngagementRule rule, double actual, double threshold, LocalDate since) {}

    /** @param cannotTell rules for which too little is on record */
    public record Judged(List<Flag> flags, List<EngagementRule> cannotTell) {}

    /**
     * What is on record of a student.
     *
     * @param first the first day with a record, even one of no time; null for none
     * @param lastSeen the last day with any action; null for none
     */
    public record Seen(@Nullable LocalDate first, @Nullable LocalDate lastSeen) {}

    /**
     * A student of the class.
     *
     * @param student the place among the class's students
     */
    public Judged judge(int student, Seen seen) {
        List<Flag> flags = new ArrayList<>();
        List<EngagementRule> cannotTell = new ArrayList<>();
        LocalDate first = seen.first();
        int[] counted = first == null ? new int[0] : counted(first);
        for (EngagementRule rule : EngagementRule.values()) {
            if (rule.ofTime() && settings.on(rule)) {
                if (first != null && tells(rule, counted)) {
                    (switch (rule) {
                        case QUIET -> quiet(student, counted);
                        case NOT_SEEN -> notSeen(seen.lastSeen() == null ? first.minusDays(1) : seen.lastSeen());
                        default -> dropped(student, counted);
                    }).ifPresent(flags::add);
                } else {
                    cannotTell.add(rule);
                }
            }
        }
        return new Judged(flags, cannotTell);
    }

    /**
     * A student's time in the newest {@value #LATELY} weeks that count, as a share of the class's.
     *
     * @return empty where fewer are on record, or the class did nothing
     */
    public OptionalDouble lately(int student, Seen seen) {
        int[] counted = seen.first() == null ? new int[0] : counted(seen.first());
        int[] newest = Arrays.copyOfRange(counted, Math.max(0, counted.length - LATELY), counted.length);
        double of = Arrays.stream(newest).mapToDouble(weeks::median).sum();
        return newest.length < LATELY || of <= 0 ? OptionalDouble.empty()
                : OptionalDouble.of(Arrays.stream(newest).mapToDouble(w -> weeks.minutes(student, w)).sum() / of);
    }

    /** Whether enough is on record for a rule to say anything. */
    private boolean tells(EngagementRule rule, int[] counted) {
        return switch (rule) {
            case QUIET -> counted.length >= settings.of(rule).weeks();
            case NOT_SEEN -> true;
            default -> {
                int n = settings.of(rule).weeks() + BEFORE;
                yield counted.length >= n && Arrays.stream(counted, counted.length - n, counted.length).allMatch(w -> weeks.company(w) > 0);
            }
        };
    }

    /** The weeks that count for a student: from the first on record, without still ones. */
    private int[] counted(LocalDate first) {
        return IntStream.range((int) Math.max(0, Math.floorDiv(ChronoUnit.DAYS.between(firstMonday, first), 7L)), weeks.weeks()).filter(w -> !weeks.still(w))
                .toArray();
    }

    private LocalDate monday(int week) {
        return firstMonday.plusWeeks(week);
    }

    private Optional<Flag> quiet(int student, int[] counted) {
        RuleSetting rule = settings.of(EngagementRule.QUIET);
        int run = 0;
        while (run < counted.length && isQuiet(rule, student, counted[counted.length - 1 - run])) {
            run++;
        }
        if (run < rule.weeks()) {
            return Optional.empty();
        }
        double own = 0;
        double of = 0;
        for (int i = 1; i <= rule.weeks(); i++) {
            int week = counted[counted.length - i];
            own += weeks.minutes(student, week);
            of += rule.lowestQuarter() ? weeks.quarter(week) : weeks.median(week);
        }
        LocalDate since = monday(counted[counted.length - run]);
        return Optional.of(rule.lowestQuarter() ? new Flag(EngagementRule.QUIET, own / rule.weeks(), of / rule.weeks(), since)
                : new Flag(EngagementRule.QUIET, own / of, rule.threshold(), since));
    }

    private boolean isQuiet(RuleSetting rule, int student, int week) {
        return weeks.minutes(student, week) < (rule.lowestQuarter() ? weeks.quarter(week) : rule.threshold() * weeks.median(week));
    }

    private Optional<Flag> notSeen(LocalDate lastSeen) {
        int gone = 0;
        LocalDate since = null;
        for (LocalDate day = lastSeen.plusDays(1); !day.isAfter(asOf); day = day.plusDays(1)) {
            if (days.open(day) && !still(day)) {
                since = since == null ? day : since;
                gone++;
            }
        }
        double enough = settings.of(EngagementRule.NOT_SEEN).threshold();
        return since == null || gone < enough ? Optional.empty() : Optional.of(new Flag(EngagementRule.NOT_SEEN, gone, enough, since));
    }

    private boolean still(LocalDate day) {
        int week = (int) Math.floorDiv(ChronoUnit.DAYS.between(firstMonday, day), 7L);
        return week >= 0 && week < weeks.weeks() && weeks.still(week);
    }

    /** Log-ratios to the class, so that what happens to everybody is nobody's fall. */
    private Optional<Flag> dropped(int student, int[] counted) {
        RuleSetting rule = settings.of(EngagementRule.DROPPED);
        int n = rule.weeks() + BEFORE;
        double[] ratios = new double[n];
        for (int i = 0; i < n; i++) {
            int week = counted[counted.length - n + i];
            ratios[i] = Math.log(Math.max(weeks.minutes(student, week) / weeks.company(week), LEAST_RATIO));
        }
        double[] before = Arrays.copyOf(ratios, BEFORE);
        double usual = Quantiles.of(before).median().orElseThrow();
        double spread = Math.max(LEAST_SPREAD, ROBUST * Quantiles.of(Arrays.stream(before).map(r -> Math.abs(r - usual)).toArray()).median().orElseThrow());
        double recent = Arrays.stream(ratios, BEFORE, n).average().orElseThrow();
        double fall = (usual - recent) / spread;
        return fall > rule.threshold() ? Optional.of(new Flag(EngagementRule.DROPPED, fall, rule.threshold(), monday(counted[counted.length - rule.weeks()])))
                : Optional.empty();
    }
}
