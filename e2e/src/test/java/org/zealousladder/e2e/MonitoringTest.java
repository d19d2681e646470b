package org.zealousladder.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** The score strip, charts and the meeting, in Guillemot and Gannet, which other tests leave alone. */
class MonitoringTest extends BrowserTest {
    private Locator cell(int row) {
        return page.locator("[data-at='" + row + "']");
    }

    private Locator row(Locator cell) {
        return page.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHas(cell));
    }

    private void strip(String teacher) {
        signIn(teacher);
        subView("Trends", "Weekly scores");
        assertThat(cell(0)).isVisible();
    }

    @Test
    void aClassIsEnteredByKeyboardAlone() {
        strip("N. Haddad");
        button("Everyone").click();
        int n = page.locator("[data-at]").count();
        assertTrue(n >= 20, "the whole class");
        cell(0).focus();
        for (int i = 0; i < n; i++) {
            page.keyboard().type(i == 2 ? "a" : i == 3 ? "70 81 76" : Integer.toString(60 + i));
            page.keyboard().press("Enter");
        }
        assertThat(page.getByText("Score " + n + " of " + n)).isVisible();
        assertThat(cell(2)).hasValue("absent");
        assertThat(row(cell(3))).containsText("median 76");
        button("Undo").click();
        assertThat(cell(n - 1)).hasValue("");
        page.reload();
        button("Everyone").click();
        assertThat(cell(0)).hasValue("60");
        assertThat(cell(n - 1)).hasValue("");
        cell(0).fill("999");
        cell(0).press("Enter");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("runs from 0 to");
        assertThat(cell(0)).isFocused();
    }

    @Test
    void aColumnIsPastedAndADayChangedForOne() {
        strip("G. Rustad");
        cell(0).focus();
        page.evaluate("""
                () => {
                  const data = new DataTransfer();
                  data.setData('text', '61\\n62\\tx\\n');
                  document.activeElement.dispatchEvent(new ClipboardEvent('paste', {clipboardData: data, bubbles: true, cancelable: true}));
                }""");
        assertThat(cell(0)).hasValue("61");
        assertThat(cell(1)).hasValue("62");
        assertThat(page.getByText("2 lines pasted")).isVisible();
        Locator day = row(cell(2)).locator("input[type=date]");
        day.fill("2026-03-11");
        cell(2).fill("55");
        cell(2).press("Enter");
        assertThat(page.getByText(Pattern.compile("Saved: .*: 55"))).isVisible();
        page.reload();
        assertThat(cell(0)).hasValue("61");
        assertThat(cell(2)).hasValue("");
        page.getByLabel("Date for all").fill("2026-03-11");
        assertThat(cell(2)).hasValue("55");
        assertThat(cell(0)).hasValue("");
    }

    @Test
    void withoutAConnectionScoresWaitAndAreSentLater() {
        strip("I. Mensah");
        offline(true);
        cell(0).fill("77");
        cell(0).press("Enter");
        assertThat(page.getByText("1 score waiting for the connection")).isVisible();
        assertThat(cell(0)).hasValue("77");
        String kept = (String) page
                .evaluate("() => Object.keys(localStorage).filter(k => k.startsWith('ladder-waiting')).map(k => localStorage.getItem(k)).join()");
        assertTrue(kept.contains("77"), "kept on this device");
        offline(false);
        assertThat(page.getByText("waiting for the connection")).hasCount(0);
        page.waitForFunction("() => !Object.keys(localStorage).some(k => k.startsWith('ladder-waiting'))");
        page.reload();
        assertThat(cell(0)).hasValue("77");
    }

    @Test
    void onAPhoneTheStripFits() {
        newPage(390, 780, ColorScheme.LIGHT);
        strip("G. Rustad");
        assertEquals(true, page.evaluate("() => document.documentElement.scrollWidth <= innerWidth"));
        button("Everyone").click();
        cell(3).fill("58");
        cell(3).press("Enter");
        assertThat(cell(4)).isFocused();
    }

    @Test
    void theTeamStepsThroughTheMeetingAndDecidesAsItGoes() {
        signIn("N. Haddad");
        subView("Trends", "Meeting");
        Locator agenda = page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Agenda"));
        assertThat(agenda).containsText(Pattern.compile("^1 of \\d+"));
        String first = page.getByRole(AriaRole.ARTICLE).getAttribute("aria-label");
        page.keyboard().press("ArrowRight");
        assertThat(agenda).containsText(Pattern.compile("^2 of \\d+"));
        String second = page.getByRole(AriaRole.ARTICLE).getAttribute("aria-label");
        assertTrue(!first.equals(second));
        page.keyboard().press("ArrowLeft");
        assertThat(page.getByRole(AriaRole.ARTICLE)).hasAttribute("aria-label", first);
        button("Hold course").click();
        dialog().getByLabel("Why").fill("Was away for two weeks");
        page.keyboard().press("ArrowRight");
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Record")).click();
        assertThat(page.getByRole(AriaRole.ARTICLE, new Page.GetByRoleOptions().setName(first)))
                .containsText("Held course on 13 Mar 2026 by N. Haddad: Was away for two weeks.");
        page.emulateMedia(new Page.EmulateMediaOptions().setMedia(com.microsoft.playwright.options.Media.PRINT));
        assertThat(page.getByRole(AriaRole.ARTICLE).nth(1)).isVisible();
        assertThat(page.getByRole(AriaRole.ARTICLE).first()).containsText("Notes");
    }

    @Test
    void chartsAreFilteredSetSideBySideAndComparedOverDays() {
        signIn("N. Haddad");
        view("Trends");
        Locator charts = page.locator("button[data-chart]");
        assertThat(charts.first()).isVisible();
        int all = charts.count();
        page.getByLabel("Plan", new Page.GetByLabelOptions().setExact(true)).selectOption("without a plan");
        assertThat(page).hasURL(Pattern.compile("plan=without"));
        assertThat(charts).not().hasCount(all);
        page.getByLabel("Plan", new Page.GetByLabelOptions().setExact(true)).selectOption("with or without");
        button("Side by side").click();
        assertThat(page.getByLabel("On the left")).isVisible();
        assertThat(page.locator("main svg[role=img]")).hasCount(2);
        button("First, best, latest").click();
        assertThat(page.getByRole(AriaRole.COLUMNHEADER, new Page.GetByRoleOptions().setName("First to best"))).isVisible();
        page.getByLabel("from", new Page.GetByLabelOptions().setExact(true)).fill("2026-03-01");
        assertThat(page.getByText("without a score then")).isVisible();
    }

    @Test
    void aRuleIsChangedWithItsEffectInSight() {
        signIn("A. Sandvik");
        choose("Skerrow Island School");
        subView("Setup", "Measures");
        button("Change the rule of Oral reading").click();
        assertThat(dialog()).containsText(Pattern.compile("None of the \\d+ monitored students? in view"));
        dialog().getByLabel("Too soon before this many scores").fill("40");
        assertThat(dialog()).containsText(Pattern.compile("\\d+ of \\d+ monitored students in view would have another proposal"));
        assertThat(dialog()).containsText("becomes too soon to tell");
    }
}
