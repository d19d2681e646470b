package org.zealousladder.server.school.facts;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What is kept of one student, as it was known on a day. The name is the one of that day; lists everywhere show the one of today, since that is what somebody is called.
 *
 * @param preferredName what the student is called instead of the given name
 * @param years how old on the day
 * @param mayChange whether the viewer may change them
 * @param groupings that the student can be put into
 */
public record StudentFacts(String givenName, String familyName, @Nullable String preferredName, @Nullable LocalDate birthday, @Nullable Integer years,
        List<Grouped> grouped, List<AtHome> home, boolean mayChange, List<Grouping> groupings) {}
