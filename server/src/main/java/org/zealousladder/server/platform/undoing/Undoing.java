package org.zealousladder.server.platform.undoing;

import java.sql.SQLException;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.Coded;
import org.zealousladder.server.platform.audit.Audit;
import org.zealousladder.server.platform.audit.Audit.Note;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.Viewer;

/** What was done to many at once is on record, and can be undone as a whole as long as nothing rests on it. */
@Service
public class Undoing {
    private static final String FOREIGN_KEY = "23503";
    private static final String CHANGED = "55000";
    private static final String NONE = "02000";
    private static final String ANOTHERS = "42501";

    private final UndoingStore store;
    private final Audit audit;

    Undoing(UndoingStore store, Audit audit) {
        this.store = store;
        this.audit = audit;
    }

    /** What kind of thing was done. */
    public enum Kind implements Coded {
        IMPORT,
        NEXT_YEAR,
        CLASSES
    }

    /**
     * Something that was done.
     *
     * @param words like the name of a file
     * @param what came of it, in words
     * @param by the name of whoever did it
     * @param mayUndo whether it can be undone at all, as far as can be told without trying
     */
    public record Done(long id, Kind kind, String words, String what, Instant at, String by, boolean mayUndo, @Nullable Instant undoneAt,
            @Nullable String undoneBy,
            @Nullable String undoneBecause) {}

    /** From here to the end of the transaction everything that is done belongs to it. */
    public void begin(Kind kind, String words) {
        store.forgetOld();
        store.begin(kind.code(), words, Viewer.current().id());
    }

    /** Says what came of what was begun. */
    public void came(String what) {
        store.came(what);
    }

    /** The newest first; administrators see everybody's. */
    @Transactional(readOnly = true)
    public List<Done> list() {
        return store.list();
    }

    /** @throws Refusal 409 when something rests on it, 404 when there is nothing to undo */
    @Transactional
    public void undo(long id, String because) {
        String reason = because.strip();
        if (reason.isEmpty()) {
            throw Refusal.invalid("reason", "Say why it is undone.");
        }
        try {
            store.undo(id, reason);
        } catch (DataAccessException e) {
            throw refused(e);
        }
        audit.note(Note.of(Audit.Kind.IMPORT, "undone: what was brought in"));
    }

    private static RuntimeException refused(DataAccessException e) {
        for (Throwable cause = e; cause != null; cause = cause.getCause()) {
            if (cause instanceof SQLException sql) {
                return switch (String.valueOf(sql.getSQLState())) {
                    case FOREIGN_KEY -> Refusal.conflict(
                            "Something rests on it by now: scores (also those taken back), plans or classes refer to what came in with it. Put single things right where they stand.");
                    case CHANGED -> Refusal.conflict(
                            "Some of it has been changed since, or its window is closed, so it cannot be undone as a whole. Put single things right where they stand.");
                    case ANOTHERS -> Refusal.forbidden("Somebody else brought that in. An administrator can undo it.");
                    case NONE -> Refusal.notFound("There is nothing of the kind to undo; it may have been undone already.");
                    default -> e;
                };
            }
        }
        return e;
    }
}
