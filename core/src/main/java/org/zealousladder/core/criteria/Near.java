package org.zealousladder.core.criteria;

import java.util.Collection;
import java.util.Comparator;
import java.util.Locale;
import java.util.Optional;

/** Of what there is, what somebody most likely meant. */
public final class Near {
    private Near() {}

    /** Empty where nothing is near: more than a third of the letters would have to change (Levenshtein 1966), and neither begins with the other. */
    public static Optional<String> of(String typed, Collection<String> known) {
        String t = typed.toLowerCase(Locale.ROOT);
        Optional<String> begins = known.stream().filter(k -> t.length() >= 3 && k.toLowerCase(Locale.ROOT).startsWith(t)).findFirst();
        return begins.isPresent() ? begins : known.stream().filter(k -> distance(t, k.toLowerCase(Locale.ROOT)) * 3 <= Math.max(t.length(), 3))
                .min(Comparator.comparingInt(k -> distance(t, k.toLowerCase(Locale.ROOT))));
    }

    private static int distance(String a, String b) {
        int[] row = new int[b.length() + 1];
        for (int j = 0; j <= b.length(); j++) {
            row[j] = j;
        }
        for (int i = 1; i <= a.length(); i++) {
            int diagonal = row[0];
            row[0] = i;
            for (int j = 1; j <= b.length(); j++) {
                int above = row[j];
                row[j] = Math.min(Math.min(row[j] + 1, row[j - 1] + 1), diagonal + (a.charAt(i - 1) == b.charAt(j - 1) ? 0 : 1));
                diagonal = above;
            }
        }
        return row[b.length()];
    }
}
