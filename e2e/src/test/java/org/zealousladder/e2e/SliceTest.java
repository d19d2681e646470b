package org.zealousladder.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Response;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.LoadState;
import com.microsoft.playwright.options.RequestOptions;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** The whole job: from the Desk's item to its chart, a new score, the decision that changes, and what is then decided. */
class SliceTest extends BrowserTest {
    private Locator deskRow(String name) {
        return page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Decide")).getByRole(AriaRole.LISTITEM)
                .filter(new Locator.FilterOptions().setHasText(name)
                        .setHas(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Set aside"))));
    }

    @Test
    void aTeacherSignsInWithAPassword() {
        page.navigate(address + "/");
        page.getByLabel("Sign-in name").fill("l.iversen");
        page.getByLabel("Password").fill("wrong");
        button("Sign in").click();
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("do not go together");
        page.getByLabel("Password").fill("skerrow-ferry-tide");
        page.keyboard().press("Enter");
        assertThat(heading("Decide")).isVisible();
        assertThat(page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Scope"))).containsText("Puffin class");
    }

    @Test
    void aDeskItemLeadsToItsChartAndAWildScoreTurnsNothing() {
        signIn("R. Oduya");
        assertThat(deskRow("Sunniva Hale")).containsText("Change the plan.");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Open the chart of Sunniva Hale, Oral reading")).click();
        assertThat(dialog()).containsText("Chance of the goal under 1 %");
        int points = dialog().locator("svg circle").count();

        dialog().getByLabel("Form or passage", new Locator.GetByLabelOptions().setExact(true)).fill("The ferry");
        dialog().getByLabel("Score", new Locator.GetByLabelOptions().setExact(true)).fill("240");
        page.keyboard().press("Enter");
        assertThat(dialog()).containsText("Sure? 240 is 183 above the 57 of 12 Mar 2026.");
        assertThat(dialog()).not().containsText("Saved:");
        dialog().getByText("Keep 240").click();
        assertThat(dialog()).containsText("Saved: 240 on 13 Mar.");
        assertThat(dialog().locator("svg circle")).hasCount(points + 1);
        // One wild score turns nothing.
        assertThat(dialog()).containsText("Chance of the goal under 1 %");
        assertThat(dialog()).containsText("far off the trend");

        // It was mistyped: the right one takes its place, the wrong one stays in the history.
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Correct the score of 13 Mar 2026")).click();
        dialog().getByLabel("Right score").fill("62");
        dialog().getByLabel("Why").fill("mistyped");
        assertThat(dialog().getByLabel("Right form or passage")).hasValue("The ferry");
        dialog().getByLabel("Right form or passage").fill("The gull");
        page.keyboard().press("Enter");
        assertThat(dialog().locator("del")).hasText("240");
        assertThat(dialog().getByRole(AriaRole.LISTITEM).filter(new Locator.FilterOptions().setHasText("The gull, mistyped"))).hasCount(1);
        assertThat(dialog()).containsText("Change the plan.");
    }

    @Test
    void anImpossibleScoreIsRefusedAtItsField() {
        signIn("R. Oduya");
        page.navigate(page.url().replace("/desk", "/trends"));
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Caspian Ng"))).click();
        dialog().getByLabel("Score", new Locator.GetByLabelOptions().setExact(true)).fill("900");
        page.keyboard().press("Enter");
        assertThat(dialog()).containsText("Oral reading runs from 0 to 250.");
    }

    private void goTo(String name) {
        page.keyboard().press("Control+k");
        page.keyboard().type(name);
        assertThat(page.locator("[role=option][aria-selected=true][data-value^=student-]")).containsText(name);
        page.keyboard().press("Enter");
        page.waitForURL(Pattern.compile(".*/students/.*"));
    }

    @Test
    void decidingTakesAnItemOffTheList() {
        signIn("R. Oduya");
        deskRow("Idris Falk").getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Set aside")).click();
        dialog().getByLabel("Why it can wait").fill("new glasses on order");
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Record")).click();
        assertThat(dialog()).isHidden();
        assertThat(deskRow("Idris Falk")).hasCount(0);
        assertThat(page.getByText(Pattern.compile("decided or set aside"))).isVisible();
    }

    @Test
    void aGoalIsRaisedFromTheDeskAndTheOldLineStaysGreyed() {
        signIn("R. Oduya");
        deskRow("Pema Dorje").getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Raise the goal")).click();
        dialog().getByLabel("New goal").fill("90");
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Record")).click();
        assertThat(dialog()).containsText("The goal is 96 now. Raising it means more than that");
        dialog().getByLabel("New goal").fill("110");
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Record")).click();
        assertThat(dialog()).isHidden();
        assertThat(deskRow("Pema Dorje")).hasCount(0);
        goTo("Pema");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Open large: Oral reading")).click();
        assertThat(dialog()).containsText("The greyed line is the goal before.");
        assertThat(dialog()).containsText("Raised the goal");
        // It was for somebody else: the goal is what it was, and the proposal is back.
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Take back: Raised the goal on 13 Mar 2026")).click();
        dialog().getByLabel("The goal goes back to what it was").fill("meant for another student");
        page.keyboard().press("Enter");
        assertThat(dialog()).containsText("Taken back on 13 Mar 2026 by R. Oduya: meant for another student.");
        assertThat(dialog()).containsText("96 by 8 May 2026");
        page.keyboard().press("Escape");
        view("Desk");
        assertThat(deskRow("Pema Dorje")).containsText("Raise the goal.");
    }

    @Test
    void whatWasTypedIntoADialogIsNotLostByEscape() {
        signIn("R. Oduya");
        deskRow("Oskar Iversen").getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Set aside")).click();
        dialog().getByLabel("Why it can wait").fill("new glasses on order");
        page.keyboard().press("Escape");
        assertThat(dialog()).containsText("What you typed here has not been saved.");
        dialog().getByText("Go on with it").click();
        assertThat(dialog().getByLabel("Why it can wait")).hasValue("new glasses on order");
        page.keyboard().press("Escape");
        dialog().getByText("Close without saving").click();
        assertThat(dialog()).isHidden();
        deskRow("Oskar Iversen").getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Set aside")).click();
        page.keyboard().press("Escape");
        assertThat(dialog()).isHidden();
    }

    @Test
    void whatWasTypedIsNotLostOnTheWayToAnotherPage() {
        signIn("R. Oduya");
        view("Trends");
        // The page before stays until the next one's code is here.
        assertThat(page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Weekly scores"))).isVisible();
        view("Desk");
        assertThat(page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Weekly scores"))).hasCount(0);
        deskRow("Oskar Iversen").getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Set aside")).click();
        dialog().getByLabel("Why it can wait").fill("new glasses on order");
        page.goBack();
        page.getByText("Go on with it").click();
        assertThat(dialog().getByLabel("Why it can wait")).hasValue("new glasses on order");
        assertThat(page).hasURL(Pattern.compile("/desk"));
        page.goBack();
        page.getByText("Leave without saving").click();
        assertThat(page).hasURL(Pattern.compile("/trends"));
        assertThat(dialog()).isHidden();
    }

    @Test
    void aPlanIsChangedFromTheDeskAsOnTheChart() {
        signIn("R. Oduya");
        deskRow("Sunniva Hale").getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Change the plan")).click();
        dialog().getByLabel("Why it changes").fill("a page a day at home");
        assertThat(dialog().getByLabel("Times a week")).isVisible();
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Record")).click();
        assertThat(dialog()).isHidden();
        goTo("Sunniva");
        assertThat(page.getByText(Pattern.compile("From 13 Mar: .*a page a day at home"))).isVisible();
    }

    @Test
    void anAddressThatLeadsNowhereSaysSoInWords() {
        signIn("R. Oduya");
        page.navigate(address + "/nowhere");
        assertThat(heading("There is no such page")).isVisible();
        page.navigate(address + "/students/abc");
        assertThat(heading("There is no such student")).isVisible();
        page.navigate(address + "/desk?asOf=2026-02-31");
        assertThat(page.getByText("The address asks for 2026-02-31, which is no day. Today is shown.")).isVisible();
        assertThat(page).hasTitle("Desk · Kittiwake class · Zealous Ladder");
        view("Ladder");
        assertThat(page).hasTitle("Ladder · Kittiwake class · Zealous Ladder");
        assertThat(page.locator("#view")).isFocused();
    }

    @Test
    void aFirstGoalMakesAStudentMonitored() {
        signIn("R. Oduya");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Hana Whitlock")).first().click();
        Locator maze = page.getByRole(AriaRole.LISTITEM).filter(new Locator.FilterOptions().setHas(heading("Maze")));
        maze.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Set a goal")).click();
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("By hand")).click();
        dialog().getByLabel("Goal", new Locator.GetByLabelOptions().setExact(true)).fill("24");
        assertThat(dialog()).containsText(Pattern.compile("Needs [\\d.]+ a week for \\d+ weeks"));
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Set the goal")).click();
        assertThat(maze).containsText("Too soon to tell.");
    }

    @Test
    void anEarlierDayShowsWhatWasKnownAndTakesNoEntries() {
        signIn("R. Oduya");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("As of: 13 Mar 2026")).click();
        page.getByLabel("Show what was known on").fill("2025-11-07");
        button("Show").click();
        assertThat(page.getByRole(AriaRole.NOTE)).containsText("as they were known on an earlier day");
        assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Set aside"))).hasCount(0);
        view("Trends");
        assertThat(page.getByText("Ilse Marrow")).hasCount(0);
        page.goBack();
        assertThat(page.getByRole(AriaRole.NOTE)).isVisible();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("go back to today")).click();
        assertThat(page.getByRole(AriaRole.NOTE)).hasCount(0);
    }

    @Test
    void aTeacherIsRefusedAnotherTeachersClass() {
        signIn("B. Calder");
        String own = page.url();
        page.navigate(address + "/desk");
        assertThat(heading("Decide")).isVisible();
        for (String view : new String[] {"desk", "ladder", "trends"}) {
            page.navigate(address + "/" + view + "?who=class-6");
            assertThat(page.getByRole(AriaRole.ALERT)).containsText("That class is not one of yours.");
        }
        page.navigate(own);
        assertThat(heading("Decide")).isVisible();
    }

    @Test
    void theAdministratorSeesEveryClassAndTheirPasswordWorks() {
        page.navigate(address + "/");
        page.getByLabel("Sign-in name").fill("a.sandvik");
        page.getByLabel("Password").fill("skerrow-ferry-tide");
        button("Sign in").click();
        assertThat(heading("Decide")).isVisible();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Whose students"))).click();
        for (String name : new String[] {"Puffin", "Tern", "Kittiwake", "Fulmar", "Gannet", "Guillemot"}) {
            assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^" + name + " class")))).isVisible();
        }
    }

    @Test
    void signedOutNothingIsLeftOnTheScreen() {
        signIn("M. Tveit");
        signOut("M. Tveit");
        assertThat(page.getByLabel("Sign-in name")).isVisible();
        page.navigate(address + "/ladder");
        assertThat(page.getByLabel("Sign-in name")).isVisible();
    }

    /** A first visit to the Desk: 150 kB of script as browsers take it over TLS, which then stay in the browser. */
    @Test
    void theFirstVisitIsLightAndItsFilesStay() {
        List<Response> scripts = new CopyOnWriteArrayList<>();
        page.onResponse(r -> {
            if (r.url().contains("/assets/") && r.url().endsWith(".js")) {
                scripts.add(r);
            }
        });
        signIn("R. Oduya");
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Decide"))).isVisible();
        page.waitForLoadState(LoadState.NETWORKIDLE);
        long sent = scripts.stream().mapToLong(r -> {
            Map<String, String> headers = page.request().get(r.url(), RequestOptions.create().setHeader("Accept-Encoding", "br")).headers();
            assertEquals("max-age=31536000, public, immutable", headers.get("cache-control"), r.url());
            return Long.parseLong(headers.get("content-length"));
        }).sum();
        assertTrue(sent > 100_000 && sent <= 150_000, "sent " + sent);
        assertEquals("no-cache", page.request().get(address + "/shell-worker.js").headers().get("cache-control"), "the next version is found at once");
    }
}
