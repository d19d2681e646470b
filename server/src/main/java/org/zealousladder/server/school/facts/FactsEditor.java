package org.zealousladder.server.school.facts;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.facts.FactsController.AtHomeForm;
import org.zealousladder.server.school.facts.FactsController.GroupedForm;
import org.zealousladder.server.school.roster.RosterService;

/** Changes what is kept of a student; what stood there before stays for whoever asks for an earlier day. */
@Service
@Transactional
public class FactsEditor {
    private static final String GROUPED = "roster_grouped";
    private static final String HOME = "roster_contact";
    private static final int OLDEST_YEARS = 30;

    private final FactsStore store;
    private final GroupingsService groupings;
    private final RosterService roster;
    private final SchoolCalendar calendar;

    FactsEditor(FactsStore store, GroupingsService groupings, RosterService roster, SchoolCalendar calendar) {
        this.store = store;
        this.groupings = groupings;
        this.roster = roster;
        this.calendar = calendar;
    }

    private void require(int student) {
        roster.requireStudent(student);
        if (!FactsService.mayChange(roster.enrolled(student, calendar.today()).schoolId())) {
            throw Refusal.forbidden("What is kept of students is changed by coordinators and administrators. Nothing was saved.");
        }
    }

    /** By administrators: names go with the roster. */
    void call(int student, @Nullable String preferredName, @Nullable LocalDate birthday) {
        Viewer.administrator("Names and birthdays are changed by administrators. Nothing was saved.");
        roster.requireStudent(student);
        LocalDate today = calendar.today();
        if (birthday != null && (!birthday.isBefore(today) || birthday.isBefore(today.minusYears(OLDEST_YEARS)))) {
            throw Refusal.invalid("birthday", birthday.isBefore(today) ? "That is more than thirty years ago; check the year." : "A birthday is before today.");
        }
        store.call(student, Words.orNull(preferredName), birthday);
    }

    void grade(int student, int grade) {
        Viewer.administrator("Grades are changed by administrators. Nothing was saved.");
        roster.requireStudent(student);
        if (grade < 0 || grade > 13) {
            throw Refusal.invalid("grade", "A grade is KG, or a number from 1 to 13.");
        }
        store.grade(store.enrolment(student, calendar.today())
                .orElseThrow(() -> Refusal.conflict("The student is in no class today, so there is no grade to change.")), grade);
    }

    /** @param seen what it stands in for; null for something new */
    void keep(int student, GroupedForm form, @Nullable Long seen) {
        require(student);
        requireStands(GROUPED, student, seen);
        if (groupings.all().stream().noneMatch(g -> g.id() == form.grouping() && (!g.ended() || seen != null))) {
            throw Refusal.invalid("grouping", "Choose what it is about.");
        }
        if (form.starts() != null && form.ends() != null && form.ends().isBefore(form.starts())) {
            throw Refusal.invalid("ends", "The last day is before the first.");
        }
        try {
            store.keep(new FactsStore.NewGrouped(student, form.grouping(), form.value().strip(), form.starts(), form.ends(), Viewer.current().id()), seen);
        } catch (DuplicateKeyException e) {
            throw Refusal.invalid("value", "That is on record already, from the same day.");
        }
    }

    void keep(int student, AtHomeForm form, @Nullable Long seen) {
        require(student);
        requireStands(HOME, student, seen);
        if (form.phone() == null && form.email() == null && form.ends() == null && Words.orNull(form.reachWhen()) == null && form.reachBy() == null) {
            throw Refusal.invalid("phone", "Say how to reach them: a phone number, an e-mail address, or in words.");
        }
        try {
            store.keep(new FactsStore.NewAtHome(student, form.name().strip(), Words.orNull(form.relation()), Words.orNull(form.phone()),
                    Words.orNull(form.email()),
                    Words.orNull(form.language()), form.reachBy(), Words.orNull(form.reachWhen()), form.ends(), Boolean.TRUE.equals(form.noWriting()),
                    Boolean.TRUE.equals(form.own()),
                    Viewer.current().id()), seen);
        } catch (DuplicateKeyException e) {
            throw Refusal.invalid("name", "Somebody of that name is on record already; change that entry.");
        }
    }

    void withdrawGrouped(int student, long id, String because) {
        withdraw(GROUPED, student, id, because);
    }

    void withdrawHome(int student, long id, String because) {
        withdraw(HOME, student, id, because);
    }

    private void withdraw(String table, int student, long id, String because) {
        require(student);
        requireStands(table, student, id);
        store.withdraw(table, id, because.strip());
    }

    private void requireStands(String table, int student, @Nullable Long seen) {
        if (seen != null && !store.stands(table, student, seen)) {
            throw Refusal.conflict("Somebody else has changed this meanwhile. Yours was not saved; look at theirs first.");
        }
    }
}
