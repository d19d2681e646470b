package org.zealousladder.cli.fit;

import java.io.OutputStream;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.zealousladder.cli.rows.Problem;
import org.zealousladder.core.growth.Pool;
import org.zealousladder.core.growth.SteadyPopulation;
import org.zealousladder.core.growth.Trend;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.json.JsonFactory;

/** JSON as docs/formats.md promises it; a field that does not apply is left out. */
final class JsonOutput implements FitOutput {
    private JsonGenerator json;
    private boolean pooled;

    @Override
    public void begin(FittedSeries.Options options, String method, Map<String, Pool> populations, OutputStream out) {
        open(out);
        pooled = options.together();
        json.writeStringProperty("asOf", options.asOf().toString());
        json.writeStringProperty("origin", options.origin().toString());
        json.writeStringProperty("method", method);
        if (populations.size() == 1) {
            json.writeObjectPropertyStart("population");
            population(populations.values().iterator().next());
            json.writeEndObject();
        } else if (populations.size() > 1) {
            json.writeArrayPropertyStart("populations");
            populations.forEach((measure, p) -> {
                json.writeStartObject();
                json.writeStringProperty("measure", measure);
                population(p);
                json.writeEndObject();
            });
            json.writeEndArray();
        }
        json.writeArrayPropertyStart("series");
    }

    private void population(Pool p) {
        json.writeNumberProperty("intercept", p.intercept());
        json.writeNumberProperty("slopePerWeek", p.slopePerWeek());
        json.writeNumberProperty("interceptSe", p.interceptSe());
        json.writeNumberProperty("slopeSe", p.slopeSe());
        json.writeNumberProperty("interceptSd", p.interceptSd());
        json.writeNumberProperty("slopeSd", p.slopeSd());
        json.writeNumberProperty("correlation", p.correlation());
        json.writeNumberProperty("residualSd", p.residualSd());
        json.writeNumberProperty("series", p.series());
        json.writeNumberProperty("scores", p.scores());
        if (p instanceof SteadyPopulation steady) {
            json.writeNumberProperty("autocorrelation", steady.autocorrelation());
            json.writeNumberProperty("weekSd", steady.weekSd());
            json.writeNumberProperty("bendSd", steady.bendSd());
            if (Double.isInfinite(steady.tailDf())) {
                json.writeNullProperty("tailDf");
            } else {
                json.writeNumberProperty("tailDf", steady.tailDf());
            }
        }
    }

    private void open(OutputStream out) {
        json = JsonFactory.builder().build().createGenerator(tools.jackson.core.ObjectWriteContext.empty(), out);
        json.writeStartObject();
    }

    @Override
    public void series(FittedSeries s) {
        json.writeStartObject();
        json.writeStringProperty("student", s.key().student());
        json.writeStringProperty("measure", s.key().measure());
        json.writeNumberProperty("n", s.n());
        json.writeStringProperty("state", s.trend() == null ? "too few" : "fitted");
        if (s.trend() != null) {
            trend(s, s.trend());
            json.writeObjectPropertyStart("latest");
            json.writeStringProperty("date", s.latest().toString());
            json.writeNumberProperty("level", s.latestLevel().value());
            json.writeNumberProperty("low", s.latestLevel().low());
            json.writeNumberProperty("high", s.latestLevel().high());
            json.writeEndObject();
        }
        if (s.trend() != null && s.trend().bounds() != null) {
            json.writeBooleanProperty("atBound", s.atBound());
        }
        json.writeArrayPropertyStart("outliers");
        for (LocalDate day : s.outliers()) {
            json.writeString(day.toString());
        }
        json.writeEndArray();
        if (s.goal() != null) {
            goal(s);
        }
        json.writeEndObject();
    }

    private void trend(FittedSeries s, Trend.Fitted t) {
        json.writeNumberProperty("intercept", t.intercept());
        json.writeNumberProperty("slopePerWeek", t.slope());
        json.writeNumberProperty("slopeSe", s.slopeSe());
        json.writeNumberProperty("slopeLow", t.slopeLow());
        json.writeNumberProperty("slopeHigh", t.slopeHigh());
        json.writeNumberProperty("residualSd", t.residualSd());
        json.writeNumberProperty("df", t.df());
        if (pooled) {
            json.writeStringProperty("fittedBy", s.fittedBy());
            json.writeNumberProperty("interceptSe", s.interceptSe());
            json.writeNumberProperty("leaning", t.shrinkage());
        }
    }

    private void goal(FittedSeries s) {
        json.writeObjectPropertyStart("goal");
        json.writeStringProperty("date", s.goal().goalDate().toString());
        json.writeNumberProperty("score", s.goal().goalScore());
        json.writeNumberProperty("neededPerWeek", s.line().neededPerWeek());
        if (s.projected() != null) {
            json.writeNumberProperty("projected", s.projected().value());
            json.writeNumberProperty("projectedLow", s.projected().low());
            json.writeNumberProperty("projectedHigh", s.projected().high());
            json.writeNumberProperty("chance", s.chance());
        }
        json.writeEndObject();
        json.writeObjectPropertyStart("decision");
        json.writeStringProperty("kind", s.decision().kind().code());
        json.writeStringProperty("rule", s.decision().rule().rule().code());
        json.writeStringProperty("reason", s.decision().reason());
        json.writeEndObject();
    }

    @Override
    public void end(List<Problem> problems) {
        json.writeEndArray();
        close(problems);
    }

    private void close(List<Problem> problems) {
        json.writeArrayPropertyStart("problems");
        for (Problem p : problems) {
            json.writeStartObject();
            json.writeNumberProperty("row", p.row());
            json.writeStringProperty("column", p.column());
            json.writeStringProperty("message", p.message());
            json.writeEndObject();
        }
        json.writeEndArray();
        json.writeEndObject();
        json.writeRaw('\n');
        json.flush();
    }

    @Override
    public void problemsOnly(List<Problem> problems, OutputStream out) {
        open(out);
        close(problems);
    }
}
