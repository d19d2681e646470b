package org.zealousladder.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.util.List;
import java.util.regex.Pattern;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;

/** Sheets for home and for the meeting, chosen in the page and read back from the file. */
class PrintsPageTest extends BrowserTest {
    private String made() throws IOException {
        button("Make the PDF").click();
        Download pdf = page.waitForDownload(() -> page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Save the PDF")).click());
        try (PDDocument document = Loader.loadPDF(pdf.path().toFile())) {
            return new PDFTextStripper().getText(document).replaceAll("\\s+", " ");
        }
    }

    private Locator tick(String section) {
        return dialog().getByRole(AriaRole.CHECKBOX, new Locator.GetByRoleOptions().setName(section).setExact(true));
    }

    @Test
    void aPacketForThreeStudents() throws IOException {
        signIn("R. Oduya");
        view("Engagement");
        List<String> three = List.of("Caspian Ng", "Dalia Stroud", "Zuri Halloran");
        three.forEach(n -> page.getByLabel("Pick " + n).check());
        button("Print").click();
        assertThat(dialog()).containsText("nobody else");
        tick("What we agree").uncheck();
        String text = made();
        three.forEach(n -> assertTrue(text.contains("How " + n + " is getting on"), n));
        assertFalse(text.contains("What we agree") || text.contains("Tier"), text);
        // What was chosen is chosen the next time, and focus comes back to where it was.
        page.keyboard().press("Escape");
        assertThat(button("Print")).isFocused();
        button("Print").click();
        assertThat(tick("What we agree")).not().isChecked();
        dialog().getByLabel("For the meeting").check();
        assertThat(tick("Tiers")).isChecked();
        String meeting = made();
        assertTrue(meeting.contains("Zuri Halloran, for the meeting") && meeting.contains("Tiers"), meeting);
    }

    @Test
    void fromAStudentsPageInTheSchoolsOtherLanguage() throws IOException {
        signIn("M. Tveit");
        subView("Setup", "Texts");
        button("Add a language").click();
        page.getByLabel("The language, as people there call it").fill("español");
        page.getByLabel("Its short form").fill("es");
        page.getByLabel("How {name} is getting on").fill("Cómo va");
        button("Save the words").click();
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("needs the same words in curly brackets: {name}");
        page.getByLabel("How {name} is getting on").fill("Cómo va {name}");
        button("Save the words").click();
        assertThat(page.getByText(Pattern.compile("español: \\d+ phrases of \\d+ still in English"))).isVisible();
        signOut("M. Tveit");
        signIn("R. Oduya");
        view("Engagement");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Zuri Halloran")).first().click();
        button("Print for home").click();
        dialog().getByLabel(Pattern.compile("^español")).check();
        String text = made();
        assertTrue(text.contains("Cómo va Zuri Halloran"), text);
        assertEquals(-1, text.indexOf("How Zuri"));
    }
}
