package org.zealousladder.server.learning.reading;

import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.reading.LevelTable;
import org.zealousladder.server.learning.reading.ReadingViews.ReadingLevel;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.school.roster.SetupRights;

/** The library: passages, what is looked for in a reading, and the table of levels. */
@Service
public class PassagesService {
    private static final String TWICE = "The library has one of that name already. Nothing was saved.";

    private final PassagesStore passages;
    private final SetupRights rights;
    private final SchoolCalendar calendar;

    PassagesService(PassagesStore passages, SetupRights rights, SchoolCalendar calendar) {
        this.passages = passages;
        this.rights = rights;
        this.calendar = calendar;
    }

    /** @throws Refusal 404 when the school has none of that number */
    @Transactional(readOnly = true)
    Passage passage(int id, int school) {
        return passages.passages(school).stream().filter(p -> p.id() == id).findFirst()
                .orElseThrow(() -> Refusal.notFound("There is no such passage in the school."));
    }

    /** @param questions with ids that are ignored */
    @Transactional
    public int addPassage(int school, String title, @Nullable Integer grade, String body, List<Passage.Question> questions) {
        requireTeam(school);
        int words = Passage.split(body).stream().mapToInt(List::size).sum();
        if (words < 20 || words > 2000) {
            throw Refusal.invalid("body", "A passage has 20 to 2,000 words; this one has " + words + ". Nothing was saved.");
        }
        int id = passages.insert(school, title.strip(), grade, body.strip(), Viewer.current().id());
        if (!questions.isEmpty()) {
            passages.ask(id, questions);
        }
        return id;
    }

    /** Passages are the school's own: everyone who works there may add one. */
    private void requireTeam(int school) {
        if (!Viewer.current().worksAt(school)) {
            throw Refusal.forbidden("Passages of another school are not yours to change. Nothing was saved.");
        }
    }

    @Transactional
    public void retire(int passage, int school, boolean retired) {
        rights.require(school, "Passages");
        if (!passages.retire(passage, school, retired)) {
            throw Refusal.notFound("There is no such passage in the school.");
        }
    }

    @Transactional
    public void saveBehaviour(@Nullable Integer id, int school, String name, String teach, boolean retired) {
        List<ReadingViews.Behaviour> there = passages.behaviours(school);
        rights.require(id == null ? Integer.valueOf(school) : there.stream().filter(b -> b.id() == id).findFirst()
                .orElseThrow(() -> Refusal.notFound("There is no such line in the school's library.")).schoolId(), "The lines of the library");
        if (there.stream().anyMatch(b -> !Objects.equals(b.id(), id) && b.name().equalsIgnoreCase(name.strip()))) {
            throw Refusal.invalid("name", TWICE);
        }
        try {
            passages.saveBehaviour(id, school, name.strip(), teach.strip(), retired);
        } catch (org.springframework.dao.DuplicateKeyException e) {
            throw Refusal.invalid("name", TWICE);
        }
    }

    @Transactional
    public void saveLevels(int school, List<ReadingLevel> levels) {
        rights.require(school, "Levels");
        try {
            LevelTable table = new LevelTable(levels.stream().map(l -> new LevelTable.Level(l.name().strip(), l.accuracy(), l.comprehension())).toList());
            passages.replaceLevels(school, table, calendar.today(), Viewer.current().id());
        } catch (IllegalArgumentException e) {
            throw Refusal.invalid("levels", e.getMessage() + " Nothing was saved.");
        }
    }
}
