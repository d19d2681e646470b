package org.zealousladder.server.exchange.records.matching;

import java.util.List;
import org.jspecify.annotations.Nullable;

/** What people have said of tables before. */
public interface Remembered {
    /** What was said last of a table with these headings; null when nothing was. */
    @Nullable
    Matching of(List<String> headings);
}
