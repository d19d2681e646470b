package org.zealousladder.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** What is kept of a student, roles beside the first, and scores that are made of parts, as somebody who sets them up and somebody who teaches see them. */
class StudentFactsTest extends BrowserTest {
    private Locator field(String label) {
        return dialog().getByLabel(label, new Locator.GetByLabelOptions().setExact(true));
    }

    private Locator day(String label) {
        return dialog().getByRole(AriaRole.TEXTBOX, new Locator.GetByRoleOptions().setName(label));
    }

    private void student(String name) {
        page.keyboard().press("Control+k");
        page.getByPlaceholder(Pattern.compile("student", Pattern.CASE_INSENSITIVE)).fill(name);
        page.getByRole(AriaRole.OPTION).filter(new Locator.FilterOptions().setHasText(name)).first().click();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName(Pattern.compile(name)).setLevel(1))).isVisible();
    }

    @Test
    void aLaneIsOpenedInPlace() {
        signIn("R. Oduya");
        view("Engagement");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Zuri Halloran")).first().click();
        button("Open here: Oral reading").click();
        Locator behind = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Behind Oral reading"));
        assertThat(behind).containsText("the middle half of those who are in Kittiwake now");
        behind.getByText("Read aloud on").first().click();
        assertThat(behind).containsText("Every morning");
        assertThat(behind.getByRole(AriaRole.TABLE)).containsText("75");
        button("Close: Oral reading").click();
        assertThat(behind).hasCount(0);
        assertThat(button("Open here: Oral reading")).isFocused();
        button("Open here: Work").click();
        assertThat(page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Behind Work"))).containsText("of 10");
    }

    /** An administrator hides what was said from teachers; the page says that it may be there. */
    @Test
    void whatARoleDoesNotSeeIsSaid() {
        signIn("A. Sandvik");
        subView("Records", "People");
        button("Hide: Calls, talks and letters, teachers").click();
        dialog().getByLabel("Why").fill("the counsellor's alone");
        button("Hide them").click();
        assertThat(page.getByText("hidden from teachers")).isVisible();
        Page teacher = another("R. Oduya");
        teacher.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Engagement")).first().click();
        teacher.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Zuri Halloran")).first().click();
        assertThat(teacher.getByText("Not shown to your role: calls, talks and letters.")).isVisible();
        assertThat(teacher.getByText("not reached")).hasCount(0);
        button("Show: Calls, talks and letters, teachers").click();
        dialog().getByLabel("Why").fill("agreed otherwise");
        button("Show them").click();
        assertThat(page.getByText("hidden from teachers")).hasCount(0);
    }

    @Test
    void lanesAreChosenOrderedAndKept() {
        signIn("R. Oduya");
        view("Ladder");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Zuri Halloran")).first().click();
        Locator lanes = page.locator("#view ol > li h2");
        assertThat(lanes.first()).hasText("Oral reading");
        button("Choose lanes").click();
        dialog().getByLabel("Maze", new Locator.GetByLabelOptions().setExact(true)).uncheck();
        for (int i = 0; i < 12 && !lanes.first().innerText().equals("Days away"); i++) {
            dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Earlier: Days away")).click();
        }
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Done")).click();
        page.reload();
        assertThat(lanes.first()).hasText("Days away");
        assertThat(lanes.filter(new Locator.FilterOptions().setHasText("Maze"))).hasCount(0);
        assertThat(page.getByText("1 not shown")).isVisible();
        button("Choose lanes").click();
        button("As they were").click();
        assertThat(dialog().getByLabel("Maze", new Locator.GetByLabelOptions().setExact(true))).isChecked();
        page.keyboard().press("Escape");
        assertThat(lanes.first()).hasText("Oral reading");
    }

    @Test
    void theStudentsOfTheScopeAreSteppedThrough() {
        signIn("R. Oduya");
        view("Ladder");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Zuri Halloran")).first().click();
        assertThat(page.locator("h1")).hasText("Zuri Halloran");
        assertThat(page.getByText(Pattern.compile("\\d+ of 23"))).isVisible();
        page.keyboard().press("k");
        assertThat(page.locator("h1")).not().hasText("Zuri Halloran");
        page.keyboard().press("j");
        assertThat(page.locator("h1")).hasText("Zuri Halloran");
        // A figure leads to where it comes from; g and then k is another view, and no step.
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^\\d+ days?$"))).click();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Days away"))).isFocused();
        page.keyboard().press("g");
        page.keyboard().press("k");
        assertThat(page.locator("#view h1").first()).not().hasText("Zuri Halloran");
        assertThat(page).hasURL(Pattern.compile("/skills"));
    }

    @Test
    void anAdministratorNamesACoordinatorKeepsATeacherSeesAndAnEarlierDayKnowsNothing() {
        signIn("A. Sandvik");
        student("Sunniva");
        button("Change name, birthday or grade").click();
        field("Called").fill("Sunny");
        day("Birthday").fill("11 Feb 2017");
        button("Save").click();
        assertThat(dialog()).hasCount(0);
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Sunny Hale"))).isVisible();
        assertThat(page.getByText("11 Feb 2017, 9 years old")).isVisible();
        signOut("A. Sandvik");

        signIn("M. Tveit");
        student("Sunny");
        button("Add support, language or another").click();
        field("About").selectOption("Looked after by the council");
        field("What").fill("yes");
        day("Since").fill("2 Mar 2026");
        button("Save").click();
        assertThat(dialog()).hasCount(0);
        assertThat(page.getByText("teachers do not see this")).isVisible();
        button("Add somebody at home").click();
        field("Name").fill("Ylva Hale");
        button("Save").click();
        assertThat(dialog()).containsText("Say how to reach them");
        field("Phone").fill("0555 777 888");
        field("Best reached").selectOption("by message");
        button("Save").click();
        assertThat(dialog()).hasCount(0);
        assertThat(page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("0555 777 888"))).isVisible();
        assertThat(button("Change: Ylva Hale")).isVisible();
        // What was typed by mistake is taken back, with a reason.
        button("Change: Looked after by the council, yes").click();
        button("Take back: yes").click();
        dialog().getByLabel(Pattern.compile("Why")).fill("another student");
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Take back").setExact(true)).click();
        assertThat(page.getByText("teachers do not see this")).hasCount(0);
        signOut("M. Tveit");

        signIn("R. Oduya");
        student("Sunny");
        assertThat(page.getByText("Ylva Hale")).isVisible();
        assertThat(button("Add somebody at home")).hasCount(0);
        page.navigate(page.url() + (page.url().contains("?") ? "&" : "?") + "asOf=2026-03-12");
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Sunny Hale"))).isVisible();
        assertThat(page.getByText("Ylva Hale")).hasCount(0);
        assertThat(page.getByText("11 Feb 2017")).hasCount(0);
    }

    @Test
    void aTeacherIsACoordinatorForATime() {
        signIn("A. Sandvik");
        subView("Records", "People");
        button("Change B. Calder").click();
        field("Another role").selectOption("Coordinator: the whole school");
        day("From").fill("2 Mar 2026");
        button("Give the role").click();
        assertThat(dialog()).containsText("coordinator at Skerrow Island School from 2 Mar 2026");
        page.keyboard().press("Escape");
        signOut("A. Sandvik");
        signIn("B. Calder");
        assertThat(page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Scope"))).containsText("Skerrow Island School");
        signOut("B. Calder");

        signIn("A. Sandvik");
        subView("Records", "People");
        button("Change B. Calder").click();
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^Last day: coordinator"))).click();
        day("Last day; empty: it goes on").fill("12 Mar 2026");
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Save").setExact(true)).last().click();
        assertThat(dialog()).containsText("until 12 Mar 2026");
        page.keyboard().press("Escape");
        signOut("A. Sandvik");
        signIn("B. Calder");
        assertThat(page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Scope"))).containsText("Fulmar class");
    }

    @Test
    void partsAreTypedAndTheirSumAppears() {
        signIn("A. Sandvik");
        subView("Setup", "Measures");
        button("Sub-scores of Story writing").click();
        for (String part : new String[] {"Spelling", "Ideas"}) {
            field("Another sub-score").fill(part);
            field("Highest score").fill("10");
            button("Add the sub-score").click();
            assertThat(dialog().getByRole(AriaRole.LISTITEM).filter(new Locator.FilterOptions().setHasText(part))).isVisible();
        }
        dialog().getByLabel(Pattern.compile("They add up")).check();
        page.keyboard().press("Escape");
        assertThat(page.getByText("the sum of its parts")).isVisible();
        signOut("A. Sandvik");

        signIn("N. Haddad");
        subView("Screening", "Enter scores");
        page.getByLabel("Window").selectOption("Winter");
        Locator sum = page.getByLabel("Alba Rustad, Story writing", new Page.GetByLabelOptions().setExact(true));
        assertThat(sum).hasValue("absent");
        page.getByLabel("Alba Rustad, Story writing: Spelling").fill("7");
        page.keyboard().press("Enter");
        page.getByLabel("Alba Rustad, Story writing: Ideas").fill("8");
        page.keyboard().press("Enter");
        assertThat(sum).hasValue("15");
        assertThat(sum).not().isEditable();
        page.getByLabel("Alba Rustad, Story writing: Ideas").fill("9");
        page.keyboard().press("Enter");
        assertThat(sum).hasValue("16");
    }
}
