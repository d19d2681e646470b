package org.zealousladder.server.school.people;

import org.springframework.boot.web.server.context.WebServerInitializedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Prints the link that sets up the first administrator while there is nobody at all. */
@Component
class SetupLink {
    private final PeopleService people;

    SetupLink(PeopleService people) {
        this.people = people;
    }

    @EventListener
    void printed(WebServerInitializedEvent started) {
        // The port for figures about the server says so, too.
        if (started.getApplicationContext().getServerNamespace() == null && people.nobodyYet()) {
            // To the console and not to the log: a log is kept and shared, this is a key.
            System.out.println("SETUP http://127.0.0.1:" + started.getWebServer().getPort() + "/setup#" + people.newSetupToken());
        }
    }
}
