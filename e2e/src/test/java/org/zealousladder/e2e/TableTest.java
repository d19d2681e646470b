package org.zealousladder.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** All screening scores in one table: sorted, filtered, parted by band, taken out as shown. */
class TableTest extends BrowserTest {
    @BeforeEach
    void table() {
        signIn("M. Tveit");
        subView("Screening", "Table");
        choose("Skerrow Island School");
        assertThat(heading("All 149 students")).isVisible();
    }

    private Locator rows() {
        return page.locator("tbody tr[aria-rowindex]");
    }

    private List<String> names() {
        return rows().locator("td:first-child a").allInnerTexts();
    }

    @Test
    void onlyTheRowsInSightAreDrawn() {
        assertTrue(rows().count() < 80, rows().count() + " rows");
        Locator box = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Screening scores"));
        box.evaluate("b => b.scrollTo(0, b.scrollHeight)");
        assertThat(page.locator("tr[aria-rowindex='151']")).isVisible();
        assertThat(page.getByRole(AriaRole.COLUMNHEADER, new Page.GetByRoleOptions().setName("Student"))).isInViewport();
    }

    @Test
    void theCountFollowsEveryFilterAndTheAddressKeepsThem() {
        page.getByLabel("Class", new Page.GetByLabelOptions().setExact(true)).selectOption("Tern");
        assertThat(heading("26 of 149 students in Tern")).isVisible();
        button("Only where ...").click();
        page.getByLabel("Column").selectOption(new com.microsoft.playwright.options.SelectOption().setLabel("Maze, winter"));
        page.getByLabel("Score", new Page.GetByLabelOptions().setExact(true)).fill("10");
        button("Show only these").click();
        assertThat(page.getByRole(AriaRole.HEADING).first()).containsText("in Tern and Maze, winter below 10");
        int shown = rows().count();
        page.reload();
        assertThat(rows()).hasCount(shown);
        page.getByLabel("Filter by name").fill("zzz");
        assertThat(heading("0 of 149 students")).isVisible();
        button("Show all").click();
        assertThat(heading("All 149 students")).isVisible();
    }

    @Test
    void sortedByScoreAndByBand() {
        button("Sort by Maze, Winter").click();
        Locator header = page.locator("th").filter(new Locator.FilterOptions().setHas(button("Sort by Maze, Winter")));
        assertThat(header).hasAttribute("aria-sort", "ascending");
        assertThat(rows().first()).containsText(Pattern.compile("not screened|absent"));
        button("Sort by Maze, Winter").click();
        assertThat(header).hasAttribute("aria-sort", "descending");
        List<String> byScore = names();
        button("Sort by band of Maze, Winter").click();
        button("Sort by band of Maze, Winter").click();
        assertThat(button("Sort by band of Maze, Winter")).hasAttribute("aria-pressed", "true");
        assertTrue(!byScore.equals(names()), "within a band by name");
        assertThat(rows().first()).containsText("Secure");
    }

    @Test
    void exactlyWhatIsShownIsTakenOut() throws IOException {
        page.getByLabel("Class", new Page.GetByLabelOptions().setExact(true)).selectOption("Gannet");
        button("Sort by Oral reading, Autumn").click();
        button("Columns").click();
        page.getByLabel("Columns to show").getByRole(AriaRole.GROUP, new Locator.GetByRoleOptions().setName("Maze")).getByLabel("Winter").uncheck();
        page.keyboard().press("Escape");
        assertThat(button("Sort by Maze, Winter")).hasCount(0);
        assertThat(page.getByText("Columns (1 hidden)")).isVisible();
        List<String> shown = names();
        Download download = page.waitForDownload(() -> button("Export as CSV").click());
        List<String> lines = Files.readAllLines(download.path());
        assertTrue(lines.get(0).contains("\"Maze, Autumn\"") && !lines.get(0).contains("\"Maze, Winter\""), lines.get(0));
        assertEquals(shown, lines.stream().skip(1).map(l -> l.split(",")[1]).toList());
        Download book = page.waitForDownload(() -> button("Export as XLSX").click());
        assertTrue(book.suggestedFilename().endsWith(".xlsx"));
        assertEquals('P', Files.readAllBytes(book.path())[0]);
    }

    @Test
    void theseArePickedAndStayPicked() {
        page.getByLabel("Filter by name").fill("or");
        assertThat(page.getByRole(AriaRole.HEADING).first()).containsText("of 149 students named like 'or'");
        int shown = Integer.parseInt(page.getByRole(AriaRole.HEADING).first().innerText().split(" ")[0]);
        button("Pick these " + shown).click();
        assertThat(picked()).containsText(shown + " picked");
        view("Ladder");
        assertThat(picked()).containsText(shown + " picked");
    }
}
