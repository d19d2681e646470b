package org.zealousladder.server.overview.feed;

import biweekly.Biweekly;
import biweekly.ICalendar;
import biweekly.component.VEvent;
import biweekly.property.Classification;
import biweekly.property.Transparency;
import biweekly.util.DateTimeComponents;
import biweekly.util.Duration;
import biweekly.util.ICalDate;
import java.nio.charset.StandardCharsets;
import java.security.SecureRandom;
import java.time.LocalDate;
import java.util.Base64;
import org.apache.commons.codec.digest.DigestUtils;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.overview.feed.FeedStore.FeedDay;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;

/** Makes and takes back a person's calendar, and writes it (RFC 5545, RFC 7986). */
@Service
@Transactional
class FeedService {
    private static final int SECRET_BYTES = 24;
    private static final int WEEKS_BACK = 4;

    private final FeedStore store;
    private final SchoolCalendar calendar;
    private final SecureRandom random = new SecureRandom();

    FeedService(FeedStore store, SchoolCalendar calendar) {
        this.store = store;
        this.calendar = calendar;
    }

    /** @param since when it was made; null where there is none */
    record FeedState(@Nullable LocalDate since) {}

    @Transactional(readOnly = true)
    FeedState state() {
        return new FeedState(store.made(Viewer.current().id()).map(t -> t.atZoneSameInstant(calendar.zone()).toLocalDate()).orElse(null));
    }

    /** @return the secret, which is told this once; the one before no longer opens anything */
    String make() {
        byte[] bytes = new byte[SECRET_BYTES];
        random.nextBytes(bytes);
        String secret = Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
        store.keep(Viewer.current().id(), digest(secret));
        return secret;
    }

    void stop() {
        store.forget(Viewer.current().id());
    }

    static String digest(String secret) {
        return DigestUtils.sha256Hex(secret.getBytes(StandardCharsets.UTF_8));
    }

    /** The days of whoever is asking now. @param address of this program as browsers see it */
    @Transactional(readOnly = true)
    String write(String address) {
        LocalDate today = calendar.today();
        int person = Viewer.current().id();
        ICalendar feed = new ICalendar();
        feed.setProductId("-//Zealous Ladder//EN");
        feed.setMethod("PUBLISH");
        feed.setName("Zealous Ladder");
        feed.setRefreshInterval(Duration.builder().hours(1).build());
        for (FeedDay d : store.days(person, today.minusWeeks(WEEKS_BACK), today.plusYears(1))) {
            VEvent event = new VEvent();
            event.setUid(DigestUtils.sha1Hex(d.kind() + "/" + d.day() + "/" + d.name() + "/" + person) + "@zealous-ladder");
            event.setSequence(0);
            event.setDateStart(date(d.day()), false);
            event.setDateEnd(date(d.day().plusDays(1)), false);
            event.setSummary(words(d));
            event.setUrl(address + page(d.kind()));
            event.setClassification(Classification.private_());
            event.setTransparency(Transparency.transparent());
            feed.addEvent(event);
        }
        return Biweekly.write(feed).go();
    }

    private static ICalDate date(LocalDate day) {
        return new ICalDate(new DateTimeComponents(day.getYear(), day.getMonthValue(), day.getDayOfMonth()), false);
    }

    private static String page(FeedStore.Kind kind) {
        return kind == FeedStore.Kind.CONTACT ? "/contacts" : kind == FeedStore.Kind.MEETING ? "/meeting" : "/desk";
    }

    /** Counts, and never a name or a code. */
    private static String words(FeedDay d) {
        String students = d.n() + (d.n() == 1 ? " student" : " students");
        return switch (d.kind()) {
            case CONTACT -> "Look again after a talk or letter: " + students;
            case ASIDE -> "Set aside or watched until today: " + students;
            case DECISION -> "Look again at a decision: " + students;
            case PLAN -> "A plan ends: " + students;
            case GOAL -> "The day of a goal: " + students;
            case MEETING -> "The team meets";
            case MAKEUP -> "Make-up day: " + students;
            case WINDOW_OPENS -> d.name() + " screening begins";
            case WINDOW_CLOSES -> d.name() + " screening ends";
        };
    }
}
