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
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** A window from "who is still to be tested" to confirmed tiers, and the report of it. */
class ScreeningFlowTest extends BrowserTest {
    private int count(Locator text, String pattern) {
        Matcher m = Pattern.compile(pattern).matcher(text.innerText());
        assertTrue(m.find(), text.innerText());
        return Integer.parseInt(m.group(1));
    }

    @Test
    void fromCoverageToConfirmedTiers() {
        signIn("M. Tveit");
        view("Screening");
        choose("Tern class");
        assertThat(page.getByText("students are screened on everything;")).isVisible();
        // The school's figures stay until the class's are there.
        assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Kittiwake class, ")))).hasCount(0);
        int owing = count(heading("Still to be tested"), ": (\\d+)");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Tern class, .*: \\d+ of \\d+"))).first().click();
        assertThat(picked()).not().containsText("Nothing picked");
        button("Clear").click();
        page.getByLabel(Pattern.compile("^Make-up day for all")).fill("2026-03-18");
        button("Set the day").click();
        assertThat(page.getByText("Make-up on 18 Mar 2026 set for " + owing + " student" + (owing == 1 ? "" : "s") + ".")).isVisible();
        assertThat(page.getByRole(AriaRole.CELL, new Page.GetByRoleOptions().setName("18 Mar").setExact(true))).hasCount(owing);

        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Enter their scores")).click();
        assertThat(page.locator("[data-at='0/0']")).isVisible();
        Locator cells = page.locator("input[data-at]");
        for (int i = 0; i < cells.count(); i++) {
            Locator cell = cells.nth(i);
            if (cell.inputValue().isEmpty() || cell.inputValue().equals("absent")) {
                cell.fill("e");
                cell.press("Enter");
                assertThat(cell).hasValue("exempt");
            }
        }
        assertThat(page.getByText(Pattern.compile("^Saved: .*: exempt\\.$"))).isVisible();
        view("Screening");
        assertThat(page.getByText("students are screened on everything.")).isVisible();
        assertThat(page.getByText("Nobody owes a score.")).isVisible();

        subView("Screening", "Tiers");
        Locator close = page.getByLabel("Close calls, to talk about");
        assertThat(close).isVisible();
        int before = count(close.getByRole(AriaRole.HEADING), ": (\\d+)");
        close.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^Another tier"))).first().click();
        assertThat(dialog()).containsText("Proposed: tier");
        dialog().getByRole(AriaRole.RADIO, new Locator.GetByRoleOptions().setName("Tier 3")).check();
        dialog().getByLabel("Why").fill("stumbles over long words");
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Save")).click();
        assertThat(dialog()).hasCount(0);
        assertThat(page.getByLabel("Decided", new Page.GetByLabelOptions().setExact(true))).containsText("stumbles over long words");
        if (before > 1) {
            close.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^Retest"))).first().click();
            assertThat(page.getByLabel("To be tested again")).isVisible();
        }
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Confirm the \\d+ clear"))).click();
        assertThat(page.getByText(Pattern.compile("^Confirmed for \\d+ students?\\."))).isVisible();
        button("Undo").click();
        assertThat(page.getByText(Pattern.compile("^Taken back for \\d+ students?\\."))).isVisible();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Confirm the \\d+ clear"))).click();
        assertThat(page.getByText(Pattern.compile("^Confirmed for \\d+ students?\\."))).isVisible();
        assertThat(page.getByLabel("Clear", new Page.GetByLabelOptions().setExact(true))).hasCount(0);

        button("Close the winter window").click();
        assertThat(dialog()).containsText("undecided");
        button("All").click();
        button("All").click();
        assertThat(dialog()).containsText("Nothing is chosen.");
        assertThat(button("Close the winter window for these")).isDisabled();
        button("All").click();
        assertThat(dialog().getByText(Pattern.compile("^\\d+ decisions still are open in what is chosen"))).isVisible();
        dialog().getByLabel("Why").fill("the team has met");
        button("Close the winter window for all").click();
        assertThat(dialog()).hasCount(0);
        assertThat(heading("The winter window is closed for reading here")).isVisible();
        subView("Screening", "Enter scores");
        assertThat(page.getByText("The winter window is closed; a coordinator can open it again under Tiers.")).isVisible();
        assertThat(page.locator("[data-at='0/0']")).not().isEditable();
        subView("Screening", "Tiers");
        button("Close or open again").click();
        button("All classes in Reading").click();
        dialog().getByLabel("Why").fill("one more make-up");
        button("Open it again for these").click();
        assertThat(dialog()).hasCount(0);
        assertThat(heading("The winter window is not closed yet for reading here")).isVisible();
        assertThat(page.getByText(Pattern.compile("^Opened again on 13 Mar 2026 by M. Tveit, for Reading: .*: one more make-up$"))).isVisible();
        subView("Screening", "Enter scores");
        assertThat(page.getByRole(AriaRole.COLUMNHEADER, new Page.GetByRoleOptions().setName(Pattern.compile("^Number facts")))).containsText("closed");
        assertThat(page.locator("[data-at='0/0']")).isEditable();
    }

    @Test
    void aRetestIsOnCoverageAndOnTheDeskAndEnterFillsItsWindow() {
        signIn("M. Tveit");
        choose("Gannet class");
        subView("Screening", "Tiers");
        Locator clear = page.getByLabel("Clear", new Page.GetByLabelOptions().setExact(true));
        Locator retest = clear.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^Retest"))).first();
        String name = retest.getAttribute("aria-label").replace("Retest ", "");
        retest.click();
        assertThat(page.getByLabel("To be tested again")).containsText(name);
        subView("Screening", "Coverage");
        assertThat(page.getByText("One is to be tested again.")).isVisible();
        assertThat(page.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText(name))).containsText("to be tested again");
        view("Desk");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Enter a score for " + name + ", Reading")).click();
        assertThat(heading("Enter winter scores")).isVisible();
        Locator cell = page.getByLabel(name + ", Oral reading");
        assertThat(cell).isFocused();
        assertThat(cell).hasValue("");
        Locator row = page.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText(name));
        int was = count(row.getByText(Pattern.compile("^again, was")).first(), "was (\\d+)");
        cell.fill(String.valueOf(was));
        cell.press("Enter");
        assertThat(row.getByText(Pattern.compile("^again, was"))).hasCount(0);
        subView("Screening", "Coverage");
        assertThat(page.getByText("students are screened on everything")).isVisible();
        assertThat(page.getByText("is to be tested again")).hasCount(0);
        subView("Screening", "Tiers");
        assertThat(page.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText(name))).containsText("Tested again");
    }

    @Test
    void aTeacherGivesAViewAndDecidesNothing() {
        signIn("N. Haddad");
        subView("Screening", "Tiers");
        assertThat(page.getByText("close calls to talk about")).isVisible();
        assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Confirm")))).hasCount(0);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Give a view of"))).first().click();
        dialog().getByRole(AriaRole.RADIO, new Locator.GetByRoleOptions().setName("Tier 2")).check();
        dialog().getByLabel("What you see in class").fill("reads well to a partner");
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Save")).click();
        assertThat(dialog()).hasCount(0);
        assertThat(page.getByText(": reads well to a partner")).isVisible();
        Locator moved = page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("to (less|more) support$")));
        assertThat(moved).hasCount(2);
    }

    @Test
    void theReportAsksItsQuestionsAndBecomesAPdf() throws IOException {
        signIn("R. Oduya");
        subView("Screening", "Report");
        assertThat(heading("Kittiwake class, grade 3")).isVisible();
        assertThat(page.getByText(Pattern.compile("of 23 have no score: when are they tested"))).isVisible();
        Locator band = page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Pick the \\d+ students in Needs a lift")));
        int lowest = Integer.parseInt(band.getAttribute("aria-label").replaceAll("\\D+", ""));
        band.click();
        assertThat(picked()).containsText(lowest + " picked");
        assertThat(page.getByText(Pattern.compile("^\\d+ for Within reach$")).first()).isVisible();
        button("Make a PDF").click();
        Locator save = page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Save the PDF"));
        assertThat(save).isVisible(new com.microsoft.playwright.assertions.LocatorAssertions.IsVisibleOptions().setTimeout(20_000));
        Download download = page.waitForDownload(save::click);
        assertEquals("%PDF", new String(Files.readAllBytes(download.path()), 0, 4, java.nio.charset.StandardCharsets.US_ASCII));
    }

    @Test
    void theUntestedAreTakenOutAsTheyAreListed() throws IOException {
        signIn("R. Oduya");
        view("Screening");
        int rows = count(heading("Still to be tested"), ": (\\d+)");
        Download download = page.waitForDownload(() -> page.getByText("Export the list").click());
        String csv = Files.readString(download.path());
        assertEquals(rows, csv.lines().skip(1).map(l -> l.split(",")[0]).distinct().count());
        assertTrue(csv.contains("Oskar Vane"));
    }
}
