package org.zealousladder.server.learning.groups;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.Coded;
import org.zealousladder.core.skills.SkillState;
import org.zealousladder.server.learning.skills.SkillsView.SkillName;
import org.zealousladder.server.school.roster.StudentRef;

/** What goes over the wire of the board of groups. */
final class Board {
    private Board() {}

    /** What groups are made by. */
    enum Need implements Coded {
        /** Who has a skill and who does not. */
        SKILL,
        /** How they go wrong on it, too. */
        MISTAKES,
        /** The newest score in the measure of the scope line. */
        SCORE,
        /** Nothing but company. */
        NONE
    }

    /** Two who are kept together or apart. @param until null: for good */
    record Pair(int id, int a, int b, boolean together, @Nullable LocalDate until, @Nullable String because) {}

    /** A student on the board. @param state on the skill that is asked about; null without one */
    record BoardStudent(StudentRef student, @Nullable SkillState state) {}

    /** What the board begins with. @param skills that can be asked about, the one to teach again first */
    record BoardView(List<BoardStudent> students, List<SkillName> skills, @Nullable Integer skill, List<Pair> pairs, List<String> adults,
            List<KeptGroups> kept) {}

    /** Groups that were kept. @param over whether they have been */
    record KeptGroups(int id, String title, boolean standing, LocalDate starts, @Nullable LocalDate ends, boolean over, boolean mayChange,
            List<KeptTable> tables) {}

    record KeptTable(int id, String name, @Nullable String leader, @Nullable String atTime, @Nullable String shares, List<StudentRef> students) {}

    /** A student who stays at a place on the board. */
    record Stay(int student, @Min(0) @Max(199) int group) {}

    /**
     * What is asked for.
     *
     * @param students of whom; others stand apart
     * @param least fewest in a group @param most the most @param groups how many; null: as the sizes give
     * @param fresh how much new company counts, 0 to 5
     * @param seed another number, another beginning
     */
    record Asking(@NotBlank String who, int year, @NotNull LocalDate asOf, @NotEmpty @Size(max = 800, message = "are at most 800") List<Integer> students,
            @NotNull Need need, @Nullable Integer skill, @Nullable Integer measure, @Min(1) @Max(40) int least, @Min(1) @Max(40) int most,
            @Nullable @Min(1) @Max(200) Integer groups, @Min(0) @Max(5) double fresh, @NotNull @Valid List<Stay> stays, long seed) {}

    /** Two who meet again. @param times before @param last when */
    record Again(int a, int b, int times, LocalDate last) {}

    /** A group. @param name made of what it needs @param shares in a sentence @param again pairs who met before */
    record ProposedGroup(String name, String shares, List<Integer> students, List<Again> again) {}

    /** What was found. @param pairs in the groups @param newPairs of them who have not met since {@code since} @param tries beginnings that found nothing better */
    record Proposed(List<ProposedGroup> groups, int pairs, int newPairs, LocalDate since, int tries, double cost) {}

    /** What a group is made of, when it has been moved by hand. */
    record Looking(@NotBlank String who, int year, @NotNull LocalDate asOf, @NotNull Need need, @Nullable Integer skill,
            @NotEmpty @Size(max = 200, message = "are at most 200") List<@NotNull List<Integer>> groups) {}

    /** A table to keep. */
    record TableForm(@NotBlank(message = "is missing") @Size(max = 80, message = "has at most 80 letters") String name,
            @Nullable @Size(max = 80, message = "has at most 80 letters") String leader,
            @Nullable @Size(max = 60, message = "has at most 60 letters") String atTime,
            @Nullable @Size(max = 300) String shares, @NotEmpty(message = "has nobody in it") List<Integer> students, @NotNull List<Integer> stays) {}

    /** Groups to keep. @param until null: a day alone where {@code standing} is not said, else until they are ended */
    record KeepForm(@NotBlank String who, int year, @NotBlank(message = "is missing") @Size(max = 120, message = "has at most 120 letters") String title,
            boolean standing,
            @NotNull LocalDate day, @Nullable Double fresh, @NotEmpty @Valid List<TableForm> tables) {}

    /** Who leads a group, and when it meets. */
    record TableChange(@Nullable @Size(max = 80, message = "has at most 80 letters") String leader,
            @Nullable @Size(max = 60, message = "has at most 60 letters") String atTime) {}

    /** Two students, kept together or apart. */
    record PairForm(int a, int b, boolean together, @Nullable LocalDate until, @Nullable @Size(max = 300, message = "is too long") String because) {}

    /** Who worked with whom. @param since the first day that counts */
    record Worked(List<StudentRef> students, List<Again> met, LocalDate since, int arrangements) {}
}
