package org.zealousladder.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Who is drifting: from the weeks to the page somebody read, from a flag to what is done about it, from a rule to whom it would flag. */
class EngagementTest extends BrowserTest {
    private Locator row(String name) {
        return page.getByRole(AriaRole.LISTITEM)
                .filter(new Locator.FilterOptions().setHas(page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(name))));
    }

    private Locator in(Locator where, String button) {
        return where.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(button).setExact(true));
    }

    @Test
    void fromAWeekDownToThePageThatWasRead() {
        signIn("R. Oduya");
        view("Engagement");
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1))).hasText(Pattern.compile("^\\d of 23 need a look$"));
        assertThat(row("Caspian Ng")).containsText(Pattern.compile("not seen for 1\\d school days"));
        assertThat(row("Yusra Penhale")).containsText("Time is not the lack: teach it another way.");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Not seen: "))).click();
        assertThat(row("Caspian Ng")).isVisible();
        assertThat(row("Noor Ellery")).hasCount(0);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Not seen: "))).click();

        button("Open the weeks of Noor Ellery").click();
        Locator noor = row("Noor Ellery");
        assertThat(noor).containsText("quiet since 9 Feb: ");
        in(noor, "all weeks").click();
        in(noor, "Saltmarsh Stories").click();
        Locator where = noor.getByRole(AriaRole.REGION, new Locator.GetByRoleOptions().setName("Where"));
        // The list before stays until the next one is there.
        assertThat(where).containsText("› Saltmarsh Stories");
        for (String deeper : new String[] {"Chapter", "Page"}) {
            where.getByRole(AriaRole.ROW).nth(1).getByRole(AriaRole.BUTTON).click();
            assertThat(where.getByRole(AriaRole.ROW).nth(1)).containsText(deeper);
        }
        where.getByRole(AriaRole.ROW).nth(1).getByRole(AriaRole.BUTTON).click();
        assertThat(where.getByRole(AriaRole.LISTITEM).first()).hasText(Pattern.compile("^\\d+ \\w{3}, \\d\\d:\\d\\d: reading, \\d+ min, \\d+ actions$"));
        in(noor, "Programs").click();
        assertThat(in(noor, "Tally Quay")).isVisible();
        button("Close the weeks of Noor Ellery").click();
        assertThat(button("Open the weeks of Noor Ellery")).isFocused();

        // Picks go along to any action.
        button("Pick them").click();
        assertThat(picked()).containsText("Caspian");
        button("Clear").click();
    }

    @Test
    void aFlagIsSetAsideWithAReasonAndAStudentIsWatched() {
        signIn("B. Calder");
        view("Engagement");
        Locator flagged = page.getByRole(AriaRole.LISTITEM).filter(new Locator.FilterOptions().setHas(button("Set aside"))).first();
        String name = flagged.getByRole(AriaRole.LINK).first().innerText();
        in(flagged, "Set aside").click();
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Set aside")).click();
        assertThat(dialog()).containsText("Say in a few words why it is set aside");
        dialog().getByLabel("Why").fill("works on paper this month");
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Set aside")).click();
        assertThat(dialog()).hasCount(0);
        assertThat(row(name)).containsText("set aside until 27 Mar: works on paper this month (B. Calder)");
        view("Desk");
        assertThat(heading("Decide")).isVisible();
        assertThat(page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Drifting")).getByRole(AriaRole.LINK,
                new Locator.GetByRoleOptions().setName(name)))
                .hasCount(0);
        view("Engagement");
        in(row(name), "Take back").click();
        assertThat(in(row(name), "Set aside")).isVisible();

        // Somebody of whom no rule says anything.
        Locator quiet = page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Open the weeks of "))).last();
        String other = quiet.getAttribute("aria-label").replace("Open the weeks of ", "");
        quiet.click();
        in(row(other), "Watch").click();
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Watch")).click();
        assertThat(dialog()).hasCount(0);
        assertThat(row(other)).containsText("watched until 27 Mar");
        view("Desk");
        assertThat(page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Drifting"))).containsText(other);
        view("Engagement");
        in(row(other), "No longer").click();
        assertThat(row(other)).not().containsText("watched");
    }

    @Test
    void aRuleSaysWhomItWouldFlagBeforeItIsSetAndIsTakenBack() {
        signIn("T. Sato");
        view("Engagement");
        Locator heading = page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1));
        assertThat(heading).hasText(Pattern.compile("^\\d+ of \\d+ needs? a look$"));
        String before = heading.innerText();
        subView("Setup", "Rules");
        button("Change: Quiet").click();
        dialog().getByLabel("set for Tern class").check();
        dialog().getByLabel("Threshold, per cent").fill("99");
        dialog().getByLabel("Weeks").fill("1");
        Locator said = dialog().getByRole(AriaRole.STATUS);
        assertThat(said).containsText("Anew: ");
        assertThat(said).containsText("On those of 13 Feb");
        dialog().getByLabel("Threshold, per cent").fill("400");
        assertThat(dialog()).containsText("The threshold of quiet is from 0.01 to 1.");
        dialog().getByLabel("Threshold, per cent").fill("99");
        assertThat(said).containsText("Anew: ");
        String would = said.getByRole(AriaRole.PARAGRAPH).first().innerText().replaceAll("(?s)^On today's records: (\\d+) .*", "$1");
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Set the rule")).click();
        assertThat(dialog()).containsText("Say in a few words why");
        dialog().getByLabel("Why").fill("a project in the library");
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Set the rule")).click();
        assertThat(dialog()).hasCount(0);
        assertThat(page.getByText("a project in the library")).isVisible();
        view("Engagement");
        assertThat(page.getByRole(AriaRole.BUTTON,
                new Page.GetByRoleOptions().setName(Pattern.compile("^Quiet: under 99 % of the class's time for 1 week or more"))))
                .containsText("(" + would + ")");
        subView("Setup", "Rules");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Take back: "))).first().click();
        assertThat(page.getByText("taken back: a project in the library")).isVisible();
        view("Engagement");
        assertThat(heading).hasText(before);
    }

    @Test
    void howGoodPercentagesWereIsToldToWhoSeesTheSchool() {
        signIn("M. Tveit");
        subView("Setup", "Rules");
        Locator part = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("How good are these percentages here?"));
        assertThat(part.getByRole(AriaRole.TABLE)).hasCount(0);
        part.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Hold them to the past")).click();
        assertThat(part.getByRole(AriaRole.HEADING, new Locator.GetByRoleOptions().setName("After 8 weeks"))).isVisible();
        assertThat(part.getByText(Pattern.compile("^Of 73 goals \\d+ to \\d+ are met if what was said is right; \\d+ were\\. That fits\\."))).hasCount(2);
        Locator table = part.getByRole(AriaRole.TABLE).first();
        int goals = 0;
        for (Locator row : table.locator("tbody tr").all()) {
            String[] met = row.getByRole(AriaRole.CELL).nth(1).innerText().split(" of ");
            goals += Integer.parseInt(met[1].strip());
            assertThat(row.getByRole(AriaRole.IMG)).hasAttribute("aria-label", Pattern.compile("^\\d+ % met, \\d+ % to \\d+ % possible, \\d+ % said$"));
        }
        assertEquals(73, goals, "every goal is in one of the rows");
        signOut("M. Tveit");
        signIn("R. Oduya");
        subView("Setup", "Rules");
        assertThat(page.getByText("Quiet: under")).isVisible();
        assertThat(part).hasCount(0);
    }

    @Test
    void daysAwayHoursAndEffortLeadToNames() {
        signIn("R. Oduya");
        subView("Engagement", "Attendance");
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1))).containsText("often absent");
        assertThat(page.getByRole(AriaRole.ROW).nth(1)).containsText("Jory Tamsin");
        assertThat(page.getByRole(AriaRole.ROW).nth(1)).containsText("often absent");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Week of 9 Mar"))).click();
        Locator said = page.getByText(Pattern.compile("^Week of 9 Mar: \\d+ student"));
        assertThat(said).isVisible();
        assertThat(page.getByRole(AriaRole.ROW)).hasCount(1 + Integer.parseInt(said.innerText().replaceAll("(?s)^Week of 9 Mar: (\\d+) .*", "$1")));
        subView("Engagement", "Habits");
        page.locator("#view label").filter(new Locator.FilterOptions().setHasText("everybody here")).getByRole(AriaRole.COMBOBOX).selectOption("Marit Solano");
        assertThat(page.getByText("in the evening, after 7")).isVisible();
        subView("Engagement", "Effort and score");
        assertThat(page.getByText(Pattern.compile("n = \\d\\d\\."))).isVisible();
        Locator point = page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Pick Yusra Penhale: ")));
        point.focus();
        page.keyboard().press("Enter");
        assertThat(picked()).containsText("Yusra");
        button("Clear").click();
        button("days absent").click();
        assertThat(page.getByText("Get them here").first()).isVisible();
    }
}
