package org.zealousladder.server.school.people;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyInt;
import static org.mockito.ArgumentMatchers.anyString;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.Viewer;

/** The rules of signing in, with the store and the hashing made to say what they must. */
class PeopleServiceTest {
    private final PeopleStore store = mock(PeopleStore.class);
    private final PasswordEncoder passwords = mock(PasswordEncoder.class);
    private PeopleService people;

    @BeforeEach
    void service() {
        when(passwords.encode(anyString())).thenAnswer(call -> "hash of " + call.getArgument(0));
        when(passwords.matches(any(), anyString())).thenAnswer(call -> ("hash of " + call.getArgument(0)).equals(call.getArgument(1)));
        people = new PeopleService(store, passwords);
    }

    private void account(String login, String hash) {
        when(store.byLogin(login)).thenReturn(Optional.of(new PeopleStore.Account(4, login, "T. Sato", Viewer.Role.TEACHER, 1, hash)));
    }

    @Test
    void theRightPasswordGivesTheViewer() {
        account("t.sato", "hash of three words here");
        Viewer viewer = people.signIn("t.sato", "three words here", "127.0.0.1");
        assertEquals(new Viewer(4, "t.sato", "T. Sato", Viewer.Role.TEACHER, 1), viewer);
        verify(store).recordTry("t.sato", "127.0.0.1", true);
    }

    @Test
    void aWrongPasswordAndAnUnknownNameSoundTheSameAndCostTheSame() {
        account("t.sato", "hash of three words here");
        String wrong = assertThrows(Refusal.class, () -> people.signIn("t.sato", "nope", "127.0.0.1")).getMessage();
        String unknown = assertThrows(Refusal.class, () -> people.signIn("nobody", "nope", "127.0.0.1")).getMessage();
        assertEquals(wrong, unknown);
        verify(passwords).matches(eq("nope"), eq("hash of three words here"));
        verify(passwords).matches(eq("nope"), eq("hash of nobody has this password"));
        verify(store).recordTry("nobody", "127.0.0.1", false);
    }

    @Test
    void anAccountWithoutAPasswordCannotBeEntered() {
        account("new", null);
        assertThrows(Refusal.class, () -> people.signIn("new", "nobody has this password", "127.0.0.1"));
    }

    @Test
    void afterTooManyTriesNothingIsCheckedAnyMore() {
        account("t.sato", "hash of three words here");
        when(store.failedTries(eq("t.sato"), anyInt())).thenReturn(PeopleService.TRIES_PER_LOGIN);
        assertTrue(assertThrows(Refusal.class, () -> people.signIn("t.sato", "three words here", "127.0.0.1")).getMessage().startsWith("Too many tries"));
        verify(passwords, never()).matches(any(), anyString());
    }

    @Test
    void oneAddressCannotTryManyNames() {
        when(store.failedTriesFrom(eq("10.0.0.9"), anyInt())).thenReturn(PeopleService.TRIES_PER_ADDRESS);
        assertTrue(assertThrows(Refusal.class, () -> people.signIn("anyone", "x", "10.0.0.9")).getMessage().startsWith("Too many tries"));
    }

    @Test
    void passwordsHaveALengthThatTheHashCanHold() {
        when(store.setPassword(anyString(), anyString())).thenReturn(1);
        people.setPassword("t.sato", "ten letter");
        verify(store).setPassword("t.sato", "hash of ten letter");
        assertThrows(Refusal.class, () -> people.setPassword("t.sato", "too short"));
        assertThrows(Refusal.class, () -> people.setPassword("t.sato", "ö".repeat(37)));
    }

    @Test
    void aPasswordForNobodyIsRefused() {
        when(store.setPassword(anyString(), anyString())).thenReturn(0);
        assertTrue(assertThrows(Refusal.class, () -> people.setPassword("nobody", "long enough it is")).getMessage().contains("nobody"));
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
