package org.zealousladder.server.school.people;

import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.ArgumentMatchers.anyString;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.zealousladder.server.platform.audit.Audit;
import org.zealousladder.server.platform.problems.Refusal;

/** How the first administrator comes in, with the store and the hashing made to say what they must. */
class PeopleServiceTest {
    private final PeopleStore store = mock(PeopleStore.class);
    private final PasswordEncoder encoder = mock(PasswordEncoder.class);
    private PeopleService people;

    @BeforeEach
    void service() {
        when(encoder.encode(anyString())).thenAnswer(call -> "hash of " + call.getArgument(0));
        people = new PeopleService(store, new Passwords(encoder), mock(Audit.class));
    }

    @Test
    void theSetupTokenIsStoredOnlyAsItsHash() {
        String token = people.newSetupToken();
        verify(store).newSetupLink(SetupToken.hash(token));
        assertNotEquals(token, SetupToken.hash(token));
        assertNotEquals(token, SetupToken.fresh());
        assertTrue(token.length() >= 32);
    }

    @Test
    void theFirstAdministratorIsMadeOnce() {
        when(store.nobodyYet()).thenReturn(true);
        when(store.useSetupLink(SetupToken.hash("the token"))).thenReturn(true, false);
        people.setUp("the token", "boss", "The Boss", "three words here");
        verify(store).addAdministrator("boss", "The Boss", "hash of three words here");
        assertThrows(Refusal.class, () -> people.setUp("the token", "boss", "The Boss", "three words here"));
    }

    @Test
    void aShortPasswordDoesNotUseTheLinkUp() {
        when(store.nobodyYet()).thenReturn(true);
        assertThrows(Refusal.class, () -> people.setUp("the token", "boss", "The Boss", "short"));
        verify(store, never()).useSetupLink(anyString());
    }
}
