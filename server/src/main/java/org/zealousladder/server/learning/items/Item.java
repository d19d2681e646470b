package org.zealousladder.server.learning.items;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * An item as it is asked.
 *
 * @param kind {@code elsewhere} for one of other people's checks
 * @param keys what answers to it are worth, the right ones first
 * @param skills which it asks for
 */
public record Item(int id, String code, @Nullable Integer schoolId, String kind, String prompt, ItemBody body, double possible, List<ItemKey> keys,
        List<Integer> skills) {
    /** @param answer as answers are compared; @param share of the points; @param shows the mistake that it shows */
    public record ItemKey(String answer, double share, @Nullable String shows) {}

    /** An answer as it was chosen: the words of an option, or as it was written. */
    public String said(String answer) {
        return body.options().stream().filter(o -> o.id().equals(answer) && !o.text().isBlank()).map(ItemBody.ItemOption::text).findFirst().orElse(answer);
    }

    /** How many answers it has to choose from, of which one is right; 0 where nothing can be guessed by choosing. */
    public int choices() {
        return kind.equals("choice") ? body.options().size() : 0;
    }
}
