package org.zealousladder.server.platform.texts;

import java.text.Normalizer;
import java.util.Collection;
import java.util.Locale;

/** Codes made of names. */
public final class Slug {
    private static final int LONGEST = 40;

    private Slug() {}

    /** Small letters and digits with dashes between: {@code Skerrow Island School} is {@code skerrow-island-school}; {@code x} where nothing is left. */
    public static String of(String name) {
        String plain = Normalizer.normalize(name, Normalizer.Form.NFD).replaceAll("\\p{M}", "").toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-")
                .replaceAll("^-|-$", "");
        return plain.isEmpty() ? "x" : plain.length() > LONGEST ? plain.substring(0, LONGEST).replaceAll("-$", "") : plain;
    }

    /** As {@link #of}, with a number where that is taken. */
    public static String unused(String name, Collection<String> taken) {
        String base = of(name);
        String code = base;
        for (int n = 2; taken.contains(code); n++) {
            code = base + "-" + n;
        }
        return code;
    }
}
