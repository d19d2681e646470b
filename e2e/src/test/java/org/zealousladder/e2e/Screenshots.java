package org.zealousladder.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.FilePayload;
import com.microsoft.playwright.options.LoadState;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** The README's pictures. Not a test: {@code ./ladder screenshots} runs it by name. */
class Screenshots extends BrowserTest {
    @Test
    void take() {
        page.navigate(address + "/");
        assertThat(page.getByLabel("Sign-in name")).isVisible();
        shot("sign-in");
        signIn("R. Oduya");
        assertThat(heading("Decide")).isVisible();
        shot("desk");
        view("Trends");
        assertThat(page.locator("button[data-chart]").first()).isVisible();
        shot("trends");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Zuri Halloran"))).click();
        assertThat(dialog()).containsText("Decided so far");
        shot("trend");
        page.keyboard().press("Escape");
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
        view("Records");
        page.getByLabel("CSV file").setInputFiles(new FilePayload("weekly.csv", "text/csv", ("student,measure,date,score,room\nS1055,maze,2026-03-13,14,4\n"
                + "S1056,maze,13.3.2026,11,4\nS1057,maze,2026-03-13,111,4\nS1058,maze,2026-03-13,12,4\nS9999,maze,2026-03-13,9,4\n").getBytes(StandardCharsets.UTF_8)));
        assertThat(page.getByText("Download the refused rows")).isVisible();
        shot("records");
        newPage(1280, 800, ColorScheme.DARK);
        signIn("R. Oduya");
        view("Ladder");
        assertThat(page.getByRole(AriaRole.SLIDER)).isVisible();
        shot("ladder-dark");
    }

    private void shot(String name) {
        page.waitForLoadState(LoadState.NETWORKIDLE);
        page.waitForTimeout(300);
        page.screenshot(new Page.ScreenshotOptions().setPath(Path.of("..", "docs", "screenshots", name + ".png")));
    }
}
