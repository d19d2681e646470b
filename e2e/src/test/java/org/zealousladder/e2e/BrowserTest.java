package org.zealousladder.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.ServiceWorkerPolicy;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Assertions;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.TestInstance;

/**
 * A page in Debian's headless Chromium before the running demo, which each class of tests finds as it was loaded. A script error or a
 * blocked style fails the test.
 */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
abstract class BrowserTest {
    private static Browser browser;
    private BrowserContext context;
    private final List<String> complaints = new ArrayList<>();
    private final List<BrowserContext> others = new ArrayList<>();
    protected Page page;
    protected String address;

    @BeforeAll
    void open() {
        DemoServer server = DemoServer.get();
        server.freshSchool();
        address = server.address;
        if (browser == null) {
            // Two browsers and two servers share two cores: what is slow for a moment is not wrong.
            PlaywrightAssertions.setDefaultAssertionTimeout(20_000);
            browser = Playwright.create(new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1"))).chromium()
                    .launch(new BrowserType.LaunchOptions().setExecutablePath(Path.of("/usr/bin/chromium"))
                            .setArgs(List.of("--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run", "--disable-background-networking",
                                    "--disable-component-update", "--disable-sync")));
        }
    }

    @BeforeEach
    void newPage() {
        newPage(1280, 800, ColorScheme.LIGHT);
    }

    protected void newPage(int width, int height, ColorScheme scheme) {
        newPage(width, height, scheme, ServiceWorkerPolicy.BLOCK);
    }

    /** A page whose shell stays in the browser, as in real use; the other tests go without, since it fetches all views at once. */
    protected void newPageWithItsShell() {
        newPage(1280, 800, ColorScheme.LIGHT, ServiceWorkerPolicy.ALLOW);
    }

    /** Waits until all views are in the browser. */
    protected void awaitShell() {
        page.waitForFunction("""
                async () => {
                  await navigator.serviceWorker.ready;
                  const names = await caches.keys();
                  const kept = await Promise.all(names.map(async n => (await (await caches.open(n)).keys()).length));
                  return navigator.serviceWorker.controller && kept.reduce((a, b) => a + b, 0) > 30;
                }""");
    }

    private void newPage(int width, int height, ColorScheme scheme, ServiceWorkerPolicy shell) {
        if (context != null) {
            context.close();
        }
        context = browser.newContext(new Browser.NewContextOptions().setViewportSize(width, height).setColorScheme(scheme)
                .setLocale("en-GB").setAcceptDownloads(true).setServiceWorkers(shell));
        page = context.newPage();
        page.setDefaultTimeout(15_000);
        page.onPageError(complaints::add);
        page.onConsoleMessage(message -> {
            // A refused request is told by the browser too; the tests look at what the page says of it.
            if (message.type().equals("error") && !message.text().contains("the server responded with a status of 4")
                    && !message.text().contains("net::ERR_FAILED")
                    && !message.text().contains("net::ERR_INTERNET_DISCONNECTED")) {
                complaints.add(message.text());
            }
        });
    }

    @AfterEach
    void closePage() {
        context.close();
        context = null;
        others.forEach(BrowserContext::close);
        others.clear();
        List<String> said = List.copyOf(complaints);
        complaints.clear();
        Assertions.assertEquals(List.of(), said, "the browser complained");
    }

    /** Signs in as a sample person, with one click. */
    protected void signIn(String name) {
        page.navigate(address + "/");
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^" + name.replace(".", "\\.")))).click();
        page.waitForURL(Pattern.compile(".*/desk.*"));
        assertThat(page.locator("#view")).isVisible();
    }

    /** Signs {@code name} out and waits for the sign-in page: signing out goes there by itself. */
    protected void signOut(String name) {
        button(name).click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Sign out")).click();
        assertThat(page.getByLabel("Sign-in name")).isVisible();
    }

    /** Signs in somebody who is not among the sample people shown, as the demo lets anyone in by name. */
    protected void signInAs(String login) {
        page.navigate(address + "/");
        assertThat(page.getByLabel("Sign-in name")).isVisible();
        page.evaluate("""
                async login => {
                  const token = decodeURIComponent(/XSRF-TOKEN=([^;]*)/.exec(document.cookie)[1]);
                  await fetch('/api/session', {method: 'POST', headers: {'Content-Type': 'application/json', 'X-XSRF-TOKEN': token}, body: JSON.stringify({login})});
                }""", login);
        page.navigate(address + "/desk");
        page.waitForURL(Pattern.compile(".*/desk.*"));
    }

    /** Another machine, at which nobody is signed in. */
    protected Page elsewhere() {
        BrowserContext theirs = browser.newContext(new Browser.NewContextOptions().setViewportSize(1280, 800).setLocale("en-GB"));
        others.add(theirs);
        Page other = theirs.newPage();
        other.setDefaultTimeout(10_000);
        return other;
    }

    /** Somebody else at another machine, signed in; closed with this test's own page. */
    protected Page another(String name) {
        Page other = elsewhere();
        other.navigate(address + "/");
        other.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^" + name.replace(".", "\\.")))).click();
        other.waitForURL(Pattern.compile(".*/desk.*"));
        return other;
    }

    /** Whether this page's machine is without a network. */
    protected void offline(boolean now) {
        context.setOffline(now);
    }

    /** Chooses in the scope line whose students are looked at. */
    protected void choose(String whose) {
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Whose students"))).click();
        page.getByLabel("Whose students").getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^" + whose))).first().click();
        assertThat(page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Scope"))).containsText(whose);
    }

    /** Opens one of the pages that a rung of the rail holds. */
    protected void openAccount(String name) {
        button(name).click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Your account")).click();
        assertThat(dialog()).containsText("Where you are signed in");
    }

    protected void subView(String rung, String name) {
        view(rung);
        Locator link = page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName(rung)).getByRole(AriaRole.LINK,
                new Locator.GetByRoleOptions().setName(name));
        link.click();
        // The page before stays until the new one's code is there.
        assertThat(link).hasAttribute("aria-current", "page");
    }

    protected Locator button(String name) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    protected Locator heading(String name) {
        return page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName(name));
    }

    protected void view(String name) {
        assertThat(page.locator("#view")).isVisible();
        Locator phone = page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Views, now ")));
        boolean inAMenu = phone.count() > 0;
        if (inAMenu) {
            // A frame that is still being put up would take the opened menu away with it.
            assertThat(page.locator("#view h1").first()).isVisible();
            phone.click();
        }
        Locator link = page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Views")).getByRole(AriaRole.LINK,
                new Locator.GetByRoleOptions().setName(name));
        link.click();
        // The page before stays until the new one's code is there: what is read meanwhile is of the other.
        if (inAMenu) {
            assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Views, now " + name))).isVisible();
        } else {
            assertThat(link).hasAttribute("aria-current", "page");
        }
    }

    protected Locator dialog() {
        return page.getByRole(AriaRole.DIALOG);
    }

    protected Locator picked() {
        return page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Picked students"));
    }
}
