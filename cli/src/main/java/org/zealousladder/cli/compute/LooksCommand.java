package org.zealousladder.cli.compute;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import org.zealousladder.core.calibration.Looks;
import org.zealousladder.core.calibration.Looks.Told;
import org.zealousladder.core.calibration.World;
import org.zealousladder.core.decisions.Rule;
import org.zealousladder.core.decisions.RuleSettings;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.json.JsonFactory;

/** What looking again and again comes to. Exit code 0, or 2 when an option is wrong. */
@Command(name = "looks", mixinStandardHelpOptions = true, sortOptions = false,
        description = {"From which chances on the chance rule proposes something at each look, and what that comes to in made-up classes.", "",
                "JSON: weeks every students changeAtMost raiseAtLeast minimumScores minimumWeeks, looks [scores week share changeAtMost "
                        + "raiseAtLeast], simulated {world classes seed, wouldMeet and wouldMiss {n change raise after}}: how many of those who would "
                        + "meet their goal, or miss it, were told at some time to change the plan or to raise the goal, and after how many scores "
                        + "they were first told to change it (the mean; null: nobody was). 'simulated' is left out with --classes 0."})
final class LooksCommand extends Computation {
    @Option(names = "--weeks", defaultValue = "20", description = "Weeks from the first score to the goal date (default 20).")
    private int weeks;

    @Option(names = "--every", defaultValue = "1", description = "Weeks from one score to the next (default 1).")
    private int every;

    @Option(names = "--students", defaultValue = "12", description = "Students followed in a class (default 12).")
    private int students;

    @Option(names = "--change-at-most", defaultValue = "0.25", description = "Chance to change the plan at, once all scores are in (default 0.25).")
    private double changeAtMost;

    @Option(names = "--raise-at-least", defaultValue = "0.75", description = "Chance to raise the goal at, once all scores are in (default 0.75).")
    private double raiseAtLeast;

    @Option(names = "--minimum-scores", defaultValue = "6", description = "Fewest scores before anything is proposed (default 6).")
    private int minimumScores;

    @Option(names = "--minimum-weeks", defaultValue = "4", description = "Fewest weeks before anything is proposed (default 4).")
    private double minimumWeeks;

    @Option(names = "--world", defaultValue = "independent",
            description = "How scores lie about each student's course: independent (default), autocorrelation 0.3, "
                    + "autocorrelation 0.5, t with 3 df, shared weeks, flattening, spread grows, floor, ceiling or whole numbers.")
    private String world;

    @Option(names = "--classes", defaultValue = "100", description = "Made-up classes (default 100; 0: only the thresholds).")
    private int classes;

    @Option(names = "--seed", paramLabel = "N", defaultValue = "1", description = "The same seed has the same answer (default 1).")
    private long seed;

    @Override
    public Integer call() throws IOException {
        requireFormat(List.of("json", "table"));
        if (classes < 0 || weeks > 200 || students > 500) {
            throw wrong("classes are counted from 0; a period has at most 200 weeks and a class at most 500 students");
        }
        Looks looks;
        try {
            looks = new Looks(world(), students, weeks, every, new RuleSettings(Rule.CHANCE, 4, changeAtMost, raiseAtLeast, minimumScores, minimumWeeks));
        } catch (IllegalArgumentException e) {
            throw wrong(e.getMessage());
        }
        Looks.Outcome outcome = classes == 0 ? null : looks.simulate(classes, seed);
        if (format.equals("json")) {
            json(looks, outcome);
        } else {
            table(looks, outcome);
        }
        return 0;
    }

    private World world() {
        return World.all().stream().filter(w -> w.name().equals(world)).findFirst().orElseThrow(() -> new IllegalArgumentException(
                "'" + world + "' is not a world; use " + World.all().stream().map(World::name).collect(Collectors.joining(", "))));
    }

    private void json(Looks looks, Looks.Outcome outcome) throws IOException {
        try (OutputStream out = new BufferedOutputStream(System.out, 1 << 16);
                JsonGenerator json = JsonFactory.builder().build().createGenerator(tools.jackson.core.ObjectWriteContext.empty(), out)) {
            json.writeStartObject();
            json.writeNumberProperty("weeks", weeks);
            json.writeNumberProperty("every", every);
            json.writeNumberProperty("students", students);
            json.writeNumberProperty("changeAtMost", changeAtMost);
            json.writeNumberProperty("raiseAtLeast", raiseAtLeast);
            json.writeNumberProperty("minimumScores", minimumScores);
            json.writeNumberProperty("minimumWeeks", minimumWeeks);
            json.writeArrayPropertyStart("looks");
            for (Looks.Look l : looks.all()) {
                json.writeStartObject();
                json.writeNumberProperty("scores", l.scores());
                json.writeNumberProperty("week", l.week());
                json.writeNumberProperty("share", l.share());
                json.writeNumberProperty("changeAtMost", l.changeAtMost());
                json.writeNumberProperty("raiseAtLeast", l.raiseAtLeast());
                json.writeEndObject();
            }
            json.writeEndArray();
            if (outcome != null) {
                json.writeObjectPropertyStart("simulated");
                json.writeStringProperty("world", world);
                json.writeNumberProperty("classes", classes);
                json.writeNumberProperty("seed", seed);
                told(json, "wouldMeet", outcome.wouldMeet());
                told(json, "wouldMiss", outcome.wouldMiss());
                json.writeEndObject();
            }
            json.writeEndObject();
        }
    }

    private static void told(JsonGenerator json, String name, Told told) {
        json.writeObjectPropertyStart(name);
        json.writeNumberProperty("n", told.n());
        json.writeNumberProperty("change", told.change());
        json.writeNumberProperty("raise", told.raise());
        if (Double.isNaN(told.after())) {
            json.writeNullProperty("after");
        } else {
            json.writeNumberProperty("after", told.after());
        }
        json.writeEndObject();
    }

    private void table(Looks looks, Looks.Outcome outcome) {
        System.out.println("scores  week  share  change at most  raise at least");
        looks.all().forEach(l -> System.out.printf(Locale.ROOT, "%6d  %4d  %4.0f %%  %12.1f %%  %12.1f %%%n", l.scores(), l.week(), 100 * l.share(),
                100 * l.changeAtMost(), 100 * l.raiseAtLeast()));
        if (outcome != null) {
            System.out.println("In " + classes + " made-up classes (" + world + "):");
            line("who would meet their goal", outcome.wouldMeet());
            line("who would miss it", outcome.wouldMiss());
        }
    }

    private static void line(String who, Told told) {
        System.out.printf(Locale.ROOT, "of %d %s, %d are told at some time to change the plan (%.1f of six) and %d to raise the goal (%.1f of six)%n", told.n(),
                who, told.change(), 6.0 * told.change() / told.n(), told.raise(), 6.0 * told.raise() / told.n());
    }
}
