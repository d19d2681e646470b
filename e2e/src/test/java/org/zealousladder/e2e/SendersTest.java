package org.zealousladder.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Another program tells what students do: cut off, whole, sent again; and somebody says who is meant. */
class SendersTest extends BrowserTest {
    private Locator waiting() {
        return page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("What waits"));
    }

    @Test
    void whatAProgramTellsCountsAndWhatNobodyKnowsWaits() {
        signIn("A. Sandvik");
        subView("Setup", "Programs");
        Locator keys = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Keys"));
        assertThat(keys).containsText("Saltmarsh Library, key demo-saltmarsh");
        assertThat(keys).containsText("has sent nothing in the last 30 days");
        DemoServer server = DemoServer.get();
        // Cut off in the middle nothing is kept, and the same sent whole is kept once.
        server.simulateActivity("--students", "S1052,stranger", "--statements", "40", "--day", "2026-03-12", "--cut");
        for (int i = 0; i < 2; i++) {
            server.simulateActivity("--students", "S1052,stranger", "--statements", "40", "--day", "2026-03-12");
        }
        page.reload();
        assertThat(keys).containsText("40 statements in 30 days");
        assertThat(waiting()).containsText("stranger");
        assertThat(waiting()).containsText("20 statements");
        choose("Kittiwake class");
        view("Engagement");
        page.getByLabel("Pick Noor Ellery").check();
        subView("Setup", "Programs");
        button("That is Noor Ellery").click();
        assertThat(waiting()).containsText("20 statements count now.");
        assertThat(waiting()).containsText("Nothing: every verb and every student is known.");
        view("Engagement");
        // Who counts anew may stand in another list, and a row that moves there begins at its top again.
        page.reload();
        button("Open the weeks of Noor Ellery").click();
        Locator noor = page.getByRole(AriaRole.LISTITEM)
                .filter(new Locator.FilterOptions().setHas(page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Noor Ellery"))));
        Locator library = noor.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Saltmarsh Library").setExact(true));
        library.click();
        Locator where = noor.getByRole(AriaRole.REGION, new Locator.GetByRoleOptions().setName("Where"));
        // From the program to its book, chapter and page or question.
        for (String deeper : new String[] {"› Saltmarsh Library", "Chapter", "Page|Question"}) {
            assertThat(where).containsText(Pattern.compile(deeper));
            where.getByRole(AriaRole.ROW).nth(1).getByRole(AriaRole.BUTTON).click();
        }
    }

    @Test
    void aKeyIsMadeShownOnceAndEnded() {
        signIn("A. Sandvik");
        subView("Setup", "Programs");
        button("Make a key").click();
        dialog().getByLabel("Which program").fill("Tally Quay");
        button("Make the key").click();
        assertThat(dialog().getByLabel("Secret")).hasValue(Pattern.compile("[\\w-]{32}"));
        button("I have them").click();
        button("End it: the key of Tally Quay").click();
        assertThat(page.getByText("ended; what it sent stays")).isVisible();
        page.getByLabel("What http://adlnet.gov/expapi/verbs/experienced counts as").selectOption("video");
        assertThat(page.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText("set here"))).containsText("experienced");
    }
}
