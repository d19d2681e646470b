package org.zealousladder.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.FilePayload;
import com.microsoft.playwright.options.SelectOption;
import java.io.IOException;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** axe finds no violation of WCAG 2.2 A and AA on any view, in light and in dark. */
class AccessibilityTest extends BrowserTest {
    @Test
    void axeFindsNothing() throws IOException {
        newPage(1280, 800, ColorScheme.LIGHT);
        page.navigate(address + "/");
        assertThat(page.getByLabel("Sign-in name")).isVisible();
        check("sign-in");
        signIn("N. Haddad");
        assertThat(heading("Decide")).isVisible();
        check("desk");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Set aside")).first().click();
        assertThat(dialog()).isVisible();
        check("desk, deciding");
        page.keyboard().press("Escape");
        view("Ladder");
        page.getByRole(AriaRole.SLIDER).focus();
        page.keyboard().press("PageUp");
        check("ladder, with picks");
        for (String view : List.of("Coverage", "Enter scores", "Table", "Tiers", "Report")) {
            subView("Screening", view);
            assertThat(page.getByRole(AriaRole.HEADING).first()).isVisible();
            check("screening, " + view);
        }
        subView("Desk", "Contacts");
        assertThat(page.getByRole(AriaRole.HEADING).first()).isVisible();
        check("contacts");
        subView("Desk", "Today");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Praise"))).first().click();
        page.getByLabel("The school's texts").selectOption("Well done");
        assertThat(page.getByText("Letter 1 of")).isVisible();
        check("writing");
        page.keyboard().press("Escape");
        button("Close without saving").click();
        for (String view : List.of("Weeks", "Habits", "Effort and score", "Work", "Attendance")) {
            subView("Engagement", view);
            assertThat(page.getByRole(AriaRole.HEADING).first()).isVisible();
            check("engagement, " + view);
        }
        for (String view : List.of("Class", "Students", "Profiles", "Items", "Checks")) {
            subView("Skills", view);
            assertThat(page.locator("#view h1").first()).isVisible();
            check("skills, " + view);
        }
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Build a check")).click();
        assertThat(page.getByText("in the bank").first()).isVisible();
        page.getByRole(AriaRole.CHECKBOX).first().check();
        check("checks, building one");
        subView("Skills", "Checks");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Bank of items")).click();
        button("Write an item").click();
        check("bank, writing an item");
        page.keyboard().press("Escape");
        subView("Skills", "Checks");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Cards for signing in")).click();
        assertThat(page.locator("#view h1")).isVisible();
        check("cards");
        subView("Skills", "Checks");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("^Print "))).first().click();
        assertThat(page.getByText("Marking sheet").first()).isVisible();
        check("a check on paper");
        subView("Skills", "Class");
        page.locator("#view").getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setExpanded(false)).first().click();
        assertThat(page.getByText("After each check").or(page.getByText("Newest answers")).first()).isVisible();
        check("skills, one opened");
        view("Groups");
        button("Propose groups").click();
        assertThat(page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName(Pattern.compile("^Group 1"))).first()).isVisible();
        check("groups, board");
        subView("Groups", "Who worked with whom");
        check("groups, worked");
        view("Find");
        button("who or whose …").click();
        assertThat(dialog().getByLabel("Search what can be asked")).isVisible();
        check("find, a condition in the making");
        page.keyboard().press("Escape");
        page.getByLabel("As text").fill("score in Maze is under 12 and (plan or tier in Readin is 3)");
        assertThat(page.getByRole(AriaRole.ALERT)).isVisible();
        check("find, a mistake");
        page.getByLabel("As text").fill("score in Maze is under 12 and (plan or tier in Reading is 3)");
        assertThat(page.getByText("Keep as a list")).isVisible();
        check("find, found");
        subView("Find", "Lists");
        check("find, lists");
        for (String view : List.of("Cut scores", "Windows", "Measures", "Norms", "Calendar", "Rules", "Marks", "Skills", "Texts", "Programs")) {
            subView("Setup", view);
            assertThat(page.getByRole(AriaRole.HEADING).first()).isVisible();
            check("setup, " + view);
        }
        view("Ladder");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Show 4 seasons")).click();
        page.getByLabel("Tell apart by shape").selectOption("support");
        button("In numbers").click();
        check("ladder, four seasons in numbers");
        view("Trends");
        // The page before stays until the next one's code is here.
        assertThat(page.locator("button[data-chart]").first()).isVisible();
        check("trends");
        page.locator("button[data-chart]").first().click();
        assertThat(dialog()).containsText("Scores");
        check("trends, one opened");
        page.keyboard().press("Escape");
        for (String view : List.of("Weekly scores", "Plans and sessions", "Meeting", "Reading aloud")) {
            subView("Trends", view);
            assertThat(page.getByRole(AriaRole.HEADING).first()).isVisible();
            check("trends, " + view);
        }
        page.getByLabel("Student", new Page.GetByLabelOptions().setExact(true)).selectOption(new SelectOption().setIndex(2));
        page.getByLabel("Passage", new Page.GetByLabelOptions().setExact(true)).selectOption(new SelectOption().setIndex(1));
        button("Open the passage").click();
        button("Start the clock").click();
        page.locator("[data-word='4']").click();
        check("reading, live");
        button("Read to the end").click();
        assertThat(page.getByText("1 error in")).isVisible();
        check("reading, finished");
        button("Drop this reading").click();
        button("Drop it").click();
        view("Trends");
        for (String view : List.of("Side by side", "First, best, latest")) {
            button(view).click();
            check("trends, " + view);
        }
        button("All charts").click();
        page.locator("button[data-chart]").first().click();
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Change the goal")).click();
        assertThat(dialog().getByLabel("Starts from")).isVisible();
        check("trends, a goal in the making");
        // The form first, then the dialog.
        page.keyboard().press("Escape");
        assertThat(dialog().getByLabel("Starts from")).hasCount(0);
        page.keyboard().press("Escape");
        assertThat(dialog()).hasCount(0);
        view("Records");
        check("records");
        page.keyboard().press("Control+k");
        check("go to");
        page.keyboard().type("a");
        Locator chosen = page.locator("[role=option][aria-selected=true][data-value^=student-]");
        assertThat(chosen).isVisible();
        String student = chosen.innerText();
        page.keyboard().press("Enter");
        page.waitForURL(Pattern.compile(".*/students/.*"));
        // The box that was gone to it by is closed, and the page is there.
        assertThat(dialog()).hasCount(0);
        // Not the page before, which stays until this one's code is here.
        page.waitForFunction("said => { const h = document.querySelector('#view h1'); return h && said.includes(h.textContent); }", student);
        check("student");
        signOut("N. Haddad");
        signIn("A. Sandvik");
        view("Records");
        subView("Records", "History");
        check("records, history");
        subView("Setup", "Start");
        button("Add more: Measures").click();
        assertThat(page.getByText("Kinds that many schools use.")).isVisible();
        check("setup, start");
        subView("Setup", "Next year");
        button("Students of Kittiwake").click();
        check("setup, next year");
        subView("Setup", "Classes");
        button("Students of Kittiwake class").click();
        check("setup, classes");
        subView("Records", "Files");
        page.getByLabel("File", new Page.GetByLabelOptions().setExact(true)).setInputFiles(new FilePayload("own.csv", "text/csv",
                "Pupil no;Maze 08.11.2025\nS1021;abs\nS1022;M\nNobody;12\n".getBytes(java.nio.charset.StandardCharsets.UTF_8)));
        assertThat(page.getByText("Why rows are refused")).isVisible();
        check("records, matching");
    }

    private void check(String where) throws IOException {
        Axe.findsNothing(page, where);
    }
}
