package org.zealousladder.core.growth;

import org.zealousladder.core.ScoreSeries;

/**
 * What is known of a group of students from fitting their series together, on which each one's trend leans. Levels in score units, slopes in score units per
 * week; intercepts speak of the origin that the series' weeks are counted from.
 */
public interface Pool extends Trend.Fitter {
    /** Series that were pooled. */
    int series();

    /** Scores in them. */
    int scores();

    /** Level of the mean line at the origin. */
    double intercept();

    /** Standard error of {@link #intercept}, at least 0. */
    double interceptSe();

    /** Slope of the mean line. */
    double slopePerWeek();

    /** Standard error of {@link #slopePerWeek}, at least 0. */
    double slopeSe();

    /** How much students' levels at the origin differ, one standard deviation. */
    double interceptSd();

    /** How much students' slopes differ, one standard deviation. */
    double slopeSd();

    /** Correlation of level at the origin and slope, between students; 0 where one of them does not differ. */
    double correlation();

    /** Spread of a student's scores about the own course. */
    double residualSd();

    /** The same for scores that have a least and a most, where that makes a difference to what they say. */
    default Pool knowing(Trend.Bounds bounds) {
        return this;
    }

    /** A student's trend, whatever the number of scores from one on; the student need not be among those pooled. */
    Trend.Fitted predict(ScoreSeries own);
}
