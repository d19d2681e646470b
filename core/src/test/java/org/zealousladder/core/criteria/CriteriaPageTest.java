package org.zealousladder.core.criteria;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** docs/criteria.md speaks of every term, with an example that is understood and with what cannot be told. */
class CriteriaPageTest {
    private static final Pattern ROW = Pattern.compile("\\| ([a-z ]+) \\| `([^`]+)` \\| ([^|]+) \\| ([^|]+) \\|");

    @Test
    void everyTermHasItsLine() throws IOException {
        Map<String, String> examples = new LinkedHashMap<>();
        for (String line : Files.readAllLines(Path.of("../docs/criteria.md"))) {
            Matcher m = ROW.matcher(line);
            if (m.matches()) {
                assertTrue(!m.group(3).isBlank() && !m.group(4).isBlank(), line);
                examples.put(m.group(1), m.group(2));
            }
        }
        assertEquals(Stream.of(Term.values()).map(Term::words).toList(), List.copyOf(examples.keySet()));
        examples.forEach((words, example) -> assertEquals(words, CriterionParser.parse(example).conditions().get(0).subject().term().words(), example));
    }

    @Test
    void theWordsOfOneOfAreTold() throws IOException {
        String page = Files.readString(Path.of("../docs/criteria.md"));
        for (Term t : Term.values()) {
            if (t.asked() instanceof Asked.OneOf o) {
                o.words().forEach(w -> assertTrue(page.contains(w), t.words() + ": " + w));
            }
        }
    }
}
