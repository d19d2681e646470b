package org.zealousladder.core.questions;

import org.jspecify.annotations.Nullable;

/**
 * What a screening report knows of a group. All counts are of students.
 *
 * @param expected who was here
 * @param screened who has a score
 * @param lowestBand name of the band that needs most support
 * @param lowest how many of the screened stand in it
 * @param highestBand name of the band that needs least support
 * @param highest how many of the screened stand in it
 * @param lowestInSchool share of the school's students of these grades in the lowest band, 0 to 1; null when the group is the school or too small to say
 * @param before the season before, in words; empty when there is none
 * @param up moved to a band with less support since then
 * @param down moved to a band with more support since then
 * @param lowestTwice stand in the lowest band now and did then
 * @param lowestWithoutGoal stand in the lowest band and have no goal in the area
 * @param close stand close enough to a cut that their band is not sure
 */
public record ScreeningFigures(int expected, int screened, String lowestBand, int lowest, String highestBand, int highest, @Nullable Double lowestInSchool,
        String before, int up, int down, int lowestTwice, int lowestWithoutGoal, int close) {
    /** @throws IllegalArgumentException for counts that cannot be */
    public ScreeningFigures {
        if (expected < 0 || screened < 0 || lowest < 0 || highest < 0 || lowest > screened || highest > screened) {
            throw new IllegalArgumentException("a part cannot be more than the whole, and no count is negative");
        }
        if (lowestInSchool != null && !(lowestInSchool >= 0 && lowestInSchool <= 1)) {
            throw new IllegalArgumentException("a share is from 0 to 1");
        }
    }
}
