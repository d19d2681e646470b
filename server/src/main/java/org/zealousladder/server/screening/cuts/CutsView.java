package org.zealousladder.server.screening.cuts;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.server.measures.ladders.CutSet;
import org.zealousladder.server.measures.ladders.DrawnLadder;
import org.zealousladder.server.measures.measures.MeasureRef;
import org.zealousladder.server.measures.windows.Window;

/**
 * The ladders of one measure in one year, of all sets side by side.
 *
 * @param set the one looked at closely
 * @param school the school whose choice of set is shown
 * @param counts the set by which the school's scores are read
 * @param mayChange whether the viewer may change this set
 * @param mayChoose whether the viewer may say which set counts
 */
public record CutsView(MeasureRef measure, List<Window> windows, List<Integer> grades, List<CutSet> sets, int set, int counts, int school,
        boolean mayChange, boolean mayChoose, List<DrawnLadder> ladders, @Nullable Double sem) {}
