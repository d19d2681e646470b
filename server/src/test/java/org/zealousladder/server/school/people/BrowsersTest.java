package org.zealousladder.server.school.people;

import static org.junit.jupiter.api.Assertions.assertEquals;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class BrowsersTest {
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
            "Mozilla/5.0 (X11; Linux x86_64) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/156.0.0.0 Safari/537.36 | Chrome on Linux",
            "Mozilla/5.0 (Windows NT 10.0; Win64; x64) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/156.0.0.0 Safari/537.36 Edg/156.0 | Edge on Windows",
            "Mozilla/5.0 (Macintosh; Intel Mac OS X 10_15_7) AppleWebKit/605.1.15 (KHTML, like Gecko) Version/18.0 Safari/605.1.15 | Safari on Mac",
            "Mozilla/5.0 (iPhone; CPU iPhone OS 18_0 like Mac OS X) AppleWebKit/605.1.15 Version/18.0 Mobile/15E148 Safari/604.1 | Safari on iPhone",
            "Mozilla/5.0 (Android 15; Mobile; rv:140.0) Gecko/140.0 Firefox/140.0 | Firefox on Android",
            "Firefox/1 | Firefox", "curl/8.0 | another program"})
    void theOneThatItIsAndNotThoseItIsLike(String agent, String name) {
        assertEquals(name, Browsers.name(agent));
    }

    @Test
    void whoSaysNothingIsAnotherProgram() {
        assertEquals("another program", Browsers.name(null));
    }
}
