package org.zealousladder.server.monitoring.goals;

import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyString;
import static org.mockito.Mockito.doThrow;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.Map;
import org.hamcrest.Matchers;
import org.junit.jupiter.api.Assertions;
import org.junit.jupiter.api.Test;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.test.context.bean.override.mockito.MockitoSpyBean;
import org.zealousladder.server.ServerTest;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.school.roster.RosterService;

/** A collaborator fails in the middle: the person is told so in words, and nothing is half-saved. */
class FailureTest extends ServerTest {
    @MockitoSpyBean
    private GoalsService goals;
    @MockitoSpyBean
    private RosterService roster;

    @Test
    void aGoalThatFailsTakesItsDecisionWithIt() throws Exception {
        Viewer teacher = person("r.oduya");
        int student = student("Pema Dorje");
        doThrow(new DataAccessResourceFailureException("the disk is full")).when(goals)
                .set(any());
        Map<String, Object> newGoal = Map.of("startDate", "2025-10-09", "startScore", 60, "goalDate", "2026-05-08", "goalScore", 124);
        send(teacher, "/api/decisions", Map.of("studentId", student, "measureId", measure("oral-reading"), "kind", "raise", "proposed", "raise", "because", "x",
                "newGoal", newGoal)).andExpect(status().isInternalServerError())
                .andExpect(jsonPath("$.detail").value(Matchers.containsString("Nothing was saved")))
                .andExpect(jsonPath("$.detail").value(Matchers.not(Matchers.containsString("disk"))));
        Assertions.assertEquals(0,
                asking(Viewer.SYSTEM, () -> db.sql("select count(*) from decisions_decision where kind = 'raise'").query(Integer.class).single()));
    }

    @Test
    void aBrokenRosterIsAnErrorInWords() throws Exception {
        doThrow(new IllegalStateException("secret detail")).when(roster).find(anyString(), any());
        read(person("r.oduya"), "/api/students?find=a&asOf=2026-03-13").andExpect(status().isInternalServerError())
                .andExpect(jsonPath("$.type").value("urn:zealous-ladder:failed"))
                .andExpect(jsonPath("$.detail").value(Matchers.not(Matchers.containsString("secret"))));
    }
}
