package org.zealousladder.cli;

import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.criteria.MistakeException;
import org.zealousladder.server.overview.find.FindExport;
import org.zealousladder.server.overview.find.FindService;
import org.zealousladder.server.platform.downloads.CsvRows;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.school.roster.Who;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.json.JsonMapper;

/** Students for whom a criterion holds, on the database. */
@Command(name = "find", mixinStandardHelpOptions = true, description = {"Students for whom a criterion holds. docs/criteria.md has all that it can ask.", "",
        "  ./ladder find 'tier in Oral reading in winter is 3 and no running plan in Reading'",
        "  ./ladder find 'days absent are over 7' --columns 'class; days absent; share of days absent' --format json"},
        footer = {"", "Exit: 0 with whoever was found, also nobody; 2 where the criterion is not understood, and where."})
final class FindCommand implements Callable<Integer> {
    @Parameters(paramLabel = "CRITERION", description = "A sentence, like the one that the page Find shows.")
    private String criterion;

    @Option(names = "--as-of", paramLabel = "DATE", description = "As it was known on this day, like 2026-03-13 (default: today).")
    private String asOf;

    @Option(names = "--who", paramLabel = "WHO", description = "Among whom: class-12, grade-3-1, school-1, group-7, list-4 … (default: everybody).")
    private String who;

    @Option(names = "--columns", paramLabel = "COLUMNS",
            description = "What is told of each, between semicolons (default: the class, and what the criterion asks).")
    private String columns;

    @Option(names = "--format", defaultValue = "csv", description = "csv or json (default: csv).")
    private String format;

    @Option(names = "--cannot-tell", description = "Those for whom it cannot be told, instead of those found.")
    private boolean cannotTell;

    @Override
    public Integer call() {
        if (!format.equals("csv") && !format.equals("json")) {
            System.err.println("--format is csv or json, not " + format + ".");
            return 2;
        }
        LocalDate day;
        try {
            day = asOf == null ? null : LocalDate.parse(asOf);
        } catch (DateTimeParseException e) {
            System.err.println("--as-of wants a day like 2026-03-13, not " + asOf + ".");
            return 2;
        }
        return ServerParts.use(context -> {
            FindService find = context.getBean(FindService.class);
            LocalDate on = day == null ? context.getBean(SchoolCalendar.class).today() : day;
            String reading = criterion;
            try {
                FindService.Found found = find.find(criterion, who == null ? null : Who.parse(who), on);
                reading = columns == null ? criterion : columns;
                FindService.FoundTable table = find.table(found.text(), columns, cannotTell ? found.cannotTell() : found.found(), null, false, on);
                PrintStream out = new PrintStream(System.out, false, StandardCharsets.UTF_8);
                if (format.equals("json")) {
                    out.println(context.getBean(JsonMapper.class).writerWithDefaultPrettyPrinter().writeValueAsString(json(found, table, on)));
                } else {
                    out.print(csv(table));
                }
                out.flush();
                return 0;
            } catch (MistakeException e) {
                tell(reading, e.place().start(), e.place().end(), e.sentence(), e.expected());
                return 2;
            } catch (Refusal e) {
                System.err.println(e.getMessage());
                return 2;
            }
        });
    }

    private static String csv(FindService.FoundTable table) {
        return CsvRows.text(new FindExport(table, false)::csv);
    }

    private static Map<String, Object> json(FindService.Found found, FindService.FoundTable table, LocalDate on) {
        Map<String, Object> all = new LinkedHashMap<>();
        all.put("criterion", found.text());
        all.put("asOf", on.toString());
        all.put("found", found.found().size());
        all.put("cannotTell", found.cannotTell().size());
        all.put("columns", table.columns());
        List<Map<String, @Nullable Object>> students = new ArrayList<>();
        for (FindService.FoundRow row : table.rows()) {
            Map<String, @Nullable Object> one = new LinkedHashMap<>();
            one.put("student", row.student().code());
            one.put("name", row.student().ref().name());
            one.put("values", row.values());
            students.add(one);
        }
        all.put("students", students);
        return all;
    }

    /** The text, with what is wrong in it underlined. */
    private static void tell(String text, int start, int end, String sentence, List<String> expected) {
        String line = text.replaceAll("\\s", " ");
        System.err.println(line);
        System.err.println(" ".repeat(start) + "^".repeat(Math.max(1, end - start)));
        System.err.println(sentence);
        if (!expected.isEmpty()) {
            System.err.println("Expected: " + String.join(", ", expected.subList(0, Math.min(expected.size(), 12))) + (expected.size() > 12 ? ", …" : ""));
        }
    }
}
