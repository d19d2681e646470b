package org.zealousladder.server.learning.items;

import java.time.Duration;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.platform.files.ContentType;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.texts.Slug;
import org.zealousladder.server.platform.who.Viewer;

/** A school's own bank: items typed here and read from packages, and their pictures. */
@Service
@Transactional
public class BankService {
    private static final int LARGEST_PICTURE = 1_000_000;

    private final BankStore store;
    private final ItemsStore items;

    BankService(BankStore store, ItemsStore items) {
        this.store = store;
        this.items = items;
    }

    /** An item of the bank. @param answered by how many students @param mayChange whether the viewer may change it */
    public record BankItem(Item item, int answered, boolean mayChange) {}

    /** How many items there are that ask for a skill. */
    public record SkillItems(int skill, int items) {}

    /** @param more whether there are others than these @param bySkill of all that there are, whatever was asked for */
    public record Bank(List<BankItem> items, boolean more, List<SkillItems> bySkill) {}

    /**
     * Items that can be asked here, those with the fewest answers last.
     *
     * @param skills null: whatever they ask for
     * @param words in the prompt; null: any
     */
    @Transactional(readOnly = true)
    public Bank bank(int school, @Nullable List<Integer> skills, @Nullable String words, int most) {
        List<BankStore.Found> found = store.find(school, skills, words == null || words.isBlank() ? null : words.strip(), most + 1);
        List<BankStore.Found> shown = found.subList(0, Math.min(most, found.size()));
        var whole = items.items(shown.stream().map(BankStore.Found::id).toList()).stream()
                .collect(java.util.stream.Collectors.toMap(Item::id, i -> i));
        boolean own = items.mayWrite(school);
        boolean every = items.mayWrite(null);
        return new Bank(
                shown.stream().map(f -> new BankItem(Objects.requireNonNull(whole.get(f.id())), f.answered(), f.schoolId() == null ? every : own)).toList(),
                found.size() > most, store.bySkill(school));
    }

    /** @return its id */
    public int add(ItemForm typed) {
        return add(typed, null);
    }

    /** @param identifier what a package calls it; one that is on record under it is written anew */
    public int add(ItemForm typed, @Nullable String identifier) {
        ItemForm f = typed.ready();
        require(f.school());
        known(f);
        String code = Slug.of(f.prompt());
        return store.add(f, store.code(code), identifier);
    }

    /** @throws Refusal 409 when it was answered: what was asked stays as it was */
    public void change(int id, ItemForm typed) {
        Item before = own(id);
        ItemForm f = typed.ready();
        known(f);
        if (store.answered(id) && !sameAsked(before, f)) {
            throw Refusal.conflict("Students have answered it already, so what is asked and what is right stay as they are. Make a copy and change that. "
                    + "Nothing was saved.");
        }
        store.change(id, f);
    }

    /** What may change after answers have come: the skills, and the mistakes that wrong answers show. */
    private static boolean sameAsked(Item before, ItemForm f) {
        return before.kind().equals(f.kind()) && before.prompt().equals(f.prompt()) && before.body().equals(f.body()) && before.possible() == f.possible()
                && worth(before.keys()).equals(worth(f.keys()));
    }

    private static Set<String> worth(List<Item.ItemKey> keys) {
        Set<String> all = new HashSet<>();
        keys.stream().filter(k -> k.share() > 0).forEach(k -> all.add(k.answer() + "=" + k.share()));
        return all;
    }

    /** Those that are in the school's bank, of what packages call them. */
    @Transactional(readOnly = true)
    public List<String> known(int school, List<String> identifiers) {
        return store.known(school, identifiers);
    }

    @Transactional(readOnly = true)
    public Optional<Integer> byIdentifier(int school, String identifier) {
        return store.byIdentifier(school, identifier);
    }

    /** It is asked no more; what was answered stays. */
    public void end(int id, boolean ended) {
        own(id);
        store.end(id, ended);
    }

    private Item own(int id) {
        Item item = items.items(List.of(id)).stream().findFirst().orElseThrow(() -> Refusal.notFound("There is no such item."));
        require(item.schoolId());
        return item;
    }

    /** @throws Refusal 403 for whoever may not write items of the school */
    public void require(@Nullable Integer school) {
        if (!items.mayWrite(school)) {
            throw Refusal.forbidden(school == null ? "Items for every school are an administrator's. Nothing was saved."
                    : "Items of another school are not yours to change. Nothing was saved.");
        }
    }

    private void known(ItemForm f) {
        if (!store.knowsPictures(f.pictures())) {
            throw Refusal.invalid("picture", "One of its pictures is not there any more. Choose it again. Nothing was saved.");
        }
        if (!store.knowsSkills(f.skills())) {
            throw Refusal.invalid("skills", "One of its skills is not taught any more. Choose another. Nothing was saved.");
        }
    }

    /**
     * Keeps a picture.
     *
     * @param content its bytes, which say what it is
     * @param words for whoever does not see it
     */
    public int addPicture(@Nullable Integer school, byte[] content, String words) {
        require(school);
        String type = type(content);
        if (type == null) {
            throw Refusal.invalid("picture", "That is no picture in one of the usual forms: PNG, JPEG, GIF or WebP. Nothing was saved.");
        }
        if (content.length > LARGEST_PICTURE) {
            throw Refusal.invalid("picture", "The picture is larger than 1 MB. Make it smaller first. Nothing was saved.");
        }
        if (words.isBlank() || words.length() > 300) {
            throw Refusal.invalid("words", "Say in a few words what is on the picture, for whoever does not see it. Nothing was saved.");
        }
        return store.addPicture(school, type, content, words.strip(), Viewer.current().id());
    }

    /** Whether it is a picture that can be kept. */
    public static boolean canBeShown(byte[] content) {
        return type(content) != null && content.length <= LARGEST_PICTURE;
    }

    static @Nullable String type(byte[] content) {
        return ContentType.of(content).filter(ContentType::picture).map(ContentType::mediaType).orElse(null);
    }

    /** A picture as it is served. */
    public record Picture(String type, byte[] content, String words) {}

    @Transactional(readOnly = true)
    public Picture picture(int id) {
        return store.picture(id).orElseThrow(() -> Refusal.notFound("There is no such picture."));
    }

    /** A picture never changes under its number; it is shown, and never run. */
    public static ResponseEntity<byte[]> served(Picture p) {
        return ResponseEntity.ok().contentType(MediaType.parseMediaType(p.type())).cacheControl(CacheControl.maxAge(Duration.ofDays(30)).cachePrivate())
                .header("Content-Disposition", "inline").header("X-Content-Type-Options", "nosniff").body(p.content());
    }
}
