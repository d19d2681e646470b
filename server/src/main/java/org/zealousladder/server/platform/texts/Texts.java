package org.zealousladder.server.platform.texts;

import java.text.Normalizer;
import java.util.Locale;

/**
 * One way to write what looks the same (Unicode's NFC), and no characters that are none: controls other than tab and line ends, halves of pairs, those that
 * turn the direction of what follows (Unicode Standard Annex 9), and codes that Unicode keeps free for ever.
 */
public final class Texts {
    private Texts() {}

    /** @throws BadTextException naming the character that cannot be written */
    public static String clean(String text) {
        if (plain(text)) {
            return text;
        }
        text.codePoints().filter(Texts::bad).findFirst().ifPresent(c -> {
            throw new BadTextException(c);
        });
        return Normalizer.normalize(text, Normalizer.Form.NFC);
    }

    /** Most of what comes in; a million rows have many cells. */
    private static boolean plain(String text) {
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (c < ' ' || c > '~') {
                return false;
            }
        }
        return true;
    }

    private static boolean bad(int c) {
        boolean lineOrTab = c == '\n' || c == '\r' || c == '\t';
        boolean turns = c >= 0x202A && c <= 0x202E || c >= 0x2066 && c <= 0x2069;
        boolean none = (c & 0xFFFE) == 0xFFFE || c >= 0xFDD0 && c <= 0xFDEF;
        return Character.getType(c) == Character.CONTROL && !lineOrTab || Character.getType(c) == Character.SURROGATE || turns || none;
    }

    /** A character that is none. */
    public static final class BadTextException extends IllegalArgumentException {
        BadTextException(int c) {
            super(String.format(Locale.ROOT, "The text has a character that cannot be written (U+%04X). Type it anew instead of pasting it.", c));
        }
    }
}
