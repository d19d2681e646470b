package org.zealousladder.core.criteria;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class CriterionParserTest {
    private static String said(String text) {
        return CriterionText.of(CriterionParser.parse(text)).text();
    }

    @Test
    void whatIsWrittenIsReadAgain() {
        RandomCriteria random = new RandomCriteria(14);
        for (int i = 0; i < 10_000; i++) {
            Criterion c = random.next(3);
            String text = CriterionText.of(c).text();
            assertEquals(c, CriterionParser.parse(text), text);
            assertEquals(text, said(text));
        }
    }

    /** What is cut, doubled or mixed up is read or refused, and never anything else. */
    @Test
    void anyTextIsReadOrRefused() {
        RandomCriteria random = new RandomCriteria(15);
        Random cut = new Random(16);
        int refused = 0;
        for (int i = 0; i < 10_000; i++) {
            String text = CriterionText.of(random.next(3)).text();
            int from = cut.nextInt(text.length());
            String other = text.substring(0, from) + text.substring(Math.min(text.length(), from + cut.nextInt(12)));
            try {
                CriterionParser.parse(other);
            } catch (MistakeException e) {
                refused++;
                assertTrue(e.place().start() >= 0 && e.place().start() <= e.place().end() && e.place().end() <= other.length(), other);
            }
        }
        assertTrue(refused > 2000, "refused " + refused);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
            "tier(Reading) is 3 | Say an area or a measure",
            "tier in Reading is 3 and days absent > 7 since 1 Sep 2025 | Something is said here",
            "tier in Reading is 3 and screened in Maze or plan | side by side",
            "score in Words and meaning is 3 | should follow",
            "scor in Maze is 3 | Did you mean score?",
            "score in Maze since 31 Feb 2026 is 3 | is no day",
            "score in Maze since 2026-02-31 is 3 | is no day",
            "goal in Maze in winter | not asked with a screening window",
            "days absent from 1 Mar 2026 to 1 Feb 2026 is 3 | end before they begin",
            "at least 3 of (plan; goal in Maze) | cannot be",
            "(plan and goal in Maze | not closed",
            "score in \"Maze is 3 | not closed: put a quotation mark",
            "tier in Reading is 3 % | leave out the %",
            "skill Rounding is perhaps | is one of: secure",
            "any of whose last 0 scores in Maze are under 3 | from 1 to 50",
            "any of whose last 3 tiers in Maze are 3 | nothing that can be asked",
            "any of whose last 3 scores in Maze in winter are under 3 | no other time",
            "score in Maze is from 5 to 3 | below the first",
            "plan and | a condition should follow",
            "plan ? | has no meaning",
            "'' | a condition should follow"})
    void aMistakeIsSaidWithItsRepair(String text, String part) {
        MistakeException e = assertThrows(MistakeException.class, () -> CriterionParser.parse(text));
        assertTrue(e.getMessage().contains(part), e.getMessage());
    }

    @Test
    void aMistakeSaysWhereItIsAndWhatCouldStandThere() {
        MistakeException e = assertThrows(MistakeException.class, () -> CriterionParser.parse("plan and skill Rounding is maybe"));
        assertEquals("maybe", "plan and skill Rounding is maybe".substring(e.place().start(), e.place().end()));
        assertEquals(List.of("secure", "shaky", "not yet", "too few answers", "not tried"), e.expected());
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
            "tier in Reading in winter is 3 | whose tier in Reading in winter is 3",
            "Students whose newest score in Oral Reading is below 60. | whose score in Oral Reading is under 60",
            "no running plan for Reading | who have no running plan in Reading",
            "who were absent: | ",
            "days absent since 2025-09-01 > 7 | whose days absent since 1 Sep 2025 are over 7",
            "days absent since 1 September 2025 are more than 7 | whose days absent since 1 Sep 2025 are over 7",
            "share absent >= 10% | whose share of days absent is at least 10 %",
            "not screened in Reading in winter 2024–25 | who were not screened in Reading in winter 2024-25",
            "skill Rounding is not yet | whose skill Rounding is not yet",
            "skill Rounding is not not yet | whose skill Rounding is not not yet",
            "skill Rounding is one of not yet, shaky, and plan | whose skill Rounding is one of not yet, shaky and who have a plan",
            "engagement flag is not seen | whose engagement flag is not seen",
            "any of the last three scores in Maze is under 9 | any of whose last 3 scores in Maze are under 9",
            "class is one of Kittiwake, Tern | whose class is one of Kittiwake, Tern",
            "gain in Maze from autumn to winter is between 1 and 3 | whose gain in Maze from autumn to winter is from 1 to 3",
            "score in Maze is not on record | whose score in Maze is not on record",
            "not (plan or goal in Maze) | not (who have a plan or who have a goal in Maze)",
            "at least two of (plan; goal in Maze, tier in Maths is 3) | at least 2 of (who have a plan; who have a goal in Maze; whose tier in Maths is 3)",
            "no contact home in the last 6 weeks | who have no contact with home in the last 6 weeks",
            "on the list \"Ferry, storms\" | who are on the list \"Ferry, storms\""})
    void itIsSaidInOneWay(String text, String same) {
        if (same == null) {
            assertThrows(MistakeException.class, () -> CriterionParser.parse(text));
        } else {
            assertEquals(same, said(text));
        }
    }

    @ParameterizedTest
    @ValueSource(ints = {25, 500})
    void bracketsWithoutEndAreRefused(int depth) {
        assertThrows(MistakeException.class, () -> CriterionParser.parse("(".repeat(depth) + "plan" + ")".repeat(depth)));
        assertThrows(MistakeException.class, () -> CriterionParser.parse("plan" + " and plan".repeat(61)));
    }

    @Test
    void columnsAreSubjects() {
        assertEquals(List.of("class", "score in Maze in winter", "days absent since 1 Sep 2025", "on the list A"),
                CriterionParser.columns("class; score in Maze in winter, days absent since 2025-09-01; on the list A").stream().map(CriterionText::of)
                        .toList());
        assertThrows(MistakeException.class, () -> CriterionParser.columns("class is Kittiwake"));
    }

    @Test
    void linesAreTheTextBrokenWhereItIsJoined() {
        CriterionText t = CriterionText.of(CriterionParser.parse(
                "tier in Reading is 3 and (no plan or at least one of (goal in Maze; not screened in Maze)) and not (grade is 2)"));
        List<String> lines = t.lines().stream().map(l -> l.depth() + t.text().substring(l.start(), l.end())).toList();
        assertEquals(List.of("0whose tier in Reading is 3", "1 and (who have no plan", "2 or at least 1 of (who have a goal in Maze;",
                "2 who were not screened in Maze))", "1 and not (whose grade is 2)"), lines);
        t.parts().forEach(p -> assertTrue(p.start() <= p.end() && p.end() <= t.text().length()));
        assertEquals(List.of("tier", "Reading", "3", "and", "plan", "or", "at least 1 of", "goal", "Maze", "screened", "Maze", "and", "grade", "2"),
                t.parts().stream().filter(p -> p.start() < p.end()).sorted(java.util.Comparator.comparing(CriterionText.Part::start))
                        .map(p -> t.text().substring(p.start(), p.end())).toList());
    }
}
