package org.zealousladder.core.work;

import java.util.List;

/** A school's own scale of marks: rungs with names, each from a share on, the lowest from 0 on. */
public record MarkScale(List<Rung> rungs) {

    /** @param from share from which on it is reached, from 0 to 1 */
    public record Rung(String name, double from) {}

    /** @throws IllegalArgumentException saying what is wrong with it */
    public MarkScale {
        rungs = List.copyOf(rungs);
        if (rungs.size() < 2 || rungs.size() > 30) {
            throw new IllegalArgumentException("A scale of marks has 2 to 30 rungs.");
        }
        if (rungs.get(0).from() != 0) {
            throw new IllegalArgumentException("The lowest rung begins at 0 %.");
        }
        for (int i = 0; i < rungs.size(); i++) {
            Rung r = rungs.get(i);
            if (r.name().isBlank() || r.name().length() > 40) {
                throw new IllegalArgumentException("Each rung has a name of at most 40 letters.");
            }
            if (i > 0 && !(r.from() > rungs.get(i - 1).from() && r.from() <= 1)) {
                throw new IllegalArgumentException("Each rung begins above the one before, and at 100 % at most.");
            }
        }
        if (rungs.stream().map(r -> r.name().strip()).distinct().count() < rungs.size()) {
            throw new IllegalArgumentException("Two rungs have the same name.");
        }
    }

    /** The highest rung that is reached. */
    public Rung at(double share) {
        Rung at = rungs.get(0);
        for (Rung r : rungs) {
            // Nine tenths of ten is nine, whatever the last bit of the quotient says.
            if (share >= r.from() - 1e-9) {
                at = r;
            }
        }
        return at;
    }
}
