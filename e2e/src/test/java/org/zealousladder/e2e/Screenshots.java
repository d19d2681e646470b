package org.zealousladder.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.FilePayload;
import com.microsoft.playwright.options.LoadState;
import com.microsoft.playwright.options.SelectOption;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** The README's pictures. Not a test: {@code ./ladder screenshots} runs it by name. */
class Screenshots extends BrowserTest {
    @Test
    void take() {
        page.navigate(address + "/");
        assertThat(page.getByLabel("Sign-in name")).isVisible();
        signIn("R. Oduya");
        assertThat(heading("Decide")).isVisible();
        shot("desk");
        view("Trends");
        assertThat(page.locator("button[data-chart]").first()).isVisible();
        shot("trends");
        view("Ladder");
        assertThat(page.getByRole(AriaRole.SLIDER)).isVisible();
        page.getByRole(AriaRole.SLIDER).focus();
        for (int i = 0; i < 6; i++) {
            page.keyboard().press("PageUp");
        }
        page.mouse().move(640, 60);
        shot("ladder");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Zuri Halloran")).first().click();
        assertThat(heading("Zuri Halloran")).isVisible();
        button("Clear").click();
        shot("student");
        view("Find");
        page.getByLabel("As text").fill(
                "tier in Oral reading in winter is at least 2 and (days absent are over 3 or no running plan in Reading) and no contact with home since 1 Jan 2026");
        assertThat(page.getByText("Keep as a list")).isVisible();
        shot("find");
        subView("Find", "Compare");
        assertThat(page.getByText("The same students stand on both sides")).isVisible();
        shot("compare");
        subView("Find", "Reports");
        page.getByRole(AriaRole.CHECKBOX, new Page.GetByRoleOptions().setName("Taking part").setExact(true)).click();
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Oral reading")).first()).isVisible();
        shot("report");
        subView("Trends", "Meeting");
        assertThat(page.getByRole(AriaRole.ARTICLE)).isVisible();
        shot("meeting");
        subView("Trends", "Reading aloud");
        page.getByLabel("Student", new Page.GetByLabelOptions().setExact(true)).selectOption(new SelectOption().setLabel("Zuri Halloran"));
        page.getByLabel("Passage", new Page.GetByLabelOptions().setExact(true)).selectOption(new SelectOption().setIndex(1));
        button("Open the passage").click();
        button("Start the clock").click();
        for (String mark : new String[] {"4e", "18t", "26o", "31s", "33i", "47e"}) {
            page.locator("[data-word='" + mark.replaceAll("\\D", "") + "']").press(mark.replaceAll("\\d", ""));
        }
        button("Stop here").click();
        page.locator("[data-word='84']").click();
        shot("reading");
        button("Drop this reading").click();
        button("Drop it").click();
        subView("Screening", "Coverage");
        assertThat(page.getByText("Still to be tested")).isVisible();
        shot("coverage");
        subView("Screening", "Tiers");
        assertThat(page.getByText("close calls to talk about")).isVisible();
        shot("tiers");
        subView("Engagement", "Weeks");
        assertThat(page.getByText("No look needed")).isVisible();
        page.mouse().move(640, 60);
        shot("weeks");
        subView("Engagement", "Work");
        assertThat(page.getByText("Points so far").first()).isVisible();
        shot("work");
        view("Skills");
        page.getByLabel("Framework").selectOption("Skerrow maths");
        page.locator("#view").getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^Take away across a zero"))).click();
        button("Pick the 9 without it").click();
        page.mouse().move(640, 60);
        shot("skills");
        button("Clear").click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Measure:"))).click();
        page.getByLabel("Measure").getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^Number facts"))).click();
        view("Groups");
        button("Propose groups").click();
        page.getByLabel("Who leads group 1").fill("R. Oduya");
        page.getByLabel("Who leads group 2").fill("I. Mensah");
        page.mouse().move(640, 60);
        shot("groups");
        check();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Measure:"))).click();
        page.getByLabel("Measure").getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^Oral reading"))).click();
        subView("Desk", "Contacts");
        assertThat(page.getByText("To look at again")).isVisible();
        shot("contacts");
        view("Records");
        page.getByLabel("File", new Page.GetByLabelOptions().setExact(true))
                .setInputFiles(new FilePayload("week 11.csv", "text/csv", ("Reading, week 11\nPupil no;Name;Oral reading 10/03/2026;Maze 12/03/2026;Room\n"
                        + "S1055;Zuri;62;14;4\nS1056;Ada;71;abs;4\nS1057;Ole;58;111;4\nS1058;Ida;64;M;4\nS1059;Bo;77;12;4\nS1060;Kim;49;9;4\n")
                        .getBytes(StandardCharsets.UTF_8)));
        assertThat(page.getByText("Download the refused rows")).isVisible();
        shot("records");
        newPage(1280, 800, ColorScheme.LIGHT);
    }

    /** Six students take the check that is open, each in their own way; one of them is still at it. */
    private void check() {
        subView("Skills", "Checks");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Cards for signing in")).click();
        assertThat(button("Print the cards")).isVisible();
        List<String> words = page.locator("#view li p:nth-of-type(2)").allTextContents();
        for (int i = 0; i < 6; i++) {
            Page student = elsewhere();
            student.setViewportSize(1024, 768);
            student.navigate(address + "/take");
            student.getByLabel("Type the four words on your card").fill(words.get(i));
            student.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Go")).click();
            student.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Words and meaning")).click();
            for (int n = 0; n < (i == 5 ? 4 : 10); n++) {
                Locator choices = student.getByRole(AriaRole.RADIO);
                assertThat(choices.first()).isVisible();
                choices.nth((i * n + n * n) % choices.count()).check();
                if (i == 5 && n == 3) {
                    shot(student, "taking");
                }
                student.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Next")).click();
            }
            if (i < 5) {
                student.getByRole(AriaRole.MAIN).getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Hand in")).click();
                assertThat(student.getByText("is handed in")).isVisible();
            }
        }
        subView("Skills", "Checks");
        page.locator("#view").getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("Words and meaning").setExact(true)).click();
        assertThat(page.locator("#view").getByText("5 of 23 students done")).isVisible();
        page.mouse().move(640, 60);
        shot("check");
        button("What follows").click();
        assertThat(heading("Groups for the day it is taught again")).isVisible();
    }

    private void shot(String name) {
        shot(page, name);
    }

    private static void shot(Page page, String name) {
        page.waitForLoadState(LoadState.NETWORKIDLE);
        page.waitForTimeout(300);
        page.screenshot(new Page.ScreenshotOptions().setPath(Path.of("..", "docs", "screenshots", name + ".png")));
    }
}
