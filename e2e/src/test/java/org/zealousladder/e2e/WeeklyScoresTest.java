package org.zealousladder.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.ColorScheme;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** The strip: this week's scores of a class, entered by keyboard, pasted, undone. */
class WeeklyScoresTest extends BrowserTest {
    private Locator cell(int at) {
        return page.locator("[data-at='" + at + "']");
    }

    private static Locator row(Locator cell) {
        return cell.locator("xpath=ancestor::tr");
    }

    /** Opens the strip of today alone, where nothing is entered yet. */
    private void today(String teacher) {
        signIn(teacher);
        subView("Trends", "Weekly scores");
        button("One day").click();
        assertThat(page.getByLabel("Date for all", new Page.GetByLabelOptions().setExact(true))).hasValue("13 Mar 2026");
        assertThat(cell(0)).hasValue("");
    }

    /** Shows the whole class; the fourth line is another student's before it is there. */
    private void everyone() {
        button("Everyone").click();
        assertThat(button("Everyone")).hasAttribute("aria-pressed", "true");
    }

    /** Types a score that is kept even where it is far from the one before. */
    private void keep(Page on, Locator cell, String text) {
        cell.fill(text);
        cell.press("Enter");
        if (on.getByText("Sure?").count() > 0) {
            cell.press("Enter");
        }
    }

    private void paste(String text) {
        page.evaluate("""
                text => {
                  const data = new DataTransfer();
                  data.setData('text', text);
                  document.activeElement.dispatchEvent(new ClipboardEvent('paste', {clipboardData: data, bubbles: true, cancelable: true}));
                }""", text);
    }

    @Test
    void thisWeeksScoresCountWhateverDayTheyWereTakenOn() {
        signIn("R. Oduya");
        subView("Trends", "Weekly scores");
        assertThat(page.getByText("Score 10 of 11")).isVisible();
        assertThat(page.getByLabel("Jory Tamsin, Oral reading", new Page.GetByLabelOptions().setExact(true))).isFocused();
        assertThat(page.getByLabel("Day of Caspian Ng's score", new Page.GetByLabelOptions().setExact(true))).hasValue("12 Mar 2026");
        button("One day").click();
        assertThat(page.getByText("Score 0 of 11")).isVisible();
        button("This week").click();
        assertThat(page.getByText("Score 10 of 11")).isVisible();
    }

    @Test
    void aClassIsEnteredByKeyboardAlone() {
        today("N. Haddad");
        everyone();
        assertThat(cell(15)).isVisible();
        int n = page.locator("[data-at]").count();
        assertTrue(n >= 20, "the whole class");
        cell(0).focus();
        for (int i = 0; i < n; i++) {
            page.keyboard().type(i == 2 ? "a" : i == 3 ? "70 81 76" : Integer.toString(60 + i));
            page.keyboard().press("Enter");
            if (page.getByText("Sure?").count() > 0) {
                page.keyboard().press("Enter");
            }
        }
        assertThat(page.getByText("Score " + n + " of " + n)).isVisible();
        assertThat(cell(2)).hasValue("absent");
        assertThat(row(cell(3))).containsText("median 76");
        assertThat(page.getByText("Saving")).hasCount(0);
        button("Undo").click();
        assertThat(cell(n - 1)).hasValue("");
        assertThat(page.getByText(Pattern.compile("Saved: .*: taken back"))).isVisible();
        page.reload();
        assertThat(cell(0)).hasValue("60");
        assertThat(cell(n - 1)).hasValue("");
        cell(0).fill("999");
        cell(0).press("Enter");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("runs from 0 to");
        assertThat(cell(0)).isFocused();
    }

    @Test
    void aPastedColumnIsUndoneInOnePress() {
        today("G. Rustad");
        cell(0).focus();
        String first = row(cell(0)).locator("td").first().innerText().split(" ")[0];
        String second = row(cell(1)).locator("td").first().innerText().split(" ")[0];
        paste(first + "\n" + second + "\n");
        assertThat(cell(0)).hasValue(first);
        assertThat(cell(1)).hasValue(second);
        assertThat(page.getByText("2 scores pasted.")).isVisible();
        assertThat(page.getByText("Saving")).hasCount(0);
        button("Undo").click();
        assertThat(cell(0)).hasValue("");
        assertThat(cell(1)).hasValue("");
        assertThat(button("Undo")).hasCount(0);
        page.reload();
        assertThat(cell(1)).hasValue("");
    }

    @Test
    void ofNamesAndScoresTheScoreGoesToTheName() {
        today("T. Sato");
        cell(0).focus();
        Locator third = row(cell(2));
        String name = third.locator("th").innerText().split("\n")[0];
        String before = third.locator("td").first().innerText().split(" ")[0];
        paste("Name\tWords\nNobody Known\t50\n" + name.toUpperCase() + "\t" + before);
        assertThat(cell(2)).hasValue(before);
        assertThat(cell(0)).hasValue("");
        assertThat(page.getByText("1 score pasted by name. Not placed: Nobody Known.")).isVisible();
    }

    @Test
    void aDayIsChangedForOneAndReadsAsItIsWritten() {
        today("L. Iversen");
        Locator day = row(cell(2)).locator("td").last().locator("input");
        assertThat(day).hasValue("13 Mar 2026");
        day.fill("11/3");
        day.press("Tab");
        assertThat(day).hasValue("11 Mar 2026");
        keep(page, cell(2), "55");
        assertThat(page.getByText(Pattern.compile("Saved: .*: 55"))).isVisible();
        page.reload();
        assertThat(cell(2)).hasValue("");
        page.getByLabel("Date for all", new Page.GetByLabelOptions().setExact(true)).fill("2026-03-11");
        assertThat(cell(2)).hasValue("55");
        assertThat(cell(0)).hasValue("");
        page.getByLabel("Date for all", new Page.GetByLabelOptions().setExact(true)).fill("31.2.2026");
        assertEquals(false, page.getByLabel("Date for all", new Page.GetByLabelOptions().setExact(true)).evaluate("field => field.checkValidity()"));
    }

    @Test
    void somebodyElsesScoreIsNotOverwrittenUnasked() {
        today("B. Calder");
        everyone();
        Page colleague = another("A. Sandvik");
        colleague.navigate(page.url());
        for (int place : List.of(5, 6)) {
            keep(colleague, colleague.locator("[data-at='" + place + "']"), "71");
            assertThat(colleague.getByText(Pattern.compile("Saved: .*: 71"))).isVisible();
        }
        keep(page, cell(5), "74");
        keep(page, cell(6), "75");
        Locator refusal = page.getByRole(AriaRole.ALERT);
        assertThat(refusal).hasCount(2);
        assertThat(refusal.first()).containsText("Somebody else entered 71 here meanwhile. Yours was not saved.");
        refusal.getByText("Use mine (75)").click();
        assertThat(refusal).hasCount(1);
        refusal.getByText("Keep theirs (71)").click();
        assertThat(cell(5)).hasValue("71");
        assertThat(cell(6)).hasValue("75");
        assertThat(page.getByRole(AriaRole.ALERT)).hasCount(0);
        colleague.reload();
        assertThat(colleague.locator("[data-at='5']")).hasValue("71");
        assertThat(colleague.locator("[data-at='6']")).hasValue("75");
    }

    @Test
    void aScoreThatIsNoneIsToldInASentence() {
        today("I. Mensah");
        for (List<String> wrong : List.of(List.of("fast", "'fast' is not a score."), List.of("70 71 72 73", "Up to three forms count"),
                List.of("70.5", "is a whole number."), List.of("70 400", "runs from 0 to 250; 400 is outside."), List.of("250", "Sure? 250 is"))) {
            cell(0).fill(wrong.get(0));
            cell(0).press("Enter");
            assertThat(page.getByRole(AriaRole.ALERT)).containsText(wrong.get(1));
            assertThat(cell(0)).isFocused();
        }
        cell(0).press("Escape");
        assertThat(cell(0)).hasValue("");
        assertThat(page.getByRole(AriaRole.ALERT)).hasCount(0);
    }

    private Locator form(Page on) {
        return on.getByLabel("Form or passage", new Page.GetByLabelOptions().setExact(true));
    }

    /** A day of its own, on which no other test enters anything. */
    private void dateForAll(String day) {
        page.getByLabel("Date for all", new Page.GetByLabelOptions().setExact(true)).fill(day);
        page.getByLabel("Date for all", new Page.GetByLabelOptions().setExact(true)).press("Tab");
    }

    /** Goes to the strip of a day on which there is nothing yet. */
    private void on(String day, String written) {
        dateForAll(day);
        assertThat(page.getByRole(AriaRole.TABLE, new Page.GetByRoleOptions().setName("Oral reading, " + written))).isVisible();
        assertThat(page.getByText(Pattern.compile("Score 0 of"))).isVisible();
    }

    @Test
    void untilAnotherDayIsThereTheOneBeforeTakesNothing() {
        today("I. Mensah");
        List<Route> late = new ArrayList<>();
        page.route(Pattern.compile("/api/strip\\?.*day=2026-02-24"), late::add);
        dateForAll("24/2");
        Locator held = page.locator("[aria-busy=true] table");
        assertThat(held).isVisible();
        assertThat(held).hasAttribute("aria-label", "Oral reading, 13 Mar 2026");
        BoundingBox box = cell(0).boundingBox();
        page.mouse().click(box.x + box.width / 2, box.y + box.height / 2);
        page.keyboard().type(before(0));
        page.keyboard().press("Enter");
        page.unroute(Pattern.compile("/api/strip\\?.*day=2026-02-24"));
        late.forEach(Route::resume);
        assertThat(page.getByRole(AriaRole.TABLE, new Page.GetByRoleOptions().setName("Oral reading, 24 Feb 2026"))).isVisible();
        assertThat(page.locator("[aria-busy=true]")).hasCount(0);
        dateForAll("13/3");
        assertThat(page.getByRole(AriaRole.TABLE, new Page.GetByRoleOptions().setName("Oral reading, 13 Mar 2026"))).isVisible();
        assertThat(page.getByText(Pattern.compile("Score 0 of"))).isVisible();
    }

    private String before(int at) {
        return row(cell(at)).locator("td").first().innerText().split(" ")[0];
    }

    @Test
    void thePassageAllReadIsSaidOnceAndGoesWithEachScore() {
        today("I. Mensah");
        on("10/3", "10 Mar 2026");
        assertThat(page.getByText("If all read the same one, an easy or a hard one is not taken for growth.")).isVisible();
        form(page).fill("  The  gull ");
        assertThat(page.getByText("Goes with each score typed from now on.")).isVisible();
        page.reload();
        assertThat(form(page)).hasValue("  The  gull ");
        form(page).press("Enter");
        assertThat(cell(0)).isFocused();
        keep(page, cell(0), before(0));
        keep(page, cell(1), before(1));
        assertThat(page.getByText("Saving")).hasCount(0);
        assertThat(form(page)).hasValue("The gull");
        Page colleague = another("A. Sandvik");
        colleague.navigate(page.url());
        assertThat(form(colleague)).hasValue("The gull");
        form(colleague).fill("The ferry");
        form(colleague).press("Enter");
        assertThat(colleague.getByText("Saved for 2 scores.")).isVisible();
        page.reload();
        assertThat(form(page)).hasValue("The ferry");
        // Two who say something else at once are told apart, and made one in a press.
        form(page).fill("The mill");
        page.reload();
        assertThat(page.getByText("The ferry: 2.")).isVisible();
        keep(page, cell(2), before(2));
        assertThat(page.getByText("The ferry: 2, The mill: 1.")).isVisible();
        assertThat(row(cell(0))).containsText("The ferry");
        button("The mill for all 3").click();
        assertThat(page.getByText("Saved for 2 scores.")).isVisible();
        assertThat(row(cell(0))).not().containsText("The ferry");
        colleague.reload();
        assertThat(form(colleague)).hasValue("The mill");
    }

    @Test
    void aPassageSaidWithoutAConnectionIsSentOnceThereIsOne() {
        today("I. Mensah");
        on("3/3", "3 Mar 2026");
        keep(page, cell(0), before(0));
        assertThat(page.getByText(Pattern.compile("Saved: "))).isVisible();
        offline(true);
        form(page).fill("The gull");
        form(page).press("Enter");
        assertThat(page.getByText("Waiting for the connection; sent by itself.")).isVisible();
        offline(false);
        assertThat(page.getByText("Saved for 1 score.")).isVisible();
        page.reload();
        assertThat(form(page)).hasValue("The gull");
        // Nothing is known of it after all.
        form(page).fill("");
        form(page).press("Tab");
        assertThat(page.getByText("Saved for 1 score.")).isVisible();
        page.reload();
        assertThat(form(page)).hasValue("");
    }

    @Test
    void onAPhoneTheStripFits() {
        newPage(390, 780, ColorScheme.LIGHT);
        today("G. Rustad");
        assertEquals(true, page.evaluate("() => document.documentElement.scrollWidth <= innerWidth"));
        everyone();
        keep(page, cell(3), "58");
        assertThat(cell(4)).isFocused();
    }
}
