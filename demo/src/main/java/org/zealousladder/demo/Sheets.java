package org.zealousladder.demo;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** The files being written, in the order in which they refer to each other. */
final class Sheets implements AutoCloseable {
    private static final int ROWS_PER_FILE = 1_000_000;
    private static final Map<String, String[]> HEADERS = new LinkedHashMap<>();

    static {
        HEADERS.put("schools", new String[] {"school", "name"});
        HEADERS.put("years", new String[] {"year", "starts", "ends"});
        HEADERS.put("calendar", new String[] {"days", "called", "first", "last"});
        HEADERS.put("measures",
                new String[] {"measure", "title", "kind", "area", "unit", "lowest", "highest", "decimals", "better", "sem", "rule", "part_of", "adds_up"});
        HEADERS.put("windows", new String[] {"year", "window", "opens", "closes"});
        HEADERS.put("cut-sets", new String[] {"set", "set_title", "set_kind", "school", "note", "counts"});
        HEADERS.put("cuts", new String[] {"measure", "grade", "year", "window", "band", "tier", "from_score", "set"});
        HEADERS.put("norms", new String[] {"norm_set", "measure", "grade", "window", "percentile", "score", "rests_on"});
        HEADERS.put("norm-growth", new String[] {"norm_set", "measure", "grade", "percentile", "growth_per_week", "rests_on"});
        HEADERS.put("classes", new String[] {"class", "school", "year", "name", "grade"});
        HEADERS.put("students", new String[] {"student", "given_name", "family_name", "preferred_name", "birthday"});
        HEADERS.put("groupings", new String[] {"grouping", "name", "school", "sensitive"});
        HEADERS.put("grouped", new String[] {"student", "grouping", "value", "from", "to"});
        HEADERS.put("people-at-home",
                new String[] {"student", "name", "relation", "phone", "email", "language", "reach_by", "reach_when", "no_writing", "own"});
        HEADERS.put("enrolments", new String[] {"student", "class", "from", "to"});
        HEADERS.put("people", new String[] {"login", "person", "role", "school", "email"});
        HEADERS.put("teaches", new String[] {"login", "class"});
        HEADERS.put("timetable", new String[] {"weekday", "lesson_starts", "lesson_ends", "subject", "class", "group", "room", "from", "to"});
        HEADERS.put("caseloads", new String[] {"caseload_of", "student", "from", "to"});
        HEADERS.put("scores", new String[] {"student", "measure", "date", "score", "status", "form"});
        HEADERS.put("tiers", new String[] {"student", "area", "year", "window", "tier", "decided", "reason"});
        HEADERS.put("goals", new String[] {"student", "measure", "start_date", "start_score", "goal_date", "goal_score"});
        HEADERS.put("passages", new String[] {"passage", "title", "text", "grade", "school"});
        HEADERS.put("passage-questions", new String[] {"passage", "number", "question_kind", "question", "points"});
        HEADERS.put("readings", new String[] {"student", "passage", "read_on", "seconds", "limit_seconds", "last_word", "retelling", "level", "note"});
        HEADERS.put("reading-marks", new String[] {"student", "passage", "read_on", "number", "word", "mark", "at_seconds"});
        HEADERS.put("concerns", new String[] {"student", "area", "level", "since", "note"});
        HEADERS.put("plans",
                new String[] {"student", "measure", "starts", "ends", "worry", "strategy", "per_week", "minutes", "leader", "place", "success", "group"});
        HEADERS.put("plan-phases", new String[] {"student", "measure", "starts", "strategy", "per_week", "minutes", "leader", "place", "reason"});
        HEADERS.put("sessions", new String[] {"student", "measure", "held_on", "given"});
        HEADERS.put("plan-changes", new String[] {"student", "measure", "changed_on", "change"});
        HEADERS.put("attendance", new String[] {"student", "date", "status", "reason"});
        HEADERS.put("activity", new String[] {"student", "date", "time", "kind", "minutes", "actions", "program", "book", "chapter", "page"});
        HEADERS.put("work", new String[] {"work", "class", "title", "subject", "work_kind", "due", "possible", "skill", "link"});
        HEADERS.put("work-results",
                new String[] {"student", "work", "attempt", "handed_in", "points", "of_points", "seconds", "work_state", "because", "work_link"});
        HEADERS.put("contacts", new String[] {"student", "date", "way", "whom", "name", "reached", "words", "look_again_on", "by"});
        HEADERS.put("frameworks", new String[] {"framework", "framework_name", "of_school", "source"});
        HEADERS.put("skills", new String[] {"framework", "skill", "skill_name", "area", "domain", "grade", "place", "seen_reading"});
        HEADERS.put("skill-grounds", new String[] {"rests_on", "skill"});
        HEADERS.put("skill-advice", new String[] {"framework", "domain", "standing", "advice", "of_school"});
        HEADERS.put("small-groups", new String[] {"student", "class", "set_of_groups", "sat_at", "on_day", "leader", "lasts"});
        HEADERS.put("taught", new String[] {"class", "skill", "from"});
        HEADERS.put("items", new String[] {"item", "prompt", "item_kind", "choices", "possible", "of_school"});
        HEADERS.put("item-skills", new String[] {"item", "skill"});
        HEADERS.put("item-answers", new String[] {"item", "answer", "worth", "shows"});
        HEADERS.put("checks", new String[] {"check_code", "check_name", "of_school", "taken"});
        HEADERS.put("check-items", new String[] {"check_code", "item", "place"});
        HEADERS.put("answers", new String[] {"student", "item", "date", "points", "answer", "check_code", "seconds"});
    }

    private final Path folder;
    private final Map<String, CsvWriter> writers = new LinkedHashMap<>();
    private final Map<String, Integer> rows = new LinkedHashMap<>();
    private final List<Path> files = new ArrayList<>();

    Sheets(Path folder) {
        this.folder = folder;
    }

    /** With an address made of the sign-in name. */
    void person(String login, String name, String role, String school) throws IOException {
        row("people", login, name, role, school, login + "@skerrow.example");
    }

    /** Columns that are not given are left empty. */
    void row(String sheet, @Nullable Object... cells) throws IOException {
        String[] texts = new String[java.util.Objects.requireNonNull(HEADERS.get(sheet)).length];
        for (int i = 0; i < texts.length; i++) {
            Object cell = i < cells.length ? cells[i] : null;
            texts[i] = cell == null ? "" : cell.toString();
        }
        int n = rows.merge(sheet, 1, Integer::sum) - 1;
        String part = n < ROWS_PER_FILE ? sheet : sheet + "-" + (n / ROWS_PER_FILE + 1);
        CsvWriter writer = writers.get(part);
        if (writer == null) {
            Path file = folder.resolve(part + ".csv");
            files.add(file);
            writer = CsvWriter.builder().build(file);
            writers.put(part, writer);
            writer.writeRecord(HEADERS.get(sheet));
        }
        writer.writeRecord(texts);
    }

    /** Files in the order of {@link #HEADERS}. */
    List<Path> files() {
        List<String> order = List.copyOf(HEADERS.keySet());
        return files.stream().sorted(java.util.Comparator.<Path>comparingInt(f -> order.indexOf(sheetOf(f)))
                .thenComparing(f -> f.getFileName().toString())).toList();
    }

    private static String sheetOf(Path file) {
        return file.getFileName().toString().replaceFirst("(-\\d+)?\\.csv$", "");
    }

    @Override
    public void close() throws IOException {
        for (CsvWriter writer : writers.values()) {
            writer.close();
        }
    }
}
