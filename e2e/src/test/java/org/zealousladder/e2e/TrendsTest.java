package org.zealousladder.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** The Trends view and its large chart, in a class of its own so that other tests' entries do not matter. */
class TrendsTest extends BrowserTest {
    private void openTrends() {
        signIn("T. Sato");
        view("Trends");
        assertThat(page.locator("button[data-chart]").first()).isVisible();
    }

    private Locator inDialog(String button) {
        return dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(button).setExact(true));
    }

    @Test
    void whatNeedsDecidingStandsFirst() {
        openTrends();
        List<String> decisions = page.locator("button[data-chart]").allInnerTexts().stream().map(t -> t.split("\n")[1]).toList();
        List<String> order = List.of("Change the plan", "Raise the goal", "Too soon to tell", "Hold course");
        int before = 0;
        for (String decision : decisions) {
            int at = order.indexOf(decision);
            assertTrue(at >= before, decisions.toString());
            before = at;
        }
    }

    @Test
    void aChartIsAlsoATable() {
        openTrends();
        page.locator("button[data-chart]").first().click();
        String words = dialog().locator("svg[role=img]").first().getAttribute("aria-label");
        dialog().getByText("The chart as a table").click();
        Locator rows = dialog().getByRole(AriaRole.TABLE).getByRole(AriaRole.ROWHEADER);
        assertThat(rows.first()).isVisible();
        assertTrue(words.contains(": " + rows.count() + " scores"), words + " against " + rows.count());
        assertThat(dialog()).containsText(Pattern.compile("Goal: from \\d+ on .* to \\d+ by "));
        assertThat(dialog()).containsText(Pattern.compile("Trend: −?[\\d.]+ a week \\(95 % sure between"));
    }

    @Test
    void chartsShareOneScale() {
        openTrends();
        List<String> axes = page.locator("button[data-chart] svg").all().stream().map(svg -> String.join(" ", svg.locator("text").allTextContents())).distinct()
                .toList();
        assertEquals(1, axes.stream().map(a -> a.replace("new plan", "").strip()).distinct().count(), axes.toString());
    }

    @Test
    void changingThePlanStartsANewPhase() {
        openTrends();
        page.locator("button[data-chart]").last().click();
        inDialog("Change the plan").click();
        Locator form = page.getByRole(AriaRole.DIALOG).last();
        form.getByLabel(Pattern.compile("^(What|Why it) changes")).fill("two more sessions a week");
        form.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Record")).click();
        assertThat(dialog()).hasCount(1);
        assertThat(dialog()).containsText("Plan changed on 13 Mar 2026 by T. Sato: two more sessions a week.");
        assertThat(dialog()).containsText("Too soon to tell.");
        assertThat(dialog().getByText("new plan")).isVisible();
    }

    @Test
    void aGoalIsChangedWithItsPaceInSight() {
        openTrends();
        page.locator("button[data-chart]").first().click();
        inDialog("Change the goal").click();
        Locator goal = dialog().getByRole(AriaRole.TEXTBOX, new Locator.GetByRoleOptions().setName("Goal").setExact(true));
        goal.fill("1");
        assertThat(inDialog("Change the goal")).isDisabled();
        assertThat(dialog()).containsText("The goal is not better than the start.");
        goal.fill("140");
        assertThat(dialog()).containsText(Pattern.compile("Needs \\d+\\.?\\d* a week for 3\\d weeks"));
        inDialog("Change the goal").click();
        assertThat(dialog()).containsText(Pattern.compile("140 by .*The greyed line is the goal before"));
    }

    @Test
    void anAbsenceIsEnteredWithoutAScore() {
        openTrends();
        page.locator("button[data-chart]").nth(1).click();
        dialog().getByLabel("What happened").first().selectOption("absent");
        assertThat(dialog().getByLabel("Score", new Locator.GetByLabelOptions().setExact(true))).isDisabled();
        inDialog("Save").click();
        assertThat(dialog()).containsText("Saved: absent on 13 Mar.");
        assertThat(dialog().getByLabel("Score", new Locator.GetByLabelOptions().setExact(true))).isEnabled();
    }

    @Test
    void whenTheServerIsGoneWhatWasTypedStays() {
        openTrends();
        page.locator("button[data-chart]").nth(2).click();
        Locator score = dialog().getByLabel("Score", new Locator.GetByLabelOptions().setExact(true));
        score.fill("77");
        page.route("**/api/strip", route -> route.abort());
        inDialog("Save").click();
        assertThat(dialog()).containsText("Waiting for the connection; kept on this device and sent by itself.");
        assertThat(dialog()).not().containsText("Saved:");
        page.unroute("**/api/strip");
        assertThat(dialog()).containsText("Saved: 77 on 13 Mar.");
    }

    @Test
    void aMeasureNobodyIsMonitoredOnSaysWhatToDo() {
        openTrends();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Measure"))).click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Maths screen"))).click();
        assertThat(heading("Nobody is monitored on Maths screen")).isVisible();
    }

    /** Esc in the form of a goal closes that form alone, and what was filled in is there when it is opened again; then the goal itself is taken back. */
    @Test
    void aGoalHalfFilledInIsNotLostAndOneSetByMistakeIsTakenBack() {
        signIn("R. Oduya");
        view("Trends");
        page.locator("button[data-chart]").filter(new Locator.FilterOptions().setHasText("Pema Dorje")).click();
        button("Change the goal").click();
        page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Goal").setExact(true)).fill("131");
        page.keyboard().press("Escape");
        assertThat(button("Change the goal")).isVisible();
        assertThat(dialog().getByText("has not been saved")).hasCount(0);
        button("Change the goal").click();
        assertThat(page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Goal").setExact(true))).hasValue("131");
        assertThat(dialog().getByText("131 by")).isVisible();
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Change the goal")).click();
        assertThat(dialog().getByText("The greyed line is the goal before.")).isVisible();
        takeBack("meant for another student");
        assertThat(dialog().getByText("131 by")).hasCount(0);
        assertThat(dialog().getByText("The greyed line is the goal before.")).isVisible();
    }

    private void takeBack(String why) {
        Locator verb = dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^Take the goal back")));
        verb.click();
        Locator reason = dialog().getByLabel(Pattern.compile("The goal before comes back"));
        reason.fill(why);
        page.keyboard().press("Escape");
        assertThat(reason).hasCount(0);
        assertThat(dialog().getByText("has not been saved")).hasCount(0);
        verb.click();
        assertThat(reason).hasValue(why);
        reason.press("Enter");
        assertThat(reason).hasCount(0);
    }
}
