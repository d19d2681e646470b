package org.zealousladder.core.bands;

import java.util.OptionalDouble;

/**
 * Where a score stands on a ladder.
 *
 * @param index band number from 0, the band that needs most support
 * @param certainty chance that the true score is in the band, 0 to 1; empty when the measure states no error
 * @param closeCall whether the true score may well be on the other side of the nearest cut
 */
public record Standing(int index, Band band, OptionalDouble certainty, boolean closeCall) {}
