package org.zealousladder.server.school.people;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyString;
import static org.mockito.Mockito.inOrder;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.http.HttpStatus;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.transaction.support.TransactionOperations;
import org.zealousladder.server.platform.audit.Audit;
import org.zealousladder.server.platform.audit.Audit.Kind;
import org.zealousladder.server.platform.audit.Audit.Note;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.school.factor.SecondFactor;
import org.zealousladder.server.school.people.SignInPauses.Failures;
import org.zealousladder.server.school.people.SigningIn.Place;

/** The order of signing in, with the stores and the hashing made to say what they must. */
class SigningInTest {
    private static final Instant NOW = Instant.parse("2026-03-13T08:00:00Z");
    private static final Failures NONE = new Failures(0, null);
    private static final Place HERE = new Place("127.0.0.1", null);

    private final SignInStore store = mock(SignInStore.class);
    private final PeopleStore people = mock(PeopleStore.class);
    private final PasswordEncoder encoder = mock(PasswordEncoder.class);
    private final Audit audit = mock(Audit.class);
    private final SecondFactor factor = mock(SecondFactor.class);
    private SigningIn signingIn;

    @BeforeEach
    void service() {
        when(encoder.encode(anyString())).thenAnswer(call -> "hash of " + call.getArgument(0));
        when(encoder.matches(any(), anyString())).thenAnswer(call -> ("hash of " + call.getArgument(0)).equals(call.getArgument(1)));
        when(store.record(anyString(), anyString(), any())).thenReturn(new SignInPauses.Record(NONE, NONE, NONE));
        when(store.begin(anyString(), anyString())).thenReturn(17L);
        signingIn = new SigningIn(store, people, new Passwords(encoder), TransactionOperations.withoutTransaction(), Clock.fixed(NOW, ZoneOffset.UTC),
                audit, factor);
    }

    private void account(String login, String hash) {
        when(people.byLogin(login)).thenReturn(Optional.of(new PeopleStore.Account(4, new Viewer(4, login, "T. Sato", Viewer.Role.TEACHER, 1), hash)));
    }

    private Refusal refused(String login, String password, Place from) {
        return assertThrows(Refusal.class, () -> signingIn.signIn(login, password, null, from));
    }

    @Test
    void theRightPasswordGivesTheViewerAndTheTryIsCountedBeforeItIsChecked() {
        account("t.sato", "hash of three words here");
        assertEquals(new Viewer(4, "t.sato", "T. Sato", Viewer.Role.TEACHER, 1), signingIn.signIn("t.sato", "three words here", null, HERE));
        var order = inOrder(store, encoder);
        order.verify(store).oneAtATime("t.sato");
        order.verify(store).begin("t.sato", "127.0.0.1");
        order.verify(encoder).matches("three words here", "hash of three words here");
        order.verify(store).succeeded(17);
    }

    @Test
    void withASecondStepTheRightPasswordAloneLetsNobodyIn() {
        account("t.sato", "hash of three words here");
        when(factor.inUse(4)).thenReturn(true);
        when(factor.right(4, "123456")).thenReturn(true);
        assertEquals("code-wanted", refused("t.sato", "three words here", HERE).type());
        verify(store).forget(17);
        verify(store, never()).succeeded(17);
        Refusal wrong = assertThrows(Refusal.class, () -> signingIn.signIn("t.sato", "three words here", "654321", HERE));
        assertEquals("code-wrong", wrong.type());
        verify(store).forget(17);
        assertEquals(4, signingIn.signIn("t.sato", "three words here", "123456", HERE).id());
        verify(store).succeeded(17);
        Refusal other = assertThrows(Refusal.class, () -> signingIn.signIn("t.sato", "other words here", "123456", HERE));
        assertEquals("sign-in", other.type(), "whether there is a second step is told to who knows the password alone");
    }

    @Test
    void aHashOfAnEarlierFormIsRenewed() {
        account("t.sato", "hash of three words here");
        when(encoder.upgradeEncoding("hash of three words here")).thenReturn(true);
        when(encoder.encode("three words here")).thenReturn("a better hash");
        signingIn.signIn("t.sato", "three words here", null, HERE);
        verify(people).setPassword("t.sato", "a better hash");
        refused("t.sato", "nope", HERE);
        verify(people, never()).setPassword("t.sato", "hash of nope");
    }

    @Test
    void aWrongPasswordAndAnUnknownNameSoundTheSameAndCostTheSame() {
        account("t.sato", "hash of three words here");
        Refusal wrong = refused("t.sato", "nope", HERE);
        Refusal unknown = refused("nobody", "nope", HERE);
        assertEquals(wrong.getMessage(), unknown.getMessage());
        assertEquals(HttpStatus.UNAUTHORIZED, wrong.status());
        verify(encoder).matches("nope", "hash of three words here");
        verify(encoder).matches("nope", "hash of nobody has this password");
        verify(store, never()).succeeded(17);
        verify(audit).note(null, Note.of(Kind.REFUSED, "sign-in with a wrong password").whom(4));
        verify(audit).note(null, Note.of(Kind.REFUSED, "sign-in with a name that nobody has"));
    }

    @Test
    void anAccountWithoutAPasswordCannotBeEntered() {
        account("new", null);
        assertEquals(HttpStatus.UNAUTHORIZED, refused("new", "nobody has this password", HERE).status());
    }

    @Test
    void whoHasToWaitIsToldHowLongAndNothingIsChecked() {
        account("t.sato", "hash of three words here");
        when(store.record("t.sato", "127.0.0.1", SignInPauses.MEMORY))
                .thenReturn(new SignInPauses.Record(new Failures(7, NOW.minusMillis(500)), NONE, NONE));
        Refusal refusal = refused("t.sato", "three words here", HERE);
        assertEquals(HttpStatus.TOO_MANY_REQUESTS, refusal.status());
        assertEquals("Too many tries. Wait 20 seconds and try again, or ask your administrator for a new password.", refusal.getMessage());
        verify(encoder, never()).matches(any(), anyString());
        verify(store, never()).begin(anyString(), anyString());
    }

    @Test
    void aKnownDeviceIsAPlaceOfItsOwn() {
        account("t.sato", "hash of three words here");
        String hash = SetupToken.hash("the token");
        when(store.knows("t.sato", hash)).thenReturn(true);
        when(store.record("t.sato", "device:" + hash, SignInPauses.MEMORY))
                .thenReturn(new SignInPauses.Record(NONE, new Failures(500, NOW), new Failures(500, NOW)));
        signingIn.signIn("t.sato", "three words here", null, new Place("127.0.0.1", "the token"));
        verify(store).begin("t.sato", "device:" + hash);
    }

    @Test
    void aDeviceOfSomebodyElseIsNoneOfTheirs() {
        account("t.sato", "hash of three words here");
        signingIn.signIn("t.sato", "three words here", null, new Place("127.0.0.1", "another token"));
        verify(store).begin("t.sato", "127.0.0.1");
    }
}
