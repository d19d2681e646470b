package org.zealousladder.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.google.gson.JsonObject;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.zealousladder.standins.SignInStandIn;
import org.zealousladder.standins.SignInStandIn.Person;

/** Signing in without a password: by a key that the device keeps, and by the school's own sign-in. */
class OtherWaysInTest extends BrowserTest {
    /** A device of the browser's own that lets its owner be whoever is asked for. */
    private void device() {
        CDPSession session = page.context().newCDPSession(page);
        session.send("WebAuthn.enable");
        JsonObject options = new JsonObject();
        options.addProperty("protocol", "ctap2");
        options.addProperty("transport", "internal");
        options.addProperty("hasResidentKey", true);
        options.addProperty("hasUserVerification", true);
        options.addProperty("isUserVerified", true);
        options.addProperty("automaticPresenceSimulation", true);
        JsonObject all = new JsonObject();
        all.add("options", options);
        session.send("WebAuthn.addVirtualAuthenticator", all);
    }

    private Locator field(String label) {
        return dialog().getByLabel(label, new Locator.GetByLabelOptions().setExact(true));
    }

    private void account(String name) {
        button(name).click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Your account")).click();
        assertThat(dialog()).containsText("Where you are signed in");
    }

    @Test
    void aPasskeyIsMadeLetsInAndIsTakenAway() {
        // A passkey belongs to a name, not to a number.
        address = address.replace("127.0.0.1", "localhost");
        device();
        signIn("T. Sato");
        account("T. Sato");
        button("Make a passkey").click();
        field("Name of the device").fill("School laptop");
        dialog().getByRole(AriaRole.REGION, new Locator.GetByRoleOptions().setName("Passkeys")).getByLabel("Present password").fill("not the one");
        button("Make the passkey").click();
        assertThat(dialog()).containsText("That is not your present password. Nothing was changed.");
        dialog().getByRole(AriaRole.REGION, new Locator.GetByRoleOptions().setName("Passkeys")).getByLabel("Present password").fill("skerrow-ferry-tide");
        button("Make the passkey").click();
        assertThat(dialog()).containsText("School laptop");
        assertThat(dialog()).containsText("not used yet");
        page.keyboard().press("Escape");
        signOut("T. Sato");

        button("Use a passkey").click();
        assertThat(heading("Decide")).isVisible();
        assertThat(button("T. Sato")).isVisible();
        account("T. Sato");
        assertThat(dialog()).containsText("last used");
        button("Take away the passkey School laptop").click();
        assertThat(dialog().getByText("School laptop")).hasCount(0);
        page.keyboard().press("Escape");
        signOut("T. Sato");
        button("Use a passkey").click();
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("That passkey is not known here");
    }

    @Test
    void theSchoolsOwnSignInLetsInWhomItKnows() throws Exception {
        try (SignInStandIn school = new SignInStandIn(0, List.of(new Person("one", "R. Oduya", "r.oduya@skerrow.example", true),
                new Person("two", "Somebody unknown", "nobody@elsewhere.example", true)))) {
            address = DemoServer.get().beside(Map.of("LADDER_OIDC_ISSUER", school.issuer(), "LADDER_OIDC_CLIENT", SignInStandIn.CLIENT, "LADDER_OIDC_SECRET",
                    SignInStandIn.SECRET, "LADDER_OIDC_NAME", "Skerrow sign-in", "LADDER_OIDC_ADDRESS", "http://127.0.0.1:{port}"));
            page.navigate(address + "/");
            page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Sign in by Skerrow sign-in")).click();
            page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Somebody unknown")).click();
            assertThat(page.getByText("Nobody here has the e-mail address nobody@elsewhere.example")).isVisible();
            page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Go on to Zealous Ladder")).click();
            page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Sign in by Skerrow sign-in")).click();
            page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("R. Oduya")).click();
            page.waitForURL(Pattern.compile(".*/desk.*"));
            assertThat(heading("Decide")).isVisible();
            assertThat(button("R. Oduya")).isVisible();
        }
    }
}
