package org.zealousladder.core.growth;

import org.zealousladder.core.ScoreSeries;

/**
 * The group that {@link PooledGrowth} found: its mean line, how much students differ in level and slope, and the spread of
 * scores. Gives each student a trend that leans on the group by as much as the own scores leave open.
 *
 * <p>Levels are in score units, slopes in score units per week, times in weeks from the series' origin. Intercepts speak of
 * the origin.
 *
 * <p>A student's line is {@code β + u} with {@code u = DZ'V⁻¹(y - Zβ)}, and its error, with β's own,
 * {@code σ²[D - DMD + HS⁻¹H']} with {@code H = I - DM} (G. K. Robinson (1991), That BLUP is a good thing, Stat. Science
 * 6(1)): {@link #line}. A trend's intervals count the doubt about D as well, {@code + 2·HFH'} with F from the covariance of
 * D's estimates (N. G. N. Prasad and J. N. K. Rao (1990), J. Am. Stat. Assoc. 85), because in a group of a class's size D is
 * often taken for smaller than it is and a shrunken trend for surer. They use the t of the scores' spread within series.
 */
public final class Population implements Pool {
    private final RemlCriterion.Scale scale;
    private final double b1;
    private final double b2;
    private final double variance;
    /** Inverse of S: covariance of the mean line by σ². */
    private final double[] inverse;
    /** ΛΛ': covariance of students' lines by σ². */
    private final double d11;
    private final double d12;
    private final double d22;
    /** Covariance of the estimates of d11, d12 and d22: 11, 12, 13, 22, 23, 33. */
    private final double[] doubt;
    private final int series;
    private final int scores;
    private final int df;

    Population(RemlCriterion.Scale scale, double[] lambda, double b1, double b2, double variance, double[] inverse, double[] doubt,
            int series, int scores, int df) {
        this.scale = scale;
        this.b1 = b1;
        this.b2 = b2;
        this.variance = variance;
        this.inverse = inverse;
        this.doubt = doubt;
        this.d11 = lambda[0] * lambda[0];
        this.d12 = lambda[0] * lambda[1];
        this.d22 = lambda[1] * lambda[1] + lambda[2] * lambda[2];
        this.series = series;
        this.scores = scores;
        this.df = df;
    }

    /** Λ: covariance of students' lines by σ² is ΛΛ', at the centre and in the unit of time. */
    double[] lambda() {
        double l1 = Math.sqrt(d11);
        double l2 = l1 == 0 ? 0 : d12 / l1;
        return new double[] {l1, l2, Math.sqrt(Math.max(0, d22 - l2 * l2))};
    }

    /** Series that were pooled. */
    @Override
    public int series() {
        return series;
    }

    /** Scores in them. */
    @Override
    public int scores() {
        return scores;
    }

    /** Level of the mean line at the origin, in score units. */
    @Override
    public double intercept() {
        return scale.mean() + b1 - b2 * scale.centre() / scale.unit();
    }

    /** Slope of the mean line, in score units per week. */
    @Override
    public double slopePerWeek() {
        return b2 / scale.unit();
    }

    /** Standard error of {@link #intercept}, in score units; at least 0. */
    @Override
    public double interceptSe() {
        return Math.sqrt(variance * atOrigin(inverse[0], inverse[1], inverse[2]));
    }

    /** Standard error of {@link #slopePerWeek}, in score units per week; at least 0. */
    @Override
    public double slopeSe() {
        return Math.sqrt(variance * inverse[2]) / scale.unit();
    }

    /** How much students' levels at the origin differ, one standard deviation. */
    @Override
    public double interceptSd() {
        return Math.sqrt(variance * Math.max(0, atOrigin(d11, d12, d22)));
    }

    /** How much students' slopes differ, one standard deviation; 0 when nothing says that they do. */
    @Override
    public double slopeSd() {
        return Math.sqrt(variance * d22) / scale.unit();
    }

    /** Correlation of level at the origin and slope, between students; 0 where one of them does not differ. */
    @Override
    public double correlation() {
        double x = -scale.centre() / scale.unit();
        double product = Math.sqrt(Math.max(0, atOrigin(d11, d12, d22)) * d22);
        return product == 0 ? 0 : Math.max(-1, Math.min(1, (d12 + x * d22) / product));
    }

    /** Spread of scores about a student's line. */
    @Override
    public double residualSd() {
        return Math.sqrt(variance);
    }

    /** A student's trend from at least {@value Trend#NEEDED} scores on two dates; the student need not be among those pooled. */
    @Override
    public Trend fit(ScoreSeries own) {
        if (own.size() < Trend.NEEDED || own.span() == 0) {
            return new Trend.TooFew(own.size(), Trend.NEEDED);
        }
        return predict(own);
    }

    /** As {@link #fit}, whatever the number of scores: with none it is the group's line with the students' spread about it. */
    @Override
    public Trend.Fitted predict(ScoreSeries own) {
        Own o = new Own(own);
        double unit = scale.unit();
        double perWeek = o.slope / unit;
        double v11 = o.v11 + 2 * o.w11;
        double v12 = o.v12 + 2 * o.w12;
        double v22 = o.v22 + 2 * o.w22;
        double se = Math.sqrt(variance * v22) / unit;
        double half = StudentT.quantile975(df) * se;
        return new Trend.Fitted(own.size(), scale.mean() + o.level - perWeek * scale.centre(), perWeek, se, perWeek - half,
                perWeek + half, residualSd(), df, scale.centre() - unit * v12 / v22,
                Math.sqrt(variance * Math.max(0, v11 - v12 * v12 / v22)), Trend.Method.POOLED, o.shrinkage);
    }

    /**
     * A student's line with the standard errors that mixed-model packages state: the group's variances taken as known.
     *
     * @param intercept level at the origin
     * @param slope change per week
     */
    public record Line(double intercept, double interceptSe, double slope, double slopeSe) {}

    /** The line of {@code own}, which may have any number of scores. */
    public Line line(ScoreSeries own) {
        Own o = new Own(own);
        double perWeek = o.slope / scale.unit();
        return new Line(scale.mean() + o.level - perWeek * scale.centre(), Math.sqrt(variance * atOrigin(o.v11, o.v12, o.v22)),
                perWeek, Math.sqrt(variance * o.v22) / scale.unit());
    }

    /** A student's level and slope about the centre, in the scaled time; variances by σ². */
    private final class Own {
        final double level;
        final double slope;
        final double v11;
        final double v12;
        final double v22;
        final double w11;
        final double w12;
        final double w22;
        final double shrinkage;

        Own(ScoreSeries own) {
            double[] p = own.size() == 0 ? new double[5] : scale.products(SeriesSums.of(own), 0);
            // I + AD, its inverse, and M = (I + AD)⁻¹A.
            double e11 = 1 + p[0] * d11 + p[1] * d12;
            double e12 = p[0] * d12 + p[1] * d22;
            double e21 = p[1] * d11 + p[2] * d12;
            double e22 = 1 + p[1] * d12 + p[2] * d22;
            double det = e11 * e22 - e12 * e21;
            double m11 = (e22 * p[0] - e12 * p[1]) / det;
            double m12 = (e22 * p[1] - e12 * p[2]) / det;
            double m22 = (e11 * p[2] - e21 * p[1]) / det;
            double q1 = (e22 * p[3] - e12 * p[4]) / det - m11 * b1 - m12 * b2;
            double q2 = (e11 * p[4] - e21 * p[3]) / det - m12 * b1 - m22 * b2;
            level = b1 + d11 * q1 + d12 * q2;
            slope = b2 + d12 * q1 + d22 * q2;
            double h11 = 1 - d11 * m11 - d12 * m12;
            double h12 = -d11 * m12 - d12 * m22;
            double h21 = -d12 * m11 - d22 * m12;
            double h22 = 1 - d12 * m12 - d22 * m22;
            double own22 = Math.max(0, h21 * d12 + h22 * d22);
            v11 = h11 * d11 + h12 * d12 + quadratic(inverse, h11, h12, h11, h12);
            v12 = h11 * d12 + h12 * d22 + quadratic(inverse, h11, h12, h21, h22);
            v22 = own22 + quadratic(inverse, h21, h22, h21, h22);
            double[] f = {doubt[0] * m11 + 2 * doubt[1] * m12 + doubt[3] * m22,
                    doubt[1] * m11 + (doubt[2] + doubt[3]) * m12 + doubt[4] * m22, doubt[3] * m11 + 2 * doubt[4] * m12 + doubt[5] * m22};
            w11 = quadratic(f, h11, h12, h11, h12);
            w12 = quadratic(f, h11, h12, h21, h22);
            w22 = quadratic(f, h21, h22, h21, h22);
            shrinkage = d22 == 0 ? 1 : Math.min(1, own22 / d22);
        }
    }

    private static double quadratic(double[] m, double a1, double a2, double c1, double c2) {
        return a1 * (m[0] * c1 + m[1] * c2) + a2 * (m[1] * c1 + m[2] * c2);
    }

    /** A variance of the level at the origin, from those about the centre. */
    private double atOrigin(double v11, double v12, double v22) {
        double x = -scale.centre() / scale.unit();
        return v11 + 2 * x * v12 + x * x * v22;
    }
}
