package org.zealousladder.server;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** docs/security.md names tests that are there, and each line says one, or that there is none. */
class SecurityListTest {
    private static final Path ROOT = Path.of("..");

    @Test
    void everyTestThatIsNamedIsThere() throws IOException {
        List<String> rows = Files.readAllLines(ROOT.resolve("docs/security.md")).stream().filter(l -> l.startsWith("| ") && !l.startsWith("| | asked"))
                .toList();
        assertTrue(rows.size() > 25, "the list is read: " + rows.size());
        Set<String> known;
        try (Stream<Path> files = Stream.of("core", "server", "cli", "e2e").map(m -> ROOT.resolve(m).resolve("src/test/java"))
                .flatMap(SecurityListTest::walk)) {
            known = files.map(f -> f.getFileName().toString()).filter(n -> n.endsWith("Test.java")).map(n -> n.substring(0, n.length() - 5))
                    .collect(Collectors.toSet());
        }
        Set<String> wrong = new TreeSet<>();
        for (String row : rows) {
            String tests = row.split("\\|")[4].strip();
            Matcher named = Pattern.compile("`(\\w+)`").matcher(tests);
            boolean any = false;
            while (named.find()) {
                any = true;
                if (!known.contains(named.group(1))) {
                    wrong.add(named.group(1) + " is not there");
                }
            }
            if (!any && !tests.equals("none")) {
                wrong.add("no test, nor that there is none: " + row);
            }
        }
        assertEquals(Set.of(), wrong);
    }

    private static Stream<Path> walk(Path folder) {
        try {
            return Files.exists(folder) ? Files.walk(folder) : Stream.empty();
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }
}
