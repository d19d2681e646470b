package org.zealousladder.cli.compute;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.zealousladder.core.skills.ClassSkill;
import org.zealousladder.core.skills.SkillSettings;
import org.zealousladder.core.skills.SkillStanding;
import org.zealousladder.core.skills.SkillState;
import org.zealousladder.core.skills.SkillTally;
import org.zealousladder.server.exchange.records.csv.BadCsvException;
import org.zealousladder.server.platform.files.Cells;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.StreamWriteFeature;
import tools.jackson.core.json.JsonFactory;

/** Who has which skill. Exit code 0, or 2 when the file or an option is wrong. */
@Command(name = "skills", mixinStandardHelpOptions = true, sortOptions = false,
        description = {"Who has which skill, from answers alone.",
                "ANSWERS: student,item,skill,points,possible,date[,answer]  with ISO dates; an item of several skills has a row for each."})
final class SkillsCommand extends Computation {
    @Parameters(paramLabel = "ANSWERS.csv")
    private Path answers;

    @Option(names = "--standard", paramLabel = "SHARE", defaultValue = "0.7", description = "Share of right answers that is having it (default 0.7).")
    private double standard;

    @Option(names = "--sureness", paramLabel = "SHARE", defaultValue = "0.75", description = "How sure one has to be to say so (default 0.75).")
    private double sureness;

    @Option(names = "--half-life", paramLabel = "DAYS", defaultValue = "90", description = "Days after which an answer counts half (default 90).")
    private double halfLife;

    @Option(names = "--as-of", paramLabel = "DATE", description = "Leave out later days (default: the latest in the file).")
    private String asOf;

    private record Skill(String name, int place, ClassSkill of) {}

    @Override
    public Integer call() throws IOException {
        requireFormat(List.of("json", "table"));
        SkillSettings settings;
        Answers read;
        try {
            settings = new SkillSettings(standard, sureness, halfLife);
            read = new Answers(halfLife, asOf == null ? null : Cells.date(asOf));
            read.read(answers);
        } catch (BadCsvException | IllegalArgumentException e) {
            throw wrong(e.getMessage());
        }
        boolean stop = Problems.stop(read.problems, skipBad);
        if (format.equals("table")) {
            if (!stop) {
                table(read, settings);
            }
        } else {
            json(read, settings, stop);
        }
        return stop ? 2 : 0;
    }

    private static List<Skill> skills(Answers read, double[][] chances, SkillSettings settings) {
        List<Skill> all = new ArrayList<>();
        read.skills.forEach((name, place) -> {
            List<SkillState> states = new ArrayList<>(read.students.size());
            read.students.values().forEach(s -> {
                SkillTally tally = read.of(s, place);
                states.add(tally == null ? SkillState.NOT_TRIED : standing(tally, chances[s][place], settings).state());
            });
            all.add(new Skill(name, place, ClassSkill.of(states)));
        });
        all.sort(Comparator.comparing(Skill::of, ClassSkill.MOST_SECURE_FIRST).thenComparing(Skill::name));
        return all;
    }

    private static SkillStanding standing(SkillTally tally, double chance, SkillSettings settings) {
        return SkillStanding.of(tally.answers(), tally.right(), chance, settings.sureness());
    }

    private static void json(Answers read, SkillSettings settings, boolean stop) throws IOException {
        try (OutputStream out = new BufferedOutputStream(System.out, 1 << 16);
                JsonGenerator json = JsonFactory.builder().enable(StreamWriteFeature.USE_FAST_DOUBLE_WRITER).build()
                        .createGenerator(tools.jackson.core.ObjectWriteContext.empty(), out)) {
            json.writeStartObject();
            if (!stop) {
                write(json, read, settings);
            }
            Problems.write(json, read.problems);
            json.writeEndObject();
        }
    }

    private static void write(JsonGenerator json, Answers read, SkillSettings settings) {
        json.writeStringProperty("asOf", read.day().toString());
        double[][] chances = read.chances(settings);
        List<Skill> skills = skills(read, chances, settings);
        json.writeArrayPropertyStart("skills");
        for (Skill s : skills) {
            json.writeStartObject();
            json.writeStringProperty("skill", s.name());
            json.writeNumberProperty("tried", s.of().tried());
            json.writeNumberProperty("secure", s.of().secure());
            json.writeNumberProperty("shaky", s.of().shaky());
            json.writeNumberProperty("notYet", s.of().notYet());
            json.writeNumberProperty("tooFew", s.of().tooFew());
            s.of().share().ifPresent(share -> {
                json.writeNumberProperty("shareSecure", share.value());
                json.writeNumberProperty("low", share.low());
                json.writeNumberProperty("high", share.high());
            });
            json.writeEndObject();
        }
        json.writeEndArray();
        json.writeArrayPropertyStart("students");
        read.students.entrySet().stream().sorted(Map.Entry.comparingByKey()).forEach(student -> {
            for (Skill s : skills) {
                SkillTally tally = read.of(student.getValue(), s.place());
                if (tally != null) {
                    student(json, student.getKey(), s.name(), standing(tally, chances[student.getValue()][s.place()], settings));
                }
            }
        });
        json.writeEndArray();
    }

    private static void student(JsonGenerator json, String student, String skill, SkillStanding s) {
        json.writeStartObject();
        json.writeStringProperty("student", student);
        json.writeStringProperty("skill", skill);
        json.writeStringProperty("state", s.state().code());
        json.writeNumberProperty("n", s.answers());
        json.writeNumberProperty("right", s.right());
        json.writeNumberProperty("chance", s.chance());
        json.writeEndObject();
    }

    private static void table(Answers read, SkillSettings settings) {
        List<Skill> skills = skills(read, read.chances(settings), settings);
        int wide = Math.max(5, skills.stream().mapToInt(s -> s.name().length()).max().orElse(5));
        String line = "%-" + wide + "s %6s %7s %6s %8s %8s %14s%n";
        System.out.printf(line, "skill", "tried", "secure", "shaky", "not yet", "too few", "share secure");
        skills.forEach(s -> System.out.printf(Locale.ROOT, line, s.name(), s.of().tried(), s.of().secure(), s.of().shaky(), s.of().notYet(), s.of().tooFew(),
                s.of().share().map(i -> "%.0f %% (%.0f-%.0f)".formatted(100 * i.value(), 100 * i.low(), 100 * i.high())).orElse("")));
    }
}
