package org.zealousladder.core.summary;

import java.util.Optional;

/** Lowest, quartiles (type 7, as {@link Quantiles}) and highest of a group, with how many they rest on. Units of the scores. */
public record FiveNumbers(int n, double lowest, double lowerQuartile, double median, double upperQuartile, double highest) {

    /** Empty for no values. */
    public static Optional<FiveNumbers> of(double... values) {
        if (values.length == 0) {
            return Optional.empty();
        }
        Quantiles q = Quantiles.of(values);
        return Optional.of(new FiveNumbers(values.length, q.at(0).getAsDouble(), q.at(0.25).getAsDouble(), q.median().getAsDouble(),
                q.at(0.75).getAsDouble(), q.at(1).getAsDouble()));
    }
}
