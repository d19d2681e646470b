package org.zealousladder.server.overview.prints;

import java.util.Set;
import java.util.TreeSet;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import org.zealousladder.core.Coded;

/** A fixed wording of printed pages, in English. A school may give each in one more language; what stands in curly brackets is put in. */
public enum Phrase implements Coded {
    HEADING_HOME("How {name} is getting on"),
    HEADING_MEETING("{name}, for the meeting"),
    CLASS_LINE("{class}, grade {grade}. As of {day}."),
    CLASS_LINE_KG("{class}, kindergarten. As of {day}."),
    NOW("Now"),
    NOW_TREND("{measure}: {trend}"),
    NOW_TIER("In {area}: tier {tier}, {window} {year}."),
    NOW_SKILLS("{n} skills secure, {other} not yet."),
    NOW_REACHED("Home last reached on {day}."),
    NOW_NOT_REACHED("Home not reached this year."),
    FACTS("About the student"),
    BIRTHDAY("Born on {day}."),
    SCORES("Scores"),
    SCORE_LINE("{score} on {day} ({unit})."),
    MORE("That is {n} more than on {day}."),
    LESS("That is {n} less than on {day}."),
    SAME("That is the same as on {day}."),
    GOAL_LINE("The goal is {goal} by {day}."),
    GAINING("Gaining {n} a week."),
    LOSING("Losing {n} a week."),
    CHANCE("Chance of reaching the goal: {n} %."),
    BAND_LINE("{window}: {score}, {band}."),
    CHART("{measure}: {n} scores, from {first} on {from} to {last} on {to}."),
    PERCENTILES("Beside the grade"),
    PERCENTILE_LINE("{measure}, {window}: of 100 children of the grade, about {n} score lower."),
    TIERS("Tiers"),
    TIER_LINE("{area}, {window} {year}: tier {tier}."),
    CONCERNS("Concerns"),
    CONCERN_ONE("{area}: keep an eye on, since {day}."),
    CONCERN_TWO("{area}: needs help, since {day}."),
    CONCERN_THREE("{area}: needs much help, since {day}."),
    PLANS("What we do"),
    PLAN_LINE("{strategy}, {times} times a week since {day}."),
    PLAN_PAST("{strategy}, {times} times a week, {from} to {to}."),
    PLAN_CHART("{measure} during the plan, and before: {n} scores, from {first} on {from} to {last} on {to}; a line where the plan began or changed."),
    PLAN_GIVEN("{given} of {planned} sessions were held."),
    SKILLS("Skills"),
    CAN("Can do: {skills}."),
    LEARNING("Still learning: {skills}."),
    DAYS("Days at school"),
    DAYS_LINE("Absent on {n} of {of} school days this year."),
    LATE_LINE("Late on {n} days."),
    TIME("Practice"),
    TIME_LINE("{n} minutes in the last four weeks, on {days} days."),
    WORK("Work"),
    WORK_LINE("{in} of {due} pieces of work handed in this year."),
    CONTACTS("Calls and letters"),
    CALL("Call"),
    TALK("Talk"),
    LETTER("Letter"),
    MAIL("Mail"),
    NOT_REACHED("nobody reached"),
    DECISIONS("Decisions"),
    HOLD("Hold course"),
    RAISE("Raise the goal"),
    PLAN_CHANGED("Change the plan"),
    SET_ASIDE("Set aside"),
    AGREED("What we agree"),
    SIGNATURES("Signatures"),
    SIGN_HOME("Parent or guardian"),
    SIGN_TEACHER("Teacher"),
    SIGN_DATE("Day"),
    NOTHING("Nothing is on record yet.");

    private static final Pattern FIELD = Pattern.compile("\\{([a-z]+)}");

    private final String english;

    Phrase(String english) {
        this.english = english;
    }

    String english() {
        return english;
    }

    /** What stands in curly brackets. */
    static Set<String> fields(String words) {
        Set<String> all = new TreeSet<>();
        FIELD.matcher(words).results().map((MatchResult m) -> m.group(1)).forEach(all::add);
        return all;
    }
}
