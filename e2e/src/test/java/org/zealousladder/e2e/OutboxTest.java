package org.zealousladder.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.AriaRole;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** No score that was typed is dropped without a word: without a network, answered late, refused, signed out, in two tabs, on another page. */
class OutboxTest extends BrowserTest {
    private static Locator cell(Page on, int at) {
        return on.locator("[data-at='" + at + "']");
    }

    private Locator cell(int at) {
        return cell(page, at);
    }

    /** The strip of today, where nothing is entered yet. */
    private void today(String teacher) {
        signIn(teacher);
        subView("Trends", "Weekly scores");
        button("One day").click();
        assertThat(cell(0)).hasValue("");
    }

    /** The same for another measure: the tests of this class share a school. */
    private void todaysFacts(String who) {
        signIn(who);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Measure"))).click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Number facts"))).click();
        subView("Trends", "Weekly scores");
        button("One day").click();
        assertThat(cell(0)).hasValue("");
    }

    /** A score near the one before, so that nobody asks. */
    private String near(int at, int more) {
        String before = cell(at).locator("xpath=ancestor::tr").locator("td").first().innerText().split(" ")[0];
        return Integer.toString(Integer.parseInt(before.strip()) + more);
    }

    private void type(Page on, int at, String text) {
        cell(on, at).fill(text);
        cell(on, at).press("Enter");
    }

    private Locator line() {
        return page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Scores on their way"));
    }

    /** What is stored once everything has been sent. */
    private void assertStored(int at, String text) {
        assertThat(line()).hasCount(0);
        page.reload();
        assertThat(cell(at)).hasValue(text);
    }

    @Test
    void typedWithoutANetworkIsSentFromAnyPageAlsoAfterAReload() {
        newPageWithItsShell();
        today("R. Oduya");
        awaitShell();
        String score = near(0, 1);
        offline(true);
        type(page, 0, score);
        assertThat(line()).containsText("1 score waits for the connection");
        assertThat(page.getByText("Saved:")).hasCount(0);
        view("Ladder");
        assertThat(line()).containsText("1 score waits for the connection");
        button("Show them").click();
        assertThat(dialog()).containsText(score + ". Waits to be sent.");
        page.keyboard().press("Escape");
        offline(false);
        assertThat(line()).hasCount(0);
        subView("Trends", "Weekly scores");
        button("One day").click();
        assertThat(cell(0)).hasValue(score);
        offline(true);
        type(page, 1, near(1, 1));
        assertThat(line()).isVisible();
        // Closing the lid: the page is gone, and comes back with a network.
        offline(false);
        page.reload();
        assertThat(line()).hasCount(0);
        assertThat(cell(1)).not().hasValue("");
    }

    @Test
    void aScoreTakenBackWhileOfflineIsNotStored() {
        today("N. Haddad");
        offline(true);
        type(page, 0, near(0, 1));
        assertThat(line()).isVisible();
        type(page, 0, "");
        assertThat(line()).hasCount(0);
        offline(false);
        assertStored(0, "");
    }

    @Test
    void undoOfWhatWasTypedOrClearedOfflineIsNoError() {
        today("B. Calder");
        String kept = near(1, 1);
        type(page, 1, kept);
        assertThat(page.getByText("Saved:")).isVisible();
        offline(true);
        type(page, 0, near(0, 1));
        button("Undo").click();
        assertThat(cell(0)).hasValue("");
        type(page, 1, "");
        button("Undo").click();
        assertThat(cell(1)).hasValue(kept);
        offline(false);
        assertStored(0, "");
        assertThat(cell(1)).hasValue(kept);
        assertThat(page.getByRole(AriaRole.ALERT)).hasCount(0);
    }

    @Test
    void aCorrectionTypedWhileTheFirstIsOnItsWayIsTheOneThatStays() {
        today("G. Rustad");
        String first = near(0, 1);
        String second = near(0, 2);
        List<Route> held = new ArrayList<>();
        page.route("**/api/strip", route -> {
            if (route.request().method().equals("POST") && held.isEmpty()) {
                held.add(route);
            } else {
                route.resume();
            }
        });
        type(page, 0, first);
        page.waitForCondition(() -> !held.isEmpty());
        type(page, 0, second);
        assertThat(cell(0)).hasValue(second);
        assertThat(page.getByText("Saved:")).hasCount(0);
        held.get(0).resume();
        assertThat(page.getByText(Pattern.compile("Saved: .*: " + second))).isVisible();
        assertThat(page.getByRole(AriaRole.ALERT)).hasCount(0);
        page.unroute("**/api/strip");
        assertStored(0, second);
    }

    @Test
    void anAnswerThatIsLostIsAskedForAgainAndTheScoreStandsOnce() {
        today("T. Sato");
        String score = near(0, 1);
        AtomicInteger lost = new AtomicInteger();
        List<String> keys = new ArrayList<>();
        page.route("**/api/strip", route -> {
            if (route.request().method().equals("POST")) {
                keys.add(route.request().headerValue("idempotency-key"));
            }
            if (route.request().method().equals("POST") && lost.getAndIncrement() == 0) {
                route.fetch();
                route.abort();
            } else {
                route.resume();
            }
        });
        type(page, 0, score);
        assertThat(page.getByText(Pattern.compile("Saved: .*: " + score))).isVisible();
        assertEquals(2, keys.size());
        assertEquals(1, keys.stream().distinct().count(), "the same key both times");
        page.unroute("**/api/strip");
        assertStored(0, score);
    }

    @Test
    void storedCellsStayFilledAfterTheNetworkIsBack() {
        today("L. Iversen");
        offline(true);
        String[] typed = {near(0, 1), near(1, 1), near(2, 1)};
        for (int i = 0; i < 3; i++) {
            type(page, i, typed[i]);
        }
        assertThat(line()).containsText("3 scores wait");
        offline(false);
        assertThat(line()).hasCount(0);
        for (int i = 0; i < 3; i++) {
            assertThat(cell(i)).hasValue(typed[i]);
        }
        page.waitForTimeout(1000);
        for (int i = 0; i < 3; i++) {
            assertThat(cell(i)).hasValue(typed[i]);
        }
    }

    @Test
    void whoseSignInRanOutSignsInOverThePageAndGoesOn() {
        todaysFacts("N. Haddad");
        String score = near(0, 1);
        page.context().clearCookies(new com.microsoft.playwright.BrowserContext.ClearCookiesOptions().setName("LADDER"));
        type(page, 0, score);
        assertThat(dialog()).containsText("Sign in to go on");
        assertThat(dialog()).containsText("Nothing that is typed here is lost.");
        assertThat(page.getByText("Saved:")).hasCount(0);
        dialog().getByText("Go on as sample person N. Haddad").click();
        assertThat(dialog()).hasCount(0);
        assertThat(page.getByText(Pattern.compile("Saved: .*: " + score))).isVisible();
        assertStored(0, score);
    }

    @Test
    void somebodyElseInTheSameBrowserSavesNothingInAnothersName() {
        todaysFacts("R. Oduya");
        String score = near(0, 1);
        Page tab = page.context().newPage();
        tab.navigate(address + "/");
        tab.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("R. Oduya").setExact(true)).click();
        tab.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Sign out")).click();
        tab.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^M\\. Tveit"))).click();
        assertThat(tab.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("M. Tveit").setExact(true))).isVisible();
        type(page, 0, score);
        assertThat(dialog()).containsText("Somebody else has signed in in this browser meanwhile.");
        dialog().getByText("Go on as sample person R. Oduya").click();
        assertThat(page.getByText(Pattern.compile("Saved: .*: " + score))).isVisible();
        tab.close();
        assertStored(0, score);
    }

    @Test
    void twoTabsKeepOneListAndSendEachScoreOnce() {
        todaysFacts("G. Rustad");
        Page tab = page.context().newPage();
        tab.navigate(page.url());
        assertThat(cell(tab, 0)).hasValue("");
        offline(true);
        String one = near(0, 1);
        String two = near(1, 1);
        type(page, 0, one);
        type(tab, 1, two);
        assertThat(line()).containsText("2 scores wait");
        offline(false);
        assertThat(line()).hasCount(0);
        tab.close();
        assertStored(0, one);
        assertThat(cell(1)).hasValue(two);
    }

    @Test
    void whatIsRefusedForAnotherDayIsKeptAndLeadsThere() {
        todaysFacts("B. Calder");
        Page colleague = another("A. Sandvik");
        colleague.navigate(page.url());
        String mine = near(0, 1);
        String theirs = near(0, 2);
        offline(true);
        type(page, 0, mine);
        assertThat(line()).isVisible();
        cell(colleague, 0).fill(theirs);
        cell(colleague, 0).press("Enter");
        assertThat(colleague.getByText(Pattern.compile("Saved: .*: " + theirs))).isVisible();
        button("This week").click();
        view("Desk");
        offline(false);
        assertThat(line()).containsText("1 score was not saved");
        button("Show them").click();
        assertThat(dialog()).containsText("Somebody else entered " + theirs + " here meanwhile.");
        dialog().getByText("Go there").click();
        assertThat(page.getByLabel("Date for all", new Page.GetByLabelOptions().setExact(true))).hasValue("13 Mar 2026");
        assertThat(cell(0)).hasValue(mine);
        page.getByRole(AriaRole.ALERT).getByText("Use mine (" + mine + ")").click();
        assertStored(0, mine);
    }
}
