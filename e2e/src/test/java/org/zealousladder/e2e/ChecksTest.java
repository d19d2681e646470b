package org.zealousladder.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;

/** A check, from building it through the students who take it to the groups for tomorrow. */
class ChecksTest extends BrowserTest {
    private void build(String name, String framework, String skill) {
        subView("Skills", "Checks");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Build a check")).click();
        page.getByLabel("Framework").selectOption(framework);
        Locator skills = page.getByLabel("Skill", new Page.GetByLabelOptions().setExact(true));
        assertThat(skills.locator("option").filter(new Locator.FilterOptions().setHasText(skill))).hasCount(1);
        skills.selectOption(new com.microsoft.playwright.options.SelectOption()
                .setLabel(skills.locator("option").filter(new Locator.FilterOptions().setHasText(skill)).textContent()));
        assertThat(button("Drop " + skill)).isVisible();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Take \\d+ of them"))).click();
        page.getByLabel("Name of the check").fill(name);
        button("Save the check").click();
        assertThat(button("Give " + name)).isVisible();
    }

    private void give(String name) {
        button("Give " + name).click();
        button("Give it").click();
        assertThat(dialog()).containsText("Students sign in at");
        page.keyboard().press("Escape");
    }

    /** The words of the class's cards, by the names in their order. */
    private List<String> cards() {
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Cards for signing in")).click();
        Locator make = page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Make \\d+ card")));
        assertThat(make.or(button("Print the cards")).first()).isVisible();
        if (make.count() > 0) {
            make.click();
            assertThat(button("Print the cards")).isVisible();
        }
        return page.locator("#view li p:nth-of-type(2)").allTextContents();
    }

    private void open(Page student, String words, String check) {
        student.navigate(address + "/take");
        student.getByLabel("Type the four words on your card").fill(words);
        student.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Go")).click();
        student.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(check)).click();
        assertThat(student.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Questions"))).isVisible();
    }

    private static void answer(Page student, int which) {
        Locator typed = student.getByRole(AriaRole.TEXTBOX);
        Locator choices = student.getByRole(AriaRole.RADIO);
        assertThat(typed.or(choices).first()).isVisible();
        if (typed.count() > 0) {
            typed.fill(String.valueOf(which * 7));
        } else {
            choices.nth(which % choices.count()).check();
        }
    }

    private static Locator next(Page student) {
        return student.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Next"));
    }

    @Test
    void fiveTakeItAtOnceOneWithoutANetworkInTheMiddleAndGroupsAreKept() throws IOException {
        signIn("R. Oduya");
        build("Zeros on Friday", "Skerrow maths", "Take away across a zero");
        give("Zeros on Friday");
        List<String> words = cards();
        List<Page> students = new ArrayList<>();
        for (int i = 0; i < 5; i++) {
            Page student = elsewhere();
            open(student, words.get(i), "Zeros on Friday");
            students.add(student);
        }
        Axe.findsNothing(students.get(0), "a student's check");
        int items = students.get(0).getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Questions")).getByRole(AriaRole.BUTTON).count() - 1;
        // All of them on the same question, one after another; the third without a network from the second question to the last.
        for (int n = 0; n < items; n++) {
            for (int i = 0; i < 5; i++) {
                Page student = students.get(i);
                if (i == 2 && n == 1) {
                    student.context().setOffline(true);
                }
                answer(student, i + n);
                next(student).click();
            }
        }
        Page cut = students.get(2);
        assertThat(cut.getByText("No network: kept here")).isVisible();
        Locator handIn = cut.getByRole(AriaRole.MAIN).getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Hand in"));
        assertThat(handIn).isDisabled();
        cut.context().setOffline(false);
        assertThat(cut.getByText("Saved", new Page.GetByTextOptions().setExact(true))).isVisible();
        for (Page student : students) {
            student.getByRole(AriaRole.MAIN).getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Hand in")).click();
            assertThat(student.getByText("is handed in")).isVisible();
        }
        // Nothing else is open to who came by a card.
        assertEquals(401, cut.evaluate("fetch('/api/desk?who=school-1&year=2&asOf=2026-03-13').then(r => r.status)"));
        cut.navigate(address + "/desk");
        assertThat(cut.getByLabel("Sign-in name")).isVisible();
        // The teacher sees it come in, and what follows.
        subView("Skills", "Checks");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Zeros on Friday").setExact(true)).click();
        assertThat(page.locator("#view").getByText("5 of 23 students done")).isVisible();
        // How many wait to be decided stands in the same answer as how many are done.
        Locator waiting = page.locator("#to-decide");
        while (waiting.count() > 0) {
            String before = waiting.textContent();
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile(" is wrong$"))).first().click();
            page.waitForFunction("before => document.querySelector('#to-decide')?.textContent !== before", before);
        }
        Axe.findsNothing(page, "a check coming in");
        button("What follows").click();
        assertThat(heading("Groups for the day it is taught again")).isVisible();
        Axe.findsNothing(page, "what follows");
        button("Keep these groups").click();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Keep the (group|\\d+ groups)$"))).click();
        assertThat(dialog()).containsText("Kept for");
        page.keyboard().press("Escape");
        subView("Groups", "Kept groups");
        assertThat(page.locator("#view")).containsText("Zeros on Friday");
    }

    @Test
    void aPageThatIsOpenedAgainWithoutANetworkGoesOn() {
        signIn("R. Oduya");
        build("Tides on Monday", "Skerrow maths", "Take away across a zero");
        give("Tides on Monday");
        String words = cards().get(7);
        newPageWithItsShell();
        page.navigate(address + "/take");
        awaitShell();
        open(page, words, "Tides on Monday");
        answer(page, 1);
        next(page).click();
        assertThat(page.getByText("Saved", new Page.GetByTextOptions().setExact(true))).isVisible();
        offline(true);
        answer(page, 2);
        next(page).click();
        assertThat(page.getByText("No network: kept here")).isVisible();
        page.reload();
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Tides on Monday")).click();
        Locator questions = page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Questions"));
        assertThat(questions.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("[12], answered")))).hasCount(2);
        // What is answered anew takes the place of what was answered before the page was opened again.
        questions.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^1, "))).click();
        answer(page, 3);
        next(page).click();
        offline(false);
        assertThat(page.getByText("Saved", new Page.GetByTextOptions().setExact(true))).isVisible();
        // On another machine it goes on from there, too.
        Page other = elsewhere();
        open(other, words, "Tides on Monday");
        other.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Questions")).getByRole(AriaRole.BUTTON,
                new Locator.GetByRoleOptions().setName(Pattern.compile("^1, "))).click();
        assertThat(other.getByRole(AriaRole.TEXTBOX)).hasValue("21");
        assertThat(other.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Questions")).getByRole(AriaRole.BUTTON,
                new Locator.GetByRoleOptions().setName(Pattern.compile("[12], answered")))).hasCount(2);
    }

    @Test
    void aPackageWithThreeItemsThatCannotBeAskedSaysSo() throws IOException {
        signIn("R. Oduya");
        subView("Skills", "Checks");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Bank of items")).click();
        button("Items from a package").click();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            put(zip, "buoy", "<qti-choice-interaction response-identifier='RESPONSE' max-choices='1'><qti-prompt>What floats?</qti-prompt>"
                    + "<qti-simple-choice identifier='a'>a buoy</qti-simple-choice>"
                    + "<qti-simple-choice identifier='b'>an anchor</qti-simple-choice></qti-choice-interaction>");
            put(zip, "spot", "<qti-hotspot-interaction response-identifier='RESPONSE' max-choices='1'/>");
            put(zip, "film", "<video src='sea.mp4'/><qti-choice-interaction response-identifier='RESPONSE'/>");
            put(zip, "slider", "<qti-slider-interaction response-identifier='RESPONSE' lower-bound='0' upper-bound='9'/>");
        }
        page.getByLabel("Package", new Page.GetByLabelOptions().setExact(true))
                .setInputFiles(new FilePayload("harbour.zip", "application/zip", out.toByteArray()));
        assertThat(dialog()).containsText("4 items: 1 new, 0 in the bank already, 3 cannot be asked here");
        assertThat(dialog()).containsText("It is answered in a way that is not had here: a slider is moved.");
        page.getByLabel("Name of a check made of them").fill("Harbour");
        button("Take 1 item").click();
        assertThat(dialog()).containsText("1 item is in the bank now.");
        button("Close").last().click();
        page.getByLabel("Words in the question").fill("What floats");
        assertThat(page.locator("#view h1")).hasText("1 item that fits");
        subView("Skills", "Checks");
        assertThat(button("Give Harbour")).isVisible();
    }

    private static void put(ZipOutputStream zip, String name, String body) throws IOException {
        zip.putNextEntry(new ZipEntry(name + ".xml"));
        zip.write(("<qti-assessment-item xmlns='http://www.imsglobal.org/xsd/imsqtiasi_v3p0' identifier='" + name + "' title='" + name
                + "' adaptive='false' time-dependent='false'><qti-response-declaration identifier='RESPONSE' cardinality='single' base-type='identifier'>"
                + "<qti-correct-response><qti-value>a</qti-value></qti-correct-response></qti-response-declaration><qti-item-body>" + body
                + "</qti-item-body><qti-response-processing template='https://purl.imsglobal.org/spec/qti/v3p0/rptemplates/match_correct.xml'/></qti-assessment-item>")
                .getBytes(StandardCharsets.UTF_8));
    }
}
