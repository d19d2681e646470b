package org.zealousladder.server.learning.reading;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.server.school.roster.StudentRef;

/** What the pages about reading aloud show. */
public final class ReadingViews {
    private ReadingViews() {}

    /** All that a reading needs, and the readings so far. */
    public record ReadingHome(List<StudentRef> students, List<Passage> passages, List<Behaviour> behaviours, List<ReadingLevel> levels,
            List<ReadingBrief> readings, int schoolId, boolean mayChange) {}

    public record Behaviour(int id, @Nullable Integer schoolId, String name, String teach, boolean retired) {}

    public record ReadingLevel(String name, double accuracy, double comprehension) {}

    /** A reading in a list. */
    public record ReadingBrief(long id, StudentRef student, int passageId, String passage, LocalDate readOn, double correctPerMinute, double accuracy,
            String level) {}

    /**
     * What a reading comes to.
     *
     * @param comprehension share of the points for retelling and questions; null where nothing was asked
     * @param teach what was not shown yet, with what to teach next; empty for what was shown or not looked for
     */
    public record Outcome(int words, int errors, int selfCorrected, double correctPerMinute, double accuracy, @Nullable Double errorRatio,
            @Nullable Double selfCorrectionRatio, @Nullable Double comprehension, @Nullable Double literal, @Nullable Double inferential,
            String proposedLevel, List<LineOutcome> lines, List<TeachNext> teach, String sentence) {}

    public record LineOutcome(int firstWord, int lastWord, int errors, int selfCorrected) {}

    public record TeachNext(String behaviour, String teach) {}

    /** A reading, read back. */
    public record ReadingRecord(long id, StudentRef student, Passage passage, LocalDate readOn, double seconds, @Nullable Integer limitSeconds, int lastWord,
            List<ReadingForm.MarkAt> marks, @Nullable Integer retelling, List<ReadingForm.Answer> answers, List<ReadingForm.Seen> seen, String level,
            @Nullable String levelReason, @Nullable String note, @Nullable String by, Outcome outcome) {}

    /**
     * Another reading of the same passage by the same student.
     *
     * @param words in which both agree or not, as far as both went
     */
    public record OtherReading(ReadingRecord reading, ComparedWords words) {}

    /** Of the words that both readings reached: missed in the earlier, missed again, missed in the later only; and the same in words. */
    public record ComparedWords(int words, int missedBefore, int again, int anew, String sentence) {}

    /** A reading with the others of the same passage, the newest first. */
    public record ReadingPair(ReadingRecord reading, List<OtherReading> others, List<Behaviour> behaviours) {}
}
