package org.zealousladder.core.reading;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.zealousladder.core.reading.Mark.Kind;

class WordComparisonTest {
    private static final List<Mark> AUTUMN = List.of(new Mark(3, Kind.ERROR), new Mark(8, Kind.LEFT_OUT), new Mark(8, Kind.INSERTED), new Mark(15, Kind.TOLD),
            new Mark(21, Kind.SELF_CORRECTED), new Mark(55, Kind.ERROR));
    private static final List<Mark> SPRING = List.of(new Mark(8, Kind.ERROR), new Mark(15, Kind.SELF_CORRECTED), new Mark(21, Kind.ERROR),
            new Mark(40, Kind.INSERTED),
            new Mark(70, Kind.ERROR));

    @Test
    void wordsAreCountedAsFarAsBothWent() {
        WordComparison c = WordComparison.of(AUTUMN, 60, SPRING, 90);
        assertEquals(60, c.words());
        assertEquals(4, c.missedBefore(), "3, 8, 15 and 55; 21 was put right");
        assertEquals(1, c.again(), "8, wrong in another way");
        assertEquals(3, c.noLonger(), "15 was put right this time");
        assertEquals(1, c.anew(), "21; word 70 was not reached in autumn");
    }

    @Test
    void turnedRoundWhatIsNewIsWhatWasMissed() {
        WordComparison back = WordComparison.of(SPRING, 90, AUTUMN, 60);
        assertEquals(2, back.missedBefore());
        assertEquals(1, back.again());
        assertEquals(3, back.anew());
    }

    @Test
    void insertionsAndMarksBeyondTheShorterReadingAreNoMissedWords() {
        assertEquals(new WordComparison(10, 0, 0, 0),
                WordComparison.of(List.of(new Mark(0, Kind.INSERTED), new Mark(4, Kind.INSERTED), new Mark(11, Kind.ERROR)), 20, List.of(), 10));
        assertThrows(IllegalArgumentException.class, () -> WordComparison.of(AUTUMN, 0, SPRING, 10));
    }

    @Test
    void theCountsAlwaysAddUp() {
        Random random = new Random(5);
        for (int trial = 0; trial < 200; trial++) {
            List<Mark> a = marks(random);
            List<Mark> b = marks(random);
            int last = 1 + random.nextInt(60);
            WordComparison c = WordComparison.of(a, last, b, 40);
            WordComparison back = WordComparison.of(b, 40, a, last);
            assertEquals(c.again(), back.again());
            assertEquals(c.missedBefore(), c.again() + back.anew());
            assertEquals(back.missedBefore(), c.again() + c.anew());
            assertEquals(0, WordComparison.of(a, last, a, last).anew());
        }
    }

    private static List<Mark> marks(Random random) {
        return IntStream.rangeClosed(1, 60).filter(w -> random.nextInt(6) == 0).mapToObj(w -> new Mark(w, Kind.values()[random.nextInt(5)])).toList();
    }
}
