package org.zealousladder.server.learning.checks;

import java.util.Collection;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import org.zealousladder.core.scores.FormName;
import org.zealousladder.core.scores.ScoreStatus;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.scores.scores.Score;
import org.zealousladder.server.scores.scores.ScoreEntry;
import org.zealousladder.server.scores.scores.ScoresService;

/**
 * What checks earn becomes scores of the measures that they feed. A sitting is done whether or not its score can be kept (its window may be closed): why not is
 * said beside it.
 */
@Service
public class Feeding {
    private final ChecksStore store;
    private final ScoresService scores;
    private final MeasuresService measures;
    private final TransactionTemplate transaction;

    Feeding(ChecksStore store, ScoresService scores, MeasuresService measures, PlatformTransactionManager transactions) {
        this.store = store;
        this.scores = scores;
        this.measures = measures;
        this.transaction = new TransactionTemplate(transactions);
    }

    /** Once what was done is on record. */
    public void feed(Collection<Long> sittings) {
        for (long sitting : sittings) {
            try {
                transaction.executeWithoutResult(t -> feed(sitting));
            } catch (Refusal refused) {
                String why = java.util.Objects.requireNonNullElse(refused.getMessage(), "refused");
                transaction.executeWithoutResult(t -> store.note(sitting, why.length() > 500 ? why.substring(0, 500) : why));
            }
        }
    }

    private void feed(long sitting) {
        ChecksStore.Earned e = store.earned(sitting).orElse(null);
        if (e == null || e.last() == null) {
            return;
        }
        if (e.waiting() > 0) {
            store.note(sitting, e.waiting() == 1 ? "An answer waits to be decided." : e.waiting() + " answers wait to be decided.");
            return;
        }
        Measure measure = measures.measure(e.measureId());
        double unit = Math.pow(10, measure.decimals());
        double value = Math.rint((e.feeds().equals("share") ? 100 * e.points() / e.possible() : e.points()) * unit) / unit;
        Score there = scores.ofStudent(e.student(), e.last()).stream()
                .filter(s -> s.measureId() == measure.id() && s.takenOn().equals(e.last()) && s.status() == ScoreStatus.SCORED).findFirst().orElse(null);
        ScoreEntry entry = ScoreEntry.of(e.student(), measure.id(), e.last(), value, ScoreStatus.SCORED).sure(true).named(FormName.shortened(e.name()));
        if (there == null) {
            scores.enter(entry);
        } else if (there.value() == null || there.value() != value) {
            scores.correct(there.id(), entry.because("answers of a check were put right"));
        }
        store.note(sitting, null);
    }
}
