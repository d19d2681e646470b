package org.zealousladder.server.exchange.records.matching;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.text.Normalizer;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;

/** What schools write over their columns. */
final class Headings {
    private static final Map<String, Set<String>> BY_FIELD = read();

    private Headings() {}

    /** Small letters and digits, without accents, one space between words. */
    static String plain(String text) {
        String apart = Normalizer.normalize(text, Normalizer.Form.NFD).replaceAll("\\p{M}", "");
        return apart.toLowerCase(Locale.ROOT).replace("ß", "ss").replace("ø", "o").replace("æ", "ae").replaceAll("[^\\p{L}\\p{N}]+", " ").strip();
    }

    /** How well a heading says that its column holds {@code field}: 0 not at all, 1 exactly. */
    static double fit(String heading, String field) {
        String plain = plain(heading);
        if (plain.equals(field.replace('_', ' '))) {
            return 1;
        }
        Set<String> words = BY_FIELD.getOrDefault(field, Set.of());
        if (words.contains(plain)) {
            return 1;
        }
        double best = 0;
        for (String w : words) {
            if (w.length() > 3 && (" " + plain + " ").contains(" " + w + " ")) {
                best = Math.max(best, 0.4 + 0.4 * w.length() / plain.length());
            }
        }
        return best;
    }

    private static Map<String, Set<String>> read() {
        Map<String, Set<String>> all = new HashMap<>();
        try (InputStream in = Objects.requireNonNull(Headings.class.getResourceAsStream("/matching/headings.txt"));
                BufferedReader lines = new BufferedReader(new InputStreamReader(in, StandardCharsets.UTF_8))) {
            lines.lines().filter(l -> !l.isBlank() && !l.startsWith("#")).forEach(l -> {
                int colon = l.indexOf(':');
                Arrays.stream(l.substring(colon + 1).split(",")).map(Headings::plain)
                        .forEach(w -> all.computeIfAbsent(l.substring(0, colon).strip(), f -> new HashSet<>()).add(w));
            });
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return all;
    }
}
