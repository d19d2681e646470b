package org.zealousladder.core.questions;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.Test;

class MeetingQuestionsTest {
    private static ScreeningFigures figures(int expected, int screened, int lowest, int highest, Double school, int up, int down, int twice, int noGoal,
            int close) {
        return new ScreeningFigures(expected, screened, "Needs a lift", lowest, "Secure", highest, school, "autumn", up, down, twice, noGoal, close);
    }

    @Test
    void aGroupThatIsFineRaisesNoQuestion() {
        assertEquals(List.of(), MeetingQuestions.of(figures(20, 20, 2, 15, 0.12, 1, 1, 0, 0, 2)));
    }

    @Test
    void everyConditionAsksItsQuestion() {
        assertEquals(List.of("2 of 22 have no score: when are they tested, and who sees to it?",
                "Only 40 % stand in Secure: is the teaching for everyone the place to begin, rather than single students?",
                "40 % stand in Needs a lift here, 18 % in the school's grade: is it the group, the teaching, or the day of the test?",
                "5 of the 8 in Needs a lift stood there in autumn, too: what was tried, and is it enough?",
                "1 of the 8 in Needs a lift has no goal yet: who sets one, by when?",
                "More moved down (4) than up (1) since autumn: what changed?",
                "6 of 20 stand close to a cut: which second evidence decides for them?"),
                MeetingQuestions.of(figures(22, 20, 8, 8, 0.18, 1, 4, 5, 1, 6)));
    }

    @Test
    void goodNewsIsAskedAboutToo() {
        List<String> questions = MeetingQuestions.of(figures(20, 20, 1, 16, 0.2, 5, 0, 0, 0, 0));
        assertTrue(questions.get(0).contains("5 % stand in Needs a lift here, 20 % in the school's grade: what works here"), questions.toString());
        assertTrue(questions.get(1).startsWith("More moved up (5)"), questions.toString());
    }

    @Test
    void fewStudentsAreNotComparedInShares() {
        assertEquals(List.of(), MeetingQuestions.of(figures(5, 5, 2, 1, 0.1, 0, 0, 0, 0, 1)));
        assertEquals(List.of("5 of 5 have no score: when are they tested, and who sees to it?"),
                MeetingQuestions.of(figures(5, 0, 0, 0, null, 0, 0, 0, 0, 0)));
    }

    @Test
    void allOfThemAreAll() {
        assertEquals(List.of("All 4 in Needs a lift stood there in autumn, too: what was tried, and is it enough?",
                "All 4 in Needs a lift have no goal yet: who sets one, by when?"), MeetingQuestions.of(figures(12, 12, 4, 8, null, 0, 0, 4, 4, 0)));
        assertEquals(List.of("The one in Needs a lift has no goal yet: who sets one, by when?"),
                MeetingQuestions.of(figures(12, 12, 1, 11, null, 0, 0, 1, 1, 0)));
    }

    @Test
    void halfIsHalf() {
        assertTrue(MeetingQuestions.of(figures(12, 12, 4, 8, null, 0, 0, 2, 0, 0)).get(0).startsWith("2 of the 4"));
        assertEquals(List.of(), MeetingQuestions.of(figures(12, 12, 4, 8, null, 0, 0, 1, 0, 0)));
    }
}
