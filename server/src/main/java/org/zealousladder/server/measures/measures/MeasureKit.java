package org.zealousladder.server.measures.measures;

import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.NamedCsvRecord;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/** Kinds of measures that schools use everywhere and that belong to nobody, to begin with. */
final class MeasureKit {
    private static final List<NewMeasure> ALL = read();

    private MeasureKit() {}

    static List<NewMeasure> all() {
        return ALL;
    }

    private static List<NewMeasure> read() {
        try (InputStream in = Objects.requireNonNull(MeasureKit.class.getResourceAsStream("/measures-kit.csv"));
                CsvReader<NamedCsvRecord> rows = CsvReader.builder().ofNamedCsvRecord(new InputStreamReader(in, StandardCharsets.UTF_8))) {
            List<NewMeasure> all = new ArrayList<>();
            Map<String, List<NewMeasure>> parts = new HashMap<>();
            rows.stream().forEach(
                    r -> (r.getField("part_of").isEmpty() ? all : parts.computeIfAbsent(r.getField("part_of"), w -> new ArrayList<>())).add(read(r, null)));
            return all.stream().map(m -> m.withParts(parts.get(m.code()))).toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static NewMeasure read(NamedCsvRecord r, @Nullable List<NewMeasure> parts) {
        return new NewMeasure(r.getField("code"), r.getField("name"), r.getField("kind"), r.getField("area"), r.getField("unit"),
                Double.parseDouble(r.getField("lowest")), Double.parseDouble(r.getField("highest")), Integer.parseInt(r.getField("decimals")),
                r.getField("better"), null, r.getField("about"), r.getField("adds_up").equals("yes"), parts);
    }
}
