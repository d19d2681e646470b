package org.zealousladder.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Two sides beside each other, and a class year over year. */
class ComparePageTest extends BrowserTest {
    private Locator row(String what) {
        return page.getByRole(AriaRole.ROW)
                .filter(new Locator.FilterOptions().setHas(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(what))));
    }

    @Test
    void twoSpansOfAClassAndWhatIsBehindARow() {
        signIn("R. Oduya");
        subView("Find", "Compare");
        assertThat(page.getByText("The same students stand on both sides")).isVisible();
        Locator oral = row("Oral reading, latest");
        assertThat(oral).containsText("of 20 students");
        String before = oral.innerText();
        // Other days, chosen by keyboard from the sentence.
        Locator days = page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("First: days"));
        days.press("Enter");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^2024–25"))).press("Enter");
        assertThat(days).isFocused();
        assertThat(days).containsText("to");
        assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("First: days: .*2024 to .*2025")))).isVisible();
        assertThat(oral).not().containsText(before.split("\\n")[1]);
        page.goBack();
        assertThat(oral).containsText("of 20 students");
        // What the counts settle stands out, and leads to who and what is behind it.
        row("Oral reading, latest").getByRole(AriaRole.BUTTON).click();
        Locator behind = page.getByRole(AriaRole.TABLE).filter(new Locator.FilterOptions().setHasText("Pick them")).last();
        assertThat(behind.getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("Zuri Halloran"))).isVisible();
        assertThat(page.getByRole(AriaRole.TABLE).filter(new Locator.FilterOptions().setHasText("on record")).last()).containsText("second");
        page.reload();
        assertThat(behind).isVisible();
        behind.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Pick them")).click();
        assertThat(picked()).containsText("picked");
        button("Swap").click();
        assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^First: days: 1 Jan 2026")))).isVisible();
    }

    @Test
    void twoWhoArePicked() {
        signIn("R. Oduya");
        view("Engagement");
        for (String name : new String[] {"Zuri Halloran", "Caspian Ng"}) {
            page.getByLabel("Pick " + name).check();
        }
        assertThat(picked()).containsText("2 picked");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Compare").setExact(true)).last().click();
        Locator sentence = page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("whose: (Zuri Halloran|Caspian Ng)")));
        assertThat(sentence).hasCount(2);
        assertThat(row("Oral reading").last()).containsText("Needs a lift");
        // Names that are hidden are hidden here, too.
        button("Hide names").click();
        assertThat(page.locator("#view")).not().containsText("Zuri");
        button("Show names").click();
        assertThat(sentence).hasCount(2);
    }

    @Test
    void aClassYearOverYear() {
        signIn("M. Tveit");
        choose("Kittiwake class");
        subView("Find", "Compare");
        button("A class year over year instead").click();
        assertThat(heading("Year over year")).isVisible();
        Locator rows = page.getByRole(AriaRole.TABLE).getByRole(AriaRole.ROW);
        assertThat(rows.nth(1)).containsText("Kittiwake class");
        assertThat(rows.nth(1)).containsText("R. Oduya");
        assertEquals(5, rows.count(), "two classes of the grade in each of two years, and the heads");
        String winter = rows.nth(1).innerText();
        page.getByLabel("in the screening of").selectOption("Autumn");
        assertThat(rows.nth(1)).not().hasText(winter);
        assertTrue(page.url().contains("season=Autumn"));
    }
}
