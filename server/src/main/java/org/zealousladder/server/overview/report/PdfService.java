package org.zealousladder.server.overview.report;

import jakarta.annotation.PreDestroy;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.security.concurrent.DelegatingSecurityContextRunnable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import org.zealousladder.server.platform.jobs.FairQueue;
import org.zealousladder.server.platform.jobs.ThisServer;
import org.zealousladder.server.platform.jobs.Threads;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.Rights;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.school.roster.ClassRef;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.Who;
import tools.jackson.databind.json.JsonMapper;

/**
 * Makes PDFs in the background, one after the other and by turns of who asks: for a grade or a school its own page first, then one a class. How far it
 * is stands in the database, so that any server process can tell.
 */
@Service
public class PdfService {
    private static final Logger LOG = LoggerFactory.getLogger(PdfService.class);

    private final ReportService reports;
    private final ReportStore store;
    private final RosterService roster;
    private final TransactionTemplate transactions;
    private final ThisServer server;
    private final Rights rights;
    private final JsonMapper json;
    private static final int MOST_WAITING = 20;
    /** Somebody waits for a view at this moment; for a report one waits anyway. */
    private final ExecutorService worker = Executors.newSingleThreadExecutor(Threads.named("report-pdf", Thread.MIN_PRIORITY));
    private final FairQueue queue = new FairQueue(worker, MOST_WAITING);

    PdfService(ReportService reports, ReportStore store, RosterService roster, PlatformTransactionManager manager, ThisServer server, Rights rights,
            JsonMapper json) {
        this.server = server;
        this.rights = rights;
        this.json = json;
        this.reports = reports;
        this.store = store;
        this.roster = roster;
        transactions = new TransactionTemplate(manager);
    }

    /**
     * Begins a PDF and returns the number by which to ask for it.
     *
     * @param codes whether names are hidden
     */
    public long begin(Who who, int yearId, @Nullable Integer window, int measure, LocalDate asOf, boolean codes) {
        Asked asked = new Asked(who, yearId, window, measure, asOf, codes);
        ReportView first = view(asked);
        int pages = classes(asked).size() + 1;
        long id = transactions.execute(s -> store.create(Viewer.current().id(), first.title(), pages, server.id(), json.writeValueAsString(asked)));
        try {
            enqueue(id, asked);
        } catch (Refusal refusal) {
            fail(id, String.valueOf(refusal.getMessage()));
            throw refusal;
        }
        return id;
    }

    /** What is to be made; kept beside the job. */
    record Asked(Who who, int year, @Nullable Integer window, int measure, LocalDate asOf, boolean codes) {}

    private ReportView view(Asked asked) {
        return reports.view(asked.who(), asked.year(), asked.window(), asked.measure(), asked.asOf());
    }

    private List<Who> classes(Asked asked) {
        Who who = asked.who();
        return who.small() ? List.of() : roster.classes().stream()
                .filter(c -> c.yearId() == asked.year() && c.schoolId() == who.id() && (who.grade() == null || c.grade() == who.grade()))
                .map(ClassRef::id).map(id -> new Who(Who.Kind.CLASS, id, null)).toList();
    }

    private void enqueue(long id, Asked asked) {
        queue.add(Viewer.current().id(), new DelegatingSecurityContextRunnable(() -> make(id, asked)));
    }

    /** Carries on what a server that has ended had begun, with what the asker may see now. */
    void adopt() {
        for (ReportStore.Left left : transactions.execute(s -> store.adopt(server.id()))) {
            rights.now(left.person()).ifPresentOrElse(viewer -> viewer.run(() -> {
                try {
                    enqueue(left.id(), json.readValue(left.asked(), Asked.class));
                } catch (Refusal refusal) {
                    fail(left.id(), String.valueOf(refusal.getMessage()));
                }
            }), () -> LOG.info("report {} is nobody's any more", left.id()));
        }
    }

    private void make(long id, Asked asked) {
        try {
            ReportView first = view(asked);
            List<ReportView> pages = new ArrayList<>(List.of(first));
            for (Who one : classes(asked)) {
                pages.add(reports.view(one, asked.year(), first.window().id(), asked.measure(), first.asOf()));
                transactions.executeWithoutResult(s -> store.progress(id, pages.size() - 1));
            }
            byte[] pdf = ReportPdf.of(pages, asked.codes());
            transactions.executeWithoutResult(s -> store.finish(id, pdf));
        } catch (Refusal refusal) {
            fail(id, String.valueOf(refusal.getMessage()));
        } catch (RuntimeException e) {
            LOG.error("report {} failed", id, e);
            fail(id, "The PDF could not be made. Try again; printing the page works meanwhile.");
        }
    }

    private void fail(long id, String why) {
        transactions.executeWithoutResult(s -> store.fail(id, why));
    }

    ReportStore.Job job(long id) {
        return transactions.execute(s -> store.job(id)).orElseThrow(PdfService::gone);
    }

    byte[] pdf(long id) {
        return transactions.execute(s -> store.pdf(id)).orElseThrow(PdfService::gone);
    }

    private static Refusal gone() {
        return Refusal.notFound("That PDF is not here any more; they are kept for a day. Ask for it again.");
    }

    @PreDestroy
    void stop() {
        worker.shutdownNow();
    }
}
