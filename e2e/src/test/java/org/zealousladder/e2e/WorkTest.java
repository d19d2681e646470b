package org.zealousladder.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Course work: who owes what, marks typed by the keyboard, a piece opened, another one set. */
class WorkTest extends BrowserTest {
    private Locator row(String name) {
        return page.getByRole(AriaRole.ROW)
                .filter(new Locator.FilterOptions().setHas(page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(name))));
    }

    private Locator cell(String name, String piece) {
        return page.getByLabel(name + ", " + piece, new Page.GetByLabelOptions().setExact(true)).first();
    }

    private void work() {
        signIn("R. Oduya");
        subView("Engagement", "Work");
        assertThat(row("Emre Castellan")).isVisible();
    }

    @Test
    void whoOwesWorkIsSaidAndPicked() {
        work();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1)))
                .hasText(Pattern.compile("\\d+ of 23 ha(s|ve) three pieces or more not in"));
        button("Pick them").click();
        assertThat(page.getByLabel("Pick Emre Castellan")).isChecked();
        // The same is said on the page of weeks, as a flag.
        subView("Engagement", "Weeks");
        assertThat(page.getByRole(AriaRole.LISTITEM).filter(new Locator.FilterOptions().setHasText("Emre Castellan"))).containsText("work not in");
    }

    @Test
    void marksAreTypedOneUnderAnotherAndSaidToBeSavedWhenTheyAre() {
        work();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Type marks"))).click();
        String piece = page.locator("thead button").nth(4).innerText();
        Locator first = cell("Dalia Stroud", piece);
        first.fill("9");
        first.press("Enter");
        assertThat(page.getByText("Saved: Dalia Stroud, " + piece + ": 9.")).isVisible();
        // More than can be earned is asked about; a word says what became of it instead.
        first.fill("11");
        first.press("Enter");
        assertThat(page.getByText(Pattern.compile("Sure\\? 11 is more than the 10"))).isVisible();
        first.press("Escape");
        first.fill("e");
        first.press("Enter");
        assertThat(page.getByText("Saved: Dalia Stroud, " + piece + ": excused.")).isVisible();
        // Without a connection a mark waits, and says so.
        offline(true);
        first.fill("7");
        first.press("Enter");
        assertThat(page.getByText(Pattern.compile("1 mark waiting for the connection"))).isVisible();
        offline(false);
        assertThat(page.getByText("Saved: Dalia Stroud, " + piece + ": 7.")).isVisible();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Type marks"))).click();
        assertThat(row("Dalia Stroud").getByRole(AriaRole.CELL).nth(8)).hasText("7");
    }

    @Test
    void aPieceIsOpenedToTheWorkBehindAValue() {
        work();
        page.locator("thead button").filter(new Locator.FilterOptions().setHasText("Reading test 1")).first().click();
        assertThat(dialog()).containsText(Pattern.compile("\\d+ marked. Half earned \\d+ % or less"));
        assertThat(dialog()).containsText("minutes");
        page.keyboard().press("Escape");
        page.getByLabel("Kind of work").selectOption("homework");
        page.getByLabel("Subject").selectOption("Reading");
        page.locator("thead button").nth(4).click();
        assertThat(dialog().getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("open")).first())
                .hasAttribute("href", Pattern.compile("https://work.skerrow.example/.*"));
    }

    @Test
    void anotherPieceIsSetAndTakenOutAgain() {
        work();
        button("Add a piece of work").click();
        dialog().getByLabel("What it is called").fill("Map of the isle");
        dialog().getByLabel("Kind, like homework or test").fill("project");
        dialog().getByLabel("Due", new Locator.GetByLabelOptions().setExact(true)).fill("20 Mar 2026");
        dialog().getByLabel("Points that can be earned").fill("40");
        button("Add it").click();
        assertThat(dialog()).hasCount(0);
        assertThat(page.getByRole(AriaRole.COLUMNHEADER).filter(new Locator.FilterOptions().setHasText("Map of the isle"))).containsText("of 40");
        button("Map of the isle").click();
        button("Change it").click();
        button("End it").click();
        assertThat(dialog()).hasCount(0);
        assertThat(page.getByText("Map of the isle")).hasCount(0);
    }

    @Test
    void theDeskTellsWhatWaitsToBeMarked() {
        signIn("R. Oduya");
        Locator waiting = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("To mark"));
        waiting.getByRole(AriaRole.LINK).first().click();
        assertThat(page.getByText("Points and Enter, and it is saved.")).isVisible();
    }

    @Test
    void theSchoolsMarksAreSetWithAPreviewAndPutBack() {
        signIn("M. Tveit");
        subView("Setup", "Marks");
        page.getByLabel("What does not come counts as nothing earned").check();
        page.getByLabel("Name of rung 6").fill("Summit");
        Locator moves = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Whose mark would be another"));
        assertThat(moves).containsText(Pattern.compile("\\d+ of 14\\d students with marks"));
        page.getByLabel("Why", new Page.GetByLabelOptions().setExact(true)).fill("agreed in the meeting");
        button("Set them from today on").click();
        Locator before = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("How it was set before"));
        assertThat(before).containsText("by M. Tveit: agreed in the meeting");
        assertThat(page.getByLabel("Name of rung 6")).hasValue("Summit");
        page.getByLabel("Rung 2 begins at, per cent").fill("90");
        assertThat(page.getByText("Each rung begins above the one before, and at 100 % at most.")).isVisible();
        assertThat(button("Set them from today on")).isDisabled();
    }
}
