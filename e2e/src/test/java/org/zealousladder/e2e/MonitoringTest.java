package org.zealousladder.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** The score strip, charts and the meeting, in Guillemot and Gannet, which other tests leave alone. */
class MonitoringTest extends BrowserTest {
    @Test
    void theTeamStepsThroughTheMeetingAndDecidesAsItGoes() {
        signIn("N. Haddad");
        subView("Trends", "Meeting");
        Locator agenda = page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Agenda"));
        assertThat(agenda).containsText(Pattern.compile("^1 of \\d+"));
        String first = page.getByRole(AriaRole.ARTICLE).getAttribute("aria-label");
        page.keyboard().press("ArrowRight");
        assertThat(agenda).containsText(Pattern.compile("^2 of \\d+"));
        String second = page.getByRole(AriaRole.ARTICLE).getAttribute("aria-label");
        assertTrue(!first.equals(second));
        page.keyboard().press("ArrowLeft");
        assertThat(page.getByRole(AriaRole.ARTICLE)).hasAttribute("aria-label", first);
        button("Hold course").click();
        dialog().getByLabel("Why").fill("Was away for two weeks");
        page.keyboard().press("ArrowRight");
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Record")).click();
        assertThat(page.getByRole(AriaRole.ARTICLE, new Page.GetByRoleOptions().setName(first)))
                .containsText("Held course on 13 Mar 2026 by N. Haddad: Was away for two weeks.");
        page.emulateMedia(new Page.EmulateMediaOptions().setMedia(com.microsoft.playwright.options.Media.PRINT));
        assertThat(page.getByRole(AriaRole.ARTICLE).nth(1)).isVisible();
        assertThat(page.getByRole(AriaRole.ARTICLE).first()).containsText("Notes");
    }

    private List<String> named(Locator agenda) {
        return agenda.getByRole(AriaRole.LISTITEM).allInnerTexts().stream().map(line -> line.split("\n")[0]).toList();
    }

    @Test
    void theOrderOfAnAgendaStaysThroughDecisionsAfterAnotherClassWasChosen() {
        signIn("M. Tveit");
        subView("Trends", "Meeting");
        choose("Guillemot");
        assertThat(page.getByRole(AriaRole.ARTICLE)).containsText("Guillemot");
        choose("Gannet");
        assertThat(page.getByRole(AriaRole.ARTICLE)).containsText("Gannet");
        Locator agenda = page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Agenda"));
        List<String> before = named(agenda);
        assertTrue(before.size() > 1, before.toString());
        button("Hold course").click();
        dialog().getByLabel("Why").fill("Was away for two weeks");
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Record")).click();
        assertThat(agenda.getByRole(AriaRole.LISTITEM).first()).containsText("decided");
        assertEquals(before, named(agenda));
    }

    @Test
    void chartsAreFilteredSetSideBySideAndComparedOverDays() {
        signIn("N. Haddad");
        view("Trends");
        Locator charts = page.locator("button[data-chart]");
        assertThat(charts.first()).isVisible();
        int all = charts.count();
        page.getByLabel("Plan", new Page.GetByLabelOptions().setExact(true)).selectOption("without a plan");
        assertThat(page).hasURL(Pattern.compile("plan=without"));
        assertThat(charts).not().hasCount(all);
        page.getByLabel("Plan", new Page.GetByLabelOptions().setExact(true)).selectOption("with or without");
        button("Side by side").click();
        assertThat(page.getByLabel("On the left")).isVisible();
        assertThat(page.locator("main svg[role=img]")).hasCount(2);
        button("First, best, latest").click();
        assertThat(page.getByRole(AriaRole.COLUMNHEADER, new Page.GetByRoleOptions().setName("First to best"))).isVisible();
        page.getByLabel("from", new Page.GetByLabelOptions().setExact(true)).fill("2026-03-01");
        assertThat(page.getByText("without a score then")).isVisible();
    }

    @Test
    void aRuleIsChangedWithItsEffectInSight() {
        signIn("A. Sandvik");
        choose("Skerrow Island School");
        subView("Setup", "Measures");
        button("Change the rule of Oral reading").click();
        assertThat(dialog()).containsText(Pattern.compile("None of the \\d+ monitored students? of Skerrow Island School"));
        dialog().getByLabel("Too soon before this many scores").fill("40");
        assertThat(dialog()).containsText(Pattern.compile("\\d+ of \\d+ monitored students of Skerrow Island School would have another proposal"));
        assertThat(dialog()).containsText("becomes too soon to tell");
    }
}
