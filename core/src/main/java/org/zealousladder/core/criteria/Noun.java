package org.zealousladder.core.criteria;

/** What can be named in a criterion. */
public enum Noun {
    MEASURE("a measure"),
    /** An area, like Reading, or one measure. */
    AREA_OR_MEASURE("an area or a measure"),
    AREA("an area"),
    SKILL("a skill"),
    /** What students are grouped by, like the language spoken at home. */
    GROUPING("what students are grouped by"),
    GROUPING_VALUE("one of its values"),
    LIST("a kept list"),
    CLASS("a class"),
    SCHOOL("a school"),
    TEACHING_GROUP("a teaching group"),
    SMALL_GROUP("a small group"),
    SUPPORT("a support"),
    BAND("a band"),
    STRATEGY("a strategy"),
    WINDOW("a screening window"),
    YEAR("a school year");

    private final String words;

    Noun(String words) {
        this.words = words;
    }

    /** With its article, for sentences about mistakes. */
    public String words() {
        return words;
    }
}
