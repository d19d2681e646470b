package org.zealousladder.server.measures.measures;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.Direction;
import org.zealousladder.core.decisions.Rule;
import org.zealousladder.core.decisions.RuleSettings;
import org.zealousladder.core.growth.Trend;
import org.zealousladder.core.scores.ScoreScale;

/**
 * A measure.
 *
 * @param sem its standard error of measurement in score units, where it states one
 * @param name of a part, after its whole's
 * @param ends the last day on which it is given; null while it goes on
 * @param partOf of which measure it is a sub-score
 * @param addsUp whether its score is the sum of its parts'
 * @param ownName without the whole's
 */
public record Measure(int id, String code, String name, String kind, String area, String unit, double lowest, double highest,
        int decimals, String better, @Nullable Double sem, Rule rule, int minimumScores, int minimumWeeks,
        int lastPoints, double changeAtMost, double raiseAtLeast, @Nullable LocalDate ends, @Nullable Integer partOf, boolean addsUp, String ownName) {

    public Measure(int id, String code, String name, String kind, String area, String unit, double lowest, double highest, int decimals, String better,
            @Nullable Double sem, Rule rule, int minimumScores, int minimumWeeks, int lastPoints, double changeAtMost, double raiseAtLeast) {
        this(id, code, name, kind, area, unit, lowest, highest, decimals, better, sem, rule, minimumScores, minimumWeeks, lastPoints, changeAtMost,
                raiseAtLeast, null, null, false, name);
    }

    /** Whether it is an assessment of a body outside the school: neither screened for in windows nor followed from week to week. */
    public boolean outside() {
        return kind.equals("outside");
    }

    /** Whether it is a measure by itself, not a sub-score of another. */
    public boolean whole() {
        return partOf == null;
    }

    /** Whether it can be given on a day. */
    public boolean givenOn(LocalDate day) {
        return ends == null || !day.isAfter(ends);
    }

    public Direction direction() {
        return better.equals("lower") ? Direction.LOWER_IS_BETTER : Direction.HIGHER_IS_BETTER;
    }

    /** The scores it can give. */
    public ScoreScale scale() {
        return new ScoreScale(lowest, highest, decimals);
    }

    /** The SEM, or 0 where none is stated, as the core takes it. */
    public double semOrZero() {
        return sem == null ? 0 : sem;
    }

    /** Its least and its most score. */
    public Trend.Bounds bounds() {
        return new Trend.Bounds(lowest, highest);
    }

    public RuleSettings settings() {
        return new RuleSettings(rule, lastPoints, changeAtMost, raiseAtLeast, minimumScores, minimumWeeks);
    }

    /** The same measure under other settings of its rule. */
    public Measure with(RuleSettings s) {
        return new Measure(id, code, name, kind, area, unit, lowest, highest, decimals, better, sem, s.rule(), s.minimumScores(),
                (int) Math.round(s.minimumWeeks()), s.lastPoints(), s.changeAtMost(), s.raiseAtLeast(), ends, partOf, addsUp, ownName);
    }

    public MeasureRef ref() {
        return new MeasureRef(id, name, unit, area, lowest, highest, decimals, better.equals("higher"), partOf, addsUp, ownName);
    }
}
