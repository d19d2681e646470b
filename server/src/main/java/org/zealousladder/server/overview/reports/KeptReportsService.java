package org.zealousladder.server.overview.reports;

import java.time.LocalDate;
import java.util.List;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.contacts.outbox.MailProperties;
import org.zealousladder.server.overview.periods.PeriodsService;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.Whose;

/** Keeps settings of reports for whoever asks. */
@Service
@Transactional
class KeptReportsService {
    private static final int MOST = 50;

    private final ReportsStore store;
    private final RosterService roster;
    private final MailProperties mail;
    private final SchoolCalendar calendar;

    KeptReportsService(ReportsStore store, RosterService roster, MailProperties mail, SchoolCalendar calendar) {
        this.store = store;
        this.roster = roster;
        this.mail = mail;
        this.calendar = calendar;
    }

    /** @param canSend whether a letter could reach the viewer: there is a mail server, and an address on record */
    record KeptReports(List<KeptReport> reports, boolean canSend) {}

    @Transactional(readOnly = true)
    KeptReports all() {
        int person = Viewer.current().id();
        return new KeptReports(store.of(person), mail.set() && store.reader(person).isPresent());
    }

    /** @return its number @throws Refusal 422 for what cannot be kept, with what is wrong */
    int keep(ReportsController.KeptReportForm f) {
        int person = Viewer.current().id();
        RosterService.Members members = roster.members(Whose.parse(f.who()), calendar.today());
        if (members.students().isEmpty()) {
            throw Refusal.invalid("who", "Nobody is in there today. Nothing was kept.");
        }
        boolean dates = f.span() == ReportSpan.DATES;
        if (dates && (f.from() == null || f.to() == null)) {
            throw Refusal.invalid("from", "Name both days, or choose days that go with the calendar. Nothing was kept.");
        }
        if (f.from() != null && f.to() != null && dates) {
            PeriodsService.require(f.from(), f.to());
        }
        if (f.weekly() && (!mail.set() || store.reader(person).isEmpty())) {
            throw Refusal.invalid("weekly", mail.set() ? "You have no e-mail address on record. An administrator adds it under People. Nothing was kept."
                    : "No mail server is set up, so nothing can be sent. An administrator names one in ladder.conf. Nothing was kept.");
        }
        ReportsStore.Written w = new ReportsStore.Written(f.id(), person, f.name().strip(), f.who(), f.span().code(), dates ? f.from() : null,
                dates ? f.to() : null, f.tables().stream().distinct().map(Enum::name).toArray(String[]::new), f.weekly());
        try {
            if (f.id() == null) {
                if (store.of(person).size() >= MOST) {
                    throw Refusal.conflict("You keep " + MOST + " reports already. Drop one first. Nothing was kept.");
                }
                return store.add(w);
            }
            if (!store.change(w)) {
                throw Refusal.notFound("There is no such report among those you keep. Nothing was changed.");
            }
            return f.id();
        } catch (DuplicateKeyException e) {
            throw Refusal.invalid("name", "You keep a report of that name already. Give this one another. Nothing was kept.");
        }
    }

    void drop(int id) {
        if (!store.drop(id, Viewer.current().id())) {
            throw Refusal.notFound("There is no such report among those you keep.");
        }
    }

    /** The days that a kept report is of, looked at on a day. */
    record Days(LocalDate from, LocalDate to) {}

    /** A kept report as it is opened on a day. */
    record OpenedReport(KeptReport report, LocalDate from, LocalDate to) {}

    /** @throws Refusal 404 for one that is not the viewer's */
    @Transactional(readOnly = true)
    OpenedReport open(int id, LocalDate on) {
        KeptReport report = store.one(id, Viewer.current().id())
                .orElseThrow(() -> Refusal.notFound("There is no such report among those you keep. Choose days and students anew."));
        Days days = days(report, on);
        return new OpenedReport(report, days.from(), days.to());
    }

    @Transactional(readOnly = true)
    Days days(KeptReport report, LocalDate on) {
        RosterService.Members members = roster.members(Whose.parse(report.who()), on);
        LocalDate to = report.to() == null || report.to().isAfter(on) ? on : report.to();
        LocalDate from = report.span().from(to, members.year(), report.from());
        return new Days(from.isAfter(to) ? to : from, to);
    }
}
