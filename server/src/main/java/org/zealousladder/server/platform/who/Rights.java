package org.zealousladder.server.platform.who;

import java.util.Optional;

/** Who a person is now, whatever their session remembers. */
public interface Rights {
    /** Empty when the account has ended. A change shows within seconds. */
    Optional<Viewer> now(int person);

    /** Whether the settings want a second step at sign-in of somebody in this role, and this one has none. */
    boolean wantsSecondStep(Viewer viewer);

    /** Lets a change made here show at once; other servers see it within seconds. */
    void changed(int person);
}
