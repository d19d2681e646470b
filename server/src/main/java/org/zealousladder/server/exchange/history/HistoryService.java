package org.zealousladder.server.exchange.history;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.platform.audit.Audit;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.platform.words.Words;

/** Searches what is on record, a page at a time. */
@Service
class HistoryService {
    private static final int PAGE = 100;

    private final HistoryStore store;
    private final SchoolCalendar calendar;

    HistoryService(HistoryStore store, SchoolCalendar calendar) {
        this.store = store;
        this.calendar = calendar;
    }

    /** @throws Refusal 403 for whoever is no administrator */
    @Transactional(readOnly = true)
    public HistoryView search(Audit.@Nullable Kind kind, @Nullable String words, @Nullable LocalDate from, @Nullable LocalDate to, @Nullable Instant beforeAt,
            @Nullable Long before) {
        Viewer.administrator("Who looked at what is for administrators to search.");
        if (from != null && to != null && to.isBefore(from)) {
            throw Refusal.invalid("to", "The last day is before the first one.");
        }
        ZoneId zone = calendar.zone();
        String plain = Words.orNull(words);
        List<HistoryView.HistoryEntry> rows = store.search(new HistoryStore.Search(kind, plain == null ? null : plain.toLowerCase(Locale.ROOT),
                from == null ? Instant.EPOCH : from.atStartOfDay(zone).toInstant(),
                to == null ? Instant.parse("9999-01-01T00:00:00Z") : to.plusDays(1).atStartOfDay(zone).toInstant(), beforeAt, before), PAGE + 1);
        return new HistoryView(rows.subList(0, Math.min(PAGE, rows.size())), rows.size() > PAGE);
    }
}
