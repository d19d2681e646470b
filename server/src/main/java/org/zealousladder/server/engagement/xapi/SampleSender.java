package org.zealousladder.server.engagement.xapi;

import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The demo's sending program, whose key everybody knows. Made where the demo is loaded, and nowhere else. */
@Service
public class SampleSender {
    public static final String KEY = "demo-saltmarsh";
    public static final String SECRET = "skerrow-ferry-tide";

    private final SendersStore store;

    SampleSender(SendersStore store) {
        this.store = store;
    }

    @Transactional
    public void make(int school) {
        if (store.byKey(KEY).isEmpty()) {
            store.add(school, "Saltmarsh Library", KEY, SendersService.digest(SECRET));
        }
    }
}
