package org.zealousladder.core.criteria;

import java.util.List;

/** A text is not understood from somewhere on. */
public final class MistakeException extends RuntimeException {
    private static final long serialVersionUID = 1;

    private final String sentence;
    private final transient Place place;
    private final transient List<String> expected;

    /**
     * @param sentence what is wrong and how it is put right
     * @param expected what could stand there instead
     */
    public MistakeException(Place place, String sentence, List<String> expected) {
        super(sentence);
        this.sentence = sentence;
        this.place = place;
        this.expected = List.copyOf(expected);
    }

    /** What is wrong and how it is put right. */
    public String sentence() {
        return sentence;
    }

    public Place place() {
        return place;
    }

    public List<String> expected() {
        return expected;
    }
}
