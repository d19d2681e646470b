package org.zealousladder.server.measures.ladders;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyInt;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.zealousladder.core.decisions.Rule;
import org.zealousladder.server.measures.ladders.DrawnLadder.DrawnBand;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.windows.Window;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;

/** What is checked before a ladder is kept, and that nothing is kept when somebody else was first. */
class LadderEditorTest {
    private static final Measure WORDS = measure("higher");
    private static final Measure SECONDS = measure("lower");
    private static final CutSet SET = new CutSet(1, "local", "Local", SetKind.LOCAL, null, null);
    private static final Window WINTER = new Window(2, 1, "Winter", LocalDate.of(2026, 1, 12), LocalDate.of(2026, 1, 23));
    private static final LadderEditor.Place PLACE = new LadderEditor.Place(SET, WORDS, 3, WINTER);

    private final LaddersStore store = mock(LaddersStore.class);
    private final SchoolCalendar calendar = mock(SchoolCalendar.class);
    private final LadderEditor editor = new LadderEditor(store, calendar);

    private static Measure measure(String better) {
        return new Measure(1, "m", "Measure", "screening", "Reading", "points", 0, 200, 0, better, 4.0, Rule.CHANCE, 6, 4, 4, 0.25, 0.9);
    }

    private static List<DrawnBand> bands(Double... cuts) {
        List<DrawnBand> bands = new ArrayList<>(List.of(new DrawnBand("Band 0", cuts.length + 1, null)));
        for (int i = 0; i < cuts.length; i++) {
            bands.add(new DrawnBand("Band " + (i + 1), cuts.length - i, cuts[i]));
        }
        return bands;
    }

    @Test
    void aLadderThatCanBeUsedHasNoProblem() {
        assertEquals(Optional.empty(), LadderEditor.problem(bands(50.0, 80.0), WORDS));
        assertEquals(Optional.empty(), LadderEditor.problem(bands(80.0, 50.0), SECONDS));
        assertEquals(3, LadderEditor.ladder(bands(50.0, 80.0), WORDS).bands().size());
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"80,50 | out of order: Band 2 begins at 50, Band 1 at 80", "50,50 | out of order", "50,201 | runs from 0 to 200",
            "-1,50 | runs from 0 to 200"})
    void whatIsWrongIsSaidInNumbers(String cuts, String sentence) {
        Double[] numbers = java.util.Arrays.stream(cuts.split(",")).map(Double::valueOf).toArray(Double[]::new);
        String said = LadderEditor.problem(bands(numbers), WORDS).orElseThrow();
        assertTrue(said.contains(sentence), said);
    }

    @Test
    void namesTiersAndTheLowestBandAreChecked() {
        DrawnBand low = new DrawnBand("Low", 3, null);
        assertTrue(LadderEditor.problem(List.of(low), WORDS).orElseThrow().contains("2 to 8 bands"));
        assertTrue(LadderEditor.problem(List.of(low, new DrawnBand(" ", 1, 50.0)), WORDS).orElseThrow().contains("needs a name"));
        assertTrue(LadderEditor.problem(List.of(low, new DrawnBand("low", 1, 50.0)), WORDS).orElseThrow().contains("Two bands are called"));
        assertTrue(LadderEditor.problem(List.of(low, new DrawnBand("High", 0, 50.0)), WORDS).orElseThrow().contains("from 1 to 5"));
        assertTrue(LadderEditor.problem(List.of(low, new DrawnBand("High", 4, 50.0)), WORDS).orElseThrow().contains("would get more support"));
        assertTrue(LadderEditor.problem(List.of(low, new DrawnBand("High", 1, null)), WORDS).orElseThrow().contains("needs the score"));
        assertTrue(LadderEditor.problem(List.of(new DrawnBand("Low", 3, 10.0), new DrawnBand("High", 1, 50.0)), WORDS).orElseThrow()
                .contains("begins at the bottom"));
    }

    /** What has no problem here, the core takes; what the core refuses, has a problem here. */
    @Test
    void theCoreAgrees() {
        Random random = new Random(17);
        for (int run = 0; run < 3000; run++) {
            Double[] cuts = random.doubles(1 + random.nextInt(4), -20, 220).boxed().map(d -> (double) Math.round(d / 20) * 20).toArray(Double[]::new);
            Measure measure = run % 2 == 0 ? WORDS : SECONDS;
            List<DrawnBand> bands = bands(cuts);
            if (LadderEditor.problem(bands, measure).isEmpty()) {
                assertEquals(bands.size(), LadderEditor.ladder(bands, measure).bands().size());
            } else if (java.util.Arrays.stream(cuts).allMatch(c -> c >= 0 && c <= 200)) {
                assertThrows(IllegalArgumentException.class, () -> LadderEditor.ladder(bands, measure));
            }
        }
    }

    @Test
    void whenSomebodyElseWasFirstNothingIsKept() {
        when(store.currentLadder(PLACE)).thenReturn(Optional.of(8));
        assertThrows(Refusal.class, () -> editor.save(PLACE, 7, bands(50.0, 80.0), null));
        assertThrows(Refusal.class, () -> editor.save(PLACE, null, bands(50.0, 80.0), null));
        when(store.supersedeLadder(anyInt(), any())).thenReturn(false);
        assertThrows(Refusal.class, () -> editor.save(PLACE, 8, bands(50.0, 80.0), null), "changed between the look and the write");
        assertThrows(Refusal.class, () -> editor.save(PLACE, 8, bands(80.0, 50.0), null));
        verify(store, never()).insertLadder(any(), any(), any());
    }

    @Test
    void aSetNeedsAName() {
        assertThrows(Refusal.class, () -> editor.create("", SetKind.TRIAL, 1, 1));
    }
}
