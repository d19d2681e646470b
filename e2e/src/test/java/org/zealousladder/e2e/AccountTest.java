package org.zealousladder.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.math.BigInteger;
import java.nio.ByteBuffer;
import java.security.GeneralSecurityException;
import java.util.regex.Pattern;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import org.junit.jupiter.api.Test;

/** One's own password, and where one is signed in. */
class AccountTest extends BrowserTest {
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

    /** What an authenticator shows (RFC 6238); each code counts once, so that the next one is {@code later}. */
    private static String code(String secret, int later) throws GeneralSecurityException {
        BigInteger bits = BigInteger.ZERO;
        for (char c : secret.toCharArray()) {
            bits = bits.shiftLeft(5).or(BigInteger.valueOf("ABCDEFGHIJKLMNOPQRSTUVWXYZ234567".indexOf(c)));
        }
        byte[] key = new byte[20];
        byte[] found = bits.toByteArray();
        System.arraycopy(found, Math.max(0, found.length - 20), key, Math.max(0, 20 - found.length), Math.min(20, found.length));
        Mac mac = Mac.getInstance("HmacSHA1");
        mac.init(new SecretKeySpec(key, "HmacSHA1"));
        byte[] hash = mac.doFinal(ByteBuffer.allocate(8).putLong(System.currentTimeMillis() / 30_000 + later).array());
        return String.format("%06d", (ByteBuffer.wrap(hash, hash[19] & 15, 4).getInt() & 0x7fffffff) % 1_000_000);
    }

    @Test
    void aSecondStepIsAskedForOnceItIsSetUpAndTakenAway() throws GeneralSecurityException {
        signIn("N. Haddad");
        openAccount("N. Haddad");
        Locator step = dialog().getByRole(AriaRole.REGION, new Locator.GetByRoleOptions().setName("A second step at sign-in"));
        button("Set up a second step").click();
        assertThat(step.getByLabel("Present password")).isFocused();
        step.getByLabel("Present password").fill("wrong");
        button("Set it up").click();
        assertThat(step).containsText("That is not your present password. Nothing was changed.");
        step.getByLabel("Present password").fill("skerrow-ferry-tide");
        button("Set it up").click();
        assertThat(step.getByRole(AriaRole.IMG)).isVisible();
        String secret = step.locator("p").filter(new Locator.FilterOptions().setHasText(Pattern.compile("^([A-Z2-7]{4} ){7}[A-Z2-7]{4}$"))).innerText()
                .replace(" ", "");
        step.getByLabel("Code of your authenticator").fill("000000");
        button("Turn it on").click();
        assertThat(step).containsText("That is not the code of now.");
        step.getByLabel("Code of your authenticator").fill(code(secret, -1));
        button("Turn it on").click();
        assertThat(step.getByRole(AriaRole.LISTITEM)).hasCount(8);
        String kept = step.getByRole(AriaRole.LISTITEM).nth(2).innerText();
        button("I have kept them").click();
        assertThat(step).containsText("A code is asked for when you sign in. 8 codes for a lost device are left.");
        page.keyboard().press("Escape");
        signOut("N. Haddad");

        page.getByLabel("Sign-in name").fill("n.haddad");
        page.getByLabel("Password").fill("skerrow-ferry-tide");
        button("Sign in").click();
        assertThat(page.getByLabel("Code of your authenticator")).isFocused();
        page.getByLabel("Code of your authenticator").fill("123 456");
        page.keyboard().press("Enter");
        assertThat(page.getByText("That code is not right, or has been used.")).isVisible();
        page.getByLabel("Code of your authenticator").fill(kept);
        page.keyboard().press("Enter");
        assertThat(heading("Decide")).isVisible();

        openAccount("N. Haddad");
        assertThat(step).containsText("7 codes for a lost device are left.");
        button("Take the second step away").click();
        step.getByLabel("Present password").fill("skerrow-ferry-tide");
        step.getByLabel("Code of your authenticator").fill(code(secret, 0));
        button("Take it away").click();
        assertThat(button("Set up a second step")).isVisible();
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
