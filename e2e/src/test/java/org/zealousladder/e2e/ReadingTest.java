package org.zealousladder.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.SelectOption;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** A passage marked live, on a tablet. */
class ReadingTest extends BrowserTest {
    private Locator word(int n) {
        return page.locator("[data-word='" + n + "']");
    }

    private void begin(int student) {
        newPage(1024, 768, ColorScheme.LIGHT);
        signIn("G. Rustad");
        subView("Trends", "Reading aloud");
        page.getByLabel("Student", new Page.GetByLabelOptions().setExact(true)).selectOption(new SelectOption().setIndex(student));
        page.getByLabel("Passage", new Page.GetByLabelOptions().setExact(true))
                .selectOption(page.locator("option", new Page.LocatorOptions().setHasText("The tide table")).getAttribute("value"));
        button("Open the passage").click();
        button("Start the clock").click();
    }

    @Test
    void aPassageIsMarkedCountedAndReadBack() {
        begin(3);
        word(4).click();
        button("Left out o").click();
        word(9).click();
        word(12).focus();
        page.keyboard().press("ArrowRight");
        page.keyboard().press("s");
        assertThat(word(13)).hasAttribute("aria-label", Pattern.compile("self-corrected"));
        word(9).click();
        assertThat(word(9)).not().hasAttribute("aria-label", Pattern.compile("left out"));
        word(15).focus();
        page.keyboard().press("i");
        // The lid closes and opens again: clock and marks are still there.
        page.reload();
        assertThat(word(4)).hasAttribute("aria-label", Pattern.compile("error"));
        button("Before the first word").click();
        assertThat(button("Before the first word, something inserted")).isVisible();
        button("Before the first word, something inserted").click();
        button("Stop here").click();
        assertThat(page.getByText("Time. Touch the last word that was read.")).isVisible();
        assertThat(button("Go on")).isDisabled();
        word(40).click();
        button("Go on").click();
        assertThat(page.getByText("2 errors in 40 words")).isVisible();
        page.getByLabel("Retelling").selectOption("2");
        page.getByLabel("Stops at full stops: not yet").check();
        page.getByLabel("Reads in phrases, not word by word: shown").check();
        assertThat(page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Teach next"))).containsText("tap the table at each full stop");
        assertThat(page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Teach next")).getByRole(AriaRole.LISTITEM)).hasCount(1);
        // Back to the words and through a closed lid: what was filled in is still there.
        button("Back to the words").click();
        button("Go on").click();
        page.reload();
        assertThat(page.getByLabel("Retelling")).hasValue("2");
        assertThat(page.getByLabel("Stops at full stops: not yet")).isChecked();
        page.getByLabel("Level", new Page.GetByLabelOptions().setExact(true)).selectOption("Reads it alone");
        page.getByLabel("Why another than proposed").fill("Read it well last week");
        button("Save the reading").click();
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("Oral reading runs from 0 to");
        page.getByLabel(Pattern.compile("as today's Oral reading score")).uncheck();
        button("Save the reading").click();
        assertThat(page.getByRole(AriaRole.ARTICLE)).containsText("Reads it alone instead of");
        assertThat(page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Marks in order")).getByRole(AriaRole.LISTITEM)).hasCount(3);
        button("All readings").click();
        assertThat(page.getByRole(AriaRole.TABLE)).containsText("The tide table");
        assertEquals(0, button("Drop this reading").count());
    }

    @Test
    void theSchoolAddsAPassageOfItsOwn() {
        signIn("G. Rustad");
        subView("Trends", "Reading aloud");
        button("Add a passage").click();
        dialog().getByLabel("Title").fill("The lamp");
        dialog().getByLabel("Text", new Locator.GetByLabelOptions().setExact(true)).fill("Too short");
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Save the passage")).click();
        assertThat(dialog()).containsText("A passage has 20 to 2,000 words; this one has 2. Nothing was saved.");
        dialog().getByLabel("Text", new Locator.GetByLabelOptions().setExact(true)).fill("The lamp in the hall went out. ".repeat(4));
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Add a question")).click();
        dialog().getByLabel("Question 1", new Locator.GetByLabelOptions().setExact(true)).fill("What went out?");
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Save the passage")).click();
        assertThat(dialog()).hasCount(0);
        assertThat(page.locator("option", new Page.LocatorOptions().setHasText("The lamp (28 words)"))).hasCount(1);
    }

    @Test
    void theSamePassageReadThreeTimesIsComparedWordByWord() {
        signIn("R. Oduya");
        subView("Trends", "Reading aloud");
        page.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText("Zuri Halloran")).first().getByRole(AriaRole.BUTTON).click();
        Locator others = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("The same passage at another time"));
        assertThat(others.getByRole(AriaRole.ROW)).hasCount(4);
        assertThat(others).containsText(
                Pattern.compile("Of the 66 words both reached, 5 were missed on 15 Jan 2026: \\d again, \\d no longer; \\d new on 5 Mar 2026\\."));
        others.getByLabel("6 Oct 2025").check();
        assertThat(others).containsText("Of the 58 words both reached");
        assertThat(page.getByText("small signs below: 6 Oct 2025")).isVisible();
        button("Take this reading back").click();
        Locator said = page.getByRole(AriaRole.STATUS).filter(new Locator.FilterOptions().setHasText("The reading of Zuri Halloran was taken back."));
        assertThat(said).isVisible();
        Locator rows = page.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText("Zuri Halloran"));
        assertThat(rows).hasCount(2);
        said.getByRole(AriaRole.BUTTON).click();
        assertThat(rows).hasCount(3);
        assertThat(said).hasCount(0);
    }

    @Test
    void onAPhoneTheClockAndTheKindsOfMarkStayInSight() {
        newPage(390, 700, com.microsoft.playwright.options.ColorScheme.LIGHT);
        signIn("N. Haddad");
        page.navigate(page.url().replace("/desk", "/reading"));
        page.getByLabel("Student", new Page.GetByLabelOptions().setExact(true)).selectOption(new com.microsoft.playwright.options.SelectOption().setIndex(4));
        page.getByLabel("Passage", new Page.GetByLabelOptions().setExact(true)).selectOption(new com.microsoft.playwright.options.SelectOption().setIndex(1));
        button("Open the passage").click();
        button("Start the clock").click();
        page.locator("[data-word]").last().scrollIntoViewIfNeeded();
        assertThat(page.getByRole(AriaRole.TIMER)).isInViewport();
        assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Self-corrected")))).isInViewport();
    }
}
