package org.zealousladder.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import java.io.IOException;
import java.nio.file.Files;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** The signature picture: grip, bands, discs, the ground line and the table beside it. */
class LadderTest extends BrowserTest {
    @BeforeEach
    void ladder() {
        signIn("G. Rustad");
        view("Ladder");
        assertThat(page.getByRole(AriaRole.SLIDER)).isVisible();
    }

    private Locator rows() {
        return page.locator("tbody tr");
    }

    private int pickedCount() {
        String text = picked().innerText();
        return text.startsWith("Nothing") ? 0 : Integer.parseInt(text.split(" ")[0]);
    }

    @Test
    void theGripIsDraggedAndPicksEveryoneBelow() {
        BoundingBox grip = page.getByRole(AriaRole.SLIDER).boundingBox();
        page.mouse().move(grip.x + grip.width / 2, grip.y + grip.height / 2);
        page.mouse().down();
        page.mouse().move(grip.x + grip.width / 2, grip.y - 150, new com.microsoft.playwright.Mouse.MoveOptions().setSteps(8));
        page.mouse().up();
        int value = Integer.parseInt(page.getByRole(AriaRole.SLIDER).getAttribute("aria-valuenow"));
        int below = 0;
        for (Locator row : rows().all()) {
            String winter = row.locator("td").nth(3).innerText().replaceAll("\\D+", "");
            below += !winter.isEmpty() && Integer.parseInt(winter) < value ? 1 : 0;
        }
        assertTrue(below > 0, "somebody stands below " + value);
        assertThat(picked()).containsText(below + " picked");

        button("below: pick above instead").click();
        int screened = (int) rows().all().stream().filter(r -> !r.locator("td").nth(3).innerText().contains("not")
                && !r.locator("td").nth(3).innerText().contains("absent")).count();
        assertThat(picked()).containsText((screened - below) + " picked");
    }

    @Test
    void theGripMovesByKeys() {
        Locator grip = page.getByRole(AriaRole.SLIDER);
        grip.focus();
        int start = Integer.parseInt(grip.getAttribute("aria-valuenow"));
        page.keyboard().press("PageUp");
        page.keyboard().press("ArrowUp");
        assertEquals(start + 11, Integer.parseInt(grip.getAttribute("aria-valuenow")));
        page.keyboard().press("End");
        int all = pickedCount();
        page.keyboard().press("Home");
        assertEquals(0, pickedCount());
        assertTrue(all > 15);
    }

    @Test
    void aBandADiscAndARowNumberPickAndThePicksStay() {
        Locator band = page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Within reach \\d+ of")));
        int inBand = Integer.parseInt(band.getAttribute("aria-label").split(" ")[2]);
        band.click();
        assertThat(picked()).containsText(inBand + " picked");
        rows().last().getByRole(AriaRole.BUTTON).click();
        assertThat(picked()).containsText((inBand + 1) + " picked");
        view("Trends");
        assertThat(picked()).containsText((inBand + 1) + " picked");
        button("Clear").click();
        assertThat(picked()).containsText("Nothing picked");
    }

    @Test
    void theTableSortsByEveryColumn() {
        page.getByRole(AriaRole.COLUMNHEADER).getByText("Student").click();
        String first = rows().first().locator("td").nth(1).innerText();
        page.getByRole(AriaRole.COLUMNHEADER).getByText("Student").click();
        assertThat(rows().last().locator("td").nth(1)).hasText(first);
        page.getByRole(AriaRole.COLUMNHEADER).getByText("Gain").click();
        assertThat(page.getByRole(AriaRole.COLUMNHEADER).filter(new Locator.FilterOptions().setHasText("Gain"))).hasAttribute("aria-sort", "descending");
    }

    @Test
    void whatIsPickedCanBeTakenOut() throws IOException {
        rows().nth(5).getByRole(AriaRole.BUTTON).click();
        Download download = page.waitForDownload(() -> picked().getByText("Export 1 student").click());
        String csv = Files.readString(download.path());
        assertTrue(csv.startsWith("student,measure,date,score,status"));
        assertEquals(1, csv.lines().skip(1).map(l -> l.split(",")[0]).distinct().count());
    }

    @Test
    void aWholeSchoolIsDrawnForTheCoordinator() {
        signOut("G. Rustad");
        signIn("M. Tveit");
        view("Ladder");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Whose students"))).click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Skerrow Island School").setExact(true)).click();
        assertThat(rows()).hasCount(149);
    }

    @Test
    void fourSeasonsOverTwoYearsStandSideBySide() {
        button("Show 4 seasons").click();
        assertThat(page.getByRole(AriaRole.COLUMNHEADER).filter(new Locator.FilterOptions().setHasText("Winter 25"))).isVisible();
        assertThat(page.getByRole(AriaRole.COLUMNHEADER).filter(new Locator.FilterOptions().setHasText("Winter 26"))).isVisible();
        assertTrue(page.url().contains("seasons=4"), page.url());
        page.reload();
        assertThat(button("Show 4 seasons")).hasAttribute("aria-pressed", "true");
    }

    @Test
    void theNumbersBesideItPickWhomTheyCount() {
        button("In numbers").click();
        Locator band = page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^\\d+ \\d+ % in Secure, Winter")));
        int secure = Integer.parseInt(band.getAttribute("aria-label").split(" ")[0]);
        band.click();
        assertThat(picked()).containsText(secure + " picked");
        button("Clear").click();
        Locator histogram = page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Histogram"));
        int all = 0;
        for (Locator bin : histogram.getByRole(AriaRole.BUTTON).all()) {
            all += Integer.parseInt(bin.getAttribute("aria-label").split(" ")[2]);
        }
        page.getByRole(AriaRole.SLIDER).focus();
        page.keyboard().press("End");
        assertEquals(pickedCount(), all, "the bins hold everyone with a score");
        button("Clear").click();
        histogram.getByRole(AriaRole.BUTTON).first().focus();
        page.keyboard().press("Enter");
        assertTrue(pickedCount() > 0);
        button("Clear").click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Pick the lowest quarter, Winter"))).press("Enter");
        assertTrue(pickedCount() >= 4 && pickedCount() <= 8, pickedCount() + " in a quarter");
    }

    @Test
    void aTailPicksEveryoneWhoMovedTheSameWay() {
        Locator tail = page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Pick \\d+ stayed in Secure"))).first();
        int moved = Integer.parseInt(tail.getAttribute("aria-label").split(" ")[1]);
        tail.dispatchEvent("click");
        assertThat(picked()).containsText(moved + " picked");
    }

    @Test
    void twoMeasuresAreComparedAndGroupsToldApartOnlyWhenAsked() {
        assertThat(page.getByText("No support noted")).hasCount(0);
        page.getByLabel("Tell apart by shape").selectOption("support");
        Locator key = page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^No support noted \\d+")));
        key.click();
        assertEquals(Integer.parseInt(key.innerText().replaceAll("\\D+", "")), pickedCount());
        page.getByLabel("Beside").selectOption(new com.microsoft.playwright.options.SelectOption().setLabel("Maze"));
        assertThat(page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Ladder picture, Maze"))).isVisible();
        assertThat(page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Ladder picture, Oral reading"))).isVisible();
        page.getByLabel("Beside").selectOption("");
        assertThat(page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Ladder picture, Maze"))).hasCount(0);
    }
}
