package org.zealousladder.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.time.LocalDate;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import org.junit.jupiter.api.Test;

/** Files in and out through the page. */
class RecordsTest extends BrowserTest {
    private void choose(String name, String text) {
        page.getByLabel("File", new Page.GetByLabelOptions().setExact(true))
                .setInputFiles(new FilePayload(name, "text/csv", text.getBytes(StandardCharsets.UTF_8)));
    }

    @Test
    void aFileWithThreeBadRowsIsShownRefusedInPartAndSaved() throws IOException {
        signIn("M. Tveit");
        view("Records");
        choose("weekly.csv", "student;date;score;measure;room\nS1001;2026-03-10;15;maze;4\nS1002;soon;15;maze;4\nS1003;2026-03-10;fifteen;maze;4\n"
                + "S9999;2026-03-10;15;maze;4\nS1004;2026-03-10;16;maze;4\n");
        assertThat(heading("weekly.csv: 5 rows of scores")).isVisible();
        assertThat(page.getByText("Columns that are not used: room.")).isVisible();
        assertThat(page.getByText("1 student of the file is not among yours: S9999.")).isVisible();
        page.getByText("Row by row").click();
        assertThat(page.locator("tbody tr")).hasCount(3);
        assertThat(page.locator("tbody tr").nth(0)).containsText("'soon' is not a date; write it like 2026-03-13.");

        Download download = page.waitForDownload(() -> page.getByText("Download the refused rows").click());
        assertEquals(List.of("student,date,score,measure,room,what is wrong", "S1002,soon,15,maze,4,'soon' is not a date; write it like 2026-03-13."),
                Files.readString(download.path()).replace("\uFEFF", "").lines().limit(2).toList());

        button("Save 2 rows").click();
        assertThat(page.getByRole(AriaRole.STATUS)).containsText("weekly.csv is in. 2 new, 0 changed, 0 as before, 3 refused.");

        choose("weekly.csv", "student,date,score,measure\nS1001,2026-03-10,15,maze\nS1004,2026-03-10,16,maze\n");
        assertThat(page.getByText("There is nothing to save.")).isVisible();
    }

    /** Days that may be read in two ways are asked about; a workbook comes in as it is shown. */
    @Test
    void howAFileWritesThingsIsFoundShownAndSaidOtherwise() throws IOException {
        signIn("M. Tveit");
        view("Records");
        choose("office.csv", "student;measure;date;score\nS1005;maze;05/03/2026;12\nS1006;maze;05/03/2026;13\n");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("Every day in this file can be read in two ways.");
        assertThat(button("Save 2 rows")).isDisabled();
        assertThat(page.getByLabel("Between the cells")).hasValue("semicolon");
        button("05/09 is 5 September").click();
        assertThat(page.getByRole(AriaRole.ALERT)).hasCount(0);
        assertThat(page.getByLabel("Days")).hasValue("day-first");
        page.getByLabel("Days").focus();
        page.getByLabel("Days").selectOption("month-first");
        assertThat(page.getByText("The date is in the future.").first()).isVisible();
        assertThat(page.getByLabel("Days")).isFocused();
        page.getByLabel("Days").selectOption("day-first");
        button("Save 2 rows").click();
        assertThat(page.getByRole(AriaRole.STATUS)).containsText("office.csv is in. 2 new");

        ByteArrayOutputStream book = new ByteArrayOutputStream();
        try (Workbook w = new Workbook(book, "Office", "1.0")) {
            for (String name : List.of("Autumn", "Spring")) {
                Worksheet sheet = w.newWorksheet(name);
                for (int c = 0; c < 4; c++) {
                    sheet.value(0, c, List.of("Student", "Measure", "Date", "Score").get(c));
                }
                for (int r = 1; r <= (name.equals("Autumn") ? 1 : 3); r++) {
                    sheet.value(r, 0, "S100" + r);
                    sheet.value(r, 1, "maze");
                    sheet.value(r, 2, LocalDate.of(2026, 3, 4));
                    sheet.style(r, 2).format("d.m.yyyy").set();
                    sheet.value(r, 3, 11 + r);
                }
            }
        }
        page.getByLabel("File", new Page.GetByLabelOptions().setExact(true)).setInputFiles(
                new FilePayload("results.xlsx", "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet", book.toByteArray()));
        assertThat(heading("results.xlsx: 1 row of scores")).isVisible();
        page.getByLabel("Sheet", new Page.GetByLabelOptions().setExact(true)).selectOption("Spring");
        assertThat(heading("results.xlsx: 3 rows of scores")).isVisible();
        button("Save 3 rows").click();
        assertThat(page.getByRole(AriaRole.STATUS)).containsText("results.xlsx is in. 3 new");
    }

    @Test
    void aFileOfAnotherKindSaysWhatIsMissing() {
        signIn("R. Oduya");
        view("Records");
        choose("list.csv", "student,measure,result\nS1,maze,4\n");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("Say of which day the scores are");
        assertThat(button("Save")).hasCount(0);
        button("Leave it").click();
        choose("schools.csv", "school,name\nX,Y\n");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("an administrator brings it in");
    }

    /** A sheet with a column for each measure, names instead of codes and words among the numbers: matched once, remembered, forgotten. */
    @Test
    void somebodysOwnSheetIsMatchedOnceAndRemembered() {
        signIn("M. Tveit");
        view("Records");
        String sheet = "Autumn results;;;\nPupil no;Oral reading 08.11.2025;Maze 08.11.2025;Remark\nS1021;41;abs;\nS1022;44;M;late\nS1023;39;12;\n";
        choose("sheet.csv", sheet);
        assertThat(heading("sheet.csv: 3 rows of scores")).isVisible();
        assertThat(page.getByLabel("What Oral reading 08.11.2025 means")).hasValue("score");
        assertThat(page.getByLabel("Measure of Maze 08.11.2025")).hasValue("maze");
        assertThat(page.getByLabel("Day of the score of Maze 08.11.2025")).hasValue("8 Nov 2025");
        assertThat(page.getByText("Columns that are not used: Remark.")).isVisible();
        page.getByLabel("M (1 cell) means").selectOption("absent");
        assertThat(page.getByText("M means absent")).isVisible();
        button("Save 6 scores").click();
        assertThat(page.getByRole(AriaRole.STATUS)).containsText("sheet.csv is in. 6 new, 0 changed, 0 as before, 0 refused.");
        assertThat(page.getByText("Pupil no, Oral reading 08.11.2025, Maze 08.11.2025, Remark")).isVisible();

        choose("next.csv", sheet.replace("S1021;41", "S1021;43"));
        assertThat(page.getByText("Its columns are matched as the last time.")).isVisible();
        assertThat(button("Save 1 score")).isVisible();
        button("Leave it").click();
        assertThat(button("Choose files")).isFocused();
        button("Forget how sheet.csv was matched").click();
        assertThat(page.getByText("Pupil no, Oral reading")).hasCount(0);
    }

    /** Who is meant by a name that nobody has is said in the page. */
    @Test
    void aNameThatIsInDoubtIsAsked() {
        signIn("M. Tveit");
        view("Records");
        choose("names.csv", "Name,Test,Date,Points\nS1024,Mase,2025-11-15,11\nS1025,Mase,2025-11-15,12\n");
        assertThat(page.getByText("Which measure is Mase?")).hasCount(0);
        page.getByLabel("Which measure is Mase?").selectOption("maze");
        assertThat(button("Save 2 rows")).isVisible();
        page.getByLabel("What Points means").selectOption("-");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("Say which column holds the scores.");
        page.getByLabel("What Points means").selectOption("score");
        button("Save 2 rows").click();
        assertThat(page.getByRole(AriaRole.STATUS)).containsText("2 new");
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

    /** A roster taken out comes in again; with students gone from it, nobody ends before somebody has said that so many are meant. */
    @Test
    void aRosterWithManyGoneAsksFirst() throws IOException {
        signIn("A. Sandvik");
        view("Records");
        Download download = page.waitForDownload(() -> page.getByText("Roster and screening scores of the year (OneRoster)").click());
        ByteArrayOutputStream fewer = new ByteArrayOutputStream();
        try (ZipInputStream in = new ZipInputStream(Files.newInputStream(download.path())); ZipOutputStream out = new ZipOutputStream(fewer)) {
            for (ZipEntry e = in.getNextEntry(); e != null; e = in.getNextEntry()) {
                String text = new String(in.readAllBytes(), StandardCharsets.UTF_8);
                if (e.getName().equals("manifest.csv")) {
                    text = text.replace("source.systemCode,zealous-ladder", "source.systemCode,skerrow-office");
                } else if (e.getName().equals("enrollments.csv")) {
                    List<String> lines = text.lines().toList();
                    text = String.join("\n", lines.subList(0, lines.size() - 60)) + "\n";
                }
                out.putNextEntry(new ZipEntry(e.getName()));
                out.write(text.getBytes(StandardCharsets.UTF_8));
            }
        }
        page.getByLabel("File", new Page.GetByLabelOptions().setExact(true))
                .setInputFiles(new FilePayload("roster.zip", "application/zip", fewer.toByteArray()));
        Locator ends = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("What ends"));
        assertThat(ends).containsText("students in classes");
        assertThat(page.getByText("results.csv is not read; nothing of it is kept.")).isVisible();
        Locator save = page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(java.util.regex.Pattern.compile("^Save \\d+ rows$")));
        assertThat(save).isDisabled();
        ends.getByRole(AriaRole.CHECKBOX).check();
        assertThat(save).isEnabled();
        button("Leave it").click();
        assertThat(ends).hasCount(0);
    }
}
