package org.zealousladder.server.exchange.records;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.platform.files.Column;
import org.zealousladder.server.platform.files.Reference;
import org.zealousladder.server.platform.files.Subject;
import org.zealousladder.server.platform.who.Viewer;

/** What other people's tables can be about, for who matches their columns. */
@Service
class SubjectsService {
    /** Of more than that nobody chooses from a list. */
    private static final int MOST_CHOICES = 200;

    private final ImportKinds kinds;
    private final JdbcClient db;

    SubjectsService(ImportKinds kinds, JdbcClient db) {
        this.kinds = kinds;
        this.db = db;
    }

    /** @param folded the field that several columns can hold, each for a row of its own */
    record TableSubject(String code, String label, List<SubjectField> fields, @Nullable String folded) {}

    /**
     * What a column can mean.
     *
     * @param helps whether it only helps to find what another field names
     * @param words what a word in such a cell can mean
     * @param choices what is on record, where that can be chosen from
     */
    record SubjectField(String name, String label, Column.Type type, boolean helps, List<String> words, List<OnRecord> choices) {}

    /** Something on record. */
    record OnRecord(String code, String label) {}

    /** Those of which the viewer may bring in every kind. */
    @Transactional(readOnly = true)
    List<TableSubject> subjects() {
        Viewer.Role role = Viewer.current().role();
        Map<String, List<OnRecord>> choices = kinds.references().stream().collect(Collectors.toMap(Reference::column, this::choices));
        return kinds.told().stream().filter(s -> s.parts().stream().allMatch(p -> kinds.named(p.kind()).least().compareTo(role) <= 0))
                .map(s -> new TableSubject(s.code(), s.label(), s.fields().stream().filter(f -> !f.label().isEmpty())
                        .map(f -> new SubjectField(f.name(), f.label(), f.column().type(), f.helps(),
                                f.column().type() == Column.Type.CHOICE ? f.column().choices() : List.copyOf(f.instead().keySet()),
                                refers(s, f.name()) ? choices.getOrDefault(f.name(), List.of()) : List.of()))
                        .toList(), s.folded()))
                .toList();
    }

    private boolean refers(Subject s, String field) {
        return s.parts().stream().anyMatch(p -> kinds.named(p.kind()).refersTo(field));
    }

    private List<OnRecord> choices(Reference r) {
        if (r.column().equals("student")) {
            return List.of();
        }
        List<OnRecord> all = db.sql(r.all() + " limit " + (MOST_CHOICES + 1)).query(OnRecord.class).list();
        return all.size() > MOST_CHOICES ? List.of() : all;
    }
}
