package org.zealousladder.core.questions;

import java.util.ArrayList;
import java.util.List;

/**
 * Questions that the figures of a screening raise, the most pressing first.
 *
 * <ul>
 *   <li>Shares are compared from {@value #ENOUGH} screened students on, and a difference counts from {@value #DIFFERENCE} of all on.
 *   <li>Nothing to ask gives an empty list: no filler.
 * </ul>
 */
public final class MeetingQuestions {
    /** Fewest students whose shares are compared. */
    public static final int ENOUGH = 10;
    /** Difference of shares that is worth asking about. */
    public static final double DIFFERENCE = 0.10;

    private static final double MOST_SHOULD_STAND = 0.6;

    private MeetingQuestions() {}

    /** What the figures give a team to talk about, in sentences; empty when nothing stands out. */
    public static List<String> of(ScreeningFigures f) {
        List<String> questions = new ArrayList<>();
        int missing = f.expected() - f.screened();
        if (missing > 0) {
            questions.add(missing + " of " + f.expected() + " have no score: when are they tested, and who sees to it?");
        }
        if (f.screened() == 0) {
            return questions;
        }
        if (f.screened() >= ENOUGH && f.highest() < MOST_SHOULD_STAND * f.screened()) {
            questions.add("Only " + percent(f.highest(), f.screened()) + " stand in " + f.highestBand()
                    + ": is the teaching for everyone the place to begin, rather than single students?");
        }
        compareWithSchool(f, questions);
        if (f.lowest() >= 3 && 2 * f.lowestTwice() >= f.lowest()) {
            questions.add(among(f.lowestTwice(), f.lowest()) + " in " + f.lowestBand() + " stood there in " + f.before()
                    + ", too: what was tried, and is it enough?");
        }
        if (f.lowestWithoutGoal() > 0) {
            questions.add(among(f.lowestWithoutGoal(), f.lowest()) + " in " + f.lowestBand() + (f.lowestWithoutGoal() == 1 ? " has" : " have")
                    + " no goal yet: who sets one, by when?");
        }
        if (f.down() > f.up() && f.down() >= 2) {
            questions.add("More moved down (" + f.down() + ") than up (" + f.up() + ") since " + f.before() + ": what changed?");
        } else if (f.up() > f.down() && f.up() >= 2) {
            questions.add("More moved up (" + f.up() + ") than down (" + f.down() + ") since " + f.before() + ": what helped, and is it written down?");
        }
        if (5 * f.close() >= f.screened() && f.close() > 1) {
            questions.add(f.close() + " of " + f.screened() + " stand close to a cut: which second evidence decides for them?");
        }
        return questions;
    }

    private static void compareWithSchool(ScreeningFigures f, List<String> questions) {
        Double school = f.lowestInSchool();
        if (school == null || f.screened() < ENOUGH) {
            return;
        }
        double here = (double) f.lowest() / f.screened();
        String both = percent(f.lowest(), f.screened()) + " stand in " + f.lowestBand() + " here, " + Math.round(100 * school)
                + " % in the school's grade";
        if (here - school >= DIFFERENCE) {
            questions.add(both + ": is it the group, the teaching, or the day of the test?");
        } else if (school - here >= DIFFERENCE) {
            questions.add(both + ": what works here that others could use?");
        }
    }

    private static String percent(int part, int of) {
        return Math.round(100.0 * part / of) + " %";
    }

    private static String among(int n, int of) {
        return n == of ? (of == 1 ? "The one" : "All " + of) : n + " of the " + of;
    }
}
