package org.zealousladder.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import com.microsoft.playwright.options.SelectOption;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.List;
import java.util.regex.Pattern;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** From nothing to the first Ladder and on to the next year, with no file of ours. */
class FirstHourTest extends BrowserTest {
    private static final String TOKEN = "the-first-one";
    private static final String PASSWORD = "seven grey herons wade";
    private static final String LIST = """
            Class list 2025
            Name\tClass\tGrade\tTeacher
            Ødegård, Astrid\tHeron\t2\tAnn Lee
            Berg, Ola\tHeron\t2\tAnn Lee
            Nkemelu, Ifeoma\tHeron\t2\tAnn Lee
            Silva, João\tEgret\t3\tBo Sand
            Weiß, Ida\tEgret\t3\tBo Sand
            """;

    @BeforeAll
    void nothing() {
        DemoServer.get().emptySchool(TOKEN);
    }

    private Locator step(String title) {
        return page.getByRole(AriaRole.LISTITEM)
                .filter(new Locator.FilterOptions().setHas(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName(title))));
    }

    private void signInWith(Page at, String login, String password) {
        at.getByLabel("Sign-in name").fill(login);
        at.getByLabel("Password", new Page.GetByLabelOptions().setExact(true)).fill(password);
        at.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Sign in").setExact(true)).click();
    }

    /** One sheet as a teacher keeps it: a title, days as a school writes them, a column for each day, absences in words. */
    private static byte[] results() throws IOException {
        ByteArrayOutputStream book = new ByteArrayOutputStream();
        try (Workbook w = new Workbook(book, "Office", "1.0")) {
            Worksheet sheet = w.newWorksheet("Autumn");
            sheet.value(0, 0, "Reading, autumn 2025");
            List<String> head = List.of("Pupil", "Class", "Words read correctly 15.09.2025", "Words read correctly 22/9/25");
            for (int c = 0; c < head.size(); c++) {
                sheet.value(2, c, head.get(c));
            }
            Object[][] rows = {{"Astrid Ødegård", "Heron", 31, 34}, {"Ola Berg", "Heron", "ABS", 28}, {"Ifeoma Nkemelu", "Heron", 62, "krank"},
                    {"Silva, João", "Egret", 55, 59}, {"I. Weiss", "Egret", 71, "?"}};
            for (int r = 0; r < rows.length; r++) {
                for (int c = 0; c < rows[r].length; c++) {
                    if (rows[r][c] instanceof Number n) {
                        sheet.value(r + 3, c, n);
                    } else {
                        sheet.value(r + 3, c, (String) rows[r][c]);
                    }
                }
            }
        }
        return book.toByteArray();
    }

    @Test
    void fromNothingToTheFirstLadderAndTheNextYear() throws IOException {
        page.navigate(address + "/setup#" + TOKEN);
        page.getByLabel("Sign-in name").fill("head");
        page.getByLabel("Your name").fill("H. Ness");
        page.getByLabel("Password").fill(PASSWORD);
        page.locator("button[type=submit]").click();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Sign in")).click();
        signInWith(page, "head", PASSWORD);

        assertThat(heading("Set up the school")).isVisible();
        page.getByLabel("Name of the school").fill("Harbour School");
        button("Add the school").click();
        page.getByLabel("First day of the school year").fill("25 Aug 2025");
        page.getByLabel("Last day").fill("26 Jun 2026");
        button("Add the year").click();
        assertThat(step("1. The school and its year")).containsText("Harbour School, 2025–26: 25 Aug 2025 to 26 Jun 2026");

        button("Paste rows").click();
        page.getByLabel("Rows").fill(LIST);
        page.getByLabel("The first row names the columns").check();
        button("Look at them").click();
        assertThat(heading("pasted rows: 5 rows of students with their classes")).isVisible();
        assertThat(page.getByLabel("School year, for all rows")).hasValue("2025-26");
        button("Save 16 rows").click();
        assertThat(step("2. Classes and students")).containsText("5 students in 2 classes, 2 teachers");

        page.getByLabel(Pattern.compile("^Words read correctly")).check();
        button("Add 1 measure").click();
        // A measure with its sub-score is one; the button said the same before.
        assertThat(step("3. Measures")).containsText("1 measureAdd more");
        assertThat(page.getByLabel("First day of Autumn")).hasValue("15 Sep 2025");
        button("Add 3 windows").click();
        assertThat(step("4. Screening windows")).containsText("3 windows");

        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Set cut scores")).click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Autumn").setExact(true)).click();
        page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Within reach begins at")).fill("40");
        page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Secure begins at")).fill("60");
        page.getByPlaceholder(Pattern.compile("^Why they change")).fill("agreed in September");
        button("Save the cut scores").click();
        assertThat(page.getByText("agreed in September").first()).isVisible();

        bringResultsIn();
        view("Ladder");
        choose("Heron class");
        assertThat(mark("Ifeoma Nkemelu, IN, Autumn: 62, Secure")).hasCount(1);

        aSecondClass();
        theTeacherComesIn();
        theYearTurns();
    }

    /** A reading group across the classes, with the other class's teacher. */
    private void aSecondClass() {
        subView("Setup", "Classes");
        button("Make a group").click();
        dialog().getByLabel("Name").fill("Early readers");
        dialog().getByLabel("Teacher").selectOption("Ann Lee");
        button("Make the group").click();
        assertThat(page.getByText("0 students, Ann Lee")).isVisible();
        subView("Screening", "Table");
        choose("Egret class");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("Ida Weiß.*pick|[Pp]ick.*Ida Weiß"))).click();
        subView("Setup", "Classes");
        button("Add the 1 pick to Early readers").click();
        assertThat(page.getByText("1 student, Ann Lee")).isVisible();
        choose("Early readers");
        subView("Screening", "Table");
        assertThat(heading("All 1 student")).isVisible();
    }

    private void bringResultsIn() throws IOException {
        view("Records");
        page.getByLabel("File", new Page.GetByLabelOptions().setExact(true)).setInputFiles(
                new FilePayload("reading.xlsx", "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet", results()));
        assertThat(page.getByLabel("Day of the score of Words read correctly 22/9/25")).hasValue("22 Sep 2025");
        assertThat(page.getByText("ABS means absent")).isVisible();
        page.getByLabel("? (1 cell) means").selectOption("nothing");
        page.getByLabel("Which student is I. Weiss · Egret?").selectOption(new SelectOption().setLabel("Ida Weiß (N0002)"));
        button("Save 9 scores").click();
        assertThat(page.getByRole(AriaRole.STATUS)).containsText("reading.xlsx is in. 9 new");
    }

    private void theTeacherComesIn() {
        subView("Records", "People");
        page.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText("Ann Lee"))
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("New link for Ann Lee")).click();
        String link = dialog().getByLabel("Link").innerText();
        page.keyboard().press("Escape");
        Page theirs = elsewhere();
        theirs.navigate(link);
        theirs.getByLabel("Password").fill("otter lamp sixteen rafts");
        theirs.getByLabel("Once more").fill("otter lamp sixteen rafts");
        theirs.getByText("Set the password").click();
        theirs.getByText("Sign in", new Page.GetByTextOptions().setExact(true)).click();
        signInWith(theirs, "ann.lee", "otter lamp sixteen rafts");
        assertThat(theirs.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Scope"))).containsText("Heron class");
        theirs.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Whose students"))).click();
        assertThat(theirs.getByLabel("Whose students").getByRole(AriaRole.BUTTON)).hasText(new String[] {"Heron class grade 2", "Early readers group"});
        assertThat(theirs.getByText("João")).hasCount(0);
    }

    private void theYearTurns() {
        subView("Setup", "Next year");
        assertThat(heading("From 2025–26 to 2026–27")).isVisible();
        assertThat(page.getByText("3 students in 1 class; 2 leave the school.")).isVisible();
        page.getByLabel("What becomes of Egret").selectOption("on");
        button("Students of Heron").click();
        page.getByLabel("Where Ola Berg goes").selectOption("leaves");
        assertThat(page.getByText("4 students in 2 classes; 1 leave the school.")).isVisible();
        button("Set up 2026–27").click();
        assertThat(heading("2026–27 is set up")).isVisible();
        assertThat(page.getByText("2026-27, Harbour School")).isVisible();
        // This year is as it was.
        view("Ladder");
        choose("Heron class");
        assertThat(mark("Ifeoma Nkemelu, IN, Autumn: 62, Secure")).hasCount(1);
    }

    /** What a mark on the Ladder says of itself. */
    private Locator mark(String words) {
        return page.locator("svg title").filter(new Locator.FilterOptions().setHasText(words));
    }
}
