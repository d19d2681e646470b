package org.zealousladder.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.LoadState;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;

/** Looks for violations of WCAG 2.2 A and AA on a page as it stands, in light and in dark. */
final class Axe {
    private static final String ALL = "{ runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'] }";
    /** The page is the same in the dark but for its colours. */
    private static final String COLOURS = "{ runOnly: { type: 'rule', values: ['color-contrast', 'link-in-text-block'] } }";

    private Axe() {}

    static void findsNothing(Page page, String where) throws IOException {
        page.waitForLoadState(LoadState.NETWORKIDLE);
        // A page's code arrives before it asks for its records: idle in between is not yet there.
        page.waitForFunction(
                "() => document.querySelector(document.querySelector('#view') ? '#view h1, [role=dialog]' : 'form, #asked')"
                        + " && ![...document.querySelectorAll('[role=status]')].some(s => s.textContent.endsWith('...'))");
        page.waitForTimeout(250);
        // What is still being faded in has the colours of nobody.
        page.waitForFunction("() => document.getAnimations().every(a => a.playState !== 'running')");
        if (!(boolean) page.evaluate("() => 'axe' in window")) {
            page.evaluate(Files.readString(Path.of("..", "web", "node_modules", "axe-core", "axe.min.js")));
        }
        assertEquals(List.of(), violations(page, ALL), where);
        page.emulateMedia(new Page.EmulateMediaOptions().setColorScheme(ColorScheme.DARK));
        assertThat(page.locator("html")).hasAttribute("data-theme", "dark");
        assertEquals(List.of(), violations(page, COLOURS), where + ", dark");
        page.emulateMedia(new Page.EmulateMediaOptions().setColorScheme(ColorScheme.LIGHT));
    }

    private static Object violations(Page page, String rules) {
        return page.evaluate("""
                async () => (await axe.run(document, %s)).violations
                  .map(v => v.id + ': ' + v.nodes.slice(0, 3).map(n => n.target.join(' ') + ' ' + (n.any[0]?.message ?? '')).join(' | '))""".formatted(rules));
    }
}
