package org.zealousladder.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.LoadState;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Cut scores: drawn and typed, with a preview before anything is saved; teachers only look. */
class CutsTest extends BrowserTest {
    private Locator rung(String band) {
        return page.getByRole(AriaRole.SLIDER, new Page.GetByRoleOptions().setName(band + " begins at"));
    }

    private Locator typed(String band) {
        return page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName(band + " begins at"));
    }

    private void newSet(String name) {
        signIn("M. Tveit");
        view("Setup");
        button("New set").click();
        page.getByLabel("Name of the new set").fill(name);
        button("Make the set").click();
        assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^" + name)))).hasAttribute("aria-pressed", "true");
        assertThat(rung("Secure")).isVisible();
    }

    @Test
    void aRungIsDraggedAndTheNumberFollows() {
        newSet("Dragged");
        int before = Integer.parseInt(rung("Secure").getAttribute("aria-valuenow"));
        // What comes late moves the page under the hand: it waits for that, and until the rung stands still.
        page.waitForLoadState(LoadState.NETWORKIDLE);
        rung("Secure").hover();
        BoundingBox box = rung("Secure").boundingBox();
        page.mouse().down();
        page.mouse().move(box.x + box.width / 2, box.y - 40, new com.microsoft.playwright.Mouse.MoveOptions().setSteps(6));
        page.mouse().up();
        // The page follows a moment later.
        assertThat(typed("Secure")).not().hasValue(Integer.toString(before));
        int after = Integer.parseInt(rung("Secure").getAttribute("aria-valuenow"));
        assertThat(typed("Secure")).hasValue(Integer.toString(after));
        assertEquals(true, after > before + 3, before + " to " + after);
        assertThat(page.getByText("would stand in another band")).isVisible();
        button("Put them back").click();
        assertThat(typed("Secure")).hasValue(Integer.toString(before));
    }

    @Test
    void aChangeIsPreviewedSavedAndKept() {
        newSet("Previewed");
        int before = Integer.parseInt(typed("Secure").inputValue());
        rung("Secure").focus();
        for (int i = 0; i < 5; i++) {
            page.keyboard().press("ArrowUp");
        }
        assertThat(typed("Secure")).hasValue(Integer.toString(before + 5));
        Locator pick = page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Pick the \\d+ who would move")));
        assertThat(pick).isVisible();
        int movers = Integer.parseInt(pick.innerText().replaceAll("\\D+", ""));
        pick.click();
        assertThat(picked()).containsText(movers + " picked");
        page.getByLabel("Why they change").fill("agreed in the team");
        button("Save the cut scores").click();
        assertThat(page.getByText("by M. Tveit: agreed in the team.")).isVisible();
        button("Read scores by Previewed from today on").click();
        assertThat(dialog()).containsText("students would be read differently");
        assertThat(dialog().getByText(Pattern.compile("^Oral reading, Winter: \\d+, Secure becomes \\d+, Within reach")).first()).isVisible();
        page.getByLabel("Why it changes").fill("the team tries it");
        button("Read scores by Previewed").click();
        assertThat(dialog()).hasCount(0);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Take back: Scores were read by"))).first().click();
        assertThat(dialog()).containsText("they are now read by Local cut scores");
        page.getByLabel("Why it is taken back").fill("tried");
        button("Take it back").click();
        assertThat(dialog()).hasCount(0);
        assertThat(page.getByText("M. Tveit, taken back: tried")).isVisible();
        page.reload();
        assertThat(typed("Secure")).hasValue(Integer.toString(before + 5));
    }

    @Test
    void cutScoresOutOfOrderCannotBeSaved() {
        newSet("Disordered");
        typed("Within reach").fill("240");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("The cut scores are out of order");
        assertThat(button("Save the cut scores")).isDisabled();
        typed("Within reach").fill("900");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("runs from 0 to 250");
        button("Put them back").click();
        button("Split Secure in two").click();
        page.getByLabel("Name of band 4").fill("Far ahead");
        assertThat(button("Save the cut scores")).isEnabled();
        assertThat(page.getByLabel("What it would do")).containsText("Far ahead");
    }

    @Test
    void aTeacherLooksAndCannotChange() {
        signIn("N. Haddad");
        view("Setup");
        assertThat(page.getByText("You can look at these cut scores")).isVisible();
        assertThat(page.getByRole(AriaRole.SLIDER)).hasCount(0);
        assertThat(page.getByLabel("Name of band 1")).not().isEditable();
        assertThat(button("New set")).hasCount(0);
        assertThat(button("Split Secure in two")).hasCount(0);
        subView("Setup", "Windows");
        assertThat(page.getByText("Windows are changed by administrators.")).isVisible();
        assertThat(button("Add a window")).hasCount(0);
    }

    @Test
    void anAdministratorAddsAWindowThatFits() {
        signIn("A. Sandvik");
        subView("Setup", "Windows");
        button("Add a window").click();
        page.getByLabel("Name").fill("Extra");
        page.getByLabel("First day").fill("2026-05-01");
        page.getByLabel("Last day").fill("2026-05-06");
        assertThat(page.getByText("It would overlap Spring, 4 May 2026 to 15 May 2026. Nothing was saved.")).isVisible();
        assertThat(button("Save the window")).isDisabled();
        page.getByLabel("First day").fill("2026-06-08");
        page.getByLabel("Last day").fill("2026-06-12");
        assertThat(dialog()).containsText("Extra 2025-26, 8 Jun 2026 to 12 Jun 2026, was added.");
        page.getByLabel("Why it changes").fill("one more look before summer");
        button("Save the window").click();
        assertThat(dialog()).hasCount(0);
        assertThat(page.getByRole(AriaRole.CELL, new Page.GetByRoleOptions().setName("Extra").setExact(true))).isVisible();
        assertThat(page.getByText("A. Sandvik: one more look before summer")).isVisible();
        button("Delete Winter 2025-26").click();
        assertThat(dialog()).containsText("There are scores on the days of Winter, so it cannot be deleted.");
        assertThat(button("Delete the window")).isDisabled();
        page.keyboard().press("Escape");
        button("Delete Extra 2025-26").click();
        page.getByLabel("Why it changes").fill("not this year");
        button("Delete the window").click();
        assertThat(dialog()).hasCount(0);
        assertThat(page.getByRole(AriaRole.CELL, new Page.GetByRoleOptions().setName("Extra").setExact(true))).hasCount(0);
    }

    /** Where nobody has published cut scores, the school's own scores give the first ones; nothing is saved by drawing them. */
    @Test
    void cutsAreDrawnAtTheSchoolsOwnPercentiles() {
        signIn("M. Tveit");
        view("Setup");
        Locator secure = typed("Secure");
        String before = secure.inputValue();
        page.getByLabel("Secure begins at percentile").selectOption("20");
        assertThat(page.getByText("Each band begins above the one before it.")).isVisible();
        assertThat(button("Draw them there")).isDisabled();
        page.getByLabel("Secure begins at percentile").selectOption("50");
        button("Draw them there").click();
        assertThat(secure).not().hasValue(before);
        assertThat(page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("What it would do"))).containsText("would stand in another band");
        button("Put them back").click();
        assertThat(secure).hasValue(before);
    }
}
