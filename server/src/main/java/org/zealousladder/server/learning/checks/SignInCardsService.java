package org.zealousladder.server.learning.checks;

import static java.util.Objects.requireNonNull;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.security.SecureRandom;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.apache.commons.codec.digest.HmacAlgorithms;
import org.apache.commons.codec.digest.HmacUtils;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.sealing.Sealed;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.school.calendar.CalendarService;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SchoolYear;
import org.zealousladder.server.school.roster.StudentRef;
import org.zealousladder.server.school.roster.Who;

/**
 * Cards of four plain words by which students sign in: each good for one class and one term. Of some 440 words there are more than 3 * 10^10 different
 * cards, and who tries words waits longer with each wrong one. The words are sealed, so that a card can be printed again; they are found by a digest
 * that nobody reckons without the server's key.
 */
@Service
@Transactional
public class SignInCardsService {
    static final int WORDS = 4;
    private static final List<String> LIST = read();

    private final SignInCardsStore store;
    private final RosterService roster;
    private final CalendarService terms;
    private final SchoolCalendar calendar;
    private final Sealed sealed;
    private final HmacUtils digest;
    private final SecureRandom random = new SecureRandom();

    SignInCardsService(SignInCardsStore store, RosterService roster, CalendarService terms, SchoolCalendar calendar,
            @Value("${ladder.claim-key}") String serverKey) {
        this.store = store;
        this.roster = roster;
        this.terms = terms;
        this.calendar = calendar;
        this.sealed = new Sealed(serverKey, "card");
        this.digest = new HmacUtils(HmacAlgorithms.HMAC_SHA_256, ("card:" + serverKey).getBytes(StandardCharsets.UTF_8));
    }

    private static List<String> read() {
        try {
            return List.of(new ClassPathResource("card-words.txt").getContentAsString(StandardCharsets.UTF_8).strip().split("\\s+"));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** @param words null: none yet, or none that is good today @param ends its last day */
    public record StudentCard(StudentRef student, @Nullable List<String> words, @Nullable LocalDate ends) {}

    /** @param until to what day new ones are good */
    public record Cards(String className, LocalDate until, List<StudentCard> cards) {}

    /** Those of a class. */
    @Transactional(readOnly = true)
    public Cards view(int classId) {
        LocalDate today = calendar.today();
        Who who = new Who(Who.Kind.CLASS, classId, null);
        SchoolYear year = roster.yearOf(today, roster.school(who));
        List<Enrolled> students = roster.enrolled(who, year.id(), today);
        Map<Integer, SignInCardsStore.CardRow> cards = new HashMap<>();
        store.cards(classId, today).forEach(c -> cards.put(c.student(), c));
        return new Cards(students.isEmpty() ? "" : students.get(0).className(), until(who, year, today),
                students.stream().sorted(Comparator.comparing(Enrolled::ref, StudentRef.BY_NAME)).map(e -> {
                    SignInCardsStore.CardRow c = cards.get(e.id());
                    return new StudentCard(e.ref(), c == null ? null : open(c), c == null ? null : c.ends());
                }).toList());
    }

    private LocalDate until(Who who, SchoolYear year, LocalDate today) {
        LocalDate ends = terms.termEnds(roster.school(who), today, today).orElse(year.ends());
        return ends.isAfter(year.ends()) ? year.ends() : ends;
    }

    private List<String> open(SignInCardsStore.CardRow c) {
        return List.of(new String(sealed.open(c.sealed(), c.student()), StandardCharsets.UTF_8).split(" "));
    }

    /**
     * Makes cards.
     *
     * @param students whose old ones are good no more; null: for all of the class who have none
     */
    public Cards make(int classId, @Nullable List<Integer> students) {
        Cards before = view(classId);
        LocalDate today = calendar.today();
        Set<Integer> asked = before.cards().stream().filter(c -> students == null ? c.words() == null : students.contains(c.student().id()))
                .map(c -> c.student().id()).collect(Collectors.toSet());
        if (students != null && asked.size() < new java.util.HashSet<>(students).size()) {
            throw Refusal.notFound("One of them is not in this class. No card was made.");
        }
        store.end(classId, asked);
        for (int student : asked) {
            String words;
            do {
                words = random.ints(WORDS, 0, LIST.size()).mapToObj(LIST::get).collect(Collectors.joining(" "));
            } while (!different(words));
            store.add(student, classId, digest(words), sealed.seal(words.getBytes(StandardCharsets.UTF_8), student), today, before.until());
        }
        return view(classId);
    }

    /** A card with the same word twice looks like a slip. */
    private static boolean different(String words) {
        return new java.util.HashSet<>(List.of(words.split(" "))).size() == WORDS;
    }

    /** As words are found, however they were typed: small letters, one space between. */
    public String digest(String typed) {
        return digest.hmacHex(Stream.of(typed.toLowerCase(Locale.ROOT).split("[^a-z]+")).filter(w -> !w.isEmpty()).collect(Collectors.joining(" ")));
    }

    static List<String> list() {
        return requireNonNull(LIST);
    }
}
