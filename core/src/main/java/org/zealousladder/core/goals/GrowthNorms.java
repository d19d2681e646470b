package org.zealousladder.core.goals;

import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;
import org.zealousladder.core.Direction;

/**
 * Growth per week at percentiles of a norm group, read both ways by straight lines between the table's points.
 *
 * <ul>
 *   <li>A percentile outside the table: empty; a table says nothing beyond its ends.
 *   <li>A growth outside the table: the end's percentile, marked {@link Place#beyond}.
 * </ul>
 */
public final class GrowthNorms {
    /** Growth above this percentile is out of the ordinary. */
    public static final int ORDINARY = 90;

    private final double[] percentiles;
    private final double[] growth;
    private final Direction direction;

    /** One row of the table; {@code growth} in score units per week. */
    public record Point(int percentile, double growth) {}

    /**
     * Where a growth stands.
     *
     * @param percentile 1 to 99
     * @param beyond whether it lies past the end of the table, so that only "at least" or "at most" can be said
     */
    public record Place(double percentile, boolean beyond) {
        /** Whether few students grow like that, see the class. */
        public boolean outOfTheOrdinary() {
            return percentile > ORDINARY || beyond && percentile >= ORDINARY;
        }
    }

    private GrowthNorms(double[] percentiles, double[] growth, Direction direction) {
        this.percentiles = percentiles;
        this.growth = growth;
        this.direction = direction;
    }

    /** @throws IllegalArgumentException for fewer than two points, or growth that gets worse as the percentile rises */
    public static GrowthNorms of(List<Point> points, Direction direction) {
        List<Point> sorted = points.stream().sorted(Comparator.comparingInt(Point::percentile)).toList();
        if (sorted.size() < 2) {
            throw new IllegalArgumentException("a table of growth needs at least two percentiles");
        }
        for (int i = 1; i < sorted.size(); i++) {
            if (direction.sign() * (sorted.get(i).growth() - sorted.get(i - 1).growth()) < 0) {
                throw new IllegalArgumentException("growth must not get worse as the percentile rises");
            }
        }
        return new GrowthNorms(sorted.stream().mapToDouble(Point::percentile).toArray(), sorted.stream().mapToDouble(Point::growth).toArray(), direction);
    }

    /** Growth per week at a percentile. */
    public OptionalDouble at(double percentile) {
        int last = percentiles.length - 1;
        if (percentile < percentiles[0] || percentile > percentiles[last]) {
            return OptionalDouble.empty();
        }
        int i = 1;
        while (i < last && percentiles[i] < percentile) {
            i++;
        }
        double share = (percentile - percentiles[i - 1]) / (percentiles[i] - percentiles[i - 1]);
        return OptionalDouble.of(growth[i - 1] + share * (growth[i] - growth[i - 1]));
    }

    /** Where a growth per week stands among the norm group. */
    public Place place(double perWeek) {
        int last = growth.length - 1;
        double g = direction.sign() * perWeek;
        if (g < direction.sign() * growth[0]) {
            return new Place(percentiles[0], true);
        }
        if (g > direction.sign() * growth[last]) {
            return new Place(percentiles[last], true);
        }
        int i = 1;
        while (i < last && direction.sign() * growth[i] < g) {
            i++;
        }
        double step = growth[i] - growth[i - 1];
        double share = step == 0 ? 1 : (perWeek - growth[i - 1]) / step;
        return new Place(percentiles[i - 1] + share * (percentiles[i] - percentiles[i - 1]), false);
    }
}
