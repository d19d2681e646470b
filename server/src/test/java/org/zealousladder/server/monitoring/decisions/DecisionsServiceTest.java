package org.zealousladder.server.monitoring.decisions;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyInt;
import static org.mockito.ArgumentMatchers.anyLong;
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
import org.zealousladder.core.decisions.Proposal.Kind;
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

    private static DecisionForm form(DecisionKind kind, String reason, LocalDate again, DecisionForm.NewGoal goal, DecisionForm.PlanChanged change) {
        return new DecisionForm(11, 3, kind, Kind.CHANGE, "Chance of the goal 8 %.", reason, again, goal, change);
    }

    private String refused(DecisionForm form) {
        String why = assertThrows(Refusal.class, () -> decisions.take(form)).getMessage();
        verify(store, never()).insert(any(), anyInt());
        return why;
    }

    @Test
    void aHeldCourseIsLookedAtAgainInFourWeeksUnlessADayIsGiven() {
        decisions.take(form(DecisionKind.HOLD, " ", null, null, null));
        verify(store).insert(new DecisionsStore.Taken(11, 3, DecisionKind.HOLD, TODAY, TODAY.plusDays(28), Kind.CHANGE, "Chance of the goal 8 %.", null, null),
                7);
        decisions.take(form(DecisionKind.HOLD, " Was away. ", TODAY.plusDays(5), null, null));
        verify(store).insert(
                new DecisionsStore.Taken(11, 3, DecisionKind.HOLD, TODAY, TODAY.plusDays(5), Kind.CHANGE, "Chance of the goal 8 %.", "Was away.", null),
                7);
    }

    @Test
    void whatIsPutOffNeedsADayAndAReason() {
        assertEquals("Choose the day on which it should come back.", refused(form(DecisionKind.SET_ASIDE, "Ferry", null, null, null)));
        assertEquals("Say in a few words why it can wait.", refused(form(DecisionKind.SET_ASIDE, "  ", TODAY.plusDays(3), null, null)));
        assertEquals("The day to look again must be after today.", refused(form(DecisionKind.SET_ASIDE, "Ferry", TODAY, null, null)));
        decisions.take(form(DecisionKind.SET_ASIDE, "Ferry", TODAY.plusDays(1), null, null));
        verify(store).insert(
                new DecisionsStore.Taken(11, 3, DecisionKind.SET_ASIDE, TODAY, TODAY.plusDays(1), Kind.CHANGE, "Chance of the goal 8 %.", "Ferry", null),
                7);
    }

    @Test
    void aRaisedGoalIsSetByTheGoalsAndAFailureThereLeavesNoDecision() {
        assertEquals("Give the new goal.", refused(form(DecisionKind.RAISE, null, null, null, null)));
        DecisionForm.NewGoal goal = new DecisionForm.NewGoal(TODAY.minusWeeks(20), 50, TODAY.plusWeeks(8), 96, 40L);
        doThrow(Refusal.conflict("Somebody else has set a goal here meanwhile.")).when(goals).set(any());
        assertEquals("Somebody else has set a goal here meanwhile.", refused(form(DecisionKind.RAISE, null, null, goal, null)));
        GoalsService willing = mock(GoalsService.class);
        new DecisionsService(store, willing, plans, mock(MeasuresService.class), roster, calendar).take(form(DecisionKind.RAISE, "Past it", null, goal, null));
        ArgumentCaptor<GoalForm> set = ArgumentCaptor.forClass(GoalForm.class);
        verify(willing).set(set.capture());
        assertEquals(GoalForm.byHand(11, 3, TODAY.minusWeeks(20), 50, TODAY.plusWeeks(8), 96, 40L, "Past it"), set.getValue());
    }

    @Test
    void aChangedPlanGetsThePhaseOfTheDecisionWithItsReason() {
        PlanForm.Way way = new PlanForm.Way(null, "Word steps", "library", "E. Quist", 20, 4, null);
        assertEquals("Say in a few words what changes.", refused(form(DecisionKind.PLAN_CHANGED, null, null, null, new DecisionForm.PlanChanged(5, way))));
        verifyNoInteractions(plans);
        decisions.take(form(DecisionKind.PLAN_CHANGED, "Smaller steps", null, null, new DecisionForm.PlanChanged(5, way)));
        verify(plans).change(5, 11, 3, new PlanForm.Way(null, "Word steps", "library", "E. Quist", 20, 4, "Smaller steps"));
        verifyNoInteractions(goals);
        // Without a plan on record the change is told in words only.
        decisions.take(form(DecisionKind.PLAN_CHANGED, "More often", null, null, null));
        verify(plans).change(anyLong(), anyInt(), anyInt(), any());
    }

    @Test
    void aStrangersStudentIsRefused() {
        doThrow(Refusal.forbidden("That student is not one of yours. Nothing was saved.")).when(roster).requireStudent(11);
        assertEquals("That student is not one of yours. Nothing was saved.", refused(form(DecisionKind.HOLD, null, null, null, null)));
    }

    @Test
    void nobodyIsAskedAboutNobody() {
        assertEquals(List.of(), decisions.knownOn(List.of(), null, TODAY));
        verify(store, never()).knownOn(any(), isNull(), any());
    }
}
