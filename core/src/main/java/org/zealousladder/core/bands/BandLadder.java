package org.zealousladder.core.bands;

import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import org.apache.commons.statistics.distribution.NormalDistribution;
import org.zealousladder.core.Direction;

/**
 * An ordered list of cut scores for one measure, grade and window: 2 to 8 bands from the one that needs most support
 * to the one that needs least. {@code cuts[i]} is the score with which band {@code i + 1} begins; a score on a cut is in
 * the better band. Where lower is better the cuts descend.
 *
 * <p>Certainty of a band is {@code P(true score in band)} with normal error of the measure's SEM about the score. A
 * score is a <em>close call</em> when the chance that the true score is on the other side of the nearest cut is above
 * {@value #CLOSE_CALL}.
 */
public final class BandLadder {
    /** Chance of standing on the other side of the nearest cut above which a band is not sure. */
    public static final double CLOSE_CALL = 0.2;

    /** Bands of a ladder, at least and at most. */
    public static final int FEWEST = 2;
    public static final int MOST = 8;

    private static final NormalDistribution NORMAL = NormalDistribution.of(0, 1);

    private final List<Band> bands;
    private final double[] cuts;
    private final Direction direction;

    private BandLadder(List<Band> bands, double[] cuts, Direction direction) {
        this.bands = bands;
        this.cuts = cuts;
        this.direction = direction;
    }

    /**
     * @param bands from most to least support needed
     * @param cuts one fewer than bands, each strictly better than the one before
     * @throws IllegalArgumentException with a plain sentence
     */
    public static BandLadder of(List<Band> bands, double[] cuts, Direction direction) {
        if (bands.size() < FEWEST || bands.size() > MOST) {
            throw new IllegalArgumentException("a ladder has " + FEWEST + " to " + MOST + " bands, not " + bands.size());
        }
        if (cuts.length != bands.size() - 1) {
            throw new IllegalArgumentException(bands.size() + " bands need " + (bands.size() - 1) + " cut scores, not "
                    + cuts.length);
        }
        for (int i = 0; i < cuts.length; i++) {
            if (!Double.isFinite(cuts[i])) {
                throw new IllegalArgumentException("a cut score must be a finite number");
            }
            if (i > 0 && direction.sign() * (cuts[i] - cuts[i - 1]) <= 0) {
                throw new IllegalArgumentException("cut scores are out of order: " + cuts[i] + " after " + cuts[i - 1]);
            }
        }
        return new BandLadder(List.copyOf(bands), cuts.clone(), direction);
    }

    /** From most to least support needed; {@value #FEWEST} to {@value #MOST} of them. */
    public List<Band> bands() {
        return bands;
    }

    /** One fewer than bands, in score units: band {@code i + 1} begins at {@code cuts()[i]}. A copy. */
    public double[] cuts() {
        return cuts.clone();
    }

    /** Whether higher or lower scores need less support. */
    public Direction direction() {
        return direction;
    }

    /** Index of the band of {@code score}: the number of cuts it reaches. */
    public int index(double score) {
        int i = 0;
        while (i < cuts.length && direction.reaches(score, cuts[i])) {
            i++;
        }
        return i;
    }

    /** The band that {@code score} (score units, any number) stands in; on a cut it is the better one. */
    public Band band(double score) {
        return bands.get(index(score));
    }

    /** Score with which the next better band begins; empty in the best band. */
    public OptionalDouble nextCut(double score) {
        int i = index(score);
        return i < cuts.length ? OptionalDouble.of(cuts[i]) : OptionalDouble.empty();
    }

    /** Where {@code score} stands when the measure states no error: no certainty, no close call. */
    public Standing standing(double score) {
        int i = index(score);
        return new Standing(i, bands.get(i), OptionalDouble.empty(), false);
    }

    /**
     * Where {@code score} stands by itself, with certainty; where its group is known {@link #standing(double, TrueScores.Measured)} says it better.
     *
     * @param sem standard error of measurement in score units; 0 when the measure states none
     */
    public Standing standing(double score, double sem) {
        if (sem == 0) {
            return standing(score);
        }
        int i = index(score);
        double lower = i == 0 ? 0 : NORMAL.cumulativeProbability(-distance(score, i - 1) / sem);
        double upper = i == cuts.length ? 0 : NORMAL.cumulativeProbability(distance(score, i) / sem);
        return new Standing(i, bands.get(i), OptionalDouble.of(1 - lower - upper), closeCall(upper, lower));
    }

    /** Where {@code score} stands among its group: with certainty, whether the measure states an error or one is assumed. */
    public Standing standing(double score, TrueScores.Measured group) {
        TrueScores truth = TrueScores.of(score, group);
        double[] chances = chances(truth.mean(0), truth.sd(0));
        int i = index(score);
        return new Standing(i, bands.get(i), OptionalDouble.of(chances[i]),
                closeCall(Arrays.stream(chances, i + 1, chances.length).sum(), Arrays.stream(chances, 0, i).sum()));
    }

    /**
     * What a close call means, on a ladder as for a tier: a chance above {@value #CLOSE_CALL} of truly standing on the one side, or on the other.
     *
     * @param better chance of standing better than it seems, 0 to 1
     * @param worse chance of standing worse than it seems
     */
    public static boolean closeCall(double better, double worse) {
        return Math.max(better, worse) > CLOSE_CALL;
    }

    /**
     * Chance of each band for the true score, summing to 1; without an error all of it is in the score's own band.
     *
     * @param sem standard error of measurement in score units; 0 when the measure states none
     */
    public double[] chances(double score, double sem) {
        double[] chances = new double[bands.size()];
        if (sem == 0) {
            chances[index(score)] = 1;
            return chances;
        }
        double reached = 1;
        for (int i = 0; i < cuts.length; i++) {
            double next = NORMAL.cumulativeProbability(distance(score, i) / sem);
            chances[i] = reached - next;
            reached = next;
        }
        chances[cuts.length] = reached;
        return chances;
    }

    /** How far {@code score} is past cut {@code k}; negative when it falls short. */
    private double distance(double score, int k) {
        return direction.sign() * (score - cuts[k]);
    }
}
