package org.zealousladder.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** A school of 800: bins instead of discs, flows instead of tails, and a table that draws what is in sight. */
class BigSchoolTest extends BrowserTest {
    private static final int STUDENTS = 800;

    @BeforeAll
    void aSchoolOf800() throws IOException {
        Map<String, List<String>> files = new LinkedHashMap<>();
        files.put("schools", new ArrayList<>(List.of("school,name", "BIG,Big school")));
        files.put("people", new ArrayList<>(List.of("login,person,role,school", "b.big,B. Big,coordinator,BIG")));
        files.put("classes", new ArrayList<>(List.of("class,school,year,name,grade")));
        files.put("students", new ArrayList<>(List.of("student,given_name,family_name")));
        files.put("enrolments", new ArrayList<>(List.of("student,class,from,to")));
        files.put("scores", new ArrayList<>(List.of("student,measure,date,score")));
        Random random = new Random(800);
        for (int c = 0; c < 32; c++) {
            files.get("classes").add("BIG-" + c + ",BIG,2025-26,Room " + c + "," + (2 + c % 3));
        }
        for (int i = 0; i < STUDENTS; i++) {
            files.get("students").add("BIG-S" + i + ",Pupil" + i + ",Big");
            files.get("enrolments").add("BIG-S" + i + ",BIG-" + i % 32 + ",2025-08-25,");
            int autumn = (int) Math.max(0, Math.min(250, 70 + 30 * (i % 3) + 24 * random.nextGaussian()));
            files.get("scores").add("BIG-S" + i + ",oral-reading,2025-09-09," + autumn);
            if (i % 40 != 0) {
                files.get("scores").add("BIG-S" + i + ",oral-reading,2026-01-13," + Math.min(250, autumn + 8 + random.nextInt(20)));
            }
        }
        Path folder = Files.createTempDirectory("ladder-big-");
        List<Path> paths = new ArrayList<>();
        for (Map.Entry<String, List<String>> f : files.entrySet()) {
            paths.add(Files.write(folder.resolve(f.getKey() + ".csv"), f.getValue()));
        }
        DemoServer.get().bringIn(paths.toArray(Path[]::new));
        for (Path p : paths) {
            Files.delete(p);
        }
        Files.delete(folder);
    }

    private void school() {
        signInAs("b.big");
        view("Ladder");
        choose("Big school");
    }

    @Test
    void theLadderIsBinnedAndItsPartsPick() {
        school();
        assertThat(page.getByRole(AriaRole.SLIDER)).isVisible();
        Locator picture = page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Ladder picture, Oral reading"));
        assertTrue(picture.locator("circle, path").count() < 200, "no disc for each of 800");
        Locator bin = picture.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^Pick \\d+ from \\d+ to \\d+, tier 2")))
                .first();
        int inBin = Integer.parseInt(bin.getAttribute("aria-label").split(" ")[1]);
        bin.locator("rect").click();
        assertThat(picked()).containsText(inBin + " picked");
        button("Clear").click();
        Locator flow = picture.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^Pick \\d+ from Within reach to Secure")))
                .first();
        int inFlow = Integer.parseInt(flow.getAttribute("aria-label").split(" ")[1]);
        flow.dispatchEvent("click");
        assertThat(picked()).containsText(inFlow + " picked");
        assertThat(page.getByLabel("Tell apart by shape")).isDisabled();
    }

    @Test
    void coverageTableAndTiersHoldThemAll() {
        school();
        view("Screening");
        assertThat(heading("Still to be tested: 800")).isVisible();
        assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Together, Oral reading: 780 of 800 20 no record"))).isVisible();
        subView("Screening", "Table");
        assertThat(heading("All 800 students")).isVisible();
        assertTrue(page.locator("tbody tr[aria-rowindex]").count() < 80);
        page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Screening scores")).evaluate("b => b.scrollTo(0, b.scrollHeight)");
        assertThat(page.locator("tr[aria-rowindex='802']")).isVisible();
        subView("Screening", "Tiers");
        assertThat(page.getByText("0 of 800 decided")).isVisible();
    }

    @Test
    void anotherSchoolsCutScoresAreNotItsToChange() {
        signInAs("b.big");
        view("Setup");
        assertThat(page.getByText("This set is for every school")).isVisible();
        button("New set").click();
        page.getByLabel("Name of the new set").fill("Big school's own");
        button("Make the set").click();
        assertThat(page.getByRole(AriaRole.SLIDER).first()).isVisible();
        button("Read scores by Big school's own from today on").click();
        assertThat(dialog()).containsText("Nobody of 800 students would move.");
        dialog().getByLabel("Why it changes").fill("a set of our own");
        button("Read scores by Big school's own").click();
        assertThat(dialog()).hasCount(0);
        assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Big school's own trial|^Big school's own on trial"))))
                .containsText("counts now");
        assertEquals(0, button("Read scores by Big school's own from today on").count());
    }

    @Test
    void theDeskShowsTheFirstOfLongListsAndTheRestWhenAsked() {
        signInAs("m.tveit");
        Locator decide = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName(Pattern.compile("^Decide")));
        assertThat(decide.getByRole(AriaRole.HEADING)).containsText("36 proposals for 32 of 149 students");
        assertThat(decide.getByRole(AriaRole.LISTITEM)).hasCount(36);
        assertThat(decide.getByText(Pattern.compile("Show \\d+ more"))).hasCount(0);
        Locator collect = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName(Pattern.compile("^Collect")));
        assertThat(collect.getByRole(AriaRole.HEADING)).containsText("26");
        assertThat(collect.getByRole(AriaRole.LISTITEM)).hasCount(25);
        collect.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Show 1 more")).click();
        assertThat(collect.getByRole(AriaRole.LISTITEM)).hasCount(26);
    }
}
