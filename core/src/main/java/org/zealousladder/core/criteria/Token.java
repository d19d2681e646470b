package org.zealousladder.core.criteria;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** A word, a name in quotation marks, a number, a day, a school year or a sign. @param text without the quotation marks */
record Token(Kind kind, String text, Place place) {
    private static final Pattern NEXT = Pattern.compile("""
            (?<quoted>"(?:[^"]|"")*"|“[^”]*”)\
            |(?<day>\\d{4}-\\d{2}-\\d{2})(?![\\p{L}\\p{N}])\
            |(?<year>\\d{4}[-–/]\\d{2}(?:\\d{2})?)(?![\\p{L}\\p{N}])\
            |(?<number>-?\\d{1,15}(?:\\.\\d{1,9})?)(?![\\p{L}\\p{N}]|\\.\\d)\
            |(?<word>[\\p{L}\\p{N}][\\p{L}\\p{M}\\p{N}'’.&+/–-]*)\
            |(?<sign><=|>=|<>|!=|[<>=≤≥≠(),;%])""");

    /** What it is. */
    enum Kind {
        QUOTED,
        DAY,
        YEAR,
        NUMBER,
        WORD,
        SIGN,
        END
    }

    /** @throws MistakeException at what is no part of the language */
    static List<Token> of(String whole) {
        // A full stop ends a sentence and is no part of its last word.
        String text = whole.stripTrailing().endsWith(".") ? whole.stripTrailing().substring(0, whole.stripTrailing().length() - 1) : whole;
        List<Token> all = new ArrayList<>();
        Matcher m = NEXT.matcher(text);
        int at = 0;
        while (true) {
            while (at < text.length() && (Character.isWhitespace(text.charAt(at)) || text.charAt(at) == '\u00a0')) {
                at++;
            }
            if (at == text.length()) {
                all.add(new Token(Kind.END, "", new Place(at, at)));
                return all;
            }
            m.region(at, text.length());
            if (!m.lookingAt()) {
                boolean open = text.charAt(at) == '"' || text.charAt(at) == '“';
                throw new MistakeException(new Place(at, open ? text.length() : at + 1),
                        open ? "This name is not closed: put a quotation mark at its end." : "'" + text.charAt(at) + "' has no meaning here. Take it out.",
                        List.of());
            }
            all.add(token(m, at));
            at = m.end();
        }
    }

    private static Token token(Matcher m, int at) {
        Place place = new Place(at, m.end());
        String text = m.group();
        if (m.group("quoted") != null) {
            return new Token(Kind.QUOTED, text.substring(1, text.length() - 1).replace("\"\"", "\"").strip(), place);
        } else if (m.group("day") != null) {
            return new Token(Kind.DAY, text, place);
        } else if (m.group("year") != null) {
            return new Token(Kind.YEAR, text.replace('–', '-').replace('/', '-'), place);
        } else if (m.group("number") != null) {
            return new Token(Kind.NUMBER, text, place);
        }
        return new Token(m.group("word") != null ? Kind.WORD : Kind.SIGN, text, place);
    }

    /** Whether it is this word, however written, or this sign. */
    boolean is(String what) {
        return (kind == Kind.WORD || kind == Kind.SIGN) && text.toLowerCase(Locale.ROOT).equals(what);
    }

    /** Whether it can be part of a name without quotation marks. */
    boolean names() {
        return kind == Kind.WORD && !Words.kept(text);
    }
}
