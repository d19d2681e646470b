package org.zealousladder.cli.compute;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.zealousladder.core.calendar.SchoolDays;
import org.zealousladder.core.engagement.ClassWeeks;
import org.zealousladder.core.engagement.Engagement;
import org.zealousladder.core.engagement.EngagementRule;
import org.zealousladder.core.engagement.EngagementSettings;
import org.zealousladder.server.exchange.records.csv.BadCsvException;
import org.zealousladder.server.platform.files.Cells;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.json.JsonFactory;

/** Weeks of classes and students, and who is flagged by which rule. Exit code 0, or 2 when the files or options are wrong. */
@Command(name = "engagement", mixinStandardHelpOptions = true, sortOptions = false,
        description = {"Weeks of time and what the rules say of them, from files alone.", "ACTIVITY: student,class,date,kind,minutes  with ISO dates.",
                "CLOSED:   date,reason", "RULES:    {\"quiet\": {\"threshold\": 0.4, \"weeks\": 3}, \"dropped\": {\"on\": false}}"})
final class EngagementCommand extends Computation {
    @Parameters(paramLabel = "ACTIVITY.csv")
    private Path activity;

    @Option(names = "--calendar", paramLabel = "CLOSED.csv", description = "Days on which there was no school; otherwise every weekday is one.")
    private Path calendar;

    @Option(names = "--rules", paramLabel = "RULES.json", description = "Thresholds that are otherwise than usual.")
    private Path rules;

    @Option(names = "--as-of", paramLabel = "DATE", description = "Leave out later days (default: the latest in the file).")
    private String asOf;

    @Override
    public Integer call() throws IOException {
        requireFormat(List.of("json"));
        Activity read = new Activity();
        EngagementSettings settings;
        try {
            read.read(readable(activity));
            if (calendar != null) {
                read.readClosed(readable(calendar));
            }
            settings = rules == null ? EngagementSettings.standard() : RulesFile.read(readable(rules));
        } catch (BadCsvException | IllegalArgumentException e) {
            throw wrong(e.getMessage());
        }
        boolean stop = Problems.stop(read.problems, skipBad);
        LocalDate last = asOf != null ? day(asOf) : read.empty() ? LocalDate.EPOCH : read.latest();
        try (OutputStream out = new BufferedOutputStream(System.out, 1 << 16);
                JsonGenerator json = JsonFactory.builder().build().createGenerator(tools.jackson.core.ObjectWriteContext.empty(), out)) {
            json.writeStartObject();
            if (!stop) {
                json.writeStringProperty("asOf", last.toString());
                write(json, read, settings, last);
            }
            Problems.write(json, read.problems);
            json.writeEndObject();
        }
        return stop ? 2 : 0;
    }

    /** A class's students by name, with their weeks from the file's first on. */
    private record Weeks(String name, List<String> students, List<double[]> minutes, List<Engagement.Seen> seen, ClassWeeks of) {}

    private static void write(JsonGenerator json, Activity read, EngagementSettings settings, LocalDate asOf) {
        boolean none = read.empty() || read.earliest().isAfter(asOf);
        LocalDate first = none ? Activity.monday(asOf) : Activity.monday(read.earliest());
        int n = none ? 0 : (int) ChronoUnit.WEEKS.between(first, Activity.monday(asOf)) + 1;
        SchoolDays days = read.days();
        List<Weeks> classes = new ArrayList<>();
        if (n > 0) {
            read.classes().forEach((name, students) -> classes.add(weeks(name, students, first, closed(days, first, n, asOf), asOf)));
        }
        json.writeArrayPropertyStart("weeks");
        for (int w = 0; w < n; w++) {
            for (Weeks c : classes) {
                json.writeStartObject();
                json.writeStringProperty("week", first.plusWeeks(w).toString());
                json.writeStringProperty("class", c.name());
                json.writeNumberProperty("median", c.of().median(w));
                json.writeBooleanProperty("still", c.of().still(w));
                json.writeEndObject();
            }
        }
        json.writeEndArray();
        json.writeArrayPropertyStart("students");
        for (Weeks c : classes) {
            Engagement engagement = new Engagement(c.of(), first, days, asOf, settings);
            for (int i = 0; i < c.students().size(); i++) {
                student(json, c, i, engagement.judge(i, c.seen().get(i)), settings);
            }
        }
        json.writeEndArray();
    }

    /** Which weeks had no school day, up to the day that is asked for. */
    private static boolean[] closed(SchoolDays days, LocalDate first, int n, LocalDate asOf) {
        boolean[] closed = new boolean[n];
        for (int w = 0; w < n; w++) {
            LocalDate next = first.plusWeeks(w + 1L);
            closed[w] = days.count(first.plusWeeks(w), next.isAfter(asOf) ? asOf.plusDays(1) : next) == 0;
        }
        return closed;
    }

    private static Weeks weeks(String name, Map<String, TreeMap<LocalDate, Double>> students, LocalDate first, boolean[] closed, LocalDate asOf) {
        List<double[]> minutes = new ArrayList<>();
        List<Engagement.Seen> seen = new ArrayList<>();
        students.values().forEach(days -> {
            double[] weeks = new double[closed.length];
            LocalDate last = null;
            for (Map.Entry<LocalDate, Double> d : days.headMap(asOf, true).entrySet()) {
                weeks[(int) ChronoUnit.WEEKS.between(first, d.getKey())] += d.getValue();
                last = d.getValue() > 0 ? d.getKey() : last;
            }
            minutes.add(weeks);
            seen.add(new Engagement.Seen(days.firstKey().isAfter(asOf) ? null : days.firstKey(), last));
        });
        return new Weeks(name, List.copyOf(students.keySet()), minutes, seen, new ClassWeeks(minutes, closed));
    }

    private static void student(JsonGenerator json, Weeks c, int i, Engagement.Judged judged, EngagementSettings settings) {
        json.writeStartObject();
        json.writeStringProperty("student", c.students().get(i));
        json.writeStringProperty("class", c.name());
        json.writeArrayPropertyStart("weeks");
        for (double m : c.minutes().get(i)) {
            json.writeNumber(m);
        }
        json.writeEndArray();
        json.writeArrayPropertyStart("flags");
        for (Engagement.Flag f : judged.flags()) {
            json.writeStartObject();
            json.writeStringProperty("rule", f.rule().code());
            json.writeNumberProperty("actual", f.actual());
            json.writeNumberProperty("threshold", f.threshold());
            json.writeStringProperty("since", f.since().toString());
            json.writeEndObject();
        }
        json.writeEndArray();
        json.writeArrayPropertyStart("cannotTell");
        for (EngagementRule r : judged.cannotTell()) {
            json.writeString(r.code());
        }
        // An activity file says nothing of work and marks.
        for (EngagementRule r : List.of(EngagementRule.WORK_NOT_IN, EngagementRule.LOW_MARKS)) {
            if (settings.on(r)) {
                json.writeString(r.code());
            }
        }
        json.writeEndArray();
        json.writeEndObject();
    }

    private LocalDate day(String text) {
        try {
            return Cells.date(text);
        } catch (IllegalArgumentException e) {
            throw wrong("--as-of: " + e.getMessage());
        }
    }
}
