package org.zealousladder.server.platform.pages;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.verifyNoInteractions;
import static org.mockito.Mockito.when;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.mockito.ArgumentCaptor;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockHttpSession;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.context.SecurityContextHolder;
import org.zealousladder.server.platform.problems.ProblemWriter;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.Rights;
import org.zealousladder.server.platform.who.SignedIn;
import org.zealousladder.server.platform.who.Viewer;

/** What is let through is who somebody is now, for as long as a session lasts. */
class RightsFilterTest {
    private static final Viewer THEN = new Viewer(4, "t.sato", "T. Sato", Viewer.Role.COORDINATOR, 1);
    private static final Viewer NOW = new Viewer(4, "t.sato", "T. Sato", Viewer.Role.TEACHER, 2);

    private final Rights rights = mock(Rights.class);
    private final ProblemWriter problems = mock(ProblemWriter.class);
    private final MockHttpSession session = new MockHttpSession();

    @AfterEach
    void signOut() {
        SecurityContextHolder.clearContext();
    }

    private @Nullable Viewer through(String path, Duration sinceSignIn) throws Exception {
        UsernamePasswordAuthenticationToken kept = UsernamePasswordAuthenticationToken.authenticated(THEN, null, List.of());
        kept.setDetails(new SignedIn(Instant.now().minus(sinceSignIn), false));
        SecurityContextHolder.getContext().setAuthentication(kept);
        MockHttpServletRequest request = new MockHttpServletRequest("GET", path);
        request.setSession(session);
        Viewer[] seen = new Viewer[1];
        new RightsFilter(rights, problems).doFilter(request, new MockHttpServletResponse(), (a, b) -> seen[0] = Viewer.currentOrNull());
        return seen[0];
    }

    @Test
    void roleAndSchoolAreThoseOfNow() throws Exception {
        when(rights.now(4)).thenReturn(Optional.of(NOW));
        assertEquals(NOW, through("/api/desk", Duration.ofHours(11)));
    }

    @Test
    void anEndedAccountIsNobodyAndItsSessionIsOver() throws Exception {
        when(rights.now(4)).thenReturn(Optional.empty());
        assertNull(through("/api/desk", Duration.ofMinutes(1)));
        assertTrue(session.isInvalid());
    }

    @Test
    void afterTwelveHoursASessionIsOverHoweverBusy() throws Exception {
        when(rights.now(4)).thenReturn(Optional.of(NOW));
        assertEquals(NOW, through("/api/desk", SignedIn.LONGEST.minusMinutes(1)));
        assertNull(through("/api/desk", SignedIn.LONGEST));
        assertTrue(session.isInvalid());
    }

    @Test
    void whereASecondStepIsWantedOnlyTheOwnAccountIsOpen() throws Exception {
        when(rights.now(4)).thenReturn(Optional.of(NOW));
        when(rights.wantsSecondStep(NOW)).thenReturn(true);
        assertNull(through("/api/desk", Duration.ofMinutes(1)));
        ArgumentCaptor<Refusal> told = ArgumentCaptor.forClass(Refusal.class);
        verify(problems).write(any(), told.capture());
        assertEquals("second-step-wanted", told.getValue().type());
        assertNull(through("/api/accounts", Duration.ofMinutes(1)));
        for (String open : List.of("/api/session", "/api/account", "/api/account/factor/confirmation")) {
            assertEquals(NOW, through(open, Duration.ofMinutes(1)), open);
        }
    }

    @Test
    void forThePagesNobodyIsAsked() throws Exception {
        through("/assets/index.js", Duration.ofMinutes(1));
        verifyNoInteractions(rights);
    }
}
