package org.zealousladder.server.learning.reading;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.Coded;

/**
 * A passage.
 *
 * @param lines words of each line, as they are numbered from 1 through all lines
 */
public record Passage(int id, String title, @Nullable Integer grade, List<List<String>> lines, int words, boolean retired, List<Question> questions) {

    /** Literal questions are answered from the text, inferential ones from between its lines. */
    public enum QuestionKind implements Coded {
        LITERAL,
        INFERENTIAL
    }

    /** A question about a passage. */
    public record Question(int id, QuestionKind kind, String question, int points) {}

    /** The words of a plain text, line by line; empty lines are left out. */
    static List<List<String>> split(String body) {
        List<List<String>> lines = new ArrayList<>();
        for (String line : body.split("\\R")) {
            List<String> words = Arrays.stream(line.strip().split("\\s+")).filter(w -> w.chars().anyMatch(Character::isLetterOrDigit)).toList();
            if (!words.isEmpty()) {
                lines.add(words);
            }
        }
        return lines;
    }

    /** Number of the last word of each line. */
    int[] lineEnds() {
        int[] ends = new int[lines.size()];
        int at = 0;
        for (int i = 0; i < ends.length; i++) {
            at += lines.get(i).size();
            ends[i] = at;
        }
        return ends;
    }
}
