package org.zealousladder.server.learning.items;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertThrows;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.zealousladder.server.learning.items.Item.ItemKey;
import org.zealousladder.server.learning.items.ItemBody.ItemOption;
import org.zealousladder.server.platform.problems.Refusal;

/** Items as they are kept, whoever wrote them. */
class ItemFormTest {
    private static final List<ItemOption> THREE = List.of(new ItemOption("A", "cork", null), new ItemOption("B", "stone", null), new ItemOption("C", "", 4));

    private static ItemForm form(String kind, List<ItemOption> options, List<ItemOption> targets, ItemKey... keys) {
        return new ItemForm(1, kind, " Which? ", new ItemBody(options, targets, null, null, null, null), 1, List.of(keys), List.of(3, 3));
    }

    @Test
    void answersAreKeptInOneForm() {
        ItemForm ready = form("choices", THREE, List.of(), new ItemKey(" C | a", 1, " "), new ItemKey("", 1, null)).ready();
        assertEquals(List.of(new ItemKey("a|c", 1, null)), ready.keys());
        assertEquals("Which?", ready.prompt());
        assertEquals(List.of(3), ready.skills());
        assertEquals("the flow", ItemForm.plain("text", "  The \u00a0 FLOW "));
        assertEquals("b 1|a 2", ItemForm.plain("order", "b 1|a 2"));
        assertEquals("a 2|b 1", ItemForm.plain("match", "b 1 | a 2"));
    }

    @Test
    void severalChoicesEarnByPartsAndChoosingAllEarnsNothing() {
        ItemForm ready = form("choices", THREE, List.of(), new ItemKey("a|c", 1, null)).ready();
        assertEquals(Map.of("a", 0.5, "c", 0.5), ready.body().worth());
        assertEquals(-0.5, ready.body().other());
        ItemForm match = form("match", THREE, List.of(new ItemOption("1", "x", null), new ItemOption("2", "y", null)), new ItemKey("a 1|b 2|c 1", 1, null))
                .ready();
        assertEquals(0, match.body().other());
        assertNull(form("choice", THREE, List.of(), new ItemKey("a", 1, null)).ready().body().worth());
    }

    @Test
    void whatBelongsToAnotherKindIsNotKept() {
        ItemForm text = form("text", THREE, THREE, new ItemKey("flow", 1, null)).ready();
        assertEquals(List.of(), text.body().options());
        assertEquals(List.of(), text.body().targets());
    }

    @Test
    void whatIsMissingIsSaid() {
        assertEquals("Two of them have the same letter.", refused(form("choice", List.of(THREE.get(0), THREE.get(0)), List.of(), new ItemKey("a", 1, null))));
        assertEquals("One of them is empty: write it, or take it out.",
                refused(form("choice", List.of(THREE.get(0), new ItemOption("B", " ", null)), List.of(), new ItemKey("a", 1, null))));
        assertEquals("The same answer stands there twice.",
                refused(form("text", List.of(), List.of(), new ItemKey("Ebb", 1, null), new ItemKey("ebb ", 0, null))));
        assertEquals("What an answer is worth is a share of the points, from 0 to 1.",
                refused(form("text", List.of(), List.of(), new ItemKey("a", 1, null), new ItemKey("b", 1.5, null))));
        assertEquals("The right answer is not among those to choose from.",
                refused(form("match", THREE, List.of(new ItemOption("1", "x", null), new ItemOption("2", "y", null)), new ItemKey("a 3", 1, null))));
        assertEquals("The points of an item are more than 0 and at most 1000.",
                refused(new ItemForm(1, "text", "x", ItemBody.NONE, Double.NaN, List.of(new ItemKey("a", 1, null)), List.of())));
    }

    private static String refused(ItemForm form) {
        return assertThrows(Refusal.class, form::ready).getMessage();
    }
}
