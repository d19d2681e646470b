package org.zealousladder.server.overview.prints;

import java.util.Arrays;
import java.util.List;
import org.zealousladder.core.Coded;

/** What can be on a page, in its order. */
public enum PrintSection implements Coded {
    /** A paragraph of how the student stands. */
    NOW(Phrase.NOW, true, true),
    /** Support and other groupings that may be shown, and the birthday. */
    FACTS(Phrase.FACTS, false, true),
    /** The student's own scores, drawn and told, with the goal. */
    SCORES(Phrase.SCORES, true, true),
    /** Where a score lies among those of the grade. At home only where somebody wants it. */
    PERCENTILES(Phrase.PERCENTILES, true, true),
    TIERS(Phrase.TIERS, false, true),
    CONCERNS(Phrase.CONCERNS, false, true),
    PLANS(Phrase.PLANS, true, true),
    SKILLS(Phrase.SKILLS, true, true),
    DAYS(Phrase.DAYS, true, true),
    TIME(Phrase.TIME, true, true),
    WORK(Phrase.WORK, true, true),
    CONTACTS(Phrase.CONTACTS, false, true),
    DECISIONS(Phrase.DECISIONS, false, true),
    /** Lines to write on. */
    AGREED(Phrase.AGREED, true, true),
    SIGNATURES(Phrase.SIGNATURES, true, true);

    private final Phrase title;
    private final boolean home;
    private final boolean meeting;

    PrintSection(Phrase title, boolean home, boolean meeting) {
        this.title = title;
        this.home = home;
        this.meeting = meeting;
    }

    Phrase title() {
        return title;
    }

    /** Those that there are for a kind of page. */
    static List<PrintSection> of(PrintKind kind) {
        return Arrays.stream(values()).filter(s -> kind == PrintKind.HOME ? s.home : s.meeting).toList();
    }

    /** Those that stand on it unless somebody chooses. */
    static List<PrintSection> usual(PrintKind kind) {
        return of(kind).stream().filter(s -> s != PERCENTILES || kind == PrintKind.MEETING).toList();
    }
}
