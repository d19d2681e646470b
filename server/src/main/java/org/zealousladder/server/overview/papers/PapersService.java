package org.zealousladder.server.overview.papers;

import static java.util.Objects.requireNonNull;

import jakarta.annotation.PreDestroy;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.Function;
import java.util.stream.Collectors;
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
import tools.jackson.databind.json.JsonMapper;

/**
 * Makes PDFs in the background, one after the other and by turns of who asks. How far it is stands in the database, so that any server process can tell, and
 * what was asked for, so that another can make it.
 */
@Service
public class PapersService {
    private static final Logger LOG = LoggerFactory.getLogger(PapersService.class);
    private static final int MOST_WAITING = 20;

    private final PapersStore store;
    private final Map<String, MakesPapers<?>> makers;
    private final TransactionTemplate transactions;
    private final ThisServer server;
    private final Rights rights;
    private final JsonMapper json;
    /** Somebody waits for a view at this moment; for a PDF one waits anyway. */
    private final ExecutorService worker = Executors.newSingleThreadExecutor(Threads.named("papers", Thread.MIN_PRIORITY));
    private final FairQueue queue = new FairQueue(worker, MOST_WAITING);

    PapersService(PapersStore store, List<MakesPapers<?>> makers, PlatformTransactionManager manager, ThisServer server, Rights rights, JsonMapper json) {
        this.store = store;
        this.makers = makers.stream().collect(Collectors.toMap(MakesPapers::kind, Function.identity()));
        this.server = server;
        this.rights = rights;
        this.json = json;
        transactions = new TransactionTemplate(manager);
    }

    /**
     * Begins a PDF.
     *
     * @return the number by which to ask for it
     * @throws Refusal for what cannot be made, and 429 where too many of the asker's wait
     */
    public <A> long begin(MakesPapers<A> maker, A asked) {
        MakesPapers.Outline outline = maker.outline(asked);
        long id = requireNonNull(
                transactions.execute(s -> store.create(new PapersStore.NewJob(Viewer.current().id(), maker.kind(), outline.title(), outline.parts(),
                        outline.file(), server.id(), json.writeValueAsString(asked)))));
        try {
            enqueue(id, maker, asked);
        } catch (Refusal refusal) {
            fail(id, String.valueOf(refusal.getMessage()));
            throw refusal;
        }
        return id;
    }

    private <A> void enqueue(long id, MakesPapers<A> maker, A asked) {
        queue.add(Viewer.current().id(), new DelegatingSecurityContextRunnable(() -> make(id, maker, asked)));
    }

    /** Carries on what a server that has ended had begun, with what the asker may see now. */
    void adopt() {
        for (PapersStore.Left left : requireNonNull(transactions.execute(s -> store.adopt(server.id())))) {
            MakesPapers<?> maker = makers.get(left.kind());
            if (maker == null) {
                LOG.info("papers {} are of a kind that is made no more", left.id());
                continue;
            }
            rights.now(left.person()).ifPresentOrElse(viewer -> viewer.run(() -> readOn(left, maker)),
                    () -> LOG.info("papers {} are nobody's any more", left.id()));
        }
    }

    private <A> void readOn(PapersStore.Left left, MakesPapers<A> maker) {
        try {
            enqueue(left.id(), maker, json.readValue(left.asked(), maker.asked()));
        } catch (Refusal refusal) {
            fail(left.id(), String.valueOf(refusal.getMessage()));
        }
    }

    private <A> void make(long id, MakesPapers<A> maker, A asked) {
        try {
            byte[] pdf = maker.make(asked, done -> transactions.executeWithoutResult(s -> store.progress(id, done)));
            transactions.executeWithoutResult(s -> store.finish(id, pdf));
        } catch (Refusal refusal) {
            fail(id, String.valueOf(refusal.getMessage()));
        } catch (RuntimeException e) {
            LOG.error("papers {} failed", id, e);
            fail(id, "The PDF could not be made. Try again; printing the page works meanwhile.");
        }
    }

    private void fail(long id, String why) {
        transactions.executeWithoutResult(s -> store.fail(id, why));
    }

    PapersStore.Job job(long id) {
        return requireNonNull(transactions.execute(s -> store.job(id))).orElseThrow(PapersService::gone);
    }

    PapersStore.File file(long id) {
        return requireNonNull(transactions.execute(s -> store.file(id))).orElseThrow(PapersService::gone);
    }

    private static Refusal gone() {
        return Refusal.notFound("That PDF is not here any more; they are kept for a day. Ask for it again.");
    }

    @PreDestroy
    void stop() {
        worker.shutdownNow();
    }
}
