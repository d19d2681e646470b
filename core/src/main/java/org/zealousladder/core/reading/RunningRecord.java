package org.zealousladder.core.reading;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;

/**
 * A passage read aloud, counted. With the number of words read (up to the last word) and of errors among them:
 *
 * <pre>
 *   words correct per minute = 60·(words - errors)/seconds       accuracy = (words - errors)/words
 *   error ratio 1 : words/errors                                 self-correction ratio 1 : (errors + corrected)/corrected
 * </pre>
 *
 * <p>These are the usual definitions of a running record (M. M. Clay, 2000) and of curriculum-based oral reading (S. L. Deno, 1985).
 * Self-corrections are not errors; insertions and words left out are. A passage finished before the time is up is prorated, because
 * the seconds it took are counted.
 *
 * <ul>
 *   <li>Marks after the last word do not count.
 *   <li>No errors: no error ratio; no self-corrections: no such ratio.
 *   <li>More errors than words (insertions): rate and accuracy are 0, not negative.
 * </ul>
 *
 * @param words read, from the first to the last
 * @param seconds that they took
 */
public record RunningRecord(int words, double seconds, int errors, int selfCorrected, Map<Mark.Kind, Integer> counts) {

    /** @throws IllegalArgumentException for no words or no time: rate and accuracy would be no numbers */
    public RunningRecord {
        if (words < 1) {
            throw new IllegalArgumentException("at least one word must have been read");
        }
        if (!(seconds > 0) || Double.isInfinite(seconds)) {
            throw new IllegalArgumentException("the time must be above 0 seconds");
        }
        if (errors < 0 || selfCorrected < 0) {
            throw new IllegalArgumentException("errors are counted from 0");
        }
        counts = Map.copyOf(counts);
    }

    /**
     * @param lastWord number of the last word read, at least 1
     * @param seconds above 0
     * @throws IllegalArgumentException for a last word or seconds out of range, or two marks on one word (insertions aside)
     */
    public static RunningRecord of(int lastWord, double seconds, List<Mark> marks) {
        Map<Mark.Kind, Integer> counts = new EnumMap<>(Mark.Kind.class);
        Set<Integer> marked = new HashSet<>();
        int errors = 0;
        for (Mark m : marks) {
            if (m.kind() != Mark.Kind.INSERTED && !marked.add(m.word())) {
                throw new IllegalArgumentException("word " + m.word() + " has two marks");
            }
            if (m.word() <= lastWord) {
                counts.merge(m.kind(), 1, Integer::sum);
                errors += m.kind().isError() ? 1 : 0;
            }
        }
        return new RunningRecord(lastWord, seconds, errors, counts.getOrDefault(Mark.Kind.SELF_CORRECTED, 0), counts);
    }

    /** Words read right, 0 or more. */
    public int correct() {
        return Math.max(0, words - errors);
    }

    /** Words read right in a minute; finite, as a reading lasts above 0 seconds. */
    public double correctPerMinute() {
        return 60 * correct() / seconds;
    }

    /** Share of the words read that were right, 0 to 1. */
    public double accuracy() {
        return correct() / (double) words;
    }

    /** The x of "1 error in x words". */
    public OptionalDouble errorRatio() {
        return errors == 0 ? OptionalDouble.empty() : OptionalDouble.of(words / (double) errors);
    }

    /** The x of "1 in x of what went wrong was put right". */
    public OptionalDouble selfCorrectionRatio() {
        return selfCorrected == 0 ? OptionalDouble.empty() : OptionalDouble.of((errors + selfCorrected) / (double) selfCorrected);
    }

    /** Errors and self-corrections in one line of the passage. */
    public record LineCount(int firstWord, int lastWord, int errors, int selfCorrected) {}

    /**
     * Counts by line, as far as was read. An insertion belongs to the line of the word before it, one before the first word to the first line.
     *
     * @param lineEnds number of the last word of each line, ascending
     */
    public static List<LineCount> perLine(int[] lineEnds, int lastWord, List<Mark> marks) {
        List<LineCount> lines = new ArrayList<>();
        int from = 1;
        for (int end : lineEnds) {
            if (from > lastWord) {
                break;
            }
            int errors = 0;
            int corrected = 0;
            for (Mark m : marks) {
                int word = Math.max(1, m.word());
                if (word >= from && word <= end && word <= lastWord) {
                    errors += m.kind().isError() ? 1 : 0;
                    corrected += m.kind().isError() ? 0 : 1;
                }
            }
            lines.add(new LineCount(from, Math.min(end, lastWord), errors, corrected));
            from = end + 1;
        }
        return lines;
    }
}
