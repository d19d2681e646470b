package org.zealousladder.core.skills;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.zealousladder.core.skills.SharedMistake.Wrong;
import org.zealousladder.core.skills.SkillProfile.Grade;

/** What follows from the states: the mistake that is shared, what comes next, and where a student is strong. */
class FollowsTest {
    @Test
    void theMistakeToldInWordsGathersOverItems() {
        List<Wrong> wrong = List.of(new Wrong(1, 10, "376", "takes the smaller digit"), new Wrong(2, 11, "254", "takes the smaller digit"),
                new Wrong(3, 10, "300", null),
                new Wrong(4, 10, "300", null), new Wrong(2, 10, "376", "takes the smaller digit"));
        SharedMistake m = SharedMistake.of(wrong, 4).orElseThrow();
        assertEquals("takes the smaller digit", m.shows());
        assertEquals(Set.of(1, 2), m.students());
        assertEquals("376", m.answer());
    }

    @Test
    void oneAnswerOfMostIsSharedWithoutWords() {
        SharedMistake m = SharedMistake.of(List.of(new Wrong(1, 10, "300", null), new Wrong(2, 10, "300", null), new Wrong(3, 11, "300", "something")), 3)
                .orElseThrow();
        assertNull(m.shows());
        assertEquals(10, m.item());
        assertEquals(Set.of(1, 2), m.students());
    }

    @Test
    void oneStudentOrAMinoritySharesNothing() {
        assertTrue(SharedMistake.of(List.of(new Wrong(1, 10, "300", "x"), new Wrong(1, 11, "31", "x")), 1).isEmpty());
        assertTrue(SharedMistake.of(List.of(new Wrong(1, 10, "300", "x"), new Wrong(2, 11, "31", "x")), 5).isEmpty());
        assertTrue(SharedMistake.of(List.of(), 3).isEmpty());
    }

    @Test
    void nextIsTheFirstNotYetWhoseGroundIsSecure() {
        List<Integer> order = List.of(1, 2, 3, 4);
        Map<Integer, Set<Integer>> grounds = Map.of(2, Set.of(1), 3, Set.of(2), 4, Set.of(1));
        assertEquals(OptionalInt.of(2), NextSkill.of(order, Map.of(1, SkillState.SECURE, 2, SkillState.NOT_YET, 3, SkillState.NOT_YET), grounds));
        assertEquals(OptionalInt.of(4),
                NextSkill.of(order, Map.of(1, SkillState.SECURE, 2, SkillState.SHAKY, 3, SkillState.NOT_YET, 4, SkillState.NOT_YET), grounds));
        assertEquals(OptionalInt.empty(), NextSkill.of(order, Map.of(3, SkillState.NOT_YET), grounds));
        assertEquals(OptionalInt.of(1), NextSkill.of(order, Map.of(1, SkillState.NOT_YET), grounds));
    }

    @Test
    void whoHasASkillGoesOnToWhatRestsOnItOrComesNext() {
        Map<Integer, Set<Integer>> grounds = Map.of(4, Set.of(1));
        assertEquals(OptionalInt.of(4), NextSkill.after(1, List.of(1, 2), List.of(1, 2, 3, 4), grounds));
        assertEquals(OptionalInt.of(3), NextSkill.after(2, List.of(1, 2, 3), List.of(1, 2, 3, 4), grounds));
        assertEquals(OptionalInt.empty(), NextSkill.after(3, List.of(1, 2, 3), List.of(1, 2, 3, 4), grounds));
    }

    @Test
    void skillsThatRestOnEachOtherInACircleEndTheSearchToo() {
        assertEquals(OptionalInt.empty(),
                NextSkill.of(List.of(1, 2), Map.of(1, SkillState.NOT_YET, 2, SkillState.NOT_YET), Map.of(1, Set.of(2), 2, Set.of(1))));
    }

    @Test
    void aDomainFarFromTheOthersIsTold() {
        Grade[] grade = {new Grade(0.6, 0.2), new Grade(0.6, 0.2), new Grade(0.6, 0.2)};
        SkillProfile.Domain[] d = SkillProfile.of(new double[] {16, 15, 4}, new int[] {20, 20, 20}, grade);
        assertEquals(1.0, d[0].z(), 1e-9);
        assertEquals(-2.0, d[2].z(), 1e-9);
        assertEquals(SkillProfile.Own.WEAK, d[2].own());
        // By hand: z = 1, 0.75, -2, mean -1/12; p = 17/22, 16/22, 5/22; sem = sqrt(p q / 20) / 0.2; SE of the third difference 0.3905.
        double se = Math.sqrt(d[2].sem() * d[2].sem() / 3 + (d[0].sem() * d[0].sem() + d[1].sem() * d[1].sem() + d[2].sem() * d[2].sem()) / 9);
        assertEquals(Math.sqrt(5.0 / 22 * 17 / 22 / 20) / 0.2, d[2].sem(), 1e-12);
        assertTrue(23.0 / 12 > 1.64 * se);
    }

    @Test
    void fewAnswersTellNothingAndOneDomainNeither() {
        Grade[] grade = {new Grade(0.6, 0.2), new Grade(0.6, 0.2)};
        for (SkillProfile.Domain d : SkillProfile.of(new double[] {2, 1}, new int[] {3, 3}, grade)) {
            assertEquals(SkillProfile.Own.LIKE, d.own());
        }
        assertEquals(SkillProfile.Own.LIKE, SkillProfile.of(new double[] {0}, new int[] {50}, new Grade[] {new Grade(0.6, 0.2)})[0].own());
    }

    @Test
    void aStudentOfOneStrengthThroughoutIsSeldomCalledStrongOrWeak() {
        Random random = new Random(20261127);
        Grade[] grade = {new Grade(0.6, 0.2), new Grade(0.6, 0.2), new Grade(0.6, 0.2), new Grade(0.6, 0.2)};
        int told = 0;
        int all = 0;
        for (int i = 0; i < 2000; i++) {
            double[] right = new double[4];
            for (int d = 0; d < 4; d++) {
                for (int j = 0; j < 30; j++) {
                    right[d] += random.nextDouble() < 0.7 ? 1 : 0;
                }
            }
            for (SkillProfile.Domain d : SkillProfile.of(right, new int[] {30, 30, 30, 30}, grade)) {
                told += d.own() == SkillProfile.Own.LIKE ? 0 : 1;
                all++;
            }
        }
        assertEquals(0.10, (double) told / all, 0.02);
    }

    @Test
    void answersOfADayAddUpAsOneByOne() {
        SkillTally one = new SkillTally();
        SkillTally day = new SkillTally();
        one.add(1, 100, 90);
        one.add(0.5, 100, 90);
        one.add(0, 130, 90);
        day.add(2, 1.5, 100, 90);
        day.add(1, 0, 130, 90);
        assertEquals(one.on(140, SkillSettings.USUAL), day.on(140, SkillSettings.USUAL));
        assertThrows(IllegalArgumentException.class, () -> day.add(2, 2.5, 100, 90));
    }
}
