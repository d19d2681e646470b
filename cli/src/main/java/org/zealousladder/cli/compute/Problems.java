package org.zealousladder.cli.compute;

import java.util.List;
import org.zealousladder.cli.rows.Problem;
import tools.jackson.core.JsonGenerator;

/** Bad cells, as every command tells them. */
final class Problems {
    private Problems() {}

    /** Tells people of them. @return whether they stop the computation */
    static boolean stop(List<Problem> problems, boolean skip) {
        problems.forEach(p -> System.err.println("row " + p.row() + ", column " + p.column() + ": " + p.message()));
        if (problems.isEmpty() || skip) {
            return false;
        }
        System.err.println(problems.size() == 1 ? "1 bad cell; nothing was computed. Mend it, or use --skip-bad."
                : problems.size() + " bad cells; nothing was computed. Mend them, or use --skip-bad.");
        return true;
    }

    /** Nothing where there are none. */
    static void write(JsonGenerator json, List<Problem> problems) {
        if (problems.isEmpty()) {
            return;
        }
        json.writeArrayPropertyStart("problems");
        for (Problem p : problems) {
            json.writeStartObject();
            json.writeNumberProperty("row", p.row());
            json.writeStringProperty("column", p.column());
            json.writeStringProperty("message", p.message());
            json.writeEndObject();
        }
        json.writeEndArray();
    }
}
