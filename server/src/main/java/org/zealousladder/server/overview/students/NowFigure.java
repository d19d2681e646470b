package org.zealousladder.server.overview.students;

import org.jspecify.annotations.Nullable;

/**
 * A sentence about how a student stands now, with the figure that it rests on.
 *
 * @param figure what of it can be clicked
 * @param to where the figure comes from
 * @param measure which, of a trend
 */
public record NowFigure(String before, String figure, String after, NowPlace to, @Nullable Integer measure) {

    /** Where on the page, or beyond it. */
    public enum NowPlace {
        TREND,
        PLANS,
        DAYS,
        TIME,
        SKILLS,
        CONTACTS,
        TIERS
    }
}
