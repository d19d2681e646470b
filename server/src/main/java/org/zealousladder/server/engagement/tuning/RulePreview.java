package org.zealousladder.server.engagement.tuning;

import java.time.LocalDate;
import java.util.List;
import org.zealousladder.server.school.roster.StudentRef;

/** Who would be flagged by a rule, and who no longer, on today's records and on those of a month ago. */
record RulePreview(String words, OnDay today, OnDay before) {

    /** @param students of whom anything is on record; @param flagged as it is; @param would as it would be */
    record OnDay(LocalDate day, int students, int flagged, int would, List<StudentRef> added, List<StudentRef> removed) {}
}
