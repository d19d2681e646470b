package org.zealousladder.core.growth;

/**
 * The REML criterion (minus twice the restricted log-likelihood) of a random level and slope, with its gradient, as a function
 * of the three numbers (l1, l2, l3) of Λ = [l1 0; l2 l3].
 *
 * <p>With A = Z'Z and r = Z'y of a series, in time centred and scaled over all series and scores centred:
 * {@code M = Z'V⁻¹Z = A - AΛ(I + Λ'AΛ)⁻¹Λ'A}, {@code k = Z'V⁻¹y} alike, S = ΣM, b = S⁻¹Σk,
 * {@code criterion = Σ log|I + Λ'AΛ| + log|S| + (N - 2)(1 + log 2πσ²)}, σ² = y'Py / (N - 2). Since X = Z, its derivative by
 * Ψ/σ² is {@code G = ΣM - ΣM S⁻¹M - Σqq'/σ²} with {@code q = k - Mb}, and by Λ the lower triangle of 2GΛ.
 */
final class RemlCriterion {
    private final double[] a11;
    private final double[] a12;
    private final double[] a22;
    private final double[] r1;
    private final double[] r2;
    private final double yy;
    private final int series;
    private final double scores;
    private final Scale scale;
    private final double withinVariance;
    private final double totalVariance;
    private final int withinDf;

    private final double[] m11;
    private final double[] m12;
    private final double[] m22;
    private final double[] k1;
    private final double[] k2;

    private double s11;
    private double s12;
    private double s22;
    private double b1;
    private double b2;
    private double variance;
    private final double[] l = new double[3];

    /** Where time and scores are counted from, and the unit of time, so that both columns are of one size. */
    record Scale(double centre, double unit, double mean) {
        /** A and r of one series: a11, a12, a22, r1, r2. */
        double[] products(double[] sums, int at) {
            double n = sums[at];
            double t = (sums[at + 1] - centre) / unit;
            double y = sums[at + 2] - mean;
            return new double[] {n, n * t, sums[at + 3] / (unit * unit) + n * t * t, n * y, sums[at + 4] / unit + n * t * y};
        }
    }

    static RemlCriterion of(double[] sums, int count) {
        double n = 0;
        double t = 0;
        double y = 0;
        for (int i = 0; i < count; i++) {
            int at = i * SeriesSums.WIDTH;
            n += sums[at];
            t += sums[at] * (sums[at + 1] - sums[1]);
            y += sums[at] * (sums[at + 2] - sums[2]);
        }
        double centre = sums[1] + t / n;
        double mean = sums[2] + y / n;
        double squares = 0;
        for (int i = 0; i < count; i++) {
            int at = i * SeriesSums.WIDTH;
            double d = sums[at + 1] - centre;
            squares += sums[at + 3] + sums[at] * d * d;
        }
        return new RemlCriterion(sums, count, n, new Scale(centre, Math.sqrt(squares / n), mean));
    }

    private RemlCriterion(double[] sums, int count, double scores, Scale scale) {
        this.series = count;
        this.scores = scores;
        this.scale = scale;
        a11 = new double[count];
        a12 = new double[count];
        a22 = new double[count];
        r1 = new double[count];
        r2 = new double[count];
        m11 = new double[count];
        m12 = new double[count];
        m22 = new double[count];
        k1 = new double[count];
        k2 = new double[count];
        double total = 0;
        double within = 0;
        int df = 0;
        for (int i = 0; i < count; i++) {
            int at = i * SeriesSums.WIDTH;
            double[] p = scale.products(sums, at);
            a11[i] = p[0];
            a12[i] = p[1];
            a22[i] = p[2];
            r1[i] = p[3];
            r2[i] = p[4];
            double d = sums[at + 2] - scale.mean();
            total += sums[at + 5] + sums[at] * d * d;
            if (sums[at] > 2 && sums[at + 3] > 0) {
                within += Math.max(0, sums[at + 5] - sums[at + 4] * sums[at + 4] / sums[at + 3]);
                df += (int) sums[at] - 2;
            }
        }
        yy = total;
        withinDf = df;
        withinVariance = within / df;
        totalVariance = total / scores;
    }

    /** Variance of scores about the series' own lines. */
    double withinVariance() {
        return withinVariance;
    }

    double totalVariance() {
        return totalVariance;
    }

    /** Λ to begin with, from the spread of the series' own lines: half of it taken for real. */
    double[] start() {
        double levels = 0;
        double slopes = 0;
        double meanSlope = 0;
        int n = 0;
        for (int i = 0; i < series; i++) {
            double det = a11[i] * a22[i] - a12[i] * a12[i];
            if (a11[i] >= Trend.NEEDED && det > 1e-9 * a11[i] * a22[i]) {
                double slope = (a11[i] * r2[i] - a12[i] * r1[i]) / det;
                levels += (r1[i] / a11[i]) * (r1[i] / a11[i]);
                slopes += slope * slope;
                meanSlope += slope;
                n++;
            }
        }
        double slopeVariance = n == 0 ? 0 : slopes / n - (meanSlope / n) * (meanSlope / n);
        double levelVariance = n == 0 ? 0 : levels / n;
        return new double[] {Math.sqrt(0.01 + levelVariance / withinVariance / 2), 0, Math.sqrt(0.01 + slopeVariance / withinVariance / 2)};
    }

    /** The criterion at {@code lambda}, which {@link #gradient()} and {@link #population} then speak of. */
    double at(double[] lambda) {
        double l1 = lambda[0];
        double l2 = lambda[1];
        double l3 = lambda[2];
        double logs = 0;
        double product = 1;
        double explained = 0;
        double c1 = 0;
        double c2 = 0;
        s11 = 0;
        s12 = 0;
        s22 = 0;
        for (int i = 0; i < series; i++) {
            double p1 = a11[i] * l1 + a12[i] * l2;
            double p2 = a12[i] * l1 + a22[i] * l2;
            double o1 = a12[i] * l3;
            double o2 = a22[i] * l3;
            double w11 = 1 + l1 * p1 + l2 * p2;
            double w12 = l3 * p2;
            double w22 = 1 + l3 * o2;
            double det = w11 * w22 - w12 * w12;
            double i11 = w22 / det;
            double i12 = -w12 / det;
            double i22 = w11 / det;
            double v1 = l1 * r1[i] + l2 * r2[i];
            double v2 = l3 * r2[i];
            double x1 = i11 * v1 + i12 * v2;
            double x2 = i12 * v1 + i22 * v2;
            m11[i] = a11[i] - (p1 * p1 * i11 + 2 * p1 * o1 * i12 + o1 * o1 * i22);
            m12[i] = a12[i] - (p1 * p2 * i11 + (p1 * o2 + p2 * o1) * i12 + o1 * o2 * i22);
            m22[i] = a22[i] - (p2 * p2 * i11 + 2 * p2 * o2 * i12 + o2 * o2 * i22);
            k1[i] = r1[i] - p1 * x1 - o1 * x2;
            k2[i] = r2[i] - p2 * x1 - o2 * x2;
            explained += v1 * x1 + v2 * x2;
            s11 += m11[i];
            s12 += m12[i];
            s22 += m22[i];
            c1 += k1[i];
            c2 += k2[i];
            // One logarithm for many determinants: it is the dearest operation in the loop.
            product *= det;
            if (product > 1e200) {
                logs += Math.log(product);
                product = 1;
            }
        }
        double det = s11 * s22 - s12 * s12;
        b1 = (s22 * c1 - s12 * c2) / det;
        b2 = (s11 * c2 - s12 * c1) / det;
        variance = Math.max(yy - explained - b1 * c1 - b2 * c2, 0) / (scores - 2);
        l[0] = l1;
        l[1] = l2;
        l[2] = l3;
        double value = logs + Math.log(product) + Math.log(det) + (scores - 2) * (1 + Math.log(2 * Math.PI * variance));
        return Double.isNaN(value) || det <= 0 || variance <= 0 ? Double.POSITIVE_INFINITY : value;
    }

    /** The derivative by (l1, l2, l3) where {@link #at} was asked last. */
    double[] gradient() {
        double det = s11 * s22 - s12 * s12;
        double i11 = s22 / det;
        double i12 = -s12 / det;
        double i22 = s11 / det;
        double g11 = s11;
        double g12 = s12;
        double g22 = s22;
        double q11 = 0;
        double q12 = 0;
        double q22 = 0;
        for (int i = 0; i < series; i++) {
            double e11 = i11 * m11[i] + i12 * m12[i];
            double e12 = i11 * m12[i] + i12 * m22[i];
            double e21 = i12 * m11[i] + i22 * m12[i];
            double e22 = i12 * m12[i] + i22 * m22[i];
            g11 -= m11[i] * e11 + m12[i] * e21;
            g12 -= m11[i] * e12 + m12[i] * e22;
            g22 -= m12[i] * e12 + m22[i] * e22;
            double q1 = k1[i] - m11[i] * b1 - m12[i] * b2;
            double q2 = k2[i] - m12[i] * b1 - m22[i] * b2;
            q11 += q1 * q1;
            q12 += q1 * q2;
            q22 += q2 * q2;
        }
        g11 -= q11 / variance;
        g12 -= q12 / variance;
        g22 -= q22 / variance;
        return new double[] {2 * (g11 * l[0] + g12 * l[1]), 2 * (g12 * l[0] + g22 * l[1]), 2 * g22 * l[2]};
    }

    Population population(double[] lambda) {
        at(lambda);
        double det = s11 * s22 - s12 * s12;
        return new Population(scale, lambda.clone(), b1, b2, variance, new double[] {s22 / det, -s12 / det, s11 / det},
                doubtOfSpread(), series, (int) scores, Math.max(1, withinDf));
    }

    /**
     * Large-sample covariance of the three numbers of ΛΛ': the inverse of their information {@code ½ Σ tr(M E M E)}, as
     * (11, 12, 13, 22, 23, 33); zeros where they cannot be told apart.
     */
    private double[] doubtOfSpread() {
        double[] i = new double[6];
        for (int k = 0; k < series; k++) {
            double a = m11[k];
            double b = m12[k];
            double c = m22[k];
            i[0] += a * a / 2;
            i[1] += a * b;
            i[2] += b * b / 2;
            i[3] += a * c + b * b;
            i[4] += b * c;
            i[5] += c * c / 2;
        }
        double c11 = i[3] * i[5] - i[4] * i[4];
        double c12 = i[2] * i[4] - i[1] * i[5];
        double c13 = i[1] * i[4] - i[2] * i[3];
        double det = i[0] * c11 + i[1] * c12 + i[2] * c13;
        if (!(det > 1e-14 * i[0] * i[3] * i[5])) {
            return new double[6];
        }
        return new double[] {c11 / det, c12 / det, c13 / det, (i[0] * i[5] - i[2] * i[2]) / det, (i[1] * i[2] - i[0] * i[4]) / det,
                (i[0] * i[3] - i[1] * i[1]) / det};
    }
}
