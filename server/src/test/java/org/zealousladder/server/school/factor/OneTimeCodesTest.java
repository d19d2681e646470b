package org.zealousladder.server.school.factor;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.OptionalLong;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class OneTimeCodesTest {
    private static final byte[] SECRET = "12345678901234567890".getBytes(StandardCharsets.US_ASCII);
    private final OneTimeCodes codes = new OneTimeCodes();

    /** RFC 6238, appendix B, the last six of its eight digits. */
    @ParameterizedTest
    @CsvSource({"59,287082", "1111111109,081804", "1111111111,050471", "1234567890,005924", "2000000000,279037", "20000000000,353130"})
    void theStandardsOwnExamples(long second, String code) {
        assertEquals(code, codes.at(SECRET, Instant.ofEpochSecond(second)));
        assertEquals(OptionalLong.of(second / 30), codes.step(SECRET, code, Instant.ofEpochSecond(second)));
    }

    @Test
    void aClockMayDifferByOneStepAndNoMore() {
        Instant now = Instant.ofEpochSecond(1_234_567_890);
        for (int off : new int[] {-60, -30, 0, 30, 60}) {
            String code = codes.at(SECRET, now.plusSeconds(off));
            assertEquals(Math.abs(off) <= 30 ? OptionalLong.of(now.plusSeconds(off).getEpochSecond() / 30) : OptionalLong.empty(),
                    codes.step(SECRET, code, now), off + " s");
        }
        for (String bad : new String[] {"", "00592", "0059240", "abcdef", "٠٠٥٩٢٤"}) {
            assertEquals(OptionalLong.empty(), codes.step(SECRET, bad, now), bad);
        }
    }
}
