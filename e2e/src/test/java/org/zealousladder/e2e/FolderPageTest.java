package org.zealousladder.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import org.junit.jupiter.api.Test;

/** A student's folder: a note and a file, kept, fetched and taken back; and what another reads of it. */
class FolderPageTest extends BrowserTest {
    private static final byte[] PDF = "%PDF-1.7 a hearing test".getBytes(StandardCharsets.UTF_8);

    private Locator folder() {
        return page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Notes and files"));
    }

    private void zuri(Page of) {
        of.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Zuri Halloran")).first().click();
        assertThat(of.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Zuri Halloran"))).isVisible();
    }

    @Test
    void aNoteAndAFile() throws IOException {
        signIn("R. Oduya");
        view("Engagement");
        zuri(page);
        assertThat(folder()).containsText("none that you may read");
        button("Write a note").click();
        dialog().getByLabel("What is to be known").fill("Sits in front: hears badly on the left.");
        // The connection is away for a moment: what was typed stays, nothing says it was saved, and it goes when there is one again.
        offline(true);
        button("Keep the note").click();
        assertThat(button("Keeping ...")).isVisible();
        assertThat(dialog().getByLabel("What is to be known")).hasValue("Sits in front: hears badly on the left.");
        offline(false);
        assertThat(folder()).containsText("Sits in front: hears badly on the left.");
        button("Write a note").click();
        dialog().getByLabel("What is to be known").fill("My own thought");
        dialog().getByLabel("Who may read it").selectOption("only you");
        button("Keep the note").click();
        assertThat(folder()).containsText("for you alone");
        button("Add a file").click();
        dialog().getByLabel("The file").setInputFiles(new FilePayload("test.pdf", "application/pdf", new byte[] {'M', 'Z', 0}));
        button("Keep the file").click();
        assertThat(dialog().getByRole(AriaRole.ALERT)).containsText("By its content it is neither a PDF");
        dialog().getByLabel("The file").setInputFiles(new FilePayload("hearing test.pdf", "application/pdf", PDF));
        dialog().getByLabel("What it is").fill("hearing test of 12 September");
        dialog().getByLabel("Paper of").selectOption("Support: Individual plan");
        button("Keep the file").click();
        Locator link = folder().getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("hearing test.pdf"));
        assertThat(link).isVisible();
        assertThat(folder()).containsText("Support: Individual plan");
        Download download = page.waitForDownload(link::click);
        assertEquals("hearing test.pdf", download.suggestedFilename());
        assertEquals(new String(PDF, StandardCharsets.UTF_8), Files.readString(download.path()));
        // Who else sees the student reads what is for everybody.
        Page other = another("M. Tveit");
        other.navigate(page.url());
        Locator there = other.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Notes and files"));
        assertThat(there).containsText("Sits in front");
        assertThat(there).not().containsText("My own thought");
        assertThat(there.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Take back"))).hasCount(0);
        folder().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Take back: hearing test.pdf")).click();
        page.keyboard().type("the wrong one");
        page.keyboard().press("Enter");
        assertThat(link).hasCount(0);
    }
}
