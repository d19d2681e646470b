package org.zealousladder.server.platform.jobs;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.task.ThreadPoolTaskSchedulerCustomizer;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.dao.TransientDataAccessException;
import org.springframework.scheduling.concurrent.ThreadPoolTaskScheduler;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;

/**
 * What is done at times, such as looking for letters that are due, is done again at its next time when it fails. The records may be away for a moment, which is no
 * news every two seconds; anything else is a fault and is told.
 */
@Component
class TimedLooks implements ThreadPoolTaskSchedulerCustomizer {
    private static final Logger LOG = LoggerFactory.getLogger(TimedLooks.class);

    @Override
    public void customize(ThreadPoolTaskScheduler scheduler) {
        scheduler.setErrorHandler(TimedLooks::failed);
    }

    private static void failed(Throwable why) {
        if (away(why)) {
            LOG.debug("not looked, the records are away: {}", why.getClass().getSimpleName());
        } else {
            LOG.warn("something done at times failed; it is done again at its next time", why);
        }
    }

    /** Whether it was only the records that could not be reached. */
    static boolean away(Throwable why) {
        return why instanceof TransactionException || why instanceof DataAccessResourceFailureException || why instanceof TransientDataAccessException;
    }
}
