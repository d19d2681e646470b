package org.zealousladder.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.ArgumentMatchers.anyString;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.io.ByteArrayInputStream;
import java.io.Console;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import picocli.CommandLine.PicocliException;

class NewPasswordTest {
    private static InputStream typed(String text) {
        return new ByteArrayInputStream(text.getBytes(StandardCharsets.UTF_8));
    }

    @Test
    void withoutATerminalItIsTheFirstLine() throws IOException {
        assertEquals("gull på høyden", NewPassword.ask(null, typed("gull på høyden\nmore\n")));
        assertTrue(assertThrows(PicocliException.class, () -> NewPassword.ask(null, typed(""))).getMessage().contains("no terminal"));
    }

    @Test
    void atATerminalItIsAskedForTwice() throws IOException {
        Console console = mock(Console.class);
        when(console.readPassword(anyString())).thenReturn("three words".toCharArray(), "three words".toCharArray(), "three words".toCharArray(),
                "three wards".toCharArray());
        assertEquals("three words", NewPassword.ask(console, typed("")));
        assertTrue(assertThrows(PicocliException.class, () -> NewPassword.ask(console, typed(""))).getMessage().contains("not the same"));
    }
}
