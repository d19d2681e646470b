package org.zealousladder.server.learning.packages;

import static org.zealousladder.server.platform.files.SafeXml.child;
import static org.zealousladder.server.platform.files.SafeXml.children;
import static org.zealousladder.server.platform.files.SafeXml.text;
import static org.zealousladder.server.platform.files.SafeXml.within;

import java.util.List;
import java.util.Map;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.w3c.dom.Element;
import org.zealousladder.server.learning.items.ItemForm;

/**
 * One item in the form of QTI 3.0 (1EdTech, Question and Test Interoperability 3.0, Assessment, Section and Item information model), as it can be asked here: a
 * choice, several, a short text or number, pairs, an order or a text; scored by {@code match_correct} or {@code map_response}. Anything else is said and left.
 */
final class QtiItem {
    /** What stands in an item and cannot be shown here. */
    private static final Map<String, String> NOT_SHOWN = Map.of("object", "It has a moving picture, sound or a program in it", "video", "It has a film in it",
            "audio", "It has sound in it", "math", "It has formulas in it", "svg", "It has a drawing in it", "iframe", "It shows another page",
            "qti-template-block", "It is made anew for each student", "qti-include", "It is put together of other files");
    private static final Map<String, String> OTHER_WAYS = Map.ofEntries(Map.entry("qti-hotspot-interaction", "a spot on a picture is clicked"),
            Map.entry("qti-hottext-interaction", "words in a text are clicked"),
            Map.entry("qti-gap-match-interaction", "gaps in a text are filled by dragging"),
            Map.entry("qti-inline-choice-interaction", "a word is chosen within a sentence"), Map.entry("qti-slider-interaction", "a slider is moved"),
            Map.entry("qti-drawing-interaction", "something is drawn"), Map.entry("qti-upload-interaction", "a file is handed in"),
            Map.entry("qti-media-interaction", "a film or sound is played"), Map.entry("qti-associate-interaction", "pairs are made among all"),
            Map.entry("qti-graphic-order-interaction", "spots on a picture are put in order"),
            Map.entry("qti-graphic-gap-match-interaction", "pictures are dragged onto a picture"),
            Map.entry("qti-graphic-associate-interaction", "spots on a picture are joined"),
            Map.entry("qti-select-point-interaction", "a point on a picture is chosen"),
            Map.entry("qti-position-object-interaction", "a picture is put in its place"),
            Map.entry("qti-custom-interaction", "it needs a program of its maker's"),
            Map.entry("qti-portable-custom-interaction", "it needs a program of its maker's"));

    private QtiItem() {}

    /** It cannot be asked here: why, in words. */
    static final class Unsupported extends Exception {
        private static final long serialVersionUID = 1L;

        Unsupported(String why) {
            super(why);
        }
    }

    /**
     * An item that can be asked here.
     *
     * @param notices what of it is left out
     */
    record Read(ItemForm form, List<String> notices) {}

    /**
     * Reads an item.
     *
     * @param picture keeps a picture that the item names, and gives its number; null where there is none of that name
     */
    static Read read(Element item, @Nullable Integer school, List<Integer> skills, Function<Shown, @Nullable Integer> picture) throws Unsupported {
        if (item.getLocalName().equals("assessmentItem")) {
            throw new Unsupported("It is in QTI 2; only QTI 3.0 is read.");
        }
        if (item.getAttribute("adaptive").equals("true")) {
            throw new Unsupported("It changes with what is answered (adaptive).");
        }
        if (!children(item, "qti-template-declaration").isEmpty()) {
            throw new Unsupported("It is made anew for each student (by a template).");
        }
        if (!children(item, "qti-assessment-stimulus-ref").isEmpty()) {
            throw new Unsupported("It belongs to a text that stands in a file of its own.");
        }
        Element body = child(item, "qti-item-body").orElseThrow(() -> new Unsupported("It asks nothing."));
        for (Element e : within(body)) {
            String why = NOT_SHOWN.get(e.getLocalName());
            if (why != null) {
                throw new Unsupported(why + ".");
            }
        }
        List<Element> ways = within(body).stream().filter(e -> e.getLocalName().endsWith("-interaction")).toList();
        if (ways.isEmpty()) {
            throw new Unsupported("It asks nothing.");
        }
        String way = ways.get(0).getLocalName();
        if (OTHER_WAYS.containsKey(way)) {
            throw new Unsupported("It is answered in a way that is not had here: " + OTHER_WAYS.get(way) + ".");
        }
        if (ways.size() > 1) {
            throw new Unsupported("It asks " + ways.size() + " things at once.");
        }
        return new QtiReading(item, body, ways.get(0), picture).read(school, skills);
    }

    /** A picture in an item. @param place where it lies, beside the item's own file */
    record Shown(String place, String words) {}
}
