package org.zealousladder.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.util.List;
import java.util.regex.Pattern;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.dhatim.fastexcel.reader.Row;
import org.junit.jupiter.api.Test;

/** A report on the screen, as a workbook that is opened and read back, as PDF, and kept. */
class ReportsPageTest extends BrowserTest {
    private Locator table(String name) {
        return page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    private Locator tick(String name) {
        return page.getByRole(AriaRole.CHECKBOX, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    @Test
    void aReportGoesIntoAWorkbookThatSaysTheSame() throws IOException {
        signIn("R. Oduya");
        subView("Find", "Reports");
        Locator part = table("Taking part");
        Locator zuri = part.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText("Zuri Halloran"));
        assertThat(zuri).isVisible();
        assertThat(part.getByRole(AriaRole.ROW).last()).containsText("Average");
        List<String> cells = zuri.getByRole(AriaRole.CELL).allInnerTexts();
        Download download = page.waitForDownload(() -> button("Everything as a workbook").click());
        assertTrue(download.suggestedFilename().matches("report-2025-08-25-2026-03-13\\.xlsx"), download.suggestedFilename());
        try (InputStream in = Files.newInputStream(download.path()); ReadableWorkbook book = new ReadableWorkbook(in)) {
            assertEquals(List.of("README", "Taking part", "Results", "Skills", "Students' skills"), book.getSheets().map(s -> s.getName()).toList());
            List<Row> rows = book.findSheet("Taking part").orElseThrow().read();
            Row own = rows.stream().filter(r -> r.getCellText(1).equals("Zuri Halloran")).findFirst().orElseThrow();
            // Class, sessions, active days, minutes.
            assertEquals(cells.get(0), own.getCellText(2));
            for (int i = 1; i < 4; i++) {
                assertEquals(Double.parseDouble(cells.get(i)), own.getCellAsNumber(2 + i).orElseThrow().doubleValue(), 0.5, rows.get(0).getCellText(2 + i));
            }
            assertEquals("Kittiwake class, grade 3", book.findSheet("README").orElseThrow().read().get(0).getCellText(0));
        }
        // Sorted by what is clicked, the most first.
        part.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Absent")).click();
        assertThat(part.getByRole(AriaRole.ROW).nth(1)).containsText("Jory Tamsin");
        // Only what is chosen is shown, and made into a PDF.
        tick("Taking part").uncheck();
        assertThat(part).hasCount(0);
        button("Make a PDF").click();
        // Papers get what others leave of the processors: on a busy machine that takes its time.
        Locator save = page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Save the PDF"));
        assertThat(save).isVisible(new LocatorAssertions.IsVisibleOptions().setTimeout(90_000));
        Download pdf = page.waitForDownload(save::click);
        assertTrue(Files.size(pdf.path()) > 10_000);
    }

    @Test
    void settingsAreKeptOpenedAgainAndDropped() {
        signIn("R. Oduya");
        subView("Find", "Reports");
        tick("Skills").uncheck();
        tick("Students' skills").uncheck();
        tick("Results").uncheck();
        assertThat(tick("Taking part")).isDisabled();
        button("Keep this report").click();
        dialog().getByLabel("What it is called").fill("Four weeks of work");
        dialog().getByLabel("the last four weeks").check();
        dialog().getByLabel("What it is called").press("Enter");
        Locator kept = page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Four weeks of work").setExact(true));
        assertThat(kept).isVisible();
        page.navigate(address + "/reports");
        assertThat(table("Results")).isVisible();
        kept.click();
        assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Report: days: 14 Feb 2026 to 13 Mar 2026"))).isVisible();
        assertThat(table("Results")).hasCount(0);
        // The same name twice is refused, with the name still there.
        button("Change what is kept").click();
        button("Keep as another").isDisabled();
        dialog().getByLabel("What it is called").fill("Seven days");
        dialog().getByLabel("the last seven days").check();
        button("Keep as another").click();
        assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Seven days").setExact(true))).isVisible();
        button("Drop Seven days").click();
        kept.click();
        button("Drop Four weeks of work").click();
        assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("Seven days|Four weeks of work")))).hasCount(0);
    }
}
