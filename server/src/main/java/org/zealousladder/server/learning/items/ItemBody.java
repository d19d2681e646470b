package org.zealousladder.server.learning.items;

import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * What belongs to an item besides its prompt.
 *
 * @param options to choose from, to match, or to put in order; empty for an item without
 * @param targets what options are matched with
 * @param tolerance of a number: how far from a right one still is right
 * @param picture above the prompt, by its id
 * @param worth where the parts of an answer are summed up: the share of the points that each is worth; null where an answer counts as a whole
 * @param other what a part is worth that is not among them
 */
public record ItemBody(List<ItemOption> options, List<ItemOption> targets, @Nullable Double tolerance, @Nullable Integer picture,
        @Nullable Map<String, Double> worth, @Nullable Double other) {
    public static final ItemBody NONE = new ItemBody(List.of(), List.of(), null, null, null, null);

    /** One of them. @param id what stands for it in an answer; @param picture in place of or beside the text */
    public record ItemOption(String id, String text, @Nullable Integer picture) {}

    // A body on record has only what it needs.
    @SuppressWarnings("ConstantValue")
    public ItemBody {
        options = options == null ? List.of() : options;
        targets = targets == null ? List.of() : targets;
    }

    /** With the parts of an answer worth so much. */
    ItemBody worth(Map<String, Double> parts, double otherwise) {
        return new ItemBody(options, targets, tolerance, picture, parts, otherwise);
    }
}
