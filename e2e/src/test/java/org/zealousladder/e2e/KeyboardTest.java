package org.zealousladder.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Everything without a mouse; names hidden; small screens. */
class KeyboardTest extends BrowserTest {
    @Test
    void theGoToBoxFindsStudentsAndViews() {
        signIn("R. Oduya");
        page.keyboard().press("Control+k");
        page.keyboard().type("zuri");
        assertThat(page.getByRole(AriaRole.OPTION).first()).containsText("Zuri Halloran");
        page.keyboard().press("Enter");
        assertThat(heading("Zuri Halloran")).isVisible();
        page.keyboard().press("Control+k");
        page.keyboard().type("trends");
        page.keyboard().press("Enter");
        assertThat(page).hasURL(Pattern.compile(".*/trends.*"));
    }

    @Test
    void letterKeysLeadToTheViewsAndTheListTellsThem() {
        signIn("R. Oduya");
        page.keyboard().press("g");
        page.keyboard().press("l");
        assertThat(page).hasURL(Pattern.compile(".*/ladder.*"));
        page.keyboard().press("?");
        assertThat(dialog()).containsText("Keyboard shortcuts");
        page.keyboard().press("Escape");
        assertThat(dialog()).isHidden();
    }

    @Test
    void chartsAreWalkedWithArrowsAndAScoreIsEnteredWithoutAMouse() {
        signIn("R. Oduya");
        page.keyboard().press("g");
        page.keyboard().press("t");
        page.locator("button[data-chart]").first().focus();
        page.keyboard().press("ArrowRight");
        page.keyboard().press("ArrowDown");
        page.keyboard().press("ArrowLeft");
        String name = page.locator("button[data-chart]:focus").innerText().split("\n")[0];
        page.keyboard().press("Enter");
        assertThat(dialog()).containsText(name);
        page.keyboard().press("Escape");
        assertThat(dialog()).isHidden();
        assertThat(page).not().hasURL(Pattern.compile(".*open=.*"));
    }

    @Test
    void hiddenNamesAreNowhereOnTheScreen() {
        signIn("R. Oduya");
        page.keyboard().press("h");
        for (String view : new String[] {"Desk", "Ladder", "Trends"}) {
            view(view);
            assertThat(page.locator("a, button[data-chart]").filter(new Locator.FilterOptions().setHasText(Pattern.compile("^S10\\d\\d"))).first()).isVisible();
            assertThat(page.getByText("Sunniva")).hasCount(0);
            assertThat(page.locator("[aria-label*='Sunniva'], [title*='Sunniva']")).hasCount(0);
        }
        page.keyboard().press("h");
        assertThat(page.getByText("Sunniva Hale").first()).isVisible();
    }

    @Test
    void aPhoneShowsTheDeskWithoutSidewaysScrolling() {
        newPage(390, 844, ColorScheme.LIGHT);
        signIn("R. Oduya");
        assertThat(heading("Decide")).isVisible();
        for (String view : new String[] {"Desk", "Ladder", "Trends", "Records"}) {
            view(view);
            page.waitForLoadState(com.microsoft.playwright.options.LoadState.NETWORKIDLE);
            Object wide = page.evaluate("document.documentElement.scrollWidth - document.documentElement.clientWidth");
            org.junit.jupiter.api.Assertions.assertEquals(0, ((Number) wide).intValue(), view + " is wider than the phone");
        }
    }

    @Test
    void aLinkReopensTheSameThing() {
        signIn("R. Oduya");
        view("Trends");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Emre Castellan"))).click();
        assertThat(dialog()).containsText("Emre Castellan");
        String link = page.url();
        page.navigate(address + "/records");
        page.navigate(link);
        assertThat(dialog()).containsText("Emre Castellan");
    }

    /** Whoever works by keyboard is, after a dialog, where they were before it. */
    @Test
    void focusGoesBackAfterEveryKindOfDialog() {
        signIn("M. Tveit");
        choose("Kittiwake class");
        String[][] dialogs = {{"/setup/windows", "Add a window"}, {"/setup/windows", "Change Winter 2025-26"}, {"/setup/measures", "Change Maze"},
                {"/tiers", "Change the rule"}, {"/tiers", "Close the winter window"}, {"/plans", "Edit the strategies"}, {"/reading", "Levels and library"}};
        for (String[] d : dialogs) {
            page.navigate(address + d[0] + page.url().replaceAll("^[^?]*", ""));
            Locator opener = page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(d[1])).first();
            opener.focus();
            page.keyboard().press("Enter");
            assertThat(dialog()).isVisible();
            page.keyboard().press("Escape");
            assertThat(dialog()).hasCount(0);
            assertThat(opener).isFocused();
        }
        view("Desk");
        Locator decide = page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Set aside")).first();
        decide.focus();
        page.keyboard().press("Enter");
        assertThat(dialog()).isVisible();
        page.keyboard().press("Escape");
        assertThat(decide).isFocused();
        page.keyboard().press("Control+k");
        assertThat(dialog()).isVisible();
        page.keyboard().press("Escape");
        assertThat(decide).isFocused();
    }
}
