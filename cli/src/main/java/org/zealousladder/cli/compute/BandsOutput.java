package org.zealousladder.cli.compute;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.zealousladder.cli.rows.Problem;
import org.zealousladder.core.bands.BandLadder;
import org.zealousladder.core.bands.Standing;
import org.zealousladder.core.bands.TrueScores;
import org.zealousladder.core.tiers.TierProposal;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.json.JsonFactory;

/** What is said of bands and tiers, for scripts and for people. */
final class BandsOutput {
    private BandsOutput() {}

    record OfMeasure(String name, int n, TrueScores.Measured measured, BandLadder ladder, double weight) {
        /** In score units, assumed or not. */
        double error() {
            return measured.sd() * Math.sqrt(1 - measured.reliability());
        }
    }

    /** @param one place of the measure named first */
    record Pair(int one, int other, int n, double correlation, boolean assumed) {}

    record OfScore(OfMeasure measure, double score) {
        Standing standing() {
            return measure.ladder().standing(score, measure.measured());
        }

        TrueScores truth() {
            return TrueScores.of(score, measure.measured());
        }
    }

    record OfStudent(String student, List<OfScore> scores, TierProposal tier) {}

    /** @param measures null: nothing was computed */
    static void json(@Nullable List<OfMeasure> measures, List<Pair> pairs, List<OfStudent> students, List<Problem> problems) throws IOException {
        try (OutputStream out = new BufferedOutputStream(System.out, 1 << 16);
                JsonGenerator json = JsonFactory.builder().build().createGenerator(tools.jackson.core.ObjectWriteContext.empty(), out)) {
            json.writeStartObject();
            if (measures != null) {
                json.writeArrayPropertyStart("measures");
                measures.forEach(m -> measure(json, m));
                json.writeEndArray();
                json.writeArrayPropertyStart("correlations");
                pairs.forEach(p -> pair(json, p, measures));
                json.writeEndArray();
                json.writeArrayPropertyStart("students");
                students.forEach(s -> student(json, s));
                json.writeEndArray();
            }
            Problems.write(json, problems);
            json.writeEndObject();
        }
    }

    private static void measure(JsonGenerator json, OfMeasure m) {
        json.writeStartObject();
        json.writeStringProperty("measure", m.name());
        json.writeNumberProperty("n", m.n());
        json.writeNumberProperty("mean", m.measured().mean());
        json.writeNumberProperty("sd", m.measured().sd());
        json.writeNumberProperty("sem", m.error());
        json.writeNumberProperty("reliability", m.measured().reliability());
        json.writeBooleanProperty("assumed", m.measured().assumed());
        numbers(json, "cuts", m.ladder().cuts());
        json.writeEndObject();
    }

    private static void pair(JsonGenerator json, Pair p, List<OfMeasure> measures) {
        json.writeStartObject();
        json.writeStringProperty("one", measures.get(p.one()).name());
        json.writeStringProperty("other", measures.get(p.other()).name());
        json.writeNumberProperty("n", p.n());
        json.writeNumberProperty("correlation", p.correlation());
        json.writeBooleanProperty("assumed", p.assumed());
        json.writeEndObject();
    }

    private static void student(JsonGenerator json, OfStudent s) {
        json.writeStartObject();
        json.writeStringProperty("student", s.student());
        json.writeArrayPropertyStart("scores");
        s.scores().forEach(x -> score(json, x));
        json.writeEndArray();
        if (s.tier() instanceof TierProposal.Proposed p) {
            json.writeNumberProperty("tier", p.tier());
            json.writeNumberProperty("certainty", p.certainty().orElseThrow());
            json.writeBooleanProperty("closeCall", p.closeCall());
            json.writeArrayPropertyStart("chances");
            p.chances().forEach(c -> {
                json.writeStartObject();
                json.writeNumberProperty("tier", c.tier());
                json.writeNumberProperty("chance", c.chance());
                json.writeEndObject();
            });
            json.writeEndArray();
            json.writeStringProperty("reason", p.reason());
        }
        json.writeEndObject();
    }

    private static void score(JsonGenerator json, OfScore x) {
        Standing s = x.standing();
        json.writeStartObject();
        json.writeStringProperty("measure", x.measure().name());
        json.writeNumberProperty("score", x.score());
        json.writeNumberProperty("band", s.index() + 1);
        json.writeNumberProperty("tier", s.band().tier());
        json.writeNumberProperty("certainty", s.certainty().orElseThrow());
        json.writeBooleanProperty("closeCall", s.closeCall());
        json.writeNumberProperty("trueScore", x.truth().mean(0));
        json.writeNumberProperty("trueSd", x.truth().sd(0));
        numbers(json, "chances", x.measure().ladder().chances(x.truth().mean(0), x.truth().sd(0)));
        json.writeEndObject();
    }

    private static void numbers(JsonGenerator json, String name, double[] values) {
        json.writeArrayPropertyStart(name);
        for (double v : values) {
            json.writeNumber(v);
        }
        json.writeEndArray();
    }

    static void table(List<OfMeasure> measures, List<OfStudent> students) {
        for (OfMeasure m : measures) {
            System.out.printf(Locale.ROOT, "%s: %d scores, mean %.1f, spread %.1f, error %.2f (reliability %.2f%s)%n", m.name(), m.n(), m.measured().mean(),
                    m.measured().sd(), m.error(), m.measured().reliability(), m.measured().assumed() ? ", assumed" : "");
        }
        int wide = students.stream().mapToInt(s -> s.student().length()).max().orElse(7);
        for (OfStudent s : students) {
            System.out.printf(Locale.ROOT, "%-" + Math.max(7, wide) + "s", s.student());
            for (OfScore x : s.scores()) {
                System.out.printf(Locale.ROOT, "  %s %.4g: band %d, %.0f %% sure", x.measure().name(), x.score(), x.standing().index() + 1,
                        100 * x.standing().certainty().orElseThrow());
            }
            if (measures.size() > 1 && s.tier() instanceof TierProposal.Proposed p) {
                System.out.printf(Locale.ROOT, "; tier %d, %.0f %% sure", p.tier(), 100 * p.certainty().orElseThrow());
            }
            System.out.println();
        }
    }
}
