package org.zealousladder.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** What comes to people by itself, and what is set for everybody: the morning letter, the team's day, the time between actions, a word to a student. */
class MorningTest extends BrowserTest {
    private Page mails() {
        signIn("A. Sandvik");
        subView("Desk", "Contacts");
        String outside = page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("What went out")).getAttribute("href");
        signOut("A. Sandvik");
        Page mails = elsewhere();
        mails.navigate(outside);
        return mails;
    }

    @Test
    void whoWantsALetterInTheMorningSeesOneAtOnceWithoutAName() {
        Page mails = mails();
        signIn("R. Oduya");
        openAccount("R. Oduya");
        button("Send me one every morning").click();
        assertThat(dialog()).containsText("It goes to r.oduya@skerrow.example since 13 Mar.");
        button("Send today's now").click();
        assertThat(dialog()).containsText("On its way to r.oduya@skerrow.example.");
        Locator letter = mails.getByRole(AriaRole.ARTICLE).filter(new Locator.FilterOptions().setHasText("This morning:"));
        for (int i = 0; i < 40 && letter.count() == 0; i++) {
            mails.waitForTimeout(500);
            mails.reload();
        }
        assertThat(letter).containsText(Pattern.compile("Kittiwake class\\s+\\d+ to decide"));
        assertThat(letter).not().containsText(Pattern.compile("Noor|Caspian|Pema|Sunniva"));
        button("Stop it").click();
        assertThat(button("Send me one every morning")).isVisible();
    }

    @Test
    void aStudentIsWrittenTo() {
        signIn("R. Oduya");
        view("Engagement");
        page.getByLabel("Pick Noor Ellery").check();
        button("Write").click();
        dialog().getByLabel("To", new Locator.GetByLabelOptions().setExact(true)).selectOption("the students themselves");
        dialog().getByLabel("The school's texts").selectOption("Well done, to the student");
        Locator letter = dialog().getByRole(AriaRole.REGION, new Locator.GetByRoleOptions().setName("As they will read it"));
        assertThat(letter).containsText("Dear Noor Ellery,");
        assertThat(letter).containsText("@pupils.skerrow.example");
        dialog().getByText("Send 1 letter").click();
        assertThat(dialog()).containsText("1 letter will go out in a moment");
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Close")).last().click();
        subView("Desk", "Contacts");
        assertThat(page.locator("#view").getByRole(AriaRole.LISTITEM).filter(new Locator.FilterOptions().setHasText("Noor Ellery"))
                .filter(new Locator.FilterOptions().setHasText("Well done"))).hasCount(1, new LocatorAssertions.HasCountOptions().setTimeout(20_000));
    }

    @Test
    void theTeamsNextMeetingIsSetAndTakenOff() {
        signIn("M. Tveit");
        subView("Trends", "Meeting");
        assertThat(page.getByText("No day is set for the next meeting.")).isVisible();
        button("Set a day").click();
        page.getByLabel("Day of the meeting").fill("19 Mar 2026");
        page.keyboard().press("Tab");
        button("Set it").click();
        assertThat(page.getByText("The team meets on")).isVisible();
        button("Take off: 19 Mar 2026").click();
        assertThat(page.getByText("No day is set for the next meeting.")).isVisible();
    }

    @Test
    void theTimeBetweenActionsIsShownBeforeItIsSetAndTakenBack() {
        signIn("A. Sandvik");
        subView("Setup", "Rules");
        page.locator("#view label").filter(new Locator.FilterOptions().setHasText("for")).getByRole(AriaRole.COMBOBOX).selectOption("Everywhere");
        button("Change: Time between actions").click();
        dialog().getByLabel("Up to so many minutes count").fill("15");
        assertThat(dialog().getByRole(AriaRole.STATUS)).containsText(Pattern.compile("By any rule, on today's records: \\d+ of 149 flagged"),
                new LocatorAssertions.ContainsTextOptions().setTimeout(20_000));
        button("Count so").click();
        assertThat(dialog()).containsText("Say in a few words why");
        dialog().getByLabel("Why").fill("our programs save seldom");
        button("Count so").click();
        assertThat(dialog()).hasCount(0);
        assertThat(page.locator("#view")).containsText("up to 15 minutes");
        assertThat(page.locator("#view")).containsText("our programs save seldom (A. Sandvik)");
        page.locator("#view").getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Take back")).click();
        assertThat(page.locator("#view")).containsText("up to 5 minutes");
    }

    @Test
    void theWeeksComeInTheOrderAskedForAndAttendanceStandsBesideTheScores() {
        signIn("R. Oduya");
        view("Engagement");
        page.getByLabel("Order").selectOption("by name");
        Locator names = page.locator("#view").getByRole(AriaRole.LISTITEM).getByRole(AriaRole.LINK);
        assertThat(names.first()).hasText("Caspian Ng");
        page.getByLabel("Order").selectOption("least time lately first");
        assertThat(names.first()).hasText(Pattern.compile("Noor Ellery|Caspian Ng"));
        subView("Engagement", "Attendance");
        assertThat(page.locator("#view figure")).containsText("Oral reading, month by month:");
        assertThat(page.getByRole(AriaRole.IMG, new Page.GetByRoleOptions().setName(Pattern.compile("^Oral reading, medians\\. Sep: often absent too few"))))
                .isVisible();
    }
}
