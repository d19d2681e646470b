package org.zealousladder.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** Students who left more than five years ago, which is how long records are kept for these tests. */
class LeaversTest extends BrowserTest {
    private static Path file(Path folder, String name, String... lines) throws IOException {
        return Files.write(folder.resolve(name), List.of(lines));
    }

    private Locator part(String name) {
        return page.getByRole(AriaRole.REGION, new com.microsoft.playwright.Page.GetByRoleOptions().setName(name));
    }

    @Test
    void theyAreAskedForTogetherAndAnotherAdministratorSaysYes() throws IOException {
        Path folder = Files.createTempDirectory("ladder-leavers-");
        DemoServer.get().bringIn(file(folder, "years.csv", "year,starts,ends", "2018-19,2018-08-27,2019-06-28"),
                file(folder, "classes.csv", "class,school,year,name,grade", "2018-OLD,SKERROW,2018-19,Old,3"),
                file(folder, "people.csv", "login,person,role,school", "o.ther,O. Ther,administrator,"),
                file(folder, "students.csv", "student,given_name,family_name", "OLD-1,Ylva,Longgone", "OLD-2,Nils,Longgone"),
                file(folder, "enrolments.csv", "student,class,from,to", "OLD-1,2018-OLD,2018-08-27,", "OLD-2,2018-OLD,2018-08-27,2018-10-01"));
        signIn("A. Sandvik");
        view("Records");
        subView("Records", "History");
        assertThat(part("Left long ago")).containsText("2 students left more than 5 years ago, which is as long as records are kept here.");
        part("Left long ago").getByText("Show who").click();
        assertThat(part("Left long ago").getByRole(AriaRole.LISTITEM)).hasText(new String[] {"Nils Longgone (OLD-2), left on 1 Oct 2018",
                "Ylva Longgone (OLD-1), left on 28 Jun 2019"});
        button("Ask to erase all 2").click();
        assertThat(part("Left long ago")).hasCount(0);
        assertThat(part("To be erased")).containsText(Pattern.compile("2 students, asked for by A. Sandvik on .*: left more than five years ago"));
        assertThat(part("To be erased")).containsText("Another administrator has to say yes.");
        signOut("A. Sandvik");

        signInAs("o.ther");
        view("Records");
        subView("Records", "History");
        part("To be erased").getByText("Who they are").click();
        assertThat(part("To be erased")).containsText("Ylva Longgone (OLD-1)");
        button("Erase for good").click();
        dialog().getByLabel("How many (2)").fill("3");
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Erase for good")).click();
        assertThat(dialog()).containsText("They are 2. Nothing was erased.");
        dialog().getByLabel("How many (2)").fill("2");
        dialog().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Erase for good")).click();
        assertThat(dialog()).hasCount(0);
        assertThat(part("To be erased")).hasCount(0);
        assertThat(page.locator("tbody tr").first()).containsText("Erased leavers2 students");
    }
}
