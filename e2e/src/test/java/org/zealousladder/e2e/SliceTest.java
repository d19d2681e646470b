package org.zealousladder.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** The whole job: from the Desk's item to its chart, a new score, the decision that changes, and what is then decided. */
class SliceTest extends BrowserTest {
    private Locator deskRow(String name) {
        return page.getByRole(AriaRole.LISTITEM).filter(new Locator.FilterOptions().setHasText(name)
                .setHas(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Set aside"))));
    }

    @Test
    void aTeacherSignsInWithAPassword() {
        page.navigate(address + "/");
        page.getByLabel("Sign-in name").fill("l.iversen");
        page.getByLabel("Password").fill("wrong");
        button("Sign in").click();
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("do not go together");
        page.getByLabel("Password").fill("skerrow-ferry-tide");
        page.keyboard().press("Enter");
        assertThat(heading("Decide")).isVisible();
        assertThat(page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Scope"))).containsText("Puffin class");
    }

    @Test
    void aDeskItemLeadsToItsChartAndNewScoresChangeTheDecision() {
        signIn("R. Oduya");
        assertThat(deskRow("Sunniva Hale")).containsText("Change the plan.");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Open the chart of Sunniva Hale, Oral reading")).click();
        assertThat(dialog()).containsText("Chance of the goal under 1 %");
        int points = dialog().locator("svg circle").count();

        dialog().getByLabel("Score", new Locator.GetByLabelOptions().setExact(true)).fill("240");
        page.keyboard().press("Enter");
        assertThat(dialog()).containsText("Sure? 240 is 183 above the 57 of 12 Mar 2026.");
        assertThat(dialog()).not().containsText("Saved:");
        dialog().getByText("Keep 240").click();
        assertThat(dialog()).containsText("Saved: 240 on 13 Mar.");
        assertThat(dialog().locator("svg circle")).hasCount(points + 1);
        assertThat(dialog()).not().containsText("Chance of the goal under 1 %");
        assertThat(dialog()).containsText("far off the trend");

        // It was mistyped: the right one takes its place, the wrong one stays in the history.
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Correct the score of 13 Mar 2026")).click();
        dialog().getByLabel("Right score").fill("62");
        dialog().getByLabel("Why").fill("mistyped");
        page.keyboard().press("Enter");
        assertThat(dialog().locator("del")).hasText("240");
        assertThat(dialog()).containsText("Change the plan.");
    }

    @Test
    void anImpossibleScoreIsRefusedAtItsField() {
        signIn("R. Oduya");
        page.navigate(page.url().replace("/desk", "/trends"));
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Caspian Ng"))).click();
        dialog().getByLabel("Score", new Locator.GetByLabelOptions().setExact(true)).fill("900");
        page.keyboard().press("Enter");
        assertThat(dialog()).containsText("Oral reading runs from 0 to 250.");
    }

    @Test
    void decidingTakesAnItemOffTheList() {
        signIn("R. Oduya");
        deskRow("Idris Falk").getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Set aside")).click();
        dialog().getByLabel("Why it can wait").fill("new glasses on order");
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Record")).click();
        assertThat(dialog()).isHidden();
        assertThat(deskRow("Idris Falk")).hasCount(0);
        assertThat(page.getByText(Pattern.compile("decided or set aside"))).isVisible();
    }

    @Test
    void aGoalIsRaisedFromTheDeskAndTheOldLineStaysGreyed() {
        signIn("R. Oduya");
        deskRow("Pema Dorje").getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Raise the goal")).click();
        dialog().getByLabel("New goal").fill("90");
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Record")).click();
        assertThat(dialog()).isHidden();
        assertThat(deskRow("Pema Dorje")).hasCount(0);
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Pema Dorje")).first().click();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Open large: Oral reading")).click();
        assertThat(dialog()).containsText("The greyed line is the goal before.");
        assertThat(dialog()).containsText("Raised the goal");
    }

    @Test
    void aFirstGoalMakesAStudentMonitored() {
        signIn("R. Oduya");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Hana Whitlock")).first().click();
        Locator maze = page.getByRole(AriaRole.LISTITEM).filter(new Locator.FilterOptions().setHas(heading("Maze")));
        maze.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Set a goal")).click();
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("By hand")).click();
        dialog().getByLabel("Goal", new Locator.GetByLabelOptions().setExact(true)).fill("24");
        assertThat(dialog()).containsText(Pattern.compile("Needs [\\d.]+ a week for \\d+ weeks"));
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Set the goal")).click();
        assertThat(maze).containsText("Too soon to tell.");
    }

    @Test
    void anEarlierDayShowsWhatWasKnownAndTakesNoEntries() {
        signIn("R. Oduya");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("As of: 13 Mar 2026")).click();
        page.getByLabel("Show what was known on").fill("2025-11-07");
        button("Show").click();
        assertThat(page.getByRole(AriaRole.NOTE)).containsText("as they were known on an earlier day");
        assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Set aside"))).hasCount(0);
        view("Trends");
        assertThat(page.getByText("Ilse Marrow")).hasCount(0);
        page.goBack();
        assertThat(page.getByRole(AriaRole.NOTE)).isVisible();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("go back to today")).click();
        assertThat(page.getByRole(AriaRole.NOTE)).hasCount(0);
    }

    @Test
    void aTeacherIsRefusedAnotherTeachersClass() {
        signIn("B. Calder");
        String own = page.url();
        page.navigate(address + "/desk");
        assertThat(heading("Decide")).isVisible();
        for (String view : new String[] {"desk", "ladder", "trends"}) {
            page.navigate(address + "/" + view + "?who=class-6");
            assertThat(page.getByRole(AriaRole.ALERT)).containsText("That class is not one of yours.");
        }
        page.navigate(own);
        assertThat(heading("Decide")).isVisible();
    }

    @Test
    void theAdministratorSeesEveryClassAndTheirPasswordWorks() {
        page.navigate(address + "/");
        page.getByLabel("Sign-in name").fill("a.sandvik");
        page.getByLabel("Password").fill("skerrow-ferry-tide");
        button("Sign in").click();
        assertThat(heading("Decide")).isVisible();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Whose students"))).click();
        for (String name : new String[] {"Puffin", "Tern", "Kittiwake", "Fulmar", "Gannet", "Guillemot"}) {
            assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^" + name + " class")))).isVisible();
        }
    }

    @Test
    void signedOutNothingIsLeftOnTheScreen() {
        signIn("M. Tveit");
        signOut("M. Tveit");
        assertThat(page.getByLabel("Sign-in name")).isVisible();
        page.navigate(address + "/ladder");
        assertThat(page.getByLabel("Sign-in name")).isVisible();
    }
}
