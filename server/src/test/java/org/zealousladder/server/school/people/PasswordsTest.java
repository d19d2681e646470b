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
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
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
        String longest = "Kühlöfen, Wüstenflüsse, Brückenzölle, Mühlräder im Grünen dazu.";
        assertEquals(72, longest.getBytes(java.nio.charset.StandardCharsets.UTF_8).length);
        for (String good : new String[] {"vJ4#mu8qzL", "otter lamp sixteen", longest}) {
            assertEquals("hash of " + good, passwords.hash(good));
        }
        for (String bad : new String[] {"too short", longest + "!"}) {
            Refusal refusal = assertThrows(Refusal.class, () -> passwords.hash(bad));
            assertEquals("password", refusal.field());
        }
    }

    /** Of lists of stolen ones, with the usual changes, of the keyboard, of this place. */
    @ParameterizedTest
    @ValueSource(
            strings = {"password123", "qwertyuiop", "1234567890", "iloveyou12", "P@ssw0rd!1", "aaaaaaaaaaaa", "letmein2024", "zealousladder", "Skerrow2026",
                    "teacher1234", "ladderladder", "abcdefghijkl"})
    void thoseThatAreTriedFirstAreRefused(String known) {
        Refusal refusal = assertThrows(Refusal.class, () -> passwords.hash(known));
        assertEquals("That is among the first passwords that are tried. Take three or four words that have nothing to do with each other.",
                refusal.getMessage());
    }

    @Test
    void withoutAHashNothingIsRightAndItTakesAsLong() {
        assertTrue(passwords.right("three words here", "hash of three words here"));
        assertFalse(passwords.right("three words", "hash of three words here"));
        assertFalse(passwords.right("nobody has this password", null));
        verify(encoder).matches("nobody has this password", "hash of nobody has this password");
    }
}
