package org.zealousladder.server.school.sight;

import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.platform.audit.Audit;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;

/** Says what a role sees, and lets administrators change it. That it is so is the database's. */
@Service
@Transactional
public class SightService {
    private final JdbcClient db;
    private final Audit audit;
    private final SchoolCalendar calendar;

    SightService(JdbcClient db, Audit audit, SchoolCalendar calendar) {
        this.db = db;
        this.audit = audit;
        this.calendar = calendar;
    }

    /** Whether the viewer's role sees it; of what is not seen, nothing can be told. */
    @Transactional(readOnly = true)
    public boolean sees(Sight what) {
        return db.sql("select scope_sees(:what)").param("what", what.code()).query(Boolean.class).single();
    }

    /** What the viewer's role does not see. */
    @Transactional(readOnly = true)
    public List<Sight> unseen() {
        List<String> hidden = db.sql("select what from sight_hidden where role = :role").param("role", Viewer.current().role().code()).query(String.class)
                .list();
        return Arrays.stream(Sight.values()).filter(s -> hidden.contains(s.code())).toList();
    }

    /** @param because why it is hidden; null where it is seen @param by who said so */
    record RoleSight(Sight what, Viewer.Role role, boolean seen, @Nullable String because, @Nullable String by, @Nullable LocalDate since) {}

    private record Hidden(String what, String role, String because, @Nullable String by, LocalDate hiddenOn) {}

    @Transactional(readOnly = true)
    List<RoleSight> all() {
        List<Hidden> hidden = db.sql("""
                select h.what, h.role, h.because, p.name as by, h.hidden_on from sight_hidden h left join people_person p on p.id = h.hidden_by""")
                .query(Hidden.class).list();
        return Arrays.stream(Sight.values()).flatMap(s -> java.util.stream.Stream.of(Viewer.Role.TEACHER, Viewer.Role.COORDINATOR).map(r -> hidden.stream()
                .filter(h -> h.what().equals(s.code()) && h.role().equals(r.code())).findFirst()
                .map(h -> new RoleSight(s, r, false, h.because(), h.by(), h.hiddenOn())).orElseGet(() -> new RoleSight(s, r, true, null, null, null))))
                .toList();
    }

    /** @throws Refusal 403 for others than administrators, 422 without a reason, 409 where it is so already */
    void set(SightController.SightForm f) {
        Viewer.administrator("What a role sees is set by administrators. Nothing was changed.");
        if (f.role() == Viewer.Role.ADMINISTRATOR) {
            throw Refusal.invalid("role", "Administrators see what is not somebody's own. Nothing was changed.");
        }
        int changed = f.seen()
                ? db.sql("delete from sight_hidden where what = :what and role = :role").param("what", f.what().code()).param("role", f.role().code()).update()
                : db.sql("""
                        insert into sight_hidden (what, role, because, hidden_by, hidden_on) values (:what, :role, :because, :by, :today)
                        on conflict do nothing""").param("what", f.what().code()).param("role", f.role().code()).param("because", f.because().strip())
                        .param("by", Viewer.current().id()).param("today", calendar.today()).update();
        if (changed == 0) {
            throw Refusal.conflict("It is so already: somebody else was first. Look at it again.");
        }
        audit.note(Audit.Note.of(Audit.Kind.RIGHTS, f.what().code() + (f.seen() ? " shown to " : " hidden from ") + f.role().code() + "s"));
    }
}
