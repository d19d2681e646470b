package org.zealousladder.server.exchange.records;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.Coded;
import org.zealousladder.server.exchange.records.matching.Cause;
import org.zealousladder.server.exchange.records.matching.Matching;
import org.zealousladder.server.exchange.records.matching.Names;
import org.zealousladder.server.platform.files.Forms;

/**
 * What files would do, or did.
 *
 * @param kind of what the files are about, where it is one thing
 * @param files how each was read
 * @param parts what comes of each kind, in the order in which they are taken
 * @param rows data rows of all files
 * @param added of all kinds, as the two after it
 * @param refused lines that are not taken, each with at least one entry in {@code refusals}
 * @param digest of what was looked at: every row, what comes of it and what it would replace
 * @param notices what is unusual about the files but does not stop them
 * @param open what has to be said before anything can be read; then nothing else is known
 * @param doubts names for which a person has to choose
 * @param endings what ends because the files no longer have it
 * @param causes why lines are refused, the most frequent first
 * @param refusals the first of them, by file and row
 */
public record ImportResult(@Nullable String kind, String label, List<FileRead> files, List<Part> parts, int rows, int added, int changed, int unchanged,
        int refused, String digest, List<String> notices, List<String> open, List<Names.Doubt> doubts,
        List<Ending> endings, List<RefusalCause> causes, List<RowRefusal> refusals) {

    /**
     * How one file was read.
     *
     * @param sheets of a workbook, the one that was read first; none for any other file
     * @param sureOfDays false where every day could begin with the day or with the month
     * @param told how it is known what its columns mean
     * @param sample its first rows
     */
    public record FileRead(String name, List<String> sheets, Forms forms, boolean sureOfDays, int rows, Told told, Matching matching,
            List<List<String>> sample) {}

    /** How it is known what a file's columns mean. */
    public enum Told implements Coded {
        /** They are called as ours. */
        OURS,
        /** They are those of a standard form. */
        STANDARD,
        /** A person has said it of a file with the same headings. */
        REMEMBERED,
        /** As it looks. */
        GUESSED,
        /** A person has said it of this file. */
        SAID
    }

    /** What comes of one kind. */
    public record Part(String kind, String label, int added, int changed, int unchanged) {}

    /**
     * What ends because a roster that is the whole truth no longer has it.
     *
     * @param what in words, in the plural
     * @param current of those that came from the same place and run
     * @param many whether somebody has to say that it is meant: a file that breaks off looks as if all the others had left
     */
    public record Ending(String what, int ended, int current, boolean many) {
        static Ending of(String what, int ended, int current) {
            return new Ending(what, ended, current, ended * 10 > current);
        }
    }

    /** Why a row is refused: its number as a spreadsheet shows it, the column, what stands there and what would be right. */
    public record RowRefusal(int file, int row, String column, String value, String message) {}

    /**
     * Lines that are refused for one reason.
     *
     * @param message of the first of them
     * @param values what stands in their cells, the most frequent first
     */
    public record RefusalCause(int file, String column, Cause cause, int lines, String message, List<Stands> values) {}

    /** What stands in so many cells. */
    public record Stands(String text, int cells) {}

    /** Whether taking the file would do something else than was shown. */
    boolean differsFrom(ImportResult shown) {
        return !digest.equals(shown.digest);
    }

    /** Whether days that can be read in two ways are in one of the files. */
    public boolean sureOfDays() {
        return files.stream().allMatch(FileRead::sureOfDays);
    }
}
