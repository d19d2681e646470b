package org.zealousladder.core.engagement;

import java.util.Arrays;
import java.util.Optional;
import java.util.stream.IntStream;
import org.zealousladder.core.Coded;
import org.zealousladder.core.summary.Shares;

/**
 * When things are done. That most are done in one part of the day is said only when the figures allow it: at least 20 actions on 5 days, of which one part has 60 % or
 * more, with the lower end of Wilson's 95 % interval above 40 %.
 */
public final class Habits {
    private static final int ACTIONS = 20;
    private static final int DAYS = 5;
    private static final double SHARE = 0.6;
    private static final double SURELY = 0.4;

    /** Parts of the day by their hours, the first included and the last not. */
    public enum Part implements Coded {
        MORNING(5, 11),
        MIDDAY(11, 15),
        AFTERNOON(15, 19),
        EVENING(19, 29);

        private final int from;
        private final int to;

        Part(int from, int to) {
            this.from = from;
            this.to = to;
        }

        static Part of(int hour) {
            return Arrays.stream(values()).filter(p -> hour >= p.from && hour < p.to || hour + 24 < p.to).findFirst().orElseThrow();
        }
    }

    /**
     * What can be said.
     *
     * @param share of the actions in that part of the day
     * @param low lower end of the share's 95 % interval
     */
    public record Mostly(Part part, double share, double low) {}

    private Habits() {}

    /**
     * The part of the day in which most is done.
     *
     * @param byHour actions in each hour of the day, 24 of them
     * @param days on which these were
     * @throws IllegalArgumentException for other than 24 hours
     */
    public static Optional<Mostly> mostly(int[] byHour, int days) {
        if (byHour.length != 24) {
            throw new IllegalArgumentException("A day has 24 hours.");
        }
        int n = Arrays.stream(byHour).sum();
        if (n < ACTIONS || days < DAYS) {
            return Optional.empty();
        }
        for (Part part : Part.values()) {
            int k = IntStream.range(0, 24).filter(h -> Part.of(h) == part).map(h -> byHour[h]).sum();
            double low = Shares.wilson(k, n).low();
            if (k >= SHARE * n && low > SURELY) {
                return Optional.of(new Mostly(part, k / (double) n, low));
            }
        }
        return Optional.empty();
    }
}
