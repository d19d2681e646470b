package org.zealousladder.server.exchange.records.matching;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.platform.files.Forms;
import org.zealousladder.server.platform.files.Subject;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.json.JsonMapper;

/** What people have said of their tables, remembered by the headings. That of administrators and coordinators is there for everybody. */
@Service
public class Matchings implements Remembered {
    private final MatchingStore store;
    private final Csvw csvw;

    Matchings(MatchingStore store, JsonMapper json) {
        this.store = store;
        csvw = new Csvw(json);
    }

    /** A remembered matching: of a file of that name, and what its rows are about. */
    public record KeptMatching(long id, String label, String fileName, List<String> headings, String madeAt, boolean mine, boolean mayForget) {}

    @Override
    public @Nullable Matching of(List<String> headings) {
        Csvw.Read read = store.csvw(headings).map(csvw::read).orElse(null);
        return read == null ? null : read.matching();
    }

    @Transactional
    public void keep(String fileName, Subject about, Matching matching, Forms forms) {
        Viewer viewer = Viewer.current();
        List<String> headings = matching.columns().stream().map(Matching.Use::heading).toList();
        store.add(viewer.id(), viewer.role() != Viewer.Role.TEACHER, headings, about.label(), fileName, csvw.write(fileName, about, matching, forms));
    }

    @Transactional(readOnly = true)
    public List<KeptMatching> all() {
        return store.all().stream().map(k -> new KeptMatching(k.id(), k.label(), k.fileName(), k.headings(), k.madeAt().toInstant().toString(), k.mine(),
                k.mine() || Viewer.current().role() == Viewer.Role.ADMINISTRATOR)).toList();
    }

    /** As CSVW. */
    @Transactional(readOnly = true)
    public String description(long id) {
        return store.csvw(id).orElseThrow(() -> Refusal.notFound("There is no such matching."));
    }

    /** From now on it counts for no file; what was brought in by it stays. */
    @Transactional
    public void forget(long id) {
        if (store.end(id) == 0) {
            throw Refusal.notFound("There is no such matching of yours; it may have been forgotten already.");
        }
    }
}
