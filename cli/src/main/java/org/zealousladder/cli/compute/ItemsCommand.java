package org.zealousladder.cli.compute;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.zealousladder.cli.compute.AnswerFile.AnswerRow;
import org.zealousladder.cli.rows.Problem;
import org.zealousladder.core.skills.ItemAnalysis;
import org.zealousladder.core.skills.ItemReason;
import org.zealousladder.server.exchange.records.csv.BadCsvException;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.json.JsonFactory;

/** How the items of a check do. Exit code 0, or 2 when the file or an option is wrong. */
@Command(name = "items", mixinStandardHelpOptions = true, sortOptions = false,
        description = {"How the items of a check do, from answers alone.",
                "ANSWERS: student,item,skill,points,possible,date[,answer]; of several answers to an item the latest counts."})
final class ItemsCommand extends Computation {
    @Parameters(paramLabel = "ANSWERS.csv")
    private Path answers;

    @Override
    public Integer call() throws IOException {
        requireFormat(List.of("json", "table"));
        List<Problem> problems = new ArrayList<>();
        Map<String, Map<String, AnswerRow>> byStudent = new TreeMap<>();
        Map<String, Double> items = new TreeMap<>();
        try {
            AnswerFile.each(answers, problems, a -> {
                byStudent.computeIfAbsent(a.student(), s -> new TreeMap<>()).merge(a.item(), a, (was, now) -> now.date().isBefore(was.date()) ? was : now);
                items.merge(a.item(), a.possible(), Math::max);
            });
        } catch (BadCsvException | IllegalArgumentException e) {
            throw wrong(e.getMessage());
        }
        boolean stop = Problems.stop(problems, skipBad);
        List<String> names = List.copyOf(items.keySet());
        ItemAnalysis analysis = analysis(byStudent, items);
        if (format.equals("json")) {
            json(stop ? null : analysis, names, byStudent.size(), problems);
        } else if (!stop) {
            table(analysis, names);
        }
        return stop ? 2 : 0;
    }

    private static ItemAnalysis analysis(Map<String, Map<String, AnswerRow>> byStudent, Map<String, Double> items) {
        List<String> names = List.copyOf(items.keySet());
        double[] possible = names.stream().mapToDouble(items::get).toArray();
        double[][] points = new double[byStudent.size()][names.size()];
        @Nullable
        String[][] given = new String[byStudent.size()][names.size()];
        int s = 0;
        for (Map<String, AnswerRow> own : byStudent.values()) {
            for (int i = 0; i < names.size(); i++) {
                AnswerRow a = own.get(names.get(i));
                points[s][i] = a == null ? Double.NaN : a.points() * possible[i] / a.possible();
                given[s][i] = a == null || a.answer().isEmpty() ? null : a.answer();
            }
            s++;
        }
        return new ItemAnalysis(points, possible, given);
    }

    private static void json(@Nullable ItemAnalysis analysis, List<String> names, int students, List<Problem> problems) throws IOException {
        try (OutputStream out = new BufferedOutputStream(System.out, 1 << 16);
                JsonGenerator json = JsonFactory.builder().build().createGenerator(tools.jackson.core.ObjectWriteContext.empty(), out)) {
            json.writeStartObject();
            if (analysis != null) {
                json.writeNumberProperty("n", students);
                json.writeNumberProperty("items", names.size());
                number(json, "alpha", analysis.alpha());
                number(json, "sem", analysis.sem());
                json.writeArrayPropertyStart("each");
                for (int i = 0; i < names.size(); i++) {
                    item(json, names.get(i), analysis.item(i));
                }
                json.writeEndArray();
            }
            Problems.write(json, problems);
            json.writeEndObject();
        }
    }

    private static void item(JsonGenerator json, String name, ItemAnalysis.Item item) {
        json.writeStartObject();
        json.writeStringProperty("item", name);
        json.writeNumberProperty("n", item.n());
        json.writeNumberProperty("shareRight", item.shareRight());
        number(json, "itemRest", item.itemRest());
        number(json, "upper", item.upper());
        number(json, "lower", item.lower());
        json.writeArrayPropertyStart("reasons");
        item.reasons().forEach(r -> json.writeString(r.code()));
        json.writeEndArray();
        json.writeEndObject();
    }

    private static void number(JsonGenerator json, String name, OptionalDouble value) {
        if (value.isPresent()) {
            json.writeNumberProperty(name, value.getAsDouble());
        } else {
            json.writeNullProperty(name);
        }
    }

    private static void table(ItemAnalysis analysis, List<String> names) {
        int wide = Math.max(4, names.stream().mapToInt(String::length).max().orElse(4));
        System.out.printf(Locale.ROOT, "%d students with every item, alpha %s, standard error of measurement %s%n", analysis.students(),
                shown(analysis.alpha()),
                shown(analysis.sem()));
        System.out.printf("%-" + wide + "s %5s %7s %10s %7s %7s  %s%n", "item", "n", "right", "item-rest", "upper", "lower", "look at it because");
        for (int i = 0; i < names.size(); i++) {
            ItemAnalysis.Item item = analysis.item(i);
            System.out.printf(Locale.ROOT, "%-" + wide + "s %5d %7.2f %10s %7s %7s  %s%n", names.get(i), item.n(), item.shareRight(), shown(item.itemRest()),
                    shown(item.upper()), shown(item.lower()), String.join(", ", item.reasons().stream().map(ItemReason::code).toList()));
        }
    }

    private static String shown(OptionalDouble value) {
        return value.isPresent() ? "%.2f".formatted(value.getAsDouble()) : "-";
    }
}
