package org.zealousladder.core.criteria;

import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.Coded;
import org.zealousladder.core.criteria.Asked.Named;
import org.zealousladder.core.criteria.Asked.OneOf;
import org.zealousladder.core.criteria.Asked.YesNo;
import org.zealousladder.core.criteria.When.Kind;

/**
 * Everything that a criterion can ask of a student. What each means, and when it cannot be told, stands in docs/criteria.md; a test holds that page
 * against this list.
 */
public enum Term implements Coded {
    CLASS("class", Lead.WHOSE, null, new Named(Noun.CLASS)),
    GRADE("grade", Lead.WHOSE, null, number()),
    SCHOOL("school", Lead.WHOSE, null, new Named(Noun.SCHOOL)),
    TEACHING_GROUP("teaching group", Lead.WHOSE, null, new Named(Noun.TEACHING_GROUP)),
    SMALL_GROUP("small group", Lead.WHOSE, null, new Named(Noun.SMALL_GROUP)),
    SUPPORT("support", Lead.WHOSE, null, new Named(Noun.SUPPORT)),
    GROUPING("grouping", Lead.WHOSE, Noun.GROUPING, new Named(Noun.GROUPING_VALUE)),
    ENROLLED("enrolled", Lead.WHO_WERE, null, new YesNo(), Kind.SPAN),
    ON_LIST("on the list", Lead.WHO_ARE, Noun.LIST, new YesNo()),

    SCORE("score", Lead.WHOSE, Noun.MEASURE, number(), Kind.WINDOW, Kind.SPAN, Kind.LAST_SCORES),
    GAIN("gain", Lead.WHOSE, Noun.MEASURE, number(), Kind.STEP, Kind.SPAN),
    PERCENTILE("percentile", Lead.WHOSE, Noun.MEASURE, number(), Kind.WINDOW),
    BAND("band", Lead.WHOSE, Noun.MEASURE, new Named(Noun.BAND), Kind.WINDOW),
    TIER("tier", Lead.WHOSE, Noun.AREA_OR_MEASURE, number(), Kind.WINDOW),
    SCREENED("screened", Lead.WHO_WERE, Noun.AREA_OR_MEASURE, new YesNo(), Kind.WINDOW),
    SCREENING("screening result", Lead.WHOSE, Noun.MEASURE, new OneOf(List.of("scored", "absent", "exempt", "invalid", "missing")), Kind.WINDOW),
    CLOSE_CALL("close call", Lead.WHO_HAVE, Noun.MEASURE, new YesNo(), Kind.WINDOW),

    IMPROVEMENT("rate of improvement", Lead.WHOSE, Noun.MEASURE, number()),
    CHANCE("chance of the goal", Lead.WHOSE, Noun.MEASURE, new Asked.Number(true)),
    DECISION_DUE("decision due", Lead.WHO_HAVE, Noun.MEASURE, new YesNo()),
    PROPOSAL("proposal", Lead.WHOSE, Noun.MEASURE,
            new OneOf(List.of("hold course", "raise the goal", "change the plan", "too soon to tell", "goal met", "goal not met"))),
    GOAL("goal", Lead.WHO_HAVE, Noun.MEASURE, new YesNo()),
    RUNNING_PLAN("running plan", Lead.WHO_HAVE, Noun.AREA_OR_MEASURE, new YesNo()),
    PLAN("plan", Lead.WHO_HAVE, Noun.AREA_OR_MEASURE, new YesNo(), Kind.SPAN),
    STRATEGY("strategy", Lead.WHOSE, Noun.AREA_OR_MEASURE, new Named(Noun.STRATEGY)),
    SESSIONS("share of sessions given", Lead.WHOSE, Noun.AREA_OR_MEASURE, new Asked.Number(true)),
    CONCERN("concern", Lead.WHOSE, Noun.AREA, new OneOf(List.of("keep an eye on", "needs help", "needs much help"))),

    DAYS_ABSENT("days absent", Lead.WHOSE, null, number(), Kind.SPAN),
    SHARE_ABSENT("share of days absent", Lead.WHOSE, null, new Asked.Number(true), Kind.SPAN),
    DAYS_LATE("days late", Lead.WHOSE, null, number(), Kind.SPAN),
    MINUTES("minutes of activity", Lead.WHOSE, null, number(), Kind.SPAN),
    ENGAGEMENT("engagement flag", Lead.WHOSE, null, new OneOf(List.of("quiet", "not seen", "dropped", "work not in", "low marks", "often absent"))),
    WORK_NOT_IN("pieces of work not in", Lead.WHOSE, null, number(), Kind.SPAN),
    SHARE_OF_POINTS("share of points", Lead.WHOSE, null, new Asked.Number(true), Kind.SPAN),
    CONTACT("contact with home", Lead.WHO_HAVE, null, new YesNo(), Kind.SPAN),

    SKILL("skill", Lead.WHOSE, Noun.SKILL, new OneOf(List.of("secure", "shaky", "not yet", "too few answers", "not tried"))),
    SKILLS_NOT_YET("skills not yet", Lead.WHOSE, Noun.AREA, number()),
    SKILLS_SECURE("skills secure", Lead.WHOSE, Noun.AREA, number());

    /** How a sentence leads to the term. */
    public enum Lead {
        WHOSE("whose", "", ""),
        WHO_HAVE("who have", "a", "no"),
        WHO_ARE("who are", "", "not"),
        WHO_WERE("who were", "", "not");

        private final String words;
        private final String article;
        private final String negation;

        Lead(String words, String article, String negation) {
            this.words = words;
            this.article = article;
            this.negation = negation;
        }

        public String words() {
            return words;
        }

        String article() {
            return article;
        }

        /** The word that turns it round: who have <i>no</i> goal. */
        String negation() {
            return negation;
        }
    }

    private final String words;
    private final Lead lead;
    private final @Nullable Noun about;
    private final Asked asked;
    private final Set<Kind> times;

    Term(String words, Lead lead, @Nullable Noun about, Asked asked, Kind... times) {
        this.words = words;
        this.lead = lead;
        this.about = about;
        this.asked = asked;
        this.times = times.length == 0 ? EnumSet.noneOf(Kind.class) : EnumSet.copyOf(List.of(times));
    }

    private static Asked number() {
        return new Asked.Number(false);
    }

    /** As it is written. */
    public String words() {
        return words;
    }

    /** Other words for it that are understood too. */
    public List<String> alsoWritten() {
        return switch (this) {
            case SCORE -> List.of("scores");
            case IMPROVEMENT -> List.of("growth per week", "gain per week");
            case CONTACT -> List.of("contact home", "contact");
            case DECISION_DUE -> List.of("decisions due");
            case ENROLLED -> List.of("joined");
            case SESSIONS -> List.of("sessions given");
            case SHARE_ABSENT -> List.of("share absent");
            case WORK_NOT_IN -> List.of("work not in");
            default -> List.of();
        };
    }

    public Lead lead() {
        return lead;
    }

    /** More than one, so that "are" is said of it. */
    boolean plural() {
        return words.startsWith("days ") || words.startsWith("minutes ") || words.startsWith("pieces ") || words.startsWith("skills ");
    }

    /** What it asks the name of; null where it asks none. */
    public @Nullable Noun about() {
        return about;
    }

    /** Whether it must be said what it is about. */
    public boolean needsAbout() {
        return switch (this) {
            case DECISION_DUE, GOAL, RUNNING_PLAN, PLAN, STRATEGY, SESSIONS, CONCERN, SKILLS_NOT_YET, SKILLS_SECURE -> false;
            default -> about != null;
        };
    }

    public Asked asked() {
        return asked;
    }

    public Set<Kind> times() {
        return times;
    }

    /** Whether several values can hold at once, so that it is asked whether one of them is meant. */
    public boolean several() {
        return switch (this) {
            case TEACHING_GROUP, SMALL_GROUP, SUPPORT, GROUPING, STRATEGY, ENGAGEMENT, PROPOSAL, CONCERN -> true;
            default -> false;
        };
    }
}
