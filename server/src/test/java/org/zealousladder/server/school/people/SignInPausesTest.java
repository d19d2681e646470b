package org.zealousladder.server.school.people;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.time.Duration;
import java.time.Instant;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.zealousladder.server.school.people.SignInPauses.Failures;
import org.zealousladder.server.school.people.SignInPauses.Record;

class SignInPausesTest {
    private static final Instant NOW = Instant.parse("2026-03-13T08:00:00Z");
    private static final Failures NONE = new Failures(0, null);

    @ParameterizedTest
    @CsvSource({"0, 0", "4, 0", "5, 5", "6, 10", "7, 20", "12, 640", "13, 900", "14, 900", "100000, 900"})
    void eachTryBeyondTheFreeOnesDoublesThePauseUpToAQuarterOfAnHour(int failures, long seconds) {
        assertEquals(Duration.ofSeconds(seconds), SignInPauses.HERE.pause(failures));
    }

    @Test
    void thePauseBeginsWithTheLastTryAndRunsOut() {
        Failures six = new Failures(6, NOW.minusSeconds(4));
        assertEquals(Duration.ofSeconds(6), SignInPauses.left(new Record(six, NONE, NONE), false, NOW));
        assertEquals(Duration.ZERO, SignInPauses.left(new Record(six, NONE, NONE), false, NOW.plusSeconds(6)));
    }

    /** A million wrong passwords from everywhere cost the person with a new device a minute, and the one with a known device nothing. */
    @Test
    void aStrangerLocksNobodysAccount() {
        Failures flood = new Failures(1_000_000, NOW);
        assertEquals(Duration.ofMinutes(1), SignInPauses.left(new Record(NONE, flood, NONE), false, NOW));
        assertEquals(Duration.ZERO, SignInPauses.left(new Record(NONE, flood, flood), true, NOW));
    }

    @Test
    void onePlaceCannotTryManyNames() {
        assertEquals(Duration.ZERO, SignInPauses.left(new Record(NONE, NONE, new Failures(60, NOW)), false, NOW));
        assertEquals(Duration.ofSeconds(5), SignInPauses.left(new Record(NONE, NONE, new Failures(61, NOW)), false, NOW));
        assertEquals(Duration.ofMinutes(5), SignInPauses.left(new Record(NONE, NONE, new Failures(500, NOW)), false, NOW));
    }

    @Test
    void aKnownDeviceHasPausesOfItsOwn() {
        assertEquals(Duration.ofSeconds(80), SignInPauses.left(new Record(new Failures(9, NOW), NONE, NONE), true, NOW));
    }
}
