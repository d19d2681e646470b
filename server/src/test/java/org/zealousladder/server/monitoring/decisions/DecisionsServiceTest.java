package org.zealousladder.server.monitoring.decisions;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyInt;
import static org.mockito.ArgumentMatchers.anyLong;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.ArgumentMatchers.isNull;
import static org.mockito.Mockito.doThrow;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.verifyNoInteractions;
import static org.mockito.Mockito.when;

import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.mockito.ArgumentCaptor;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.context.SecurityContextHolder;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.monitoring.goals.GoalForm;
import org.zealousladder.server.monitoring.goals.GoalsService;
import org.zealousladder.server.monitoring.plans.PlanChanges;
import org.zealousladder.server.monitoring.plans.PlanForm;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.school.roster.RosterService;

/** What a decision needs and what it takes with it, with everything else made to say what it must. */
class DecisionsServiceTest {
    private static final LocalDate TODAY = LocalDate.of(2026, 3, 13);
    private final DecisionsStore store = mock(DecisionsStore.class);
    private final GoalsService goals = mock(GoalsService.class);
    private final PlanChanges plans = mock(PlanChanges.class);
    private final RosterService roster = mock(RosterService.class);
    private final SchoolCalendar calendar = mock(SchoolCalendar.class);
    private DecisionsService decisions;

    @BeforeEach
    void service() {
        when(calendar.today()).thenReturn(TODAY);
        decisions = new DecisionsService(store, goals, plans, mock(MeasuresService.class), roster, calendar);
        SecurityContextHolder.getContext().setAuthentication(UsernamePasswordAuthenticationToken.authenticated(
                new Viewer(7, "b.calder", "B. Calder", Viewer.Role.TEACHER, 1), null, List.of()));
    }

    @AfterEach
    void signOut() {
        SecurityContextHolder.clearContext();
    }

    private static DecisionForm form(String kind, String reason, LocalDate again, DecisionForm.NewGoal goal, DecisionForm.PlanChanged change) {
        return new DecisionForm(11, 3, kind, "change", "Chance of the goal 8 %.", reason, again, goal, change);
    }

    private String refused(DecisionForm form) {
        String why = assertThrows(Refusal.class, () -> decisions.take(form)).getMessage();
        verify(store, never()).insert(anyInt(), anyInt(), any(), any(), any(), any(), any(), any(), anyInt());
        return why;
    }

    @Test
    void aHeldCourseIsLookedAtAgainInFourWeeksUnlessADayIsGiven() {
        decisions.take(form("hold", " ", null, null, null));
        verify(store).insert(11, 3, "hold", TODAY, TODAY.plusDays(28), "change", "Chance of the goal 8 %.", null, 7);
        decisions.take(form("hold", " Was away. ", TODAY.plusDays(5), null, null));
        verify(store).insert(11, 3, "hold", TODAY, TODAY.plusDays(5), "change", "Chance of the goal 8 %.", "Was away.", 7);
    }

    @Test
    void whatIsPutOffNeedsADayAndAReason() {
        assertEquals("Choose the day on which it should come back.", refused(form("set-aside", "Ferry", null, null, null)));
        assertEquals("Say in a few words why it can wait.", refused(form("set-aside", "  ", TODAY.plusDays(3), null, null)));
        assertEquals("The day to look again must be after today.", refused(form("set-aside", "Ferry", TODAY, null, null)));
        decisions.take(form("set-aside", "Ferry", TODAY.plusDays(1), null, null));
        verify(store).insert(eq(11), eq(3), eq("set-aside"), eq(TODAY), eq(TODAY.plusDays(1)), any(), any(), eq("Ferry"), eq(7));
    }

    @Test
    void aRaisedGoalIsSetByTheGoalsAndAFailureThereLeavesNoDecision() {
        assertEquals("Give the new goal.", refused(form("raise", null, null, null, null)));
        DecisionForm.NewGoal goal = new DecisionForm.NewGoal(TODAY.minusWeeks(20), 50, TODAY.plusWeeks(8), 96, 40L);
        doThrow(Refusal.conflict("Somebody else has set a goal here meanwhile.")).when(goals).set(any());
        assertEquals("Somebody else has set a goal here meanwhile.", refused(form("raise", null, null, goal, null)));
        GoalsService willing = mock(GoalsService.class);
        new DecisionsService(store, willing, plans, mock(MeasuresService.class), roster, calendar).take(form("raise", "Past it", null, goal, null));
        ArgumentCaptor<GoalForm> set = ArgumentCaptor.forClass(GoalForm.class);
        verify(willing).set(set.capture());
        assertEquals(GoalForm.byHand(11, 3, TODAY.minusWeeks(20), 50, TODAY.plusWeeks(8), 96, 40L, "Past it"), set.getValue());
    }

    @Test
    void aChangedPlanGetsThePhaseOfTheDecisionWithItsReason() {
        PlanForm.Way way = new PlanForm.Way(null, "Word steps", "library", "E. Quist", 20, 4, null);
        assertEquals("Say in a few words what changes.", refused(form("plan-changed", null, null, null, new DecisionForm.PlanChanged(5, way))));
        verifyNoInteractions(plans);
        decisions.take(form("plan-changed", "Smaller steps", null, null, new DecisionForm.PlanChanged(5, way)));
        verify(plans).change(5, 11, 3, new PlanForm.Way(null, "Word steps", "library", "E. Quist", 20, 4, "Smaller steps"));
        verifyNoInteractions(goals);
        // Without a plan on record the change is told in words only.
        decisions.take(form("plan-changed", "More often", null, null, null));
        verify(plans).change(anyLong(), anyInt(), anyInt(), any());
    }

    @Test
    void anUnknownKindAndAStrangersStudentAreRefused() {
        assertEquals("'celebrate' is not a decision; use hold, raise, set-aside or plan-changed.", refused(form("celebrate", null, null, null, null)));
        doThrow(Refusal.forbidden("That student is not one of yours. Nothing was saved.")).when(roster).requireStudent(11);
        assertEquals("That student is not one of yours. Nothing was saved.", refused(form("hold", null, null, null, null)));
    }

    @Test
    void nobodyIsAskedAboutNobody() {
        assertEquals(List.of(), decisions.knownOn(List.of(), null, TODAY));
        verify(store, never()).knownOn(any(), isNull(), any());
    }
}
