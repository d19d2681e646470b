package org.zealousladder.server.engagement.work;

import java.util.List;
import org.zealousladder.core.work.Counting;
import org.zealousladder.core.work.MarkScale;
import org.zealousladder.core.work.MarkScale.Rung;
import org.zealousladder.core.work.WorkRules;

/**
 * How a school counts its work.
 *
 * @param soft share of points below the class's median from which on a look may be needed; @param strong from which on one is
 */
public record Setting(Counting counting, double soft, double strong, MarkScale scale) {
    /** What holds where a school has said nothing else. */
    public static final Setting STANDARD = new Setting(Counting.STANDARD, WorkRules.SOFT, WorkRules.STRONG,
            new MarkScale(List.of(new Rung("Begun", 0), new Rung("On the way", 0.4), new Rung("Half up", 0.55), new Rung("Well up", 0.7),
                    new Rung("Near the top", 0.85),
                    new Rung("At the top", 0.95))));
}
