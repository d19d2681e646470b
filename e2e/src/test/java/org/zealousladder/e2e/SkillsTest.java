package org.zealousladder.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Which skills a class has, the mistake that nine share, and groups for tomorrow. */
class SkillsTest extends BrowserTest {
    private void maths(String person) {
        signIn(person);
        view("Skills");
        page.getByLabel("Framework").selectOption("Skerrow maths");
        assertThat(page.locator("#view h1")).containsText("Teach again: Take away across a zero");
    }

    private Locator line(String skill) {
        return page.locator("#view").getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^" + skill)));
    }

    private Locator group(int number) {
        return page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName(Pattern.compile("^Group " + number + ":")));
    }

    @Test
    void theNineWhoShareAMistakeArePickedFromTheirAnswers() {
        maths("R. Oduya");
        line("Take away across a zero").click();
        assertThat(page.getByText("All 9 share one mistake: takes the smaller digit from the larger.")).isVisible();
        button("Pick the 9 without it").click();
        assertThat(page.getByText("9 picked")).isVisible();
        assertThat(page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("For tomorrow"))).containsText("Again9 students");
        // The item as it was asked.
        page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Answers, item by item"))
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("403−176")).click();
        assertThat(page.getByText("Right: 227")).isVisible();
        // What is taught is kept by the teacher.
        page.getByLabel("being taught now").uncheck();
        assertThat(button("taught now (2)")).isVisible();
        page.getByLabel("being taught now").check();
        assertThat(button("taught now (3)")).isVisible();
        // The way back is the address.
        page.goBack();
        assertThat(page.getByText("All 9 share one mistake: takes the smaller digit from the larger.")).hasCount(0);
        button("below grade").click();
        assertThat(line("Take away across a zero")).hasCount(0);
        assertThat(line("Compare numbers to 1000")).isVisible();
    }

    @Test
    void aMarkIsReachedByArrowsAndPicked() {
        maths("R. Oduya");
        Locator marks = page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Students on Take away across a zero"));
        marks.getByRole(AriaRole.BUTTON).first().focus();
        page.keyboard().press("ArrowRight");
        page.keyboard().press("Enter");
        assertThat(marks.getByRole(AriaRole.BUTTON).nth(1)).hasAttribute("aria-pressed", "true");
        assertThat(page.getByText("1 picked")).isVisible();
    }

    @Test
    void aStudentAProfileAndAnItem() {
        maths("R. Oduya");
        subView("Skills", "Students");
        page.getByLabel("Student", new Page.GetByLabelOptions().setExact(true)).selectOption("Idris Falk");
        page.getByLabel("Framework").selectOption("Skerrow maths");
        assertThat(page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Adding and taking away"))).containsText("Take away across a zero");
        button("Two spans or two students side by side").click();
        page.getByLabel("Second: student").selectOption("Pema Dorje");
        assertThat(page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Side by side"))).containsText("Second less first");
        subView("Skills", "Profiles");
        page.getByLabel("Framework").selectOption("Skerrow maths");
        Locator advice = page.getByRole(AriaRole.CHECKBOX,
                new Page.GetByRoleOptions().setName(Pattern.compile("^(Let them|Blocks|Ten minutes|Numbers beyond|Draw|Guess|Two-step)")));
        advice.first().check();
        assertThat(page.getByText("followed, 13 Mar").first()).isVisible();
        subView("Skills", "Items");
        page.getByLabel("Check").selectOption(new com.microsoft.playwright.options.SelectOption().setLabel("Taking away again, 6 Mar 2026"));
        line("1 403").click();
        assertThat(page.getByText("takes the smaller digit from the larger").first()).isVisible();
        page.getByLabel("Asks for this skill, too")
                .selectOption(new com.microsoft.playwright.options.SelectOption().setLabel("Skerrow maths: Hundreds, tens and ones"));
        assertThat(button("Not Hundreds, tens and ones")).isVisible();
        assertThat(page.getByText("of yours answered it")).isVisible();
        page.getByLabel("Why", new Page.GetByLabelOptions().setExact(true)).fill("it needs the places of a number");
        button("Save it").click();
        assertThat(page.getByText("(it needs the places of a number)")).isVisible();
        button("Take it back").click();
        assertThat(page.getByText("(taken back)")).isVisible();
        assertThat(button("Not Hundreds, tens and ones")).hasCount(0);
    }

    @Test
    void groupsForMondayAreProposedMovedByKeysAndKept() {
        maths("R. Oduya");
        view("Groups");
        // The scope's measure is one of reading: the skill is chosen in the sentence.
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Measure:"))).click();
        page.getByLabel("Measure").getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^Number facts"))).click();
        assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Made by: how they go wrong on Take away across a zero"))).isVisible();
        button("Propose groups").click();
        assertThat(group(1)).isVisible();
        assertThat(page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("With the class"))).isVisible();
        Locator first = group(1).getByRole(AriaRole.LISTITEM).first().getByRole(AriaRole.BUTTON);
        String who = first.getAttribute("aria-label").split(",")[0];
        int before = group(2).getByRole(AriaRole.LISTITEM).count();
        first.focus();
        page.keyboard().press("m");
        assertThat(page.getByText("to which number?")).isVisible();
        page.keyboard().press("2");
        assertThat(group(2).getByRole(AriaRole.LISTITEM)).hasCount(before + 1);
        // Who stays is where they were when groups are proposed again.
        group(2).getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^" + who))).click();
        page.getByLabel("stays when groups are proposed again").check();
        page.keyboard().press("Escape");
        button("Propose again").click();
        assertThat(group(2).getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^" + who + ".*stays")))).isVisible();
        page.getByLabel("Who leads group 1").fill("I. Mensah");
        button("Keep these").click();
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^Keep the"))).click();
        assertThat(dialog()).containsText("Kept for 16 Mar 2026.");
        page.keyboard().press("Escape");
        subView("Groups", "Kept groups");
        Locator kept = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Take away across a zero"));
        assertThat(kept).containsText("on 16 Mar 2026");
        assertThat(kept).containsText("I. Mensah");
        // Each group is a scope.
        choose("Cutter");
        view("Skills");
        assertThat(page.locator("#view")).containsText("Skill, most secure first");
        choose("Kittiwake class");
        view("Groups");
        subView("Groups", "Who worked with whom");
        assertThat(page.locator("#view h1")).containsText("pairs have never worked together");
    }

    @Test
    void sizesThatCannotBeAreSaid() {
        maths("R. Oduya");
        view("Groups");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Sizes:"))).click();
        page.getByLabel("Fewest in a group").fill("30");
        page.getByLabel("Most in a group").fill("30");
        button("So many").click();
        page.keyboard().press("Escape");
        button("Propose groups").click();
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("do not make groups of 30 to 30; allow other sizes.");
    }

    @Test
    void aWideSheetOfAnswersComesInAndTheSkillViewFollows() {
        signIn("R. Oduya");
        view("Records");
        page.getByLabel("File", new Page.GetByLabelOptions().setExact(true)).setInputFiles(new FilePayload("facts.csv", "text/csv",
                ("Name,Q1,Q2,Q3,Q4\nKEY,7,12,9,16\nSKILL,m-facts-20,m-facts-20,m-facts-20,m-facts-20\nIdris Falk,7,12,9,16\nPema Dorje,7,12,8,16\nNoor Ellery,7,11,8,15\n")
                        .getBytes(StandardCharsets.UTF_8)));
        page.getByLabel("Name of the check").fill("Facts in March");
        page.getByLabel("Name of the check").press("Tab");
        page.getByLabel("Day on which it was taken").fill("2026-03-10");
        page.getByLabel("Day on which it was taken").press("Tab");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Save \\d+ rows"))).click();
        assertThat(page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Brought in"))).containsText("answers, a column an item");
        view("Skills");
        page.getByLabel("Framework").selectOption("Skerrow maths");
        line("Facts to 20").click();
        assertThat(page.locator("#view")).containsText("Facts in March");
    }

    @Test
    void whatHavingASkillMeansIsSetWithAReasonAndTakenBack() {
        signIn("M. Tveit");
        subView("Setup", "Skills");
        page.getByLabel("Standard, per cent right").fill("80");
        assertThat(page.locator("#view")).containsText(Pattern.compile("\\d+ students of 149 would be read otherwise"));
        page.getByLabel("Why", new Page.GetByLabelOptions().setExact(true)).fill("we ask for more");
        button("Set it from today on").click();
        assertThat(page.locator("#view")).containsText("we ask for more");
        button("As it was here").last().click();
        page.getByLabel("Why", new Page.GetByLabelOptions().setExact(true)).fill("too much at once");
        button("Set it from today on").click();
        assertThat(page.getByLabel("Standard, per cent right")).hasValue("70");
        // A skill is typed, and rests on another.
        page.getByText("Skerrow reading").click();
        button("Add a skill").last().click();
        page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill("Reads a tide table");
        page.getByLabel("Rests on").selectOption("Read a table in a text");
        button("Add").click();
        assertThat(page.locator("#view")).containsText("rests on Read a table in a text");
    }
}
