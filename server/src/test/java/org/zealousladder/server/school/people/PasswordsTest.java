package org.zealousladder.server.school.people;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyString;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.zealousladder.server.platform.problems.Refusal;

class PasswordsTest {
    private final PasswordEncoder encoder = mock(PasswordEncoder.class);
    private Passwords passwords;

    @BeforeEach
    void hashing() {
        when(encoder.encode(anyString())).thenAnswer(call -> "hash of " + call.getArgument(0));
        when(encoder.matches(any(), anyString())).thenAnswer(call -> ("hash of " + call.getArgument(0)).equals(call.getArgument(1)));
        passwords = new Passwords(encoder);
    }

    @Test
    void theyHaveALengthThatTheHashCanHold() {
        assertEquals("hash of ten letter", passwords.hash("ten letter"));
        assertEquals("hash of " + "ö".repeat(36), passwords.hash("ö".repeat(36)));
        for (String bad : new String[] {"too short", "ö".repeat(37)}) {
            Refusal refusal = assertThrows(Refusal.class, () -> passwords.hash(bad));
            assertEquals("password", refusal.field());
        }
    }

    @Test
    void withoutAHashNothingIsRightAndItTakesAsLong() {
        assertTrue(passwords.right("three words here", "hash of three words here"));
        assertFalse(passwords.right("three words", "hash of three words here"));
        assertFalse(passwords.right("nobody has this password", null));
        verify(encoder).matches("nobody has this password", "hash of nobody has this password");
    }
}
