package org.zealousladder.server.contacts.texts;

import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.school.roster.SetupRights;

/** The school's own texts. */
@Service
@Transactional
class TextsService {
    private final TextsStore store;
    private final SetupRights rights;

    TextsService(TextsStore store, SetupRights rights) {
        this.store = store;
        this.rights = rights;
    }

    /** Those of every school and of the viewer's. */
    @Transactional(readOnly = true)
    List<SchoolText> all() {
        Viewer viewer = Viewer.current();
        return store.all().stream().filter(t -> t.schoolId() == null || viewer.worksAt(t.schoolId())).toList();
    }

    /** @throws Refusal 403 for whom they are not, 422 for a wording with a field that is none, or two of one language */
    void keep(SchoolText text) {
        rights.require(text.schoolId(), "Texts");
        for (SchoolText.Wording w : text.wordings()) {
            Fields.check(w.subject(), "subject");
            Fields.check(w.body(), "body");
            if (w.subject().chars().anyMatch(Character::isISOControl)) {
                throw Refusal.invalid("subject", "A subject is one line.");
            }
        }
        if (text.wordings().stream().map(w -> w.language().strip()).distinct().count() < text.wordings().size()) {
            throw Refusal.invalid("wordings", "There are two wordings in one language. Keep one.");
        }
        if (text.wordings().stream().noneMatch(w -> w.language().isBlank())) {
            throw Refusal.invalid("wordings", "Give one wording without a language, for everybody who reads none of the others.");
        }
        Integer id = text.id();
        if (id == null) {
            store.wordings(store.add(text), text.wordings());
            return;
        }
        require(id);
        if (!store.change(id, text)) {
            throw Refusal.notFound("That text has been ended meanwhile.");
        }
        store.wordings(id, text.wordings());
    }

    void end(int id) {
        require(id);
        if (!store.end(id)) {
            throw Refusal.notFound("That text has been ended already.");
        }
    }

    private void require(int id) {
        SchoolText now = store.all().stream().filter(t -> t.id() != null && t.id() == id).findFirst()
                .orElseThrow(() -> Refusal.notFound("There is no such text."));
        rights.require(now.schoolId(), "Texts");
    }
}
