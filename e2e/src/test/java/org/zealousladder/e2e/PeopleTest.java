package org.zealousladder.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.junit.jupiter.api.Test;

/** Somebody is invited, sets a password, signs in, and has the account ended. */
class PeopleTest extends BrowserTest {
    private Locator row(String name) {
        return page.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText(name));
    }

    @Test
    void fromTheInvitationToTheEndOfTheAccount() {
        signIn("A. Sandvik");
        view("Records");
        subView("Records", "People");
        button("Invite somebody").click();
        dialog().getByLabel("Name", new Locator.GetByLabelOptions().setExact(true)).fill("Astrid Ødegård");
        assertThat(dialog().getByLabel("Sign-in name")).hasValue("a.odegard");
        dialog().getByLabel("Sign-in name").fill("r.oduya");
        button("Make the account").click();
        assertThat(dialog()).containsText("There is somebody with the sign-in name 'r.oduya' already. Choose another.");
        dialog().getByLabel("Sign-in name").fill("a.odegard");
        button("Make the account").click();
        assertThat(dialog()).containsText("A link for Astrid Ødegård");
        String link = dialog().getByLabel("Link").innerText();
        assertTrue(link.startsWith(address + "/join#"), link);
        page.keyboard().press("Escape");
        assertThat(row("Astrid Ødegård")).containsText("no password yet, link until");

        Page theirs = another("R. Oduya");
        theirs.context().clearCookies();
        theirs.navigate(link);
        assertThat(theirs.getByText("You sign in as a.odegard.")).isVisible();
        theirs.getByLabel("Password").fill("password123");
        theirs.getByLabel("Once more").fill("password123");
        theirs.getByText("Set the password").click();
        assertThat(theirs.getByText("That is among the first passwords that are tried.")).isVisible();
        theirs.getByLabel("Password").fill("otter lamp sixteen rafts");
        theirs.getByLabel("Once more").fill("otter lamp sixteen rafts");
        theirs.getByText("Set the password").click();
        assertThat(theirs.getByText("Your password is set.")).isVisible();
        theirs.getByText("Sign in", new Page.GetByTextOptions().setExact(true)).click();
        theirs.getByLabel("Sign-in name").fill("a.odegard");
        theirs.getByLabel("Password").fill("otter lamp sixteen rafts");
        theirs.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Sign in")).click();
        assertThat(theirs.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Astrid Ødegård"))).isVisible();
        theirs.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Desk")).click();
        assertThat(theirs.getByText("There are no classes here yet")).isVisible();

        page.reload();
        assertThat(row("Astrid Ødegård")).not().containsText("link until");
        button("End the account of Astrid Ødegård").click();
        assertThat(row("Astrid Ødegård")).containsText("account ended");
        theirs.reload();
        assertThat(theirs.getByLabel("Sign-in name")).isVisible();
        page.getByLabel("Find").fill("nobody like that");
        assertThat(heading("Nobody of that name")).isVisible();
    }
}
