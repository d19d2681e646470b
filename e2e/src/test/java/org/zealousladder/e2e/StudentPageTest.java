package org.zealousladder.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** A student's page: plans and messages opened in place, tests from outside, the timetable; what a role does not see; and the records out of reach. */
class StudentPageTest extends BrowserTest {

    private Locator region(String name) {
        return page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    private static void student(Page of, String name) {
        of.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Ladder")).first().click();
        of.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(name)).first().click();
        assertThat(of.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName(name))).isVisible();
    }

    @Test
    void plansOpenInPlaceWithTheirChartAndWhatWasDecided() {
        signIn("R. Oduya");
        student(page, "Zuri Halloran");
        Locator behind = region("Behind plans and decisions");
        assertThat(behind.getByRole(AriaRole.IMG)).hasAttribute("aria-label", Pattern.compile("Oral reading: \\d+ scores"));
        assertThat(behind).containsText("Reads word by word");
        assertThat(behind).containsText("Plan changed on 12 Jan 2026");
        button("Close: Plans and decisions").click();
        assertThat(behind).hasCount(0);
        button("Open here: Plans and decisions").click();
        assertThat(behind).isVisible();
        student(page, "Caspian Ng");
        assertThat(region("Behind plans and decisions")).isVisible();
    }

    @Test
    void messagesOpenInPlace() {
        signIn("R. Oduya");
        student(page, "Zuri Halloran");
        button("Note a call").click();
        dialog().getByLabel(Pattern.compile("^What was said")).fill("The aunt reads with her in the evening.");
        button("Note it").click();
        assertThat(dialog()).hasCount(0);
        button("Open here: Calls and letters").click();
        assertThat(region("Behind calls and letters")).containsText("The aunt reads with her in the evening.");
    }

    @Test
    void testsFromOutsideByYearAndSubjectAndTheWeek() {
        signIn("R. Oduya");
        student(page, "Zuri Halloran");
        Locator outside = region("Tests from outside the school");
        assertThat(outside.getByRole(AriaRole.ROWHEADER, new Locator.GetByRoleOptions().setName(Pattern.compile("County")))).hasCount(4);
        assertThat(outside).containsText("2024–25: Puffin class, grade 2, L. Iversen");
        assertThat(outside).containsText(Pattern.compile("Word reading \\d+, Reading for meaning \\d+"));
        outside.getByLabel("Subject of the tests").selectOption("Maths");
        assertThat(outside.getByRole(AriaRole.ROWHEADER, new Locator.GetByRoleOptions().setName(Pattern.compile("County")))).hasCount(2);
        assertThat(outside).not().containsText("Word reading");
        page.getByText("Timetable now").click();
        assertThat(page.getByRole(AriaRole.COLUMNHEADER, new Page.GetByRoleOptions().setName("Monday"))).isVisible();
        assertThat(page.getByText("Hall, to 11:15")).isVisible();
    }

    /** A lane is hidden from a role: not there, nor the view of it, and both say so; turned back, both are there. */
    @Test
    void aLaneIsHiddenFromARole() {
        signIn("A. Sandvik");
        subView("Records", "People");
        button("Hide: Days absent and late, teachers").click();
        dialog().getByLabel("Why").fill("the office's alone");
        button("Hide them").click();
        assertThat(page.getByText("hidden from teachers")).isVisible();
        Page teacher = another("R. Oduya");
        student(teacher, "Zuri Halloran");
        assertThat(teacher.getByText("Not shown to your role: days absent and late.")).isVisible();
        assertThat(teacher.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Days away"))).hasCount(0);
        teacher.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Engagement")).first().click();
        teacher.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Attendance").setExact(true)).click();
        assertThat(teacher.getByRole(AriaRole.ALERT)).containsText("Days absent and late are not shown to your role.");
        button("Show: Days absent and late, teachers").click();
        dialog().getByLabel("Why").fill("agreed otherwise");
        button("Show them").click();
        assertThat(page.getByText("hidden from teachers")).hasCount(0);
        teacher.reload();
        assertThat(teacher.getByRole(AriaRole.ALERT)).hasCount(0);
        student(teacher, "Zuri Halloran");
        assertThat(teacher.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Days away"))).isVisible();
    }

    /** The records are out of reach for a while and everything is asked for again: what was typed stays, and the page says that it may be old. */
    @Test
    void whatIsTypedStaysWhenNothingCanBeReadAgain() {
        page.clock().install();
        signIn("R. Oduya");
        student(page, "Zuri Halloran");
        button("Write a note").click();
        dialog().getByLabel("What is to be known").fill("Half a thought");
        page.route("**/api/**", Route::abort);
        page.clock().fastForward(60_000);
        page.evaluate("() => window.dispatchEvent(new Event('visibilitychange'))");
        page.clock().runFor(20_000);
        assertThat(page.getByText("This could not be brought up to date just now; what you see is from before.")).isVisible();
        assertThat(dialog().getByLabel("What is to be known")).hasValue("Half a thought");
        page.unroute("**/api/**");
        button("Keep the note").click();
        page.clock().runFor(5_000);
        assertThat(region("Notes and files")).containsText("Half a thought");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Try again")).click();
        page.clock().runFor(5_000);
        assertThat(page.getByText("This could not be brought up to date")).hasCount(0);
    }
}
