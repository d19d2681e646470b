package org.zealousladder.core.scores;

import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Optional;
import java.util.zip.CRC32;
import org.jspecify.annotations.Nullable;

/**
 * What people call the form of a measure that a score was taken on: a passage, a sheet, a probe. Whoever took the same form in the same week had the same luck with
 * it. Spaces at the ends and between words are put right as it is read; capitals stay as they are written, and are no difference.
 */
public final class FormName {
    public static final int LONGEST = 60;

    private final String text;

    private FormName(String text) {
        this.text = text;
    }

    /**
     * The name somebody typed; empty for none.
     *
     * @throws IllegalArgumentException with a sentence for people, when it is too long or no text
     */
    public static Optional<FormName> of(@Nullable String typed) {
        String text = typed == null ? "" : typed.strip().replaceAll("\\s+", " ");
        if (text.length() > LONGEST) {
            throw new IllegalArgumentException("The name of a form or passage has at most " + LONGEST + " letters; this one has " + text.length() + ".");
        }
        if (text.chars().anyMatch(Character::isISOControl)) {
            throw new IllegalArgumentException("The name of a form or passage cannot have characters that are not seen. Type it anew.");
        }
        return text.isEmpty() ? Optional.empty() : Optional.of(new FormName(text));
    }

    /** As much of a title as a form's name holds. */
    public static String shortened(String title) {
        String text = title.strip();
        if (text.length() <= LONGEST) {
            return text;
        }
        int end = LONGEST - 1;
        return text.substring(0, Character.isHighSurrogate(text.charAt(end - 1)) ? end - 1 : end) + "…";
    }

    public String text() {
        return text;
    }

    /**
     * By which trend models tell forms apart, never 0: the name's CRC-32. Of two forms of a week it is the same once in four thousand million times, and never
     * where the names differ within four letters running.
     */
    public int number() {
        CRC32 crc = new CRC32();
        crc.update(text.toLowerCase(Locale.ROOT).getBytes(StandardCharsets.UTF_8));
        int number = (int) crc.getValue();
        return number == 0 ? 1 : number;
    }

    /** The {@link #number} of a name on record; 0 for none. */
    public static int number(@Nullable String onRecord) {
        return of(onRecord).map(FormName::number).orElse(0);
    }

    @Override
    public boolean equals(@Nullable Object other) {
        return other instanceof FormName f && f.text.equals(text);
    }

    @Override
    public int hashCode() {
        return text.hashCode();
    }

    @Override
    public String toString() {
        return text;
    }
}
