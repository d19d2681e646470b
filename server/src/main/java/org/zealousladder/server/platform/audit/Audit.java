package org.zealousladder.server.platform.audit;

import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;
import org.zealousladder.core.Coded;
import org.zealousladder.server.platform.who.Viewer;

/** Puts on record who did what with whose records. What is noted is never changed. */
@Component
public class Audit {
    private static final Logger LOG = LoggerFactory.getLogger(Audit.class);

    private final AuditStore store;

    Audit(AuditStore store) {
        this.store = store;
    }

    /** What kind of thing is noted. */
    public enum Kind implements Coded {
        LOOK,
        EXPORT,
        PRINT,
        IMPORT,
        RIGHTS,
        SIGN_IN,
        REFUSED,
        ERASED
    }

    /**
     * Something to be noted.
     *
     * @param what in words, never what somebody typed
     * @param about where it was done, like {@code class-12}
     * @param student the one student whom it was about
     * @param students of how many, where it was more than one
     * @param person the person whom a change of rights, or a refused sign-in, was about
     */
    public record Note(Kind kind, String what, @Nullable String about, @Nullable Integer student, @Nullable Integer students, @Nullable Integer person) {
        public static Note of(Kind kind, String what) {
            return new Note(kind, what, null, null, null, null);
        }

        public Note about(@Nullable String where) {
            return new Note(kind, what, where, student, students, person);
        }

        public Note whom(@Nullable Integer about) {
            return new Note(kind, what, this.about, student, students, about);
        }
    }

    /** By whoever asks now. */
    public void note(Note note) {
        Viewer viewer = Viewer.currentOrNull();
        note(viewer == null ? null : viewer.id(), note);
    }

    /** By somebody who is not signed in yet. A failure to note is told to whoever keeps the server, and stops nobody's work. */
    public void note(@Nullable Integer by, Note note) {
        try {
            store.add(by, address(), note);
        } catch (RuntimeException e) {
            LOG.error("not put on record: {} by={} because {}", note.kind(), by, e.getClass().getSimpleName());
        }
    }

    private static @Nullable String address() {
        return RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes request ? request.getRequest().getRemoteAddr() : null;
    }
}
