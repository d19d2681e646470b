package org.zealousladder.server.learning.taking;

import static java.util.Objects.requireNonNull;

import java.security.SecureRandom;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Base64;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.apache.commons.codec.digest.DigestUtils;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import org.zealousladder.server.learning.answers.AnswerKeeping;
import org.zealousladder.server.learning.checks.ChecksService;
import org.zealousladder.server.learning.checks.SignInCardsService;
import org.zealousladder.server.learning.items.BankService;
import org.zealousladder.server.learning.items.Check;
import org.zealousladder.server.learning.items.Item;
import org.zealousladder.server.learning.items.ItemBody;
import org.zealousladder.server.learning.items.ItemsService;
import org.zealousladder.server.learning.taking.Taking.Sheet;
import org.zealousladder.server.learning.taking.Taking.SheetItem;
import org.zealousladder.server.learning.taking.Taking.SheetOption;
import org.zealousladder.server.learning.taking.Taking.SheetPicture;
import org.zealousladder.server.learning.taking.Taking.TakenAnswer;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.school.people.SignInPauses;

/** Signs students in by their cards, shows them their checks and keeps what they answer. */
@Service
@Transactional
class TakingService {
    static final Duration LASTS = Duration.ofHours(12);
    private static final int TOKEN = 24;

    private final TakingStore store;
    private final SignInCardsService cards;
    private final ItemsService items;
    private final BankService bank;
    private final AnswerKeeping keeping;
    private final SchoolCalendar calendar;
    private final Clock clock;
    private final TransactionTemplate transaction;
    private final SecureRandom random = new SecureRandom();

    TakingService(TakingStore store, SignInCardsService cards, ItemsService items, BankService bank, AnswerKeeping keeping, SchoolCalendar calendar,
            Clock clock,
            PlatformTransactionManager transactions) {
        this.store = store;
        this.cards = cards;
        this.items = items;
        this.bank = bank;
        this.keeping = keeping;
        this.calendar = calendar;
        this.clock = clock;
        this.transaction = new TransactionTemplate(transactions);
    }

    /**
     * A wrong try is counted whatever becomes of the request.
     *
     * @param place where it comes from
     * @return what the browser keeps
     * @throws Refusal 401 for words of no card, 429 with the seconds to wait after many
     */
    @Transactional(propagation = org.springframework.transaction.annotation.Propagation.NOT_SUPPORTED)
    String signIn(String words, String place) {
        String digest = cards.digest(words);
        Object tried = requireNonNull(transaction.execute(t -> {
            store.oneAtATime(place);
            Duration left = SignInPauses.PLACE.left(store.failures(place, SignInPauses.MEMORY.toSeconds()), clock.instant());
            if (!left.isZero()) {
                return left;
            }
            Optional<Integer> card = store.card(digest, calendar.today());
            store.tried(place, card.isPresent());
            return card;
        }));
        if (tried instanceof Duration left) {
            long seconds = left.toSeconds() + 1;
            throw new Refusal(HttpStatus.TOO_MANY_REQUESTS, "too-many", null,
                    "There were many wrong words here. Wait " + (seconds < 60 ? seconds + " seconds" : seconds / 60 + 1 + " minutes") + " and try again.")
                    .retryAfter(seconds);
        }
        Integer card = (Integer) ((Optional<?>) tried).orElse(null);
        if (card == null) {
            throw new Refusal(HttpStatus.UNAUTHORIZED, "card", null, "These are not the words of a card that is good today. Look at your card again.");
        }
        byte[] token = new byte[TOKEN];
        random.nextBytes(token);
        String session = Base64.getUrlEncoder().withoutPadding().encodeToString(token);
        transaction.executeWithoutResult(t -> store.begin(DigestUtils.sha256Hex(session), card, LASTS.toHours()));
        return session;
    }

    /** Who carries it. */
    @Transactional(readOnly = true)
    public Optional<Taker> taker(String session) {
        return store.taker(DigestUtils.sha256Hex(session), calendar.today());
    }

    void signOut(String session) {
        store.end(DigestUtils.sha256Hex(session));
    }

    Taking view(Taker taker) {
        return new Taking(taker.card(), taker.name(), taker.className(), store.checks(taker.student(), calendar.today()));
    }

    private TakingStore.Given given(Taker taker, int giving) {
        return store.given(taker.student(), giving)
                .orElseThrow(() -> Refusal.notFound("That check is not among yours."));
    }

    /** Begins a check, or goes on with it. */
    Sheet begin(Taker taker, int giving) {
        TakingStore.Given g = given(taker, giving);
        LocalDate today = calendar.today();
        if (g.endedAt() != null || today.isAfter(g.ends()) || today.isBefore(g.starts())) {
            throw Refusal.conflict("That check is not open today.");
        }
        if (g.sitting() == null) {
            store.start(taker.student(), giving);
            g = given(taker, giving);
        }
        long sitting = requireNonNull(g.sitting());
        Check check = requireNonNull(items.checks(List.of(g.checkId())).get(g.checkId()));
        Map<Integer, Item> all = items.items(check.items().stream().map(Check.Place::item).toList());
        List<Item> asked = new ArrayList<>(check.items().stream().map(p -> requireNonNull(all.get(p.item()))).toList());
        if (check.shuffle()) {
            Collections.shuffle(asked, new Random(sitting));
        }
        Map<Integer, String> words = store.pictures(asked.stream().flatMap(TakingService::pictures).collect(Collectors.toSet()));
        Instant now = clock.instant();
        Integer left = check.minutes() == null ? null
                : (int) Math.max(0, check.minutes() * 60L - Duration.between(requireNonNull(g.startedAt()).toInstant(), now).toSeconds());
        return new Sheet(giving, check.name(), left, g.doneAt() != null,
                asked.stream().map(i -> shown(i, sitting, words)).toList(), store.answers(sitting, taker.student()), now.toEpochMilli());
    }

    private static Stream<Integer> pictures(Item i) {
        return Stream.concat(Stream.ofNullable(i.body().picture()),
                Stream.concat(i.body().options().stream(), i.body().targets().stream()).flatMap(o -> Stream.ofNullable(o.picture())));
    }

    /** What is put in order or matched stands in an order of chance, the same at every look. */
    private static SheetItem shown(Item i, long sitting, Map<Integer, String> words) {
        List<SheetOption> options = new ArrayList<>(i.body().options().stream().map(o -> option(o, words)).toList());
        List<SheetOption> targets = new ArrayList<>(i.body().targets().stream().map(o -> option(o, words)).toList());
        Random chance = new Random(sitting * 31 + i.id());
        if (i.kind().equals("order")) {
            List<SheetOption> typed = List.copyOf(options);
            Collections.shuffle(options, chance);
            if (options.equals(typed)) {
                Collections.rotate(options, 1);
            }
        }
        Collections.shuffle(targets, chance);
        return new SheetItem(i.id(), i.kind(), i.prompt(), picture(i.body().picture(), words), options, targets);
    }

    private static SheetOption option(ItemBody.ItemOption o, Map<Integer, String> words) {
        return new SheetOption(o.id(), o.text(), picture(o.picture(), words));
    }

    private static @Nullable SheetPicture picture(@Nullable Integer id, Map<Integer, String> words) {
        return id == null ? null : new SheetPicture(id, words.getOrDefault(id, ""));
    }

    /**
     * Keeps an answer. One that was given while the check was open is kept whenever it comes.
     *
     * @return the sitting, where it was done before
     */
    Optional<Long> answer(Taker taker, int giving, TakenAnswer a) {
        TakingStore.Given g = given(taker, giving);
        if (g.sitting() == null) {
            throw Refusal.conflict("That check was not begun.");
        }
        Instant closed = closed(g);
        if (closed != null && a.told() > closed.toEpochMilli()) {
            throw Refusal.conflict(g.doneAt() != null ? "This check is handed in already." : "This check is closed. Tell your teacher.");
        }
        Check check = requireNonNull(items.checks(List.of(g.checkId())).get(g.checkId()));
        if (check.items().stream().noneMatch(p -> p.item() == a.item())) {
            throw Refusal.notFound("That is not asked in this check.");
        }
        Item item = requireNonNull(items.items(List.of(a.item())).get(a.item()));
        Integer seconds = a.seconds() == null ? null : Math.max(0, Math.min(360_000, a.seconds()));
        // A device whose clock runs ahead is never ahead of now.
        keeping.keep(new AnswerKeeping.Given(g.sitting(), taker.student(), check.id(), item.id(), ChecksService.kept(item, a.answer()), null, seconds,
                Math.min(a.told(), clock.millis()), "check"));
        return g.doneAt() == null ? Optional.empty() : Optional.of(g.sitting());
    }

    /** The moment after which nothing is answered any more; null while it is open. */
    private @Nullable Instant closed(TakingStore.Given g) {
        Instant last = calendar.today().isAfter(g.ends()) ? g.ends().plusDays(1).atStartOfDay(calendar.zone()).toInstant() : null;
        return Stream.of(Optional.ofNullable(last), Optional.ofNullable(g.endedAt()).map(java.time.OffsetDateTime::toInstant),
                Optional.ofNullable(g.doneAt()).map(java.time.OffsetDateTime::toInstant)).flatMap(Optional::stream).min(Instant::compareTo).orElse(null);
    }

    /** That was all. @return the sitting, where it was not done before */
    Optional<Long> done(Taker taker, int giving, boolean ranOut) {
        TakingStore.Given g = given(taker, giving);
        if (g.sitting() == null) {
            throw Refusal.conflict("That check was not begun.");
        }
        if (!store.done(g.sitting(), taker.student(), ranOut ? "time" : "student")) {
            return Optional.empty();
        }
        // What the time left no room for says nothing of whether it could have been answered.
        if (!ranOut) {
            keeping.leftOut(g.sitting(), taker.student(), g.checkId(), "check");
        }
        return Optional.of(g.sitting());
    }

    /** A picture of an item in a check that was given to the student. */
    @Transactional(readOnly = true)
    public BankService.Picture picture(Taker taker, int id) {
        Set<Integer> asked = items.checks(store.checksOf(taker.student())).values().stream().flatMap(c -> c.items().stream()).map(Check.Place::item)
                .collect(Collectors.toSet());
        if (items.items(asked).values().stream().flatMap(TakingService::pictures).noneMatch(p -> p == id)) {
            throw Refusal.notFound("There is no such picture.");
        }
        return bank.picture(id);
    }

    @Scheduled(cron = "0 43 4 * * *")
    void forgetOld() {
        Viewer.SYSTEM.run(() -> transaction.executeWithoutResult(t -> store.forgetOld()));
    }
}
