package org.zealousladder.server.measures.ladders;

import java.util.Optional;
import org.springframework.stereotype.Component;
import org.zealousladder.server.measures.measures.RangeUse;
import org.zealousladder.server.measures.windows.Window;
import org.zealousladder.server.measures.windows.WindowUse;
import org.zealousladder.server.platform.words.Grades;

/** Cut scores keep their window, and the range of their measure. */
@Component
class LadderUse implements WindowUse, RangeUse {
    private final LaddersStore store;

    LadderUse(LaddersStore store) {
        this.store = store;
    }

    @Override
    public Optional<String> of(Window window) {
        long ladders = store.laddersOf(window.id());
        return ladders == 0 ? Optional.empty()
                : Optional.of("Cut scores are set for " + window.name() + " (" + ladders + (ladders == 1 ? " ladder" : " ladders") + ")");
    }

    @Override
    public Optional<Outside> outside(int measure, double lowest, double highest) {
        return store.cutOutside(measure, lowest, highest)
                .map(cut -> new Outside(cut.fromScore(), cut.name() + ", " + Grades.words(cut.grade()) + ", " + cut.window()));
    }
}
