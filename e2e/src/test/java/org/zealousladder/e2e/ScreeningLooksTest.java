package org.zealousladder.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.Media;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Screening on a phone, on paper, on a wall with names hidden, and when something cannot be had. */
class ScreeningLooksTest extends BrowserTest {
    /** What stands over the page's edge, is to be scrolled sideways within it, or is drawn in letters too small to read. */
    private static final String UNFIT = """
            () => {
              const found = [];
              const over = document.documentElement.scrollWidth - window.innerWidth;
              if (over > 0) found.push(over + ' px over the edge');
              for (const e of document.querySelectorAll('#view *')) {
                if (['auto', 'scroll'].includes(getComputedStyle(e).overflowX) && e.scrollWidth > e.clientWidth + 1)
                  found.push('scrolled by ' + (e.scrollWidth - e.clientWidth) + ' px: ' + e.textContent.slice(0, 30));
              }
              for (const t of document.querySelectorAll('#view svg text')) {
                const scale = t.ownerSVGElement.getBoundingClientRect().width / t.ownerSVGElement.viewBox.baseVal.width;
                const size = parseFloat(getComputedStyle(t).fontSize) * scale;
                if (size < 7) found.push(t.textContent + ' in ' + size.toFixed(1) + ' px');
              }
              return found;
            }""";

    /** Two tables have as many columns as there are measures, and scroll within themselves. */
    private static final Set<String> WIDE = Set.of("/entry", "/table", "/engagement/attendance", "/engagement/habits", "/engagement/work");

    @ParameterizedTest
    @ValueSource(ints = {320, 390})
    void onAPhoneEverythingFitsAndCanBeRead(int width) {
        newPage(width, 700, ColorScheme.LIGHT);
        signIn("R. Oduya");
        page.navigate(address + "/tiers");
        String student = page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Idris Falk")).first().getAttribute("href");
        Map<String, Object> unfit = new TreeMap<>();
        for (String path : List.of("/desk", "/coverage", "/entry", "/table", "/tiers", "/report", "/ladder", "/ladder?seasons=4", "/ladder?sheet=numbers",
                "/trends", "/setup/cuts", "/setup/windows", "/setup/measures", "/setup/norms", "/strip", "/reading", "/plans", "/meeting", "/records",
                "/setup/classes", "/setup/calendar", "/setup/rules", "/engagement", "/engagement/habits", "/engagement/effort", "/engagement/attendance",
                "/engagement/work", "/contacts", "/setup/texts", "/setup/marks", student)) {
            // As a link would lead there: without loading everything anew.
            page.evaluate("path => { history.pushState({}, '', path); dispatchEvent(new PopStateEvent('popstate', { state: {} })); }", path);
            assertThat(page.locator("#view").getByRole(AriaRole.HEADING).first()).isVisible();
            page.waitForFunction("() => ![...document.querySelectorAll('#view [role=status]')].some(s => s.textContent.endsWith('...'))");
            page.waitForTimeout(150);
            List<?> found = (List<?>) page.evaluate(UNFIT);
            if (!found.isEmpty() && !(WIDE.contains(path) && found.stream().allMatch(f -> f.toString().startsWith("scrolled")))) {
                unfit.put(path, found);
            }
        }
        assertEquals(Map.of(), unfit);
    }

    @Test
    void withNamesHiddenNoPageShowsOne() {
        signIn("R. Oduya");
        assertThat(heading("Decide")).isVisible();
        button("Hide names").click();
        for (String path : List.of("Coverage", "Enter scores", "Table", "Tiers", "Report")) {
            subView("Screening", path);
            assertThat(page.getByRole(AriaRole.HEADING).first()).isVisible();
            assertThat(page.getByText(Pattern.compile("S10\\d\\d")).first()).isVisible();
            String shown = page.locator("main").innerText();
            for (String name : List.of("Oskar Vane", "Sunniva", "Hale", "Idris Falk")) {
                assertTrue(!shown.contains(name), name + " on " + path);
            }
        }
    }

    @Test
    void onPaperTheListsAreWholeAndTheControlsAreGone() {
        signIn("M. Tveit");
        subView("Screening", "Table");
        choose("Skerrow Island School");
        assertThat(heading("All 149 students")).isVisible();
        page.emulateMedia(new Page.EmulateMediaOptions().setMedia(Media.PRINT));
        assertThat(page.locator("tbody tr[aria-rowindex]")).hasCount(149);
        assertThat(button("Export as CSV")).not().isVisible();
        page.emulateMedia(new Page.EmulateMediaOptions().setMedia(Media.SCREEN));
        subView("Screening", "Coverage");
        assertThat(page.getByText("Still to be tested")).isVisible();
        page.emulateMedia(new Page.EmulateMediaOptions().setMedia(Media.PRINT));
        assertThat(page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Views"))).not().isVisible();
        assertThat(button("Set the day")).not().isVisible();
        assertThat(page.getByText("Oskar Vane")).isVisible();
    }

    @Test
    void anErrorSaysWhatToDoAndTryingAgainHelps() {
        signIn("R. Oduya");
        page.route("**/api/coverage?**", r -> r.abort());
        view("Screening");
        Locator failed = page.getByRole(AriaRole.ALERT);
        assertThat(failed).containsText("The server cannot be reached.",
                new com.microsoft.playwright.assertions.LocatorAssertions.ContainsTextOptions().setTimeout(20_000));
        page.unroute("**/api/coverage?**");
        button("Try again").click();
        assertThat(page.getByText("Still to be tested")).isVisible();
    }

    @Test
    void aLinkOpensTheSameWindowAndBackWorks() {
        signIn("R. Oduya");
        view("Screening");
        page.getByLabel("Window").selectOption("Autumn");
        assertThat(heading("Autumn screening")).isVisible();
        subView("Screening", "Report");
        assertThat(page.getByText("autumn screening, 8 Sep to 19 Sep 2025")).isVisible();
        String link = page.url();
        page.goBack();
        assertThat(heading("Autumn screening")).isVisible();
        page.navigate(link);
        assertThat(page.getByText("autumn screening, 8 Sep to 19 Sep 2025")).isVisible();
        assertEquals("Autumn", page.getByLabel("Window").evaluate("s => s.selectedOptions[0].text"));
    }

    @Test
    void aWindowThatHasNotBegunSaysSo() {
        signIn("R. Oduya");
        subView("Screening", "Enter scores");
        assertThat(page.locator("[data-at='0/0']")).isEditable();
        page.getByLabel("Window").selectOption("Spring");
        assertThat(page.getByText("The spring window has not begun.")).isVisible();
        assertThat(page.locator("[data-at='0/0']")).not().isEditable();
        subView("Screening", "Report");
        assertThat(page.getByText("No scores in this window yet")).isVisible();
    }
}
