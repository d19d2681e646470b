package org.zealousladder.core.growth;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.ScoreSeries;

/**
 * Many series fitted together, as scores of a school are: each student has an own level and slope, growth may bend, scores of one week are moved together, a
 * student's own deviations hang together and are now and then wild.
 *
 * <pre>
 *   y = β0 + β1·t + B(t) + u0 + u1·t + b(t) + w(form, week) + e
 *   B, b: slopes that wander, the mean's and the student's;  (u0, u1) ~ N(0, sd²·ΛΛ');  w ~ N(0, weekSd²)
 *   corr(e, e') = autocorrelation^|t - t'|;  e ~ t on tailDf
 * </pre>
 *
 * <ul>
 *   <li>Fewer than {@value PooledGrowth#FEWEST_SERIES} series with {@value Trend#NEEDED} scores on two dates: no population.
 *   <li>Series that lie on straight lines exactly: no population.
 * </ul>
 */
public final class SteadyGrowth {
    /** Fewest series that share a week for it to have a part of its own. */
    public static final int FEWEST_SHARING = 5;
    /** So many series tell the variances; the mean and the weeks are told by all. */
    private static final int MANY = 400;
    private static final double FIRST_STEP = 0.4;
    private static final double LATER_STEP = 0.15;
    /** So often what scores at a bound tell is read anew by what was learned of the pool. */
    private static final int BOUND_ROUNDS = 2;

    private final List<ScoreSeries> all = new ArrayList<>();
    private final PooledGrowth straight = new PooledGrowth();
    private final double leastSd;
    private final Trend.@Nullable Bounds bounds;

    /** Without a stated standard error of measurement, for any scores. */
    public SteadyGrowth() {
        this(0, null);
    }

    /**
     * @param sem the measure's standard error of measurement, which scores are taken to vary by at least; 0: none is stated
     * @param bounds the least and the most score there is; null: any
     */
    public SteadyGrowth(double sem, Trend.@Nullable Bounds bounds) {
        LeastSquares.requireSem(sem);
        leastSd = sem;
        this.bounds = bounds;
    }

    /** Adds one series; an empty one adds nothing. */
    public SteadyGrowth add(ScoreSeries series) {
        if (series.size() > 0) {
            all.add(series);
            straight.add(series);
        }
        return this;
    }

    /** The population that the series come from; empty when they are too few or without noise. */
    public Optional<SteadyPopulation> fit() {
        return straight.fit().map(this::fit);
    }

    private SteadyPopulation fit(Population start) {
        SteadyFrame frame = SteadyFrame.of(all);
        List<ScoreSeries> some = some();
        SteadyModel model = new SteadyModel(frame, some, leastSd);
        SteadySearch search = new SteadySearch(model, frame);
        SteadyParts parts = search.best(search.start(start), FIRST_STEP);
        model.at(parts);
        SteadyModel spared = model.spared(parts);
        SteadyModel whole = some.size() == all.size() ? model : new SteadyModel(frame, all, leastSd);
        if (spared != null) {
            // One score typed wrong must not make everybody's growth look various.
            model = spared;
            parts = new SteadySearch(model, frame).best(parts, FIRST_STEP);
            model.at(parts);
        }
        double tail = SteadyTails.df(model.off(parts));
        if (!Double.isInfinite(tail)) {
            double slopes = slopes(parts, model);
            model = model.weighed(parts.withTail(tail));
            parts = new SteadySearch(model, frame).best(parts.withTail(tail), LATER_STEP);
            model.at(parts);
            // A steep student's first and last scores look wild to a pool that is thought to grow alike: their weights must not make it so.
            parts = parts.slopesBy(Math.max(1, slopes / slopes(parts, model)));
            whole = whole.weighed(parts);
        }
        return bounds == null ? population(frame, model, whole, parts) : bounded(frame, model, whole, parts, bounds);
    }

    /** With what scores at a bound tell, read anew by what was learned of the pool. */
    private SteadyPopulation bounded(SteadyFrame frame, SteadyModel plain, SteadyModel plainWhole, SteadyParts first, Trend.Bounds of) {
        SteadyModel model = plain;
        SteadyParts parts = first;
        for (int round = 0; round < BOUND_ROUNDS; round++) {
            SteadyModel told = plain.bounded(model, parts, of);
            if (told == null) {
                break;
            }
            model = told;
            parts = new SteadySearch(model, frame).best(parts, LATER_STEP);
        }
        SteadyModel whole = plainWhole.bounded(model, parts, of);
        return population(frame, model, whole == null ? plainWhole : whole, parts);
    }

    /** @param model some series, which tell the variances @param whole all of them, which tell the mean and the weeks */
    private SteadyPopulation population(SteadyFrame frame, SteadyModel model, SteadyModel whole, SteadyParts parts) {
        // What very many tell of the variances is not in doubt.
        List<SteadyParts> near = all.size() > MANY ? List.of() : new SteadySearch(model, frame).near(parts);
        List<SteadyPopulation.Under> under = new ArrayList<>();
        for (SteadyParts p : near) {
            whole.at(p);
            under.add(SteadyPopulation.Under.of(p, whole));
        }
        whole.at(parts);
        return new SteadyPopulation(frame, SteadyPopulation.Under.of(parts, whole), under, all.size(), whole.scores());
    }

    private static double slopes(SteadyParts p, SteadyModel model) {
        return Math.hypot(p.l2(), p.l3()) * Math.sqrt(model.variance());
    }

    private List<ScoreSeries> some() {
        if (all.size() <= MANY) {
            return all;
        }
        List<ScoreSeries> some = new ArrayList<>();
        for (int i = 0; i < MANY; i++) {
            some.add(all.get((int) ((long) i * all.size() / MANY)));
        }
        return some;
    }
}
