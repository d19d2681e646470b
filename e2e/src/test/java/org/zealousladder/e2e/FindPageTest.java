package org.zealousladder.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.Test;

/** Find: a question of the meeting built, typed, kept as a list, and the list in use. */
class FindPageTest extends BrowserTest {
    private Locator lines() {
        return page.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("The criterion, line by line")).getByRole(AriaRole.LISTITEM);
    }

    private Locator text() {
        return page.getByLabel("As text");
    }

    private void find() {
        signIn("M. Tveit");
        view("Find");
        assertThat(lines()).hasCount(1);
    }

    private void term(String search, String name) {
        dialog().getByLabel("Search what can be asked").fill(search);
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(name).setExact(true)).click();
    }

    @Test
    void fromAMeetingsQuestionToALivingListInUse() {
        find();
        button("who or whose …").click();
        term("tier", "tier");
        dialog().getByLabel("Of what?").selectOption("Oral reading");
        dialog().getByLabel("Time", new Locator.GetByLabelOptions().setExact(true)).selectOption("window");
        dialog().getByLabel("Window", new Locator.GetByLabelOptions().setExact(true)).selectOption("Winter");
        dialog().getByLabel("Number").fill("3");
        dialog().getByLabel("Number").press("Enter");
        assertThat(lines()).hasCount(2);
        assertThat(text()).hasValue("whose tier in Oral reading in Winter is 3");
        // The same goes on by typing, and both show the same.
        text().fill("whose tier in Oral reading in Winter is 3 and no running plan in Reading");
        assertThat(lines()).hasCount(3);
        assertThat(lines().nth(2)).containsText("and who have no running plan in Reading");
        assertThat(text()).hasValue("whose tier in Oral reading in Winter is 3 and who have no running plan in Reading");
        String left = lines().nth(2).locator("[data-left]").innerText().replaceAll("\\D", "");
        assertThat(page.getByText(left + " students.")).isVisible();
        button("Keep as a list").click();
        dialog().getByLabel("What it is called").fill("Tier 3, no plan");
        dialog().getByLabel("your school; each sees").check();
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Keep it")).click();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Tier 3, no plan"))).isVisible();
        assertThat(heading("On it now: " + left)).isVisible();
        // For all of it at once: whom it would be for, set, and taken back.
        button("Set a concern for all").click();
        dialog().getByLabel("Area").fill("Attention");
        dialog().getByLabel("Why (it stands with each)").fill("asked in the meeting");
        button("See for whom").click();
        assertThat(dialog().getByRole(AriaRole.STATUS)).containsText(left + " students would get it");
        button("Set it for " + left).click();
        assertThat(dialog()).containsText("Set for " + left + " students.");
        button("Take it back").click();
        assertThat(dialog()).containsText("Taken back for " + left + " students.");
        button("Done").click();
        page.getByLabel("Tell me on the Desk").check();
        assertThat(page.getByLabel("Tell me on the Desk")).isChecked();
        // In use: as the scope of another view.
        button("Use as scope").click();
        assertThat(page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Scope"))).containsText("Tier 3, no plan");
        view("Find");
        assertThat(lines().first()).containsText("Tier 3, no plan");
        assertThat(lines().first().locator("[data-left]")).containsText(left);
        // Shared: a teacher sees it, with the own students on it.
        Page teacher = another("R. Oduya");
        teacher.navigate(address + "/find/lists");
        teacher.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Tier 3, no plan")).click();
        assertThat(teacher.getByText("who have no running plan in Reading").first()).isVisible();
        assertThat(teacher.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("End the list"))).hasCount(0);
        assertThat(teacher.getByRole(AriaRole.ALERT)).hasCount(0);
        subView("Find", "Lists");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Tier 3, no plan").setExact(true).setPressed(false)).click();
        button("End the list").click();
        button("End it").click();
        assertThat(page.getByText("No list is kept yet")).isVisible();
    }

    @Test
    void aMistakeIsUnderlinedAndRepairedByTheKeyboard() {
        find();
        text().fill("tier in Readin is 3");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("Did you mean Reading?");
        assertThat(page.locator(".decoration-wavy")).hasText("Readin");
        text().focus();
        page.keyboard().press("Tab");
        assertThat(button("Reading")).isFocused();
        page.keyboard().press("Enter");
        assertThat(text()).hasValue("whose tier in Reading is 3");
        assertThat(lines()).hasCount(2);
        // A part by its button; what holds of somebody, turned round; a line taken out; back undoes.
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("What it must be: 3")).click();
        dialog().getByLabel("How it is compared").selectOption("at most");
        dialog().getByLabel("Number").fill("2");
        button("Change it").click();
        assertThat(text()).hasValue("whose tier in Reading is at most 2");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Condition: tier")).click();
        button("or …").click();
        term("goal", "goal");
        button("Add it").click();
        assertThat(text()).hasValue("whose tier in Reading is at most 2 or who have a goal");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Joined by: or")).click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^and:"))).click();
        assertThat(text()).hasValue("whose tier in Reading is at most 2 and who have a goal");
        page.goBack();
        assertThat(text()).hasValue("whose tier in Reading is at most 2 or who have a goal");
    }

    @Test
    void aListAsPickedHoldsEverybodyFoundAndNotTheFirstHundredAlone() {
        find();
        text().fill("grade is from 1 to 5");
        Locator found = page.getByText(Pattern.compile("^The first 100 of \\d+"));
        String all = found.textContent().replaceAll("^The first 100 of (\\d+).*", "$1");
        button("Keep as a list").click();
        dialog().getByLabel("What it is called").fill("Everybody now");
        dialog().getByLabel("the " + all + " students it holds for now, for good").check();
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Keep it")).click();
        assertThat(heading("On it now: " + all)).isVisible();
        button("End the list").click();
        button("End it").click();
        assertThat(page.getByText("No list is kept yet")).isVisible();
    }

    @Test
    void whatWasTypedCallsNobodyBackWhoGoesOnAtOnce() {
        find();
        List<Route> held = new ArrayList<>();
        page.route(Pattern.compile("/assets/ListsPage"), held::add);
        text().fill("grade is 3");
        page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Find"))
                .getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("Lists")).click();
        // The page before is still there, and has its moment in which typing settles.
        page.waitForTimeout(900);
        held.forEach(Route::resume);
        assertThat(heading("Kept lists")).isVisible();
        page.goBack();
        assertThat(text()).hasValue("whose grade is 3");
    }

    @Test
    void aTableIsTakenOutWithItsColumns() throws IOException {
        find();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("^Who did not reach the best tier on one or more tests"))).click();
        Locator heads = page.getByRole(AriaRole.COLUMNHEADER);
        assertThat(heads.filter(new Locator.FilterOptions().setHasText("Score in Oral reading in Winter"))).isVisible();
        button("Columns").click();
        dialog().getByLabel("What it shows").selectOption("support");
        button("Add this column").click();
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Take out: band in Oral reading in Winter")).click();
        button("Show these").click();
        assertThat(heads.filter(new Locator.FilterOptions().setHasText("Support"))).isVisible();
        assertThat(heads.filter(new Locator.FilterOptions().setHasText("Band in Oral reading"))).hasCount(0);
        Download csv = page.waitForDownload(() -> button("CSV").click());
        List<String> rows = Files.readAllLines(csv.path(), StandardCharsets.UTF_8);
        assertTrue(rows.get(0).startsWith("student,name,class,score in Oral reading in Winter,"), rows.get(0));
        assertTrue(rows.get(0).endsWith(",support"), rows.get(0));
        String found = page.getByText(Pattern.compile("^\\d+ students\\.")).innerText().replaceAll("\\D.*", "");
        assertEquals(Integer.parseInt(found), rows.size() - 1);
        Download xlsx = page.waitForDownload(() -> button("XLSX").click());
        try (ZipInputStream zip = new ZipInputStream(Files.newInputStream(xlsx.path()))) {
            assertTrue(zip.getNextEntry() != null, "a workbook is a ZIP file");
        }
    }

    @Test
    void whoDidNotTakeATestIsOneClickAway() {
        signIn("M. Tveit");
        view("Screening");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Maze").setExact(true)).click();
        assertThat(text()).hasValue(Pattern.compile("who were not screened in Maze in Winter"));
        assertThat(page.getByRole(AriaRole.COLUMNHEADER).filter(new Locator.FilterOptions().setHasText("Screening result"))).isVisible();
    }
}
