package org.zealousladder.cli.compute;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.zealousladder.core.groups.GroupTask;
import org.zealousladder.core.groups.GroupTask.Pair;
import org.zealousladder.core.groups.GroupTask.Weights;
import org.zealousladder.core.groups.Grouper;
import org.zealousladder.core.groups.Proposal;
import org.zealousladder.server.exchange.records.csv.BadCsvException;
import org.zealousladder.server.platform.files.Cells;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.json.JsonFactory;

/** Small groups of a like need. Exit code 0, or 2 when a file or an option is wrong, or the locks contradict. */
@Command(name = "groups", mixinStandardHelpOptions = true, sortOptions = false,
        description = {"Small groups of a like need, fresh as far as that goes, from files alone.",
                "STUDENTS: student and any columns of numbers, the need; each column counts alike.",
                "PAIRS:    a,b,date  who worked together when"})
final class GroupsCommand extends Computation {
    private static final Pattern SIZE = Pattern.compile("(\\d{1,4})(?:-(\\d{1,4}))?");

    @Parameters(paramLabel = "STUDENTS.csv")
    private Path students;

    @Option(names = "--history", paramLabel = "PAIRS.csv", description = "Who worked together; the later, the less they should again.")
    private Path history;

    @Option(names = "--size", paramLabel = "N-M", defaultValue = "3-6", description = "Fewest and most in a group (default 3-6).")
    private String size;

    @Option(names = "--together", paramLabel = "A+B", description = "Two who are kept together. Repeatable.")
    private List<String> together = List.of();

    @Option(names = "--apart", paramLabel = "A+B", description = "Two who are kept apart. Repeatable.")
    private List<String> apart = List.of();

    @Option(names = "--stay", paramLabel = "A=GROUP", description = "Somebody who stays in a group, by its number from 1. Repeatable.")
    private List<String> stay = List.of();

    @Option(names = "--fresh", paramLabel = "WEIGHT", description = "What meeting again weighs (default 0.5; 0: nothing).")
    private Double fresh;

    @Option(names = "--as-of", paramLabel = "DATE", description = "From which day weeks are counted back (default: the latest in PAIRS).")
    private String asOf;

    @Option(names = "--seed", paramLabel = "N", defaultValue = "1", description = "The same seed has the same answer (default 1).")
    private long seed;

    @Override
    public Integer call() throws IOException {
        requireFormat(List.of("json", "table"));
        Needs read = new Needs();
        try {
            read.read(readable(students));
            if (history != null) {
                read.readHistory(readable(history));
            }
            boolean stop = Problems.stop(read.problems, skipBad);
            List<String> names = List.copyOf(read.students.keySet());
            Proposal proposal = stop ? null : Grouper.propose(task(read), seed, names::get);
            if (format.equals("json")) {
                json(proposal, names, read);
            } else if (proposal != null) {
                table(proposal, names);
            }
            return stop ? 2 : 0;
        } catch (BadCsvException | IllegalArgumentException e) {
            throw wrong(e.getMessage());
        }
    }

    private GroupTask task(Needs read) {
        Matcher m = SIZE.matcher(size.strip());
        if (!m.matches()) {
            throw new IllegalArgumentException("--size: '" + size + "' is not a size; write 4 or 4-5");
        }
        int least = Integer.parseInt(m.group(1));
        int most = m.group(2) == null ? least : Integer.parseInt(m.group(2));
        double weight = fresh == null ? Weights.USUAL.fresh() : fresh;
        if (!(weight >= 0 && weight <= 1000)) {
            throw new IllegalArgumentException("--fresh: a weight is a number from 0 on, such as 0.5");
        }
        Map<Integer, Integer> stays = new TreeMap<>();
        for (String s : stay) {
            int at = s.lastIndexOf('=');
            if (at < 0 || !s.substring(at + 1).strip().matches("\\d{1,4}")) {
                throw new IllegalArgumentException("--stay: '" + s + "' is not a student and a group; write A=1");
            }
            stays.put(student(read, s.substring(0, at)), Integer.parseInt(s.substring(at + 1).strip()) - 1);
        }
        return new GroupTask(read.need(), read.met(asOf == null ? null : Cells.date(asOf)), least, most, 0, pairs(read, "--together", together),
                pairs(read, "--apart", apart),
                stays, new Weights(Weights.USUAL.need(), weight, Weights.USUAL.size()));
    }

    private static List<Pair> pairs(Needs read, String option, List<String> texts) {
        List<Pair> all = new ArrayList<>();
        for (String text : texts) {
            int at = text.indexOf('+');
            if (at < 0) {
                throw new IllegalArgumentException(option + ": '" + text + "' is not two students; write A+B");
            }
            Pair pair = new Pair(student(read, text.substring(0, at)), student(read, text.substring(at + 1)));
            if (pair.a() == pair.b()) {
                throw new IllegalArgumentException(option + ": '" + text + "' is one student twice");
            }
            all.add(pair);
        }
        return all;
    }

    private static int student(Needs read, String name) {
        Integer place = read.students.get(name.strip());
        if (place == null) {
            throw new IllegalArgumentException("'" + name.strip() + "' is not among the students");
        }
        return place;
    }

    private static void json(@Nullable Proposal p, List<String> names, Needs read) throws IOException {
        try (OutputStream out = new BufferedOutputStream(System.out, 1 << 16);
                JsonGenerator json = JsonFactory.builder().build().createGenerator(tools.jackson.core.ObjectWriteContext.empty(), out)) {
            json.writeStartObject();
            if (p != null) {
                write(json, p, names);
            }
            Problems.write(json, read.problems);
            json.writeEndObject();
        }
    }

    private static void write(JsonGenerator json, Proposal p, List<String> names) {
        json.writeArrayPropertyStart("groups");
        for (List<Integer> group : p.groups()) {
            json.writeStartArray();
            group.forEach(s -> json.writeString(names.get(s)));
            json.writeEndArray();
        }
        json.writeEndArray();
        json.writeObjectPropertyStart("cost");
        json.writeNumberProperty("need", p.cost().need());
        json.writeNumberProperty("fresh", p.cost().fresh());
        json.writeNumberProperty("size", p.cost().size());
        json.writeNumberProperty("total", p.cost().total());
        json.writeEndObject();
        json.writeArrayPropertyStart("meetAgain");
        p.again().forEach(m -> {
            json.writeStartArray();
            json.writeString(names.get(m.a()));
            json.writeString(names.get(m.b()));
            json.writeNumber(m.weeks());
            json.writeEndArray();
        });
        json.writeEndArray();
        json.writeNumberProperty("tries", p.tries());
    }

    private static void table(Proposal p, List<String> names) {
        for (int g = 0; g < p.groups().size(); g++) {
            System.out.println((g + 1) + ": " + String.join(", ", p.groups().get(g).stream().map(names::get).toList()));
        }
        System.out.printf(Locale.ROOT, "cost %.3f: need %.3f, meeting again %.3f, sizes %.3f; %d tries found nothing better%n", p.cost().total(),
                p.cost().need(),
                p.cost().fresh(), p.cost().size(), p.tries());
        p.again().forEach(m -> System.out.printf(Locale.ROOT, "%s and %s meet again after %.1f weeks%n", names.get(m.a()), names.get(m.b()), m.weeks()));
    }
}
