package org.zealousladder.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** A word to them in a minute: from a flag to a letter sent and logged, a call noted by the keyboard alone, praise from the Desk. */
class ContactsTest extends BrowserTest {
    private Locator line(String student, String words) {
        return page.locator("#view").getByRole(AriaRole.LISTITEM).filter(new Locator.FilterOptions().setHasText(student))
                .filter(new Locator.FilterOptions().setHasText(words));
    }

    @Test
    void fromAFlagToALetterThatIsSentAndLogged() {
        signIn("R. Oduya");
        view("Engagement");
        page.getByLabel("Pick Caspian Ng").check();
        page.getByLabel("Pick Dalia Stroud").check();
        button("Write").click();
        dialog().getByLabel("The school's texts").selectOption("We miss the practice");
        Locator letter = dialog().getByRole(AriaRole.REGION, new Locator.GetByRoleOptions().setName("As they will read it"));
        assertThat(letter).containsText("Caspian has practised less than usual lately: 0 minutes last week.");
        assertThat(letter).containsText("Not reached: Dalia Stroud (must not be written to).");
        // A field for which there is no value has to be dealt with; the names of others stay out.
        Locator text = dialog().getByLabel("Text", new Locator.GetByLabelOptions().setExact(true));
        text.fill("Dear {recipient},\n{first name} of {class}: as Oskar Vane.\n{sender}");
        assertThat(letter).containsText("It names another student, Oskar Vane.");
        assertThat(dialog().getByText("Send 1 letter")).isDisabled();
        text.fill("Dear {recipient},\nhow is {first name}?\n{sender}");
        // Another of the school's texts does not throw away what was written.
        dialog().getByLabel("The school's texts").selectOption("Well done");
        assertThat(letter).containsText("has done well");
        button("Bring mine back").click();
        assertThat(letter).containsText("how is Caspian?");
        dialog().getByText("Send 1 letter").click();
        assertThat(dialog()).containsText("1 letter will go out in a moment");
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Close")).last().click();
        subView("Desk", "Contacts");
        assertThat(line("Caspian Ng", "Caspian's practice (sent)")).hasCount(1,
                new com.microsoft.playwright.assertions.LocatorAssertions.HasCountOptions().setTimeout(20_000));
        button("Read it").click();
        assertThat(line("Caspian Ng", "how is Caspian?")).isVisible();
        signOut("R. Oduya");
        signIn("A. Sandvik");
        subView("Desk", "Contacts");
        String outside = page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("What went out")).getAttribute("href");
        Page mails = elsewhere();
        mails.navigate(outside);
        assertThat(mails.getByRole(AriaRole.ARTICLE)).hasCount(1);
        assertThat(mails.getByRole(AriaRole.ARTICLE)).containsText("answers to \"R. Oduya\" <r.oduya@skerrow.example>");
        assertThat(mails.getByRole(AriaRole.ARTICLE)).containsText("how is Caspian?");
    }

    @Test
    void aCallIsNotedByTheKeyboardAlone() {
        signIn("R. Oduya");
        page.keyboard().press("Control+k");
        page.keyboard().type("Noor Ell");
        assertThat(page.getByRole(AriaRole.OPTION).first()).containsText("Noor Ellery");
        page.keyboard().press("Enter");
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Contacts"))).isVisible();
        page.keyboard().press("n");
        assertThat(dialog()).containsText("Note a call or talk: Noor Ellery");
        page.keyboard().type("Reads on paper now; the tablet is for her brother.");
        page.keyboard().press("Control+Enter");
        assertThat(dialog()).hasCount(0);
        Locator contacts = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Contacts"));
        assertThat(contacts).containsText("R. Oduya called home");
        assertThat(contacts).containsText("Reads on paper now");
        subView("Desk", "Contacts");
        assertThat(line("Noor Ellery", "Reads on paper now")).isVisible();
        // What was to be looked at again is done with.
        Locator due = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("To look at again"));
        assertThat(button("Looked at: Noor Ellery")).isVisible();
        int before = due.getByRole(AriaRole.LISTITEM).count();
        button("Looked at: Noor Ellery").click();
        assertThat(due.getByRole(AriaRole.LISTITEM)).hasCount(before - 1);
        // A note that was wrong is taken back with a reason.
        line("Noor Ellery", "Reads on paper now").getByText("Take back").click();
        line("Noor Ellery", "Reads on paper now").getByRole(AriaRole.TEXTBOX).fill("said by another mother");
        line("Noor Ellery", "Reads on paper now").getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Take back")).click();
        assertThat(page.getByText("Reads on paper now")).hasCount(0);
    }

    @Test
    void nothingTypedIsLostAndALostAnswerSendsNothingTwice() {
        signIn("R. Oduya");
        view("Engagement");
        page.getByLabel("Pick Noor Ellery").check();
        page.keyboard().press("n");
        dialog().getByLabel("What was said and agreed").fill("Called twice, nobody there.");
        // The answer gets lost on the way back: what was typed stays, and once more is not twice.
        boolean[] lost = {false};
        page.route("**/api/contacts/notes", route -> {
            if (lost[0]) {
                route.resume();
            } else {
                lost[0] = true;
                route.fetch();
                route.abort();
            }
        });
        button("Note it").click();
        assertThat(dialog().getByRole(AriaRole.ALERT)).isVisible();
        assertThat(dialog().getByLabel("What was said and agreed")).hasValue("Called twice, nobody there.");
        button("Note it").click();
        assertThat(dialog()).hasCount(0);
        subView("Desk", "Contacts");
        assertThat(line("Noor Ellery", "Called twice, nobody there.")).hasCount(1);
    }

    @Test
    void praiseIsOneClickFromTheDesk() {
        signIn("R. Oduya");
        page.getByRole(AriaRole.LISTITEM).filter(new Locator.FilterOptions().setHasText("Pema Dorje")).filter(new Locator.FilterOptions().setHasText("Praise"))
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^Praise"))).click();
        Locator texts = dialog().getByLabel("The school's texts").getByRole(AriaRole.OPTION);
        assertThat(texts.nth(1)).hasText("Well done");
        assertEquals("people at home", dialog().getByLabel("To").evaluate("s => s.selectedOptions[0].textContent"));
    }

    @Test
    void aTextOfTheSchoolsIsKeptInTwoLanguages() {
        signIn("M. Tveit");
        subView("Setup", "Texts");
        button("Add a text").click();
        dialog().getByLabel("Name").fill("Come and see");
        dialog().getByLabel("Subject").fill("Come and see {first name}");
        dialog().getByLabel("Text", new Locator.GetByLabelOptions().setExact(true)).fill("Dear {recipient}, come and see {rank}.");
        button("Keep the text").click();
        assertThat(dialog().getByText("{rank} is no field.")).isVisible();
        dialog().getByLabel("Text", new Locator.GetByLabelOptions().setExact(true)).fill("Dear {recipient}, come and see.");
        button("Add a language").click();
        dialog().getByLabel(Pattern.compile("^Language")).fill("Polish");
        dialog().getByLabel("Subject").fill("{first name}");
        dialog().getByLabel("Text", new Locator.GetByLabelOptions().setExact(true)).fill("Prosimy");
        button("Keep the text").click();
        assertThat(dialog()).hasCount(0);
        assertThat(line("Come and see", "for a worry, Polish")).isVisible();
        button("Change: Come and see").click();
        button("End this text").click();
        assertThat(line("Come and see", "for a worry")).hasCount(0);
    }
}
