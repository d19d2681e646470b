package org.zealousladder.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Files in and out through the page. */
class RecordsTest extends BrowserTest {
    private void choose(String name, String text) {
        page.getByLabel("File", new Page.GetByLabelOptions().setExact(true)).setInputFiles(new FilePayload(name, "text/csv", text.getBytes(StandardCharsets.UTF_8)));
    }

    @Test
    void aFileWithThreeBadRowsIsShownRefusedInPartAndSaved() throws IOException {
        signIn("M. Tveit");
        view("Records");
        choose("weekly.csv", "student;date;score;measure;room\nS1001;2026-03-10;15;maze;4\nS1002;10.03.2026;15;maze;4\nS1003;2026-03-10;fifteen;maze;4\n"
                + "S9999;2026-03-10;15;maze;4\nS1004;2026-03-10;16;maze;4\n");
        assertThat(heading("weekly.csv: 5 rows of scores")).isVisible();
        assertThat(page.getByText("Columns that are not used: room.")).isVisible();
        assertThat(page.getByText("1 student of the file is not among yours: S9999.")).isVisible();
        assertThat(page.locator("tbody tr")).hasCount(3);
        assertThat(page.locator("tbody tr").nth(0)).containsText("'10.03.2026' is not a date; write it like 2026-03-13.");

        Download download = page.waitForDownload(() -> page.getByText("Download the refused rows").click());
        assertEquals(4, Files.readString(download.path()).lines().count());

        button("Save 2 rows").click();
        assertThat(page.getByRole(AriaRole.STATUS)).containsText("weekly.csv is in. 2 new, 0 changed, 0 as before, 3 refused.");

        choose("weekly.csv", "student,date,score,measure\nS1001,2026-03-10,15,maze\nS1004,2026-03-10,16,maze\n");
        assertThat(page.getByText("There is nothing to save.")).isVisible();
    }

    @Test
    void aFileOfAnotherKindSaysWhatIsMissing() {
        signIn("R. Oduya");
        view("Records");
        choose("list.csv", "student,measure,result\nS1,maze,4\n");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("it lacks");
        choose("schools.csv", "school,name\nX,Y\n");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("an administrator brings it in");
    }

    @Test
    void whatIsTakenOutCanBeBroughtInAgain() throws IOException {
        signIn("R. Oduya");
        view("Records");
        Download download = page.waitForDownload(() -> page.getByText("All measures of the year (CSV)").click());
        String csv = Files.readString(download.path());
        assertTrue(csv.lines().count() > 200);
        choose("again.csv", csv);
        assertThat(page.getByText("There is nothing to save.")).isVisible();
        assertThat(page.getByRole(AriaRole.ALERT)).hasCount(0);
    }

    /** What a teacher has looked at, printed and taken out is found by an administrator, and by nobody else. */
    @Test
    void whatWasLookedAtIsFoundInTheHistory() {
        signIn("T. Sato");
        view("Ladder");
        assertThat(page.getByText("Seasons").first()).isVisible();
        page.evaluate("window.dispatchEvent(new Event('beforeprint'))");
        view("Records");
        page.waitForDownload(() -> page.getByText("All measures of the year (CSV)").click());
        page.navigate(address + "/records/history");
        assertThat(heading("There is no such page")).isVisible();
        signOut("T. Sato");
        signIn("A. Sandvik");
        view("Records");
        subView("Records", "History");
        page.getByLabel("Person or student").fill("sato");
        for (String line : List.of("Looked at Ladder, Tern class", "Printed Ladder, Tern class", "Took out Scores, Tern class",
                "Signed in as a sample person")) {
            assertThat(page.locator("tbody tr").filter(new Locator.FilterOptions().setHasText(line)).first()).containsText("T. Sato");
        }
        page.getByLabel("What").selectOption("export");
        assertThat(page.locator("tbody tr")).hasCount(1);
        assertThat(page.locator("tbody tr")).containsText("26 students");
        page.getByLabel("Person or student").fill("nobody of that name");
        assertThat(heading("Nothing of the kind is on record")).isVisible();
    }

    @Test
    void afterTheServersRefusalTheFileCanBeChosenAgain() {
        signIn("R. Oduya");
        view("Records");
        page.route("**/api/records/imports?*", route -> route.abort());
        choose("scores.csv", "student,measure,date,score\n");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("cannot be reached");
        page.unroute("**/api/records/imports?*");
        choose("scores.csv", "student,measure,date,score\n");
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("scores.csv: 0 rows of scores"))).isVisible();
    }
}
