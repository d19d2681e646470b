package org.zealousladder.server.overview.prints;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** The fixed words of sheets, and the picture of a course. */
class WordingTest {
    private static final LocalDate MARCH = LocalDate.of(2026, 3, 13);

    @Test
    void whatHasNoWordsInTheOtherLanguageStaysEnglish() {
        Wording spanish = new Wording("es", Map.of(Phrase.GOAL_LINE, "La meta es {goal} para el {day}."));
        assertEquals("La meta es 94 para el 13 mar 2026.", spanish.say(Phrase.GOAL_LINE, "goal", 94, "day", MARCH));
        assertEquals("Late on 3 days.", spanish.say(Phrase.LATE_LINE, "n", 3));
        assertEquals("The goal is 94 by 13 Mar 2026.", Wording.ENGLISH.say(Phrase.GOAL_LINE, "goal", "94", "day", MARCH));
    }

    @Test
    void fieldsAreWhatStandsInCurlyBrackets() {
        assertEquals(Set.of("goal", "day"), Phrase.fields(Phrase.GOAL_LINE.english()));
        assertEquals(Set.of(), Phrase.fields("What we do {not} in {CAPITALS}".replace("{not}", "")));
        assertTrue(Arrays.stream(Phrase.values()).allMatch(p -> p.english().length() <= 300));
    }

    /** For home there is no section that could hold a rank, a tier or another's words. */
    @Test
    void whatCanBeOnASheetForHome() {
        List<PrintSection> home = PrintSection.of(PrintKind.HOME);
        for (PrintSection s : List.of(PrintSection.TIERS, PrintSection.CONCERNS, PrintSection.CONTACTS, PrintSection.DECISIONS, PrintSection.FACTS)) {
            assertFalse(home.contains(s), s.name());
        }
        assertTrue(home.contains(PrintSection.PERCENTILES) && !PrintSection.usual(PrintKind.HOME).contains(PrintSection.PERCENTILES));
        assertEquals(PrintSection.of(PrintKind.MEETING), PrintSection.usual(PrintKind.MEETING));
    }

    @Test
    void theCourseIsDrawnWithItsEndsAndItsGoal() {
        List<ScoreDrawing.Point> points = List.of(new ScoreDrawing.Point(LocalDate.of(2025, 9, 8), 40), new ScoreDrawing.Point(LocalDate.of(2026, 1, 12), 60),
                new ScoreDrawing.Point(MARCH, 55));
        String svg = ScoreDrawing.svg(points, new ScoreDrawing.Aim(points.get(0), new ScoreDrawing.Point(LocalDate.of(2026, 5, 8), 80)),
                List.of(LocalDate.of(2025, 10, 2), LocalDate.of(2024, 1, 1)), Wording.ENGLISH);
        assertEquals(3, svg.split("<circle").length - 1);
        assertTrue(svg.contains(">80<") && svg.contains(">40<") && svg.contains("8 May 2026") && svg.contains("8 Sep 2025"), svg);
        assertEquals(1, svg.split("stroke='#444444'").length - 1, "an upright line for the change within, none for the one long before");
        String plain = ScoreDrawing.svg(points.subList(0, 1), null, List.of(), Wording.ENGLISH);
        assertFalse(plain.contains("NaN") || plain.contains("Infinity"), plain);
        assertFalse(plain.contains("stroke-dasharray"), "no goal, no line to it");
    }
}
