package org.zealousladder.server.platform.once;

import java.util.function.Supplier;
import org.apache.commons.codec.digest.DigestUtils;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.Viewer;
import tools.jackson.databind.json.JsonMapper;

/**
 * Does a change once, however often it is sent: the answer is kept beside the change, in its transaction, under the sender's
 * {@code Idempotency-Key} (IETF draft-ietf-httpapi-idempotency-key-header). Sent again, the kept answer is given. A refused change is not kept, so
 * that it can be tried again.
 */
@Service
public class OnceService {
    /** The header's name. */
    public static final String KEY = "Idempotency-Key";
    private static final int LONGEST_KEY = 100;

    private final OnceStore store;
    private final JsonMapper json;

    OnceService(OnceStore store, JsonMapper json) {
        this.store = store;
        this.json = json;
    }

    /**
     * @param key the sender's; null: the change is simply done
     * @param form what was sent; another form under the same key is a mistake of the sender
     * @throws Refusal 422 for a key that was used for something else
     */
    @Transactional
    public <T> T answer(@Nullable String key, Object form, Class<T> type, Supplier<T> change) {
        if (key == null) {
            return change.get();
        }
        if (key.isBlank() || key.length() > LONGEST_KEY) {
            throw new Refusal(HttpStatus.BAD_REQUEST, "bad-key", null, "The request's key is empty or longer than " + LONGEST_KEY + " characters.");
        }
        int person = Viewer.current().id();
        String digest = DigestUtils.sha256Hex(json.writeValueAsString(form));
        // Waits for another request of the same key that is under way, and finds its answer.
        if (!store.begin(person, key, digest)) {
            OnceStore.Kept kept = store.kept(person, key);
            if (!kept.digest().equals(digest)) {
                throw new Refusal(HttpStatus.UNPROCESSABLE_CONTENT, "key-used", null,
                        "This has been saved already, as it was before you changed it; only the answer got lost. Close this and look at it. Nothing more was saved.");
            }
            return json.readValue(kept.answer(), type);
        }
        T answer = change.get();
        store.keep(person, key, json.writeValueAsString(answer));
        return answer;
    }

    /** As {@link #answer}, for a change that answers nothing. */
    @Transactional
    public void run(@Nullable String key, Object form, Runnable change) {
        answer(key, form, Boolean.class, () -> {
            change.run();
            return Boolean.TRUE;
        });
    }

    @Scheduled(cron = "0 41 4 * * *")
    @Transactional
    void forgetOld() {
        store.forgetOld();
    }
}
