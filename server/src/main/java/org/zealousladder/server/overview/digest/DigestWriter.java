package org.zealousladder.server.overview.digest;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.contacts.outbox.MailProperties;
import org.zealousladder.server.overview.desk.DeskService;
import org.zealousladder.server.overview.desk.DeskView;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.school.calendar.CalendarService;
import org.zealousladder.server.school.lists.ListsService;
import org.zealousladder.server.school.roster.CaseloadRef;
import org.zealousladder.server.school.roster.ClassRef;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.Who;

/** Writes what waits on the Desk of whoever asks, in counts and links. A class has a name in it; no student has. */
@Component
class DigestWriter {
    /** An administrator of many schools reads of the first. */
    private static final int PLACES = 12;

    private final RosterService roster;
    private final DeskService desk;
    private final CalendarService calendar;
    private final MailProperties mail;
    private final ListsService lists;

    DigestWriter(RosterService roster, DeskService desk, CalendarService calendar, MailProperties mail, ListsService lists) {
        this.lists = lists;
        this.roster = roster;
        this.desk = desk;
        this.calendar = calendar;
        this.mail = mail;
    }

    /** @param waits how many things wait in all */
    record Digest(String subject, String body, int waits) {}

    private record Place(String name, Who who, int school) {}

    /**
     * For the one who asks.
     *
     * @param always also on a day without school
     * @return empty for somebody without a class, caseload or school, and where no school of theirs is open
     */
    @Transactional(readOnly = true)
    Optional<Digest> write(LocalDate today, boolean always) {
        List<Place> places = places(today).stream().filter(p -> always || calendar.of(p.school(), today).open(today)).limit(PLACES).toList();
        if (places.isEmpty()) {
            return Optional.empty();
        }
        StringBuilder body = new StringBuilder("Good morning,\n");
        List<String> quiet = new ArrayList<>();
        Map<String, Integer> together = new LinkedHashMap<>();
        for (Place place : places) {
            int year = roster.yearOf(today, place.school()).id();
            Map<String, Integer> counts = counts(desk.view(place.who(), year, today, 0));
            counts.values().removeIf(n -> n == 0);
            if (counts.isEmpty()) {
                quiet.add(place.name());
                continue;
            }
            counts.forEach((what, n) -> together.merge(what, n, Integer::sum));
            body.append('\n').append(place.name()).append('\n');
            counts.forEach((what, n) -> body.append("  ").append(n).append(' ').append(what).append('\n'));
            if (mail.links() != null && !mail.links().isBlank()) {
                body.append("  ").append(mail.links().replaceFirst("/+$", "")).append("/desk?who=").append(place.who()).append("&year=").append(year)
                        .append('\n');
            }
        }
        if (!quiet.isEmpty()) {
            body.append("\nNothing waits: ").append(String.join(", ", quiet)).append(".\n");
        }
        // A list's name is its keeper's, and may have a student's in it.
        int news = lists.news().stream().mapToInt(l -> l.students().size()).sum();
        if (news > 0) {
            together.put("new on your lists", news);
            body.append("\nOn the lists that you watch\n  ").append(news).append(" new\n");
        }
        body.append("\nCounts only: the names are on the Desk. You asked for this letter in your account, and can stop it there.\n");
        String first = together.entrySet().stream().limit(2).map(e -> e.getValue() + " " + e.getKey()).collect(Collectors.joining(", "));
        return Optional.of(new Digest(first.isEmpty() ? "Nothing waits this morning" : "This morning: " + first, body.toString(),
                together.values().stream().mapToInt(n -> n).sum()));
    }

    private List<Place> places(LocalDate today) {
        Viewer viewer = Viewer.current();
        List<ClassRef> running = roster.classes().stream().filter(c -> c.yearId() == roster.yearOf(today, c.schoolId()).id()).toList();
        List<Place> places = new ArrayList<>();
        if (viewer.role() == Viewer.Role.TEACHER) {
            running.forEach(c -> places.add(new Place(c.name() + " class", Who.parse("class-" + c.id()), c.schoolId())));
        } else {
            running.stream().filter(c -> viewer.role() == Viewer.Role.ADMINISTRATOR || viewer.leads(c.schoolId()))
                    .collect(Collectors.toMap(ClassRef::schoolId, ClassRef::schoolName, (a, b) -> a, LinkedHashMap::new))
                    .forEach((id, name) -> places.add(new Place(name, Who.parse("school-" + id), id)));
        }
        int school = running.isEmpty() ? 0 : running.get(0).schoolId();
        roster.caseloads().stream().filter(CaseloadRef::own).filter(c -> c.students() > 0 && school > 0)
                .forEach(c -> places.add(new Place("Your caseload", Who.parse("caseload-" + c.personId()), school)));
        places.sort(Comparator.comparing(Place::name));
        return places;
    }

    private static Map<String, Integer> counts(DeskView view) {
        Map<String, Integer> counts = new LinkedHashMap<>();
        counts.put("to decide", view.waiting().proposals());
        counts.put("drifting away from the work", view.drifting());
        counts.put("to look at again", view.again().size());
        counts.put("scores to collect", view.collect().size());
        counts.put("pieces of work to mark", view.toMark().size());
        counts.put("to celebrate", view.celebrate().size());
        return counts;
    }
}
