package org.zealousladder.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Measures, norms and the rule for tiers; getting to every page by name; looking back. */
class SetupTest extends BrowserTest {
    @Test
    void aMeasuresErrorIsChangedAndABadOneIsRefused() {
        signIn("A. Sandvik");
        subView("Setup", "Measures");
        button("Change Story writing").click();
        dialog().getByLabel("Standard error of measurement").fill("-5");
        assertThat(dialog()).containsText("A standard error of measurement is above 0");
        assertThat(button("Save the measure")).isDisabled();
        dialog().getByLabel("Standard error of measurement").fill("5.5");
        assertThat(dialog()).containsText("standard error of measurement 5 becomes 5.5");
        page.getByLabel("Why it changes").fill("a new manual");
        button("Save the measure").click();
        assertThat(dialog()).hasCount(0);
        assertThat(page.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText("Story writing"))).containsText("5.5");
        button("Change Story writing").click();
        dialog().getByLabel("Standard error of measurement").fill("5");
        page.getByLabel("Why it changes").fill("the old one again");
        button("Save the measure").click();
        assertThat(dialog()).hasCount(0);
    }

    @Test
    void localNormsAreComputedAndSayWhatTheyRestOn() {
        signIn("M. Tveit");
        subView("Setup", "Norms");
        assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Northern Isles 2025"))).hasAttribute("aria-pressed", "true");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Compute local norms"))).click();
        assertThat(page.getByText(Pattern.compile("^\\d+ tables computed"))).isVisible();
        Locator grade = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Grade 3"));
        assertThat(grade).containsText("rests on");
        assertThat(grade.getByRole(AriaRole.COLUMNHEADER)).hasText(new String[] {"Percentile", "Autumn", "Winter", "Gain a week"});
        signOutAndIn("R. Oduya");
        subView("Setup", "Norms");
        assertThat(heading("Norms, Oral reading")).isVisible();
        assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Compute")))).hasCount(0);
    }

    @Test
    void theRuleIsChangedByTheCoordinatorAndReadBackAsASentence() {
        signIn("M. Tveit");
        subView("Screening", "Tiers");
        choose("Guillemot class");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Maths").setExact(true)).click();
        assertThat(page.getByText("Proposed from Number facts, Maths screen: the tier that most of them give")).isVisible();
        button("Change the rule").click();
        dialog().getByLabel(Pattern.compile("^The weighted mean")).check();
        dialog().getByLabel("Weight of Maths screen").fill("2");
        assertThat(dialog()).containsText("they are now proposed by the weighted mean of Number facts (1), Maths screen (2)");
        page.getByLabel("Why it changes").fill("the screen tells more");
        button("Save the rule").click();
        assertThat(dialog()).hasCount(0);
        assertThat(page.getByText("Proposed from Number facts, Maths screen (2): the weighted mean of standard scores")).isVisible();
        assertThat(page.getByText(Pattern.compile("spreads (above|below) tier")).first()).isVisible();
        button("Change the rule").click();
        dialog().getByLabel(Pattern.compile("^The tier that most")).check();
        page.getByLabel("Why it changes").fill("simpler");
        button("Save the rule").click();
        assertThat(dialog()).hasCount(0);
        assertThat(page.getByText("the tier that most of them give")).isVisible();
    }

    @Test
    void everyPageIsReachedByNameAndByKeys() {
        signIn("R. Oduya");
        page.keyboard().press("g");
        page.keyboard().press("s");
        page.waitForURL(Pattern.compile(".*/coverage.*"));
        page.keyboard().press("g");
        page.keyboard().press("u");
        page.waitForURL(Pattern.compile(".*/setup/cuts.*"));
        for (String[] place : new String[][] {{"screening: tab", "/table"}, {"screening: rep", "/report"}, {"setup: norm", "/setup/norms"}}) {
            page.keyboard().press("Control+k");
            page.keyboard().type(place[0]);
            assertThat(page.locator("[role=option][aria-selected=true]")).containsText(place[0].split(" ")[1],
                    new com.microsoft.playwright.assertions.LocatorAssertions.ContainsTextOptions().setIgnoreCase(true));
            page.keyboard().press("Enter");
            page.waitForURL(Pattern.compile(".*" + place[1] + ".*"));
        }
    }

    @Test
    void onAnEarlierDayEverythingIsReadOnly() {
        signIn("M. Tveit");
        choose("Kittiwake class");
        view("Screening");
        String earlier = page.url() + "&asOf=2025-10-10";
        page.navigate(earlier);
        assertThat(heading("Autumn screening, 8 Sep 2025 to 19 Sep 2025")).isVisible();
        assertThat(button("Set the day")).hasCount(0);
        subView("Screening", "Enter scores");
        assertThat(page.getByText("Scores are entered as of today.")).isVisible();
        assertThat(page.locator("[data-at='0/0']")).not().isEditable();
        subView("Screening", "Tiers");
        assertThat(page.getByText(Pattern.compile("\\d+ of \\d+ decided"))).isVisible();
        assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Confirm")))).hasCount(0);
        subView("Setup", "Cut scores");
        assertThat(page.getByText("Cut scores are changed as of today.")).isVisible();
        assertTrue(page.url().contains("asOf=2025-10-10"), page.url());
    }

    private void signOutAndIn(String name) {
        signOut("M. Tveit");
        signIn(name);
    }

    /** The year of a school: what closes it is added where it happens, counts at once, and can be taken back. */
    @Test
    void aClosureIsAddedByItsDayCountsAndIsTakenBack() {
        signIn("M. Tveit");
        subView("Setup", "Calendar");
        Locator count = page.getByText(Pattern.compile("^\\d+ school days"));
        assertThat(count).containsText("192 school days");
        page.getByLabel("First day").fill("1 Jun");
        page.getByLabel("Why").fill("No heating");
        button("Add").click();
        Locator spans = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Terms, holidays and closures"));
        assertThat(spans).containsText("No heatingClosed, 1 Jun 2026");
        assertThat(count).containsText("191 school days");
        page.getByLabel("First day").fill("5 Feb");
        page.getByLabel("Last day").fill("10 Feb");
        page.getByLabel("Why").fill("Ice");
        button("Add").click();
        assertThat(page.getByText("It would overlap Storm: no ferry ran, 2 Feb 2026 to 6 Feb 2026.")).isVisible();
        assertThat(page.getByLabel("Why")).hasValue("Ice");
        button("Take back: No heating").click();
        assertThat(count).containsText("192 school days");
        signOutAndIn("R. Oduya");
        subView("Setup", "Calendar");
        assertThat(page.getByText(Pattern.compile("^\\d+ school days"))).containsText("192 school days");
        assertThat(button("Add")).hasCount(0);
        assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Take back")))).hasCount(0);
    }

    /** Somebody who works across classes comes in to the own caseload; who is put on it is seen at once. */
    @Test
    void aCaseloadIsGivenAndIsWhatItsPersonSees() {
        signIn("S. Rask");
        assertThat(page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Scope"))).containsText("Own caseload");
        assertThat(page.getByText("Sunniva Hale").first()).isVisible();
        signOut("S. Rask");
        signIn("A. Sandvik");
        subView("Setup", "Classes");
        button("Add a class").click();
        dialog().getByLabel("Name").fill("Sanderling");
        dialog().getByLabel("Grade").selectOption("4");
        button("Add the class").click();
        assertThat(dialog()).hasCount(0);
        Locator classes = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Classes, 2025–26"));
        assertThat(classes).containsText("Sanderling classgrade 4, 0 students");
        button("End Sanderling class").click();
        assertThat(dialog()).containsText("0 students. After that day nobody is in it or teaches it.");
        button("End the class").click();
        assertThat(dialog()).hasCount(0);
        assertThat(classes).containsText("0 students, ends after 13 Mar 2026");
        Locator caseloads = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Caseloads"));
        assertThat(button("Pick students first")).isDisabled();
        button("Students of S. Rask").click();
        assertThat(caseloads.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("leaves the caseload"))).nth(3)).isVisible();
        caseloads.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^Uma Achterberg leaves the caseload"))).click();
        assertThat(caseloads.getByText("Uma Achterberg")).hasCount(0);
        Locator done = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("What was done to classes"));
        assertThat(done).containsText("Sanderling ends · 0 students leave with it after 13 Mar 2026");
        done.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Undo: Sanderling ends")).click();
        done.getByRole(AriaRole.TEXTBOX).fill("it goes on");
        done.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Undo").setExact(true)).click();
        assertThat(done).containsText("undone by A. Sandvik: it goes on");
        assertThat(classes).not().containsText("ends after");
    }

    @Test
    void aMeasureIsEndedAndGivenAgain() {
        signIn("A. Sandvik");
        subView("Setup", "Measures");
        button("End Maths screen").click();
        assertThat(dialog()).containsText("What was scored by it stays");
        button("End the measure").click();
        assertThat(dialog()).hasCount(0);
        Locator row = page.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText("Maths screen"));
        assertThat(row).containsText("until 13 Mar 2026");
        button("Give Maths screen again").click();
        assertThat(row).not().containsText("until");
        assertThat(button("End Maths screen")).isVisible();
    }
}
