package org.zealousladder.server.learning.reading;

import static java.util.Objects.requireNonNull;

import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.reading.LevelTable;
import org.zealousladder.core.reading.Mark;
import org.zealousladder.core.reading.RunningRecord;
import org.zealousladder.core.reading.WordComparison;
import org.zealousladder.server.learning.reading.ReadingViews.Behaviour;
import org.zealousladder.server.learning.reading.ReadingViews.ComparedWords;
import org.zealousladder.server.learning.reading.ReadingViews.LineOutcome;
import org.zealousladder.server.learning.reading.ReadingViews.Outcome;
import org.zealousladder.server.learning.reading.ReadingViews.ReadingRecord;
import org.zealousladder.server.learning.reading.ReadingViews.TeachNext;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.words.Words;

/** From a reading's marks and answers to what it comes to. */
final class Counting {
    static final int RETELLING = 4;

    private Counting() {}

    /** What was heard of a passage. */
    record Heard(double seconds, int lastWord, List<ReadingForm.MarkAt> marks, @Nullable Integer retelling, List<ReadingForm.Answer> answers,
            List<ReadingForm.Seen> seen) {

        static Heard of(ReadingForm f) {
            return new Heard(f.seconds(), f.lastWord(), f.marks(), f.retelling(), f.answers(), f.seen());
        }
    }

    /** By what a school judges it. */
    record Standards(LevelTable levels, List<Behaviour> library) {}

    /** @throws Refusal 422 when the reading cannot have been */
    static Outcome of(Passage passage, Heard heard, Standards standards) {
        double seconds = heard.seconds();
        int lastWord = heard.lastWord();
        Integer retelling = heard.retelling();
        List<ReadingForm.Answer> answers = heard.answers();
        if (lastWord > passage.words()) {
            throw Refusal.invalid("lastWord", "The passage has " + passage.words() + " words; the last word read cannot be number " + lastWord + ".");
        }
        if (lastWord < 1) {
            throw Refusal.invalid("lastWord", "At least one word must have been read.");
        }
        if (!(seconds > 0)) {
            throw Refusal.invalid("seconds", "A reading lasts above 0 seconds.");
        }
        RunningRecord record;
        List<RunningRecord.LineCount> lines;
        try {
            List<Mark> all = marks(heard.marks());
            record = RunningRecord.of(lastWord, seconds, all);
            lines = RunningRecord.perLine(passage.lineEnds(), lastWord, all);
        } catch (IllegalArgumentException e) {
            throw Refusal.invalid("marks", Words.sentence(requireNonNull(e.getMessage())));
        }
        Map<Integer, Passage.Question> questions = passage.questions().stream().collect(Collectors.toMap(Passage.Question::id, Function.identity()));
        answers.forEach(a -> {
            Passage.Question q = questions.get(a.questionId());
            if (q == null || a.points() > q.points()) {
                throw Refusal.invalid("answers", q == null ? "A question does not belong to this passage."
                        : "'" + q.question() + "' has at most " + q.points() + (q.points() == 1 ? " point." : " points."));
            }
        });
        Double literal = share(answers, questions, Passage.QuestionKind.LITERAL);
        Double inferential = share(answers, questions, Passage.QuestionKind.INFERENTIAL);
        double points = answers.stream().mapToInt(ReadingForm.Answer::points).sum() + (retelling == null ? 0 : retelling);
        double most = answers.stream().mapToInt(a -> requireNonNull(questions.get(a.questionId())).points()).sum() + (retelling == null ? 0 : RETELLING);
        Double comprehension = most == 0 ? null : (Double) (points / most);
        Map<Integer, Behaviour> behaviours = standards.library().stream().collect(Collectors.toMap(Behaviour::id, Function.identity()));
        List<TeachNext> teach = heard.seen().stream().filter(s -> !s.shown() && behaviours.containsKey(s.behaviourId()))
                .map(s -> behaviours.get(s.behaviourId()))
                .map(b -> new TeachNext(b.name(), b.teach())).toList();
        String sentence = Math.round(record.correctPerMinute()) + " words correct per minute, " + Words.plain(Math.round(1000 * record.accuracy()) / 10.0)
                + " % right"
                + (record.errors() == 0 ? "" : ", 1 error in " + Math.round(record.errorRatio().getAsDouble()) + " words") + ".";
        return new Outcome(record.words(), record.errors(), record.selfCorrected(), record.correctPerMinute(), record.accuracy(), boxed(record.errorRatio()),
                boxed(record.selfCorrectionRatio()), comprehension, literal, inferential, standards.levels().propose(record.accuracy(), comprehension).name(),
                lines.stream().map(l -> new LineOutcome(l.firstWord(), l.lastWord(), l.errors(), l.selfCorrected())).toList(), teach, sentence);
    }

    /** The words of two readings of a passage; the one read first is the earlier, of two on one day the one recorded first. */
    static ComparedWords compare(ReadingRecord one, ReadingRecord other) {
        boolean after = one.readOn().isAfter(other.readOn()) || one.readOn().equals(other.readOn()) && one.id() > other.id();
        ReadingRecord before = after ? other : one;
        ReadingRecord now = after ? one : other;
        WordComparison c = WordComparison.of(marks(before.marks()), before.lastWord(), marks(now.marks()), now.lastWord());
        String words = "Of the " + c.words() + " words both reached, " + c.missedBefore() + (c.missedBefore() == 1 ? " was" : " were") + " missed on "
                + Words.day(before.readOn())
                + (c.missedBefore() == 0 ? "" : ": " + c.again() + " again, " + c.noLonger() + " no longer") + "; " + c.anew() + " new on "
                + Words.day(now.readOn()) + ".";
        return new ComparedWords(c.words(), c.missedBefore(), c.again(), c.anew(), words);
    }

    private static List<Mark> marks(List<ReadingForm.MarkAt> marks) {
        return marks.stream().map(m -> new Mark(m.word(), m.kind())).toList();
    }

    private static @Nullable Double share(List<ReadingForm.Answer> answers, Map<Integer, Passage.Question> questions, Passage.QuestionKind kind) {
        List<ReadingForm.Answer> of = answers.stream().filter(a -> requireNonNull(questions.get(a.questionId())).kind() == kind).toList();
        double most = of.stream().mapToInt(a -> requireNonNull(questions.get(a.questionId())).points()).sum();
        return most == 0 ? null : (Double) (of.stream().mapToInt(ReadingForm.Answer::points).sum() / most);
    }

    private static @Nullable Double boxed(OptionalDouble value) {
        return value.isEmpty() ? null : (Double) value.getAsDouble();
    }
}
