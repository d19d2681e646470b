package org.zealousladder.core.growth;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.LUDecomposition;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.linear.RealVector;
import org.junit.jupiter.api.Test;
import org.zealousladder.core.Interval;
import org.zealousladder.core.ScoreSeries;

/** The model's criterion and predictions against the whole covariance of all scores, written down and inverted. */
class SteadyModelTest {
    private static final SteadyParts PARTS = new SteadyParts(2.1, 0.2, 0.6, 0.02, 0.03, 0.5, 0.3, Double.POSITIVE_INFINITY);
    private static final SteadyParts OTHERS = new SteadyParts(1.4, -0.3, 0.2, 0, 0.01, 0.9, 0.1, Double.POSITIVE_INFINITY);
    private static final SteadyParts PLAIN = new SteadyParts(1.4, 0.1, 0.4, 0, 0, 0, 0, Double.POSITIVE_INFINITY);

    private final List<ScoreSeries> series = series();
    private final SteadyFrame frame = SteadyFrame.of(series);

    private static List<ScoreSeries> series() {
        Random random = new Random(11);
        List<ScoreSeries> all = new ArrayList<>();
        for (int k = 0; k < 9; k++) {
            int n = 4 + k % 4;
            double[] t = new double[n];
            double[] y = new double[n];
            for (int i = 0; i < n; i++) {
                t[i] = i * (k % 3 == 0 ? 1 : 1.5) + (k % 2) * 2 / 7.0;
                y[i] = 50 + 9 * random.nextGaussian() + (1 + 0.4 * random.nextGaussian()) * t[i] + 4 * random.nextGaussian();
            }
            all.add(ScoreSeries.of(t, y));
        }
        return all;
    }

    @Test
    void theCriterionIsThatOfTheWholeCovariance() {
        SteadyModel model = new SteadyModel(frame, series, 0);
        Whole a = new Whole(PARTS);
        Whole b = new Whole(OTHERS);
        Whole c = new Whole(PLAIN);
        assertEquals(a.criterion() - b.criterion(), model.at(PARTS) - model.at(OTHERS), 1e-7);
        assertEquals(a.criterion() - c.criterion(), model.at(PARTS) - model.at(PLAIN), 1e-7);
        model.at(PARTS);
        assertEquals(a.variance(), model.variance(), 1e-9 * a.variance());
    }

    @Test
    void aStatedErrorOfMeasurementIsTheLeastSpread() {
        SteadyModel free = new SteadyModel(frame, series, 0);
        free.at(PARTS);
        SteadyModel held = new SteadyModel(frame, series, 2 * Math.sqrt(free.variance()));
        held.at(PARTS);
        assertEquals(4 * free.variance(), held.variance(), 1e-9);
    }

    @Test
    void aStudentsTrendIsWhatTheWholeCovarianceExpects() {
        SteadyModel model = new SteadyModel(frame, series, 0);
        model.at(PARTS);
        SteadyPopulation population = new SteadyPopulation(frame, SteadyPopulation.Under.of(PARTS, model), List.of(), series.size(), model.scores(), 30);
        Whole whole = new Whole(PARTS);
        for (int k = 0; k < series.size(); k++) {
            ScoreSeries own = series.get(k);
            double last = own.week(own.size() - 1);
            Trend.Fitted trend = population.predict(own);
            Line expected = whole.line(k, last - frame.centre());
            assertEquals(expected.level(), trend.at(last), 1e-6, "level");
            assertEquals(expected.slope(), trend.slope(), 1e-3, "slope");
            assertEquals(expected.levelSe(), trend.levelSe(last), 1e-6, "error of the level");
            assertEquals(expected.slopeSe(), trend.slopeSe(), 1e-3, "error of the slope");
            double middle = (own.week(0) + last) / 2;
            Line then = whole.line(k, middle - frame.centre());
            List<Interval> course = population.levels(own, trend, middle, last, last + 3);
            assertEquals(then.level(), course.get(0).value(), 1e-6, "level between the scores");
            assertEquals(then.levelSe() * StudentT.quantile975(30), course.get(0).high() - course.get(0).value(), 1e-6, "and its error");
            assertEquals(List.of(trend.level(last), trend.level(last + 3)), course.subList(1, 3), "from the last score on, the trend's");
        }
    }

    private record Line(double level, double levelSe, double slope, double slopeSe) {}

    /** All scores of all students with their covariance, and nothing clever. */
    private final class Whole {
        private final SteadyParts p;
        private final List<double[]> rows = new ArrayList<>();
        private final RealMatrix v;
        private final RealMatrix inverse;
        private final RealMatrix x;
        private final RealVector y;
        private final RealMatrix fixed;
        private final RealVector beta;

        Whole(SteadyParts p) {
            this.p = p;
            for (int k = 0; k < series.size(); k++) {
                for (int i = 0; i < series.get(k).size(); i++) {
                    rows.add(new double[] {k, series.get(k).week(i) - frame.centre(), series.get(k).score(i) - frame.mean(), series.get(k).week(i)});
                }
            }
            int n = rows.size();
            v = new Array2DRowRealMatrix(n, n);
            x = new Array2DRowRealMatrix(n, 2);
            y = new ArrayRealVector(n);
            for (int a = 0; a < n; a++) {
                x.setEntry(a, 0, 1);
                x.setEntry(a, 1, rows.get(a)[1]);
                y.setEntry(a, rows.get(a)[2]);
                for (int b = 0; b < n; b++) {
                    v.setEntry(a, b, covariance(rows.get(a), rows.get(b), a == b));
                }
            }
            inverse = new LUDecomposition(v).getSolver().getInverse();
            fixed = new LUDecomposition(x.transpose().multiply(inverse).multiply(x)).getSolver().getInverse();
            beta = fixed.operate(x.transpose().multiply(inverse).operate(y));
        }

        private double covariance(double[] a, double[] b, boolean same) {
            double sum = mean(a[1], b[1]);
            Integer week = frame.weeks().get(new SteadyFrame.Taken((int) Math.floor(a[3] + 1e-9), 0));
            if (week != null && week.equals(frame.weeks().get(new SteadyFrame.Taken((int) Math.floor(b[3] + 1e-9), 0)))) {
                sum += p.week() * p.week();
            }
            if (a[0] == b[0]) {
                double from = series.get((int) a[0]).week(0) - frame.centre();
                sum += p.course(a[1], b[1], from, frame.unit())
                        + (same ? 1 : p.autocorrelation() == 0 ? 0 : Math.pow(p.autocorrelation(), Math.abs(a[1] - b[1])));
            }
            return sum;
        }

        /** Of the mean's bends. */
        private double mean(double a, double b) {
            double sum = 0;
            for (double knot : frame.knots()) {
                sum += p.meanBend() * p.meanBend() * frame.gap() * Math.max(0, a - knot) * Math.max(0, b - knot);
            }
            return sum;
        }

        double variance() {
            return y.dotProduct(inverse.operate(y.subtract(x.operate(beta)))) / (rows.size() - 2);
        }

        double criterion() {
            return Math.log(new LUDecomposition(v).getDeterminant()) - Math.log(new LUDecomposition(fixed).getDeterminant())
                    + (rows.size() - 2) * (1 + Math.log(variance()));
        }

        /** Best linear unbiased prediction of a student's level and slope at a time, the mean's bends with them, the weeks not. */
        Line line(int student, double at) {
            double h = 1e-4;
            double[] level = value(student, at);
            double[] before = value(student, at - h);
            double slope = (level[0] - before[0]) / h;
            // var(level(t) - level(t - h)) / h²: of both together.
            double both = errors(student, at, at - h);
            double slopeVariance = (level[1] + before[1] - 2 * both) / (h * h);
            return new Line(frame.mean() + level[0], Math.sqrt(level[1]), slope, Math.sqrt(slopeVariance));
        }

        private RealVector against(int student, double at) {
            double from = series.get(student).week(0) - frame.centre();
            RealVector c = new ArrayRealVector(rows.size());
            for (int a = 0; a < rows.size(); a++) {
                double[] row = rows.get(a);
                c.setEntry(a, mean(row[1], at) + (row[0] == student ? p.course(row[1], at, from, frame.unit()) : 0));
            }
            return c;
        }

        private double[] value(int student, double at) {
            RealVector c = against(student, at);
            RealVector rest = inverse.operate(y.subtract(x.operate(beta)));
            return new double[] {beta.getEntry(0) + beta.getEntry(1) * at + c.dotProduct(rest), errors(student, at, at)};
        }

        private double errors(int student, double a, double b) {
            double from = series.get(student).week(0) - frame.centre();
            RealVector ca = against(student, a);
            RealVector cb = against(student, b);
            RealVector ha = new ArrayRealVector(new double[] {1, a}).subtract(x.transpose().operate(inverse.operate(ca)));
            RealVector hb = new ArrayRealVector(new double[] {1, b}).subtract(x.transpose().operate(inverse.operate(cb)));
            return variance() * (mean(a, b) + p.course(a, b, from, frame.unit()) - ca.dotProduct(inverse.operate(cb)) + ha.dotProduct(fixed.operate(hb)));
        }
    }
}
