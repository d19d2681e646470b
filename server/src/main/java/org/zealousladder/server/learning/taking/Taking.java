package org.zealousladder.server.learning.taking;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What a student sees who has signed in by a card.
 *
 * @param card by which what waits on this device is known to be theirs
 * @param name given name alone
 * @param checks that can be taken today, and those of today that are done
 */
public record Taking(int card, String name, String className, List<TakingCheck> checks) {

    /** @param answered of {@code items} @param ends the last day on which it is open */
    public record TakingCheck(int giving, String name, int items, int answered, boolean done, @Nullable Integer minutes, LocalDate ends) {}

    /**
     * A check as it is taken.
     *
     * @param leftSeconds of its time; null: no time is set
     * @param now the server's clock, in milliseconds since 1970
     */
    public record Sheet(int giving, String name, @Nullable Integer leftSeconds, boolean done, List<SheetItem> items, List<SheetAnswer> answers, long now) {}

    /** An item without anything that tells which answer is right. */
    public record SheetItem(int id, String kind, String prompt, @Nullable SheetPicture picture, List<SheetOption> options, List<SheetOption> targets) {}

    public record SheetOption(String id, String text, @Nullable SheetPicture picture) {}

    /** @param words for whoever does not see it */
    public record SheetPicture(int id, String words) {}

    public record SheetAnswer(int item, String answer) {}

    public record CardWords(@NotBlank(message = "are missing") @Size(max = 200, message = "are too long") String words) {}

    /** @param answer null: taken back @param told when it was given by the device's clock, set right by the server's, in milliseconds since 1970 */
    public record TakenAnswer(int item, @Nullable @Size(max = 500, message = "has at most 500 letters") String answer, @Nullable Integer seconds, long told) {}

    /** @param ranOut whether the time did it */
    public record HandIn(boolean ranOut) {}
}
