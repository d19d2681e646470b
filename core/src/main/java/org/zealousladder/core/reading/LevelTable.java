package org.zealousladder.core.reading;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Levels by accuracy and comprehension, the best first; local. The proposed level is the first whose both floors are reached, the last one
 * where none is. Without comprehension accuracy alone decides.
 */
public record LevelTable(List<Level> levels) {

    /**
     * @param accuracy least share of words right, 0 to 1
     * @param comprehension least share of points for retelling and questions, 0 to 1
     */
    public record Level(String name, double accuracy, double comprehension) {}

    /** @throws IllegalArgumentException with a sentence when the table is not one */
    public LevelTable {
        levels = List.copyOf(levels);
        if (levels.size() < 2 || levels.size() > 8) {
            throw new IllegalArgumentException("A table has two to eight levels.");
        }
        for (int i = 0; i < levels.size(); i++) {
            Level l = levels.get(i);
            if (l.name().isBlank()) {
                throw new IllegalArgumentException("Each level needs a name.");
            }
            if (!(l.accuracy() >= 0 && l.accuracy() <= 1 && l.comprehension() >= 0 && l.comprehension() <= 1)) {
                throw new IllegalArgumentException("Accuracy and comprehension run from 0 to 100 %.");
            }
            if (i > 0 && (l.accuracy() > levels.get(i - 1).accuracy() || l.comprehension() > levels.get(i - 1).comprehension())) {
                throw new IllegalArgumentException("From level to level the floors must not rise; '" + l.name() + "' asks for more than the level before it.");
            }
        }
        if (levels.get(levels.size() - 1).accuracy() != 0 || levels.get(levels.size() - 1).comprehension() != 0) {
            throw new IllegalArgumentException("The last level takes everyone else: its floors are 0.");
        }
    }

    /** @param comprehension share of points, null where nothing was asked */
    public Level propose(double accuracy, @Nullable Double comprehension) {
        for (Level l : levels) {
            if (accuracy >= l.accuracy() && (comprehension == null || comprehension >= l.comprehension())) {
                return l;
            }
        }
        return levels.get(levels.size() - 1);
    }
}
