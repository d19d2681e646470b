package org.zealousladder.server.learning.skills;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.skills.ItemReason;
import org.zealousladder.server.learning.items.Item;

/**
 * The items of a check, by how they did on the students looked at.
 *
 * @param checks that any of them has taken, the newest first
 * @param check the one that is looked at; null where there is none
 * @param whole who answered every item: alpha and what follows rests on them
 * @param fewest under so many there are counts only
 * @param alpha Cronbach's; null for few @param sem standard error of measurement, in points
 * @param skills that items can be said to ask for
 */
record ItemsView(List<TakenCheck> checks, @Nullable Integer check, int students, int whole, int fewest, double possible, @Nullable Double alpha,
        @Nullable Double sem, List<ItemLine> items, List<SkillChoice> skills) {

    /** A check that was taken. @param last day on which it was */
    record TakenCheck(int id, String name, LocalDate last, int students) {}

    /** A skill to choose. */
    record SkillChoice(int id, String name, String framework) {}

    /** An answer by thirds of the students by total. @param answer null: left out */
    record AnswerByThird(@Nullable String answer, boolean right, @Nullable String shows, int n, int upper, int middle, int lower) {}

    /**
     * An item.
     *
     * @param itemRest correlation with the rest; null for few, or where nothing varies
     * @param seconds median time; null where none is on record @param usual median of everybody's here who ever answered it
     * @param mayChange whether the viewer may say which skills it asks for
     */
    record ItemLine(Item item, String label, int n, double right, @Nullable Double itemRest, @Nullable Double upper, @Nullable Double lower, int leftOut,
            @Nullable Double seconds, @Nullable Double usual, List<ItemReason> reasons, List<AnswerByThird> answers, boolean mayChange) {}
}
