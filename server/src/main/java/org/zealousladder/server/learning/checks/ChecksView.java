package org.zealousladder.server.learning.checks;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.server.learning.items.Item;
import org.zealousladder.server.measures.measures.MeasureRef;
import org.zealousladder.server.school.roster.StudentRef;

/**
 * The checks of a school, and those that were given to some students.
 *
 * @param mayWrite whether the viewer builds checks for the school
 * @param mayEverywhere whether for every school, too
 * @param measures that a check can feed
 */
public record ChecksView(List<CheckLine> checks, List<GivenLine> given, int school, boolean mayWrite, boolean mayEverywhere, List<MeasureRef> measures,
        LocalDate today) {

    /**
     * A check that can be given.
     *
     * @param items how many
     * @param skills by name, in the order of teaching
     * @param given how often it was
     * @param feeds points or share; null: no measure
     * @param fixed whether its items stay as they are, since it was given or answered
     */
    public record CheckLine(int id, String name, @Nullable Integer schoolId, int items, double possible, List<String> skills, boolean shuffle,
            @Nullable Integer minutes, @Nullable Integer measureId, @Nullable String feeds, int given, boolean fixed, boolean mayChange) {}

    /**
     * A check that was given.
     *
     * @param state coming, open, over or ended
     * @param students to how many; {@code begun} and {@code done} of them
     * @param waiting different answers that wait for somebody's word
     */
    public record GivenLine(int id, int checkId, String name, String label, LocalDate starts, LocalDate ends, boolean onPaper, String state, int students,
            int begun, int done, int waiting) {}

    /** One opened to be looked at or changed. */
    public record CheckOpen(int id, String name, @Nullable Integer schoolId, List<Item> items, boolean shuffle, @Nullable Integer minutes,
            @Nullable Integer measureId, @Nullable String feeds, boolean given, boolean mayChange) {}

    /** @param school null: for every school @param items in the order in which they are asked */
    public record CheckForm(@Nullable Integer school, @NotBlank(message = "is missing") @Size(max = 120, message = "has at most 120 letters") String name,
            @NotEmpty(message = "is missing") @Size(max = 500) List<Integer> items, boolean shuffle, @Nullable Integer minutes, @Nullable Integer measureId,
            @Nullable String feeds) {}

    /** To whom, when and how. @param who null: to {@code students} */
    public record GiveForm(@Nullable String who, @Nullable List<Integer> students, @NotNull LocalDate starts, @NotNull LocalDate ends, boolean onPaper) {}

    /** What an answer is worth from now on, whoever wrote it. @param share of the points @param shows the mistake, in words */
    public record WorthForm(int item, @NotBlank(message = "is missing") @Size(max = 500) String answer, double share,
            @Nullable @Size(max = 200, message = "has at most 200 letters") String shows) {}

    /** An answer typed from paper, or put right. @param answer null: none @param points null: as the key has it */
    public record PaperForm(int student, int item, @Nullable @Size(max = 500) String answer, @Nullable Double points) {}

    /**
     * A check as it comes in.
     *
     * @param waiting answers that no key foresaw, each once
     * @param mayWrite whether answers may be typed and decided by the viewer
     */
    public record Live(GivenLine given, CheckOpen check, List<Sitter> students, List<WaitingAnswer> waiting, boolean mayWrite) {}

    /** @param cells in the order of the items @param state not-begun, begun or done @param note why its score did not reach the measure */
    public record Sitter(StudentRef student, String state, List<AnswerCell> cells, double points, @Nullable String note) {}

    /** @param points null: it waits, or there is none */
    public record AnswerCell(int item, @Nullable String answer, @Nullable Double points, @Nullable String shows) {}

    /** @param answer as answers are compared @param written as the first one wrote it */
    public record WaitingAnswer(int item, String answer, String written, List<Integer> students) {}
}
