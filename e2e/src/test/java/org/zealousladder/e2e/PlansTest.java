package org.zealousladder.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Concerns, plans and the goals that go with them, in Guillemot and Gannet. */
class PlansTest extends BrowserTest {
    private void plans(String teacher) {
        signIn(teacher);
        subView("Trends", "Plans and sessions");
        assertThat(heading("Reading:")).isVisible();
        page.getByText(Pattern.compile("other students without a concern")).click();
    }

    /** One of those who are not followed yet. */
    private Locator other(int n) {
        return page.getByRole(AriaRole.GROUP).getByRole(AriaRole.LISTITEM).nth(n);
    }

    /** Sets a concern for one of those who are not followed yet and gives their name. */
    private String worryAbout(int n, String level) {
        Locator somebody = other(n).getByRole(AriaRole.BUTTON).nth(1);
        String name = somebody.innerText();
        somebody.click();
        dialog().getByLabel(level).check();
        inDialog("Save").click();
        assertThat(dialog()).hasCount(0);
        return name;
    }

    private Locator row(Locator cell) {
        return page.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHas(cell));
    }

    private Locator inDialog(String name) {
        return dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(name));
    }

    @Test
    void aPlanAndAGoalAreSetForAStudent() {
        plans("G. Rustad");
        String name = worryAbout(0, "Needs help");
        button("Make a plan for " + name).click();
        dialog().getByLabel("What worries us").fill("Guesses long words");
        dialog().getByLabel("Strategy").selectOption("Repeated reading");
        assertThat(dialog()).containsText("One short passage read three times");
        dialog().getByLabel("Who leads it").fill("G. Rustad");
        dialog().getByLabel("Last day").fill("2026-03-01");
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Make the plan")).click();
        assertThat(dialog()).containsText("The last day must be after the first. Nothing was saved.");
        dialog().getByLabel("Last day").fill("2026-05-08");
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Make the plan")).click();
        assertThat(dialog()).hasCount(0);
        Locator line = row(button("Change the plan of " + name));
        assertThat(line).containsText("Repeated reading");
        assertThat(line).containsText("G. Rustad, 3 × 20 min");
        Locator friday = line.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^Fr 13 Mar")));
        friday.click();
        assertThat(line).containsText("1 of 0");
        line.getByRole(AriaRole.LINK).first().click();
        assertThat(page.getByText("Guesses long words")).isVisible();
        Locator lane = page.getByRole(AriaRole.LISTITEM).filter(new Locator.FilterOptions().setHas(
                page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Oral reading").setExact(true))));
        lane.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Set a goal")).click();
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Grow like others")).click();
        assertThat(dialog()).containsText(Pattern.compile("Needs [\\d.]+ a week for \\d+ weeks"));
        assertThat(dialog()).containsText(Pattern.compile("As much as the \\d+(st|nd|rd|th) percentile of students grows"));
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("By hand")).click();
        dialog().getByLabel("Goal", new Locator.GetByLabelOptions().setExact(true)).fill("240");
        assertThat(dialog()).containsText("out of the ordinary");
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Set the goal")).click();
        assertThat(dialog()).hasCount(0);
        assertThat(lane).containsText("Too soon to tell.");
    }

    @Test
    void aGroupGetsOnePlanAndEachStudentAGoalOfTheirOwn() {
        plans("N. Haddad");
        List<Locator> two = List.of(other(0), other(1));
        two.forEach(student -> student.getByRole(AriaRole.BUTTON).first().click());
        String first = two.get(0).getByRole(AriaRole.BUTTON).nth(1).innerText();
        button("Plan for the 2 students picked").click();
        assertThat(dialog()).containsText(first);
        assertThat(dialog()).containsText("2 students have no goal yet.");
        dialog().getByLabel("What worries us").fill("Both lose their place");
        dialog().getByLabel("Name of the group").fill("Place keepers");
        dialog().getByLabel("Strategy").selectOption("Paired reading");
        inDialog("Grow like others").click();
        Locator figures = dialog().getByRole(AriaRole.TABLE);
        assertThat(figures.getByRole(AriaRole.ROW)).hasCount(3);
        Locator mine = figures.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText(first));
        Locator goal = mine.getByRole(AriaRole.CELL).nth(2);
        assertThat(goal).hasText(Pattern.compile("^\\d+$"));
        String atFifty = goal.innerText();
        inDialog("90").click();
        assertThat(goal).not().hasText(atFifty);
        dialog().getByLabel("Starts from").selectOption("the latest score");
        inDialog("By hand").click();
        dialog().getByLabel("Goal", new Locator.GetByLabelOptions().setExact(true)).fill("1");
        assertThat(dialog()).containsText("The goal is not better than the start. It should be higher.");
        inDialog("Reach a band").click();
        assertThat(dialog().getByLabel("Band and window")).containsText("Secure in spring");
        // By hand again: a band may be behind those who read well, and then there is no goal to uncheck.
        inDialog("By hand").click();
        dialog().getByLabel("Goal", new Locator.GetByLabelOptions().setExact(true)).fill("240");
        assertThat(goal).hasText("240");
        assertThat(dialog()).containsText("Norms in bold: out of the ordinary");
        mine.getByRole(AriaRole.CHECKBOX).uncheck();
        inDialog("Make the plan").click();
        assertThat(dialog()).hasCount(0);
        Locator line = row(button("Change the plan of " + first));
        assertThat(line).containsText("Place keepers");
        assertThat(line).not().containsText("goal");
        Locator mate = page.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText("Place keepers"))
                .filter(new Locator.FilterOptions().setHasNotText(first));
        assertThat(mate).containsText(Pattern.compile("goal \\d+ by"));
        // With Shift the session is ticked for the whole group.
        line.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^Fr 13 Mar")))
                .click(new Locator.ClickOptions().setModifiers(List.of(com.microsoft.playwright.options.KeyboardModifier.SHIFT)));
        assertThat(mate.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^Fr 13 Mar")))).hasAttribute("aria-pressed", "true");
        // Where there is no Shift key, a box says that a tick is for whole groups.
        page.getByLabel("Tick for whole groups").check();
        line.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^Fr 13 Mar"))).click();
        assertThat(mate.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^Fr 13 Mar")))).hasAttribute("aria-pressed",
                "false");
        button("Close the plan of " + first).click();
        dialog().getByLabel(Pattern.compile("^Also for the others of Place keepers")).check();
        dialog().getByLabel("What came of it").selectOption("Stopped for another reason");
        inDialog("Close 2 plans").click();
        assertThat(dialog()).hasCount(0);
        assertThat(mate).hasCount(0);
        assertThat(button("Close the plan of " + first)).hasCount(0);
    }

    @Test
    void aConcernInAnAreaOfTheSchoolsOwnIsSetOnTheStudentsPage() {
        plans("I. Mensah");
        String name = other(2).getByRole(AriaRole.BUTTON).nth(1).innerText();
        page.keyboard().press("Control+k");
        page.keyboard().type(name);
        page.getByRole(AriaRole.OPTION).filter(new Locator.FilterOptions().setHasText(name)).first().click();
        assertThat(heading(name)).isVisible();
        button("Add a concern").click();
        dialog().getByLabel("Area").fill("Attention");
        dialog().getByLabel("Needs help", new Locator.GetByLabelOptions().setExact(true)).check();
        dialog().getByLabel("What we see (if you like)").fill("Loses the thread");
        inDialog("Save").click();
        assertThat(dialog()).hasCount(0);
        assertThat(button("Attention: Needs help")).isVisible();
        subView("Trends", "Plans and sessions");
        Locator own = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Concerns in other areas"));
        assertThat(own).containsText(name);
        assertThat(own).containsText("Attention: needs help: Loses the thread");
        own.getByRole(AriaRole.LINK).first().click();
        button("Attention: Needs help").click();
        dialog().getByLabel("No concern").check();
        inDialog("Save").click();
        assertThat(dialog()).hasCount(0);
        assertThat(page.getByText("Attention:")).hasCount(0);
    }

    @Test
    void whoHasAConcernAndNoGoalIsTalkedAboutInTheMeetingAndGetsOneThere() {
        plans("N. Haddad");
        String name = worryAbout(4, "Keep an eye on");
        subView("Trends", "Meeting");
        Locator agenda = page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Agenda"));
        Locator entry = agenda.getByRole(AriaRole.BUTTON).filter(new Locator.FilterOptions().setHasText(name));
        assertThat(entry).containsText("no goal yet");
        entry.click();
        Locator article = page.getByRole(AriaRole.ARTICLE, new Page.GetByRoleOptions().setName(name));
        assertThat(article).containsText("No goal is set, so nothing is proposed.");
        button("Set a goal").click();
        inDialog("Reach a band").click();
        assertThat(dialog()).containsText(Pattern.compile("Needs [\\d.]+ a week"));
        inDialog("Set the goal").click();
        assertThat(dialog()).hasCount(0);
        assertThat(article).containsText("Too soon to tell.");
    }
}
