package org.zealousladder.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** The entry grid by keyboard alone, with two people in it, and with the network gone. */
class EntryTest extends BrowserTest {
    /** The spring window has not begun, so the tests work in the winter one, each in cells of its own. */
    private void grid(String teacher) {
        signIn(teacher);
        subView("Screening", "Enter scores");
        assertThat(cell(page, 0, 0)).isVisible();
    }

    private static Locator cell(Page on, int row, int column) {
        return on.locator("[data-at='" + row + "/" + column + "']");
    }

    /** A score that is not what stands there, and near enough to last season's that nobody asks. */
    private String near(int row) {
        String now = cell(page, row, 1).inputValue();
        String last = cell(page, row, 1).locator("xpath=following-sibling::span").innerText();
        int base = Integer.parseInt(last.isBlank() ? now : last);
        return Integer.toString(Integer.toString(base + 1).equals(now) ? base + 2 : base + 1);
    }

    private String focused() {
        return (String) page.evaluate("document.activeElement.dataset.at");
    }

    private void retype(String text) {
        page.keyboard().press("Control+a");
        page.keyboard().type(text);
        page.keyboard().press("Enter");
    }

    @Test
    void typedByKeyboardAloneAndSavedAsTyped() {
        grid("N. Haddad");
        cell(page, 0, 1).focus();
        String near = near(0);
        retype(near);
        assertEquals("1/1", focused());
        assertThat(page.getByText(Pattern.compile("^Saved: .*: " + near + "\\.$"))).isVisible();
        retype("a");
        assertThat(cell(page, 1, 1)).hasValue("absent");
        page.keyboard().press("ArrowUp");
        page.keyboard().press("ArrowUp");
        assertEquals("0/1", focused());
        page.keyboard().press("ArrowRight");
        assertEquals("0/2", focused());
        page.keyboard().press("ArrowLeft");
        assertEquals("0/1", focused());
        page.reload();
        assertThat(cell(page, 0, 1)).hasValue(near);
        assertThat(page.getByText("Each score is saved as it is typed.")).isVisible();
        assertThat(cell(page, 1, 1)).hasValue("absent");
    }

    @Test
    void whatIsWrongIsSaidAtOnceAndEscapePutsItBack() {
        grid("N. Haddad");
        String before = cell(page, 3, 1).inputValue();
        cell(page, 3, 1).focus();
        retype("61");
        assertEquals("3/1", focused());
        assertThat(page.getByText("Maze runs from 0 to 60; 61 is outside.")).isVisible();
        retype("6.5");
        assertThat(page.getByText("Maze is a whole number.")).isVisible();
        retype("later");
        assertThat(page.getByText("'later' is not a score.")).isVisible();
        page.keyboard().press("Escape");
        assertThat(cell(page, 3, 1)).hasValue(before);
        assertThat(page.getByText("Each score is saved as it is typed.")).isVisible();
    }

    @Test
    void aLargeJumpIsKeptOnlyWhenEnterIsPressedAgain() {
        grid("N. Haddad");
        cell(page, 4, 1).focus();
        retype("59");
        assertThat(page.getByText(Pattern.compile("Sure\\? 59 is \\d+ above the \\d+ of"))).isVisible();
        assertEquals("4/1", focused());
        page.keyboard().press("Enter");
        assertEquals("5/1", focused());
        page.reload();
        assertThat(cell(page, 4, 1)).hasValue("59");
    }

    @Test
    void twoPeopleAtOnceDoNotOverwriteEachOther() {
        grid("N. Haddad");
        Page other = another("A. Sandvik");
        other.navigate(page.url());
        assertThat(cell(other, 6, 1)).isVisible();
        String ours = near(6);
        String theirs = Integer.toString(Integer.parseInt(ours) + 1);
        cell(page, 6, 1).focus();
        retype(ours);
        assertThat(page.getByText(Pattern.compile("^Saved: .*: " + ours + "\\.$"))).isVisible();
        cell(other, 6, 1).fill(theirs);
        other.keyboard().press("Enter");
        assertThat(other.getByText("Somebody else entered " + ours + " here meanwhile. Yours was not saved.")).isVisible();
        Locator mine = other.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Use mine (" + theirs + ")"));
        assertThat(other.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Keep theirs (" + ours + ")"))).isVisible();
        mine.click();
        assertThat(mine).hasCount(0);
        page.reload();
        assertThat(cell(page, 6, 1)).hasValue(theirs);
    }

    @Test
    void withoutANetworkWhatWasTypedWaitsAndIsSentLater() {
        grid("N. Haddad");
        String near = near(8);
        cell(page, 8, 1).focus();
        offline(true);
        retype(near);
        assertThat(page.getByText("1 score waiting for the connection.")).isVisible();
        assertThat(cell(page, 8, 1)).hasValue(near);
        // It goes from whatever page is open.
        view("Desk");
        offline(false);
        assertThat(page.getByText("for the connection")).hasCount(0);
        subView("Screening", "Enter scores");
        assertThat(cell(page, 8, 1)).hasValue(near);
    }
}
