package org.zealousladder.demo;

import java.io.IOException;
import java.util.List;

/** The week of a class. */
final class Timetable {
    private static final List<String> DAYS = List.of("monday", "tuesday", "wednesday", "thursday", "friday");
    private static final List<String> STARTS = List.of("8:30", "9:20", "10:30", "11:20", "13:00");
    private static final List<String> ENDS = List.of("9:15", "10:05", "11:15", "12:05", "13:45");
    private static final List<List<String>> SUBJECTS = List.of(List.of("Reading", "Maths", "Writing", "Nature", "Music"),
            List.of("Maths", "Reading", "Sports", "Sports", "Writing"), List.of("Reading", "Maths", "Art", "Art", "Reading"),
            List.of("Maths", "Reading", "Writing", "Music", "Nature"), List.of("Reading", "Writing", "Maths", "Nature", ""));

    private Timetable() {}

    /** @param room where everything is but sports */
    static void write(Sheets sheets, String classCode, String room) throws IOException {
        for (int d = 0; d < DAYS.size(); d++) {
            for (int l = 0; l < STARTS.size(); l++) {
                String subject = SUBJECTS.get(d).get(l);
                if (!subject.isEmpty()) {
                    sheets.row("timetable", DAYS.get(d), STARTS.get(l), ENDS.get(l), subject, classCode, "", subject.equals("Sports") ? "Hall" : room,
                            Calendar.THIS_START, Calendar.THIS_END);
                }
            }
        }
    }
}
