package org.zealousladder.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.SelectOption;
import java.nio.charset.StandardCharsets;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** What a team does about monitoring: compares, prints, keeps its lists, and gets in each other's way. In Fulmar, and in Gannet's numbers. */
class MonitoringTeamTest extends BrowserTest {
    private Locator inDialog(String name) {
        return dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(name).setExact(true));
    }

    private Locator row(String name) {
        return page.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText(name));
    }

    private void trends(String who) {
        signIn(who);
        choose("Fulmar");
        view("Trends");
        assertThat(page.locator("button[data-chart]").first()).isVisible();
    }

    @Test
    void twoStrategiesAreComparedAndTheAddressReopensThem() {
        trends("A. Sandvik");
        choose("Skerrow Island School");
        button("Side by side").click();
        page.getByLabel("Compare two").selectOption("strategies");
        page.getByLabel("On the left").selectOption("Paired reading");
        page.getByLabel("On the right").selectOption("Phrase reading");
        Locator left = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Paired reading"));
        Locator right = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Phrase reading"));
        assertThat(left).containsText(Pattern.compile("\\d+ students"));
        int paired = left.locator("button[data-chart]").count();
        assertTrue(paired > 3, "everyone with that strategy");
        assertTrue(right.locator("button[data-chart]").count() > 2);
        page.reload();
        assertThat(page.getByLabel("On the right")).hasValue("Phrase reading");
        assertThat(left.locator("button[data-chart]")).hasCount(paired);
    }

    @Test
    void filtersNarrowTheChartsAndGoBackWithTheBrowser() {
        trends("A. Sandvik");
        choose("Skerrow Island School");
        assertThat(page.getByText(Pattern.compile("^[3-9]\\d students are monitored"))).isVisible();
        Locator charts = page.locator("button[data-chart]");
        int all = charts.count();
        page.getByLabel("Strategy", new Page.GetByLabelOptions().setExact(true)).selectOption("Phrase reading");
        assertThat(charts).not().hasCount(all);
        assertThat(page).hasURL(Pattern.compile("strategy=Phrase"));
        int phrase = charts.count();
        assertTrue(phrase < all && phrase > 0, phrase + " of " + all);
        page.getByLabel("Group", new Page.GetByLabelOptions().setExact(true)).selectOption(new SelectOption().setIndex(1));
        assertThat(page).hasURL(Pattern.compile("group="));
        int group = charts.count();
        assertTrue(group <= phrase && group > 0);
        page.goBack();
        assertThat(charts).hasCount(phrase);
        page.goBack();
        assertThat(charts).hasCount(all);
    }

    @Test
    void theAgendaPrintsOnePageAStudent() {
        signIn("R. Oduya");
        subView("Trends", "Meeting");
        Locator agenda = page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Agenda"));
        assertThat(agenda).containsText(Pattern.compile("^1 of \\d+"));
        int students = agenda.getByRole(AriaRole.LISTITEM).count();
        String pdf = new String(page.pdf(new Page.PdfOptions().setFormat("A4")), StandardCharsets.ISO_8859_1);
        assertEquals(students, Pattern.compile("/Type\\s*/Page\\b(?!s)").matcher(pdf).results().count());
    }

    @Test
    void theListOfStrategiesIsReadByTeachersAndKeptByWhoMay() {
        signIn("B. Calder");
        subView("Trends", "Plans and sessions");
        button("Strategies").click();
        assertThat(dialog()).containsText("Paired reading");
        assertThat(dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Add a strategy"))).hasCount(0);
        inDialog("Close").click();
        signOut("B. Calder");
        signIn("A. Sandvik");
        choose("Fulmar");
        subView("Trends", "Plans and sessions");
        button("Edit the strategies").click();
        inDialog("Add a strategy").click();
        dialog().getByLabel("Name").fill("Paired reading");
        inDialog("Save the strategy").click();
        assertThat(dialog()).containsText("The list has a strategy of that name already. Nothing was saved.");
        dialog().getByLabel("Name").fill("Reading to a younger class");
        dialog().getByLabel("How it is done").fill("A picture book, prepared twice, read to grade 2.");
        inDialog("Save the strategy").click();
        assertThat(dialog().getByRole(AriaRole.LISTITEM).filter(new Locator.FilterOptions().setHasText("Reading to a younger class"))).isVisible();
        inDialog("Change Reading to a younger class").click();
        dialog().getByLabel("Retired: not offered for new plans").check();
        inDialog("Save the strategy").click();
        assertThat(dialog()).containsText("Reading to a younger class (retired)");
    }

    @Test
    void sessionsAreTickedCountedAndTakenBack() {
        signIn("B. Calder");
        subView("Trends", "Plans and sessions");
        Locator line = page.getByRole(AriaRole.ROW).filter(
                new Locator.FilterOptions().setHas(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Close the plan of")))))
                .first();
        Locator friday = line.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^Fr 13 Mar")));
        Locator given = line.getByText(Pattern.compile("^\\d+ of \\d+$")).first();
        int before = Integer.parseInt(given.innerText().split(" ")[0]);
        friday.click();
        assertThat(friday).hasAttribute("aria-pressed", "true");
        assertThat(given).hasText(Pattern.compile("^" + (before + 1) + " of"));
        friday.click();
        assertThat(friday).hasAttribute("aria-pressed", "false");
        assertThat(given).hasText(Pattern.compile("^" + before + " of"));
    }

    @Test
    void levelsAndLibraryAreTheSchoolsOwn() {
        signIn("A. Sandvik");
        choose("Fulmar");
        subView("Trends", "Reading aloud");
        button("Levels and library").click();
        inDialog("Add to the library").click();
        dialog().getByLabel("What is looked for").fill("Follows the line to its end");
        dialog().getByLabel("What to teach next where it is not shown").fill("Slide a ruler down the page.");
        inDialog("Save").click();
        assertThat(dialog()).containsText("Follows the line to its end");
        assertThat(dialog()).containsText("Slide a ruler down the page.");
    }

    @Test
    void aPlanIsAmendedAndClosedWithWhatCameOfIt() {
        signIn("B. Calder");
        subView("Trends", "Plans and sessions");
        Locator close = page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Close the plan of"))).last();
        String name = close.getAttribute("aria-label").replace("Close the plan of ", "");
        button("Edit the words of " + name + "'s plan").click();
        dialog().getByLabel("Last day").fill("2025-01-01");
        inDialog("Save").click();
        assertThat(dialog()).containsText("The last day must be after the newest phase began. Nothing was saved.");
        dialog().getByLabel("Last day").fill("2026-05-29");
        inDialog("Save").click();
        assertThat(dialog()).hasCount(0);
        assertThat(row(name).first()).containsText("to 29 May");
        button("Close the plan of " + name).click();
        dialog().getByLabel("What came of it").selectOption("Partly");
        dialog().getByLabel(Pattern.compile("^In words")).fill("Reads longer stretches");
        inDialog("Close the plan").click();
        assertThat(dialog()).hasCount(0);
        assertThat(row(name).first()).containsText("No plan; 1 earlier");
        row(name).first().getByRole(AriaRole.LINK).click();
        assertThat(page.getByText(Pattern.compile("partly on 13 Mar 2026: Reads longer stretches"))).isVisible();
    }
}
