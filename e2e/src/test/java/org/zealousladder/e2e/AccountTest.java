package org.zealousladder.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** One's own password, and where one is signed in. */
class AccountTest extends BrowserTest {
    private void openAccount(String name) {
        button(name).click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Your account")).click();
        assertThat(dialog()).containsText("Where you are signed in");
    }

    private Locator field(String label) {
        return dialog().getByLabel(label, new Locator.GetByLabelOptions().setExact(true));
    }

    @Test
    void aNewPasswordCountsAtOnceAndSignsTheOthersOut() {
        Page other = another("L. Iversen");
        signIn("L. Iversen");
        openAccount("L. Iversen");
        assertThat(dialog().getByRole(AriaRole.LISTITEM)).hasCount(2);
        assertThat(dialog().getByRole(AriaRole.LISTITEM).first()).containsText(Pattern.compile("Chrome on Linux, here"));

        field("Present password").fill("not the one");
        field("New password").fill("a boat, a bell, a gull");
        field("Once more").fill("a boat, a bell");
        assertThat(dialog()).containsText("The two are not the same yet.");
        assertThat(button("Change the password")).isDisabled();
        field("Once more").fill("a boat, a bell, a gull");
        button("Change the password").click();
        assertThat(dialog()).containsText("That is not your present password. Nothing was changed.");
        field("Present password").fill("skerrow-ferry-tide");
        button("Change the password").click();
        assertThat(dialog()).containsText("Your password is changed. Wherever else you were signed in, you no longer are.");
        assertThat(dialog().getByRole(AriaRole.LISTITEM)).hasCount(1);
        // Nothing is left in the form that could be lost.
        page.keyboard().press("Escape");
        assertThat(dialog()).hasCount(0);
        assertThat(button("L. Iversen")).isFocused();

        other.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Ladder")).click();
        assertThat(other.getByRole(AriaRole.DIALOG)).containsText("Sign in to go on");

        signOut("L. Iversen");
        page.getByLabel("Sign-in name").fill("l.iversen");
        page.getByLabel("Password").fill("a boat, a bell, a gull");
        button("Sign in").click();
        assertThat(heading("Decide")).isVisible();
    }

    @Test
    void sessionsAreEndedOneByOneAndAfterHalfAnHourForWhoWantsSo() {
        another("G. Rustad");
        another("G. Rustad");
        signIn("G. Rustad");
        openAccount("G. Rustad");
        assertThat(dialog().getByRole(AriaRole.LISTITEM)).hasCount(3);
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^Sign out Chrome"))).first().click();
        assertThat(dialog().getByRole(AriaRole.LISTITEM)).hasCount(2);
        button("Sign out everywhere but here").click();
        assertThat(dialog().getByRole(AriaRole.LISTITEM)).hasCount(1);
        assertThat(button("Sign out everywhere but here")).hasCount(0);
        Locator idle = dialog().getByLabel("Sign me out after half an hour in which nothing is done");
        idle.check();
        page.reload();
        openAccount("G. Rustad");
        assertThat(idle).isChecked();
    }
}
