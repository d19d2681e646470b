package org.zealousladder.server.measures.ladders;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.bands.Band;
import org.zealousladder.core.bands.BandLadder;
import org.zealousladder.server.measures.ladders.DrawnLadder.DrawnBand;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.windows.Window;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.platform.words.Words;

/** Checks and keeps changed ladders and sets. A ladder is replaced whole; the one before stays for as-of views. */
@Service
@Transactional
public class LadderEditor {
    private final LaddersStore store;
    private final SchoolCalendar calendar;

    LadderEditor(LaddersStore store, SchoolCalendar calendar) {
        this.store = store;
        this.calendar = calendar;
    }

    /** What is wrong with a ladder, in a sentence; empty when it can be used. */
    public static Optional<String> problem(List<DrawnBand> bands, Measure measure) {
        if (bands.size() < BandLadder.FEWEST || bands.size() > BandLadder.MOST) {
            return Optional.of("A ladder has " + BandLadder.FEWEST + " to " + BandLadder.MOST + " bands; this one has " + bands.size() + ".");
        }
        for (int i = 0; i < bands.size(); i++) {
            DrawnBand band = bands.get(i);
            String name = band.name() == null ? "" : band.name().strip();
            if (name.isEmpty()) {
                return Optional.of("Every band needs a name; number " + (i + 1) + " from below has none.");
            }
            if (bands.subList(0, i).stream().anyMatch(b -> b.name().strip().equalsIgnoreCase(name))) {
                return Optional.of("Two bands are called '" + name + "'. Give each its own name.");
            }
            if (band.tier() < 1 || band.tier() > Band.MOST_TIER) {
                return Optional.of("A tier is a whole number from 1 to " + Band.MOST_TIER + "; " + name + " has " + band.tier() + ".");
            }
            if (i > 0 && band.tier() > bands.get(i - 1).tier()) {
                return Optional.of(name + " stands above " + bands.get(i - 1).name() + " but would get more support (tier " + band.tier() + ").");
            }
            if ((i == 0) != (band.fromScore() == null)) {
                return Optional.of(i == 0 ? "The lowest band has no cut score; it begins at the bottom." : name + " needs the score with which it begins.");
            }
            if (i > 0 && !(band.fromScore() >= measure.lowest() && band.fromScore() <= measure.highest())) {
                return Optional.of(name + " would begin at " + Words.plain(band.fromScore()) + "; " + measure.name() + " runs from "
                        + Words.plain(measure.lowest()) + " to " + Words.plain(measure.highest()) + ".");
            }
            if (i > 1 && measure.direction().sign() * (band.fromScore() - requireNonNull(bands.get(i - 1).fromScore())) <= 0) {
                return Optional.of("The cut scores are out of order: " + name + " begins at " + Words.plain(band.fromScore()) + ", "
                        + bands.get(i - 1).name() + " at " + Words.plain(requireNonNull(bands.get(i - 1).fromScore())) + ".");
            }
        }
        return Optional.empty();
    }

    /** Of bands without a problem. */
    public static BandLadder ladder(List<DrawnBand> bands, Measure measure) {
        return BandLadder.of(bands.stream().map(b -> new Band(b.name().strip(), b.tier())).toList(),
                bands.stream().skip(1).mapToDouble(DrawnBand::fromScore).toArray(), measure.direction());
    }

    /** Where a ladder stands: in a set there is one for a measure, a grade and a window. */
    public record Place(CutSet set, Measure measure, int grade, Window window) {}

    /** @param seen the ladder that was changed; somebody else's change meanwhile is a conflict */
    public void save(Place place, @Nullable Integer seen, List<DrawnBand> bands, @Nullable String reason) {
        problem(bands, place.measure()).ifPresent(sentence -> {
            throw Refusal.invalid("bands", sentence + " Nothing was saved.");
        });
        Integer current = store.currentLadder(place).orElse(null);
        if (!Objects.equals(current, seen) || (current != null && !store.supersedeLadder(current, calendar.today()))) {
            throw Refusal.conflict("Somebody else has changed these cut scores meanwhile. Yours were not saved; look at the new ones first.");
        }
        List<DrawnBand> clean = bands.stream().map(b -> new DrawnBand(b.name().strip(), b.tier(), b.fromScore())).toList();
        LocalDate today = calendar.today();
        LocalDate from = current == null && place.window().starts().isBefore(today) ? place.window().starts() : today;
        store.insertLadder(place, clean, new LaddersStore.Version(from, Viewer.current().id(), Words.orNull(reason)));
    }

    public void choose(CutSet set, int school) {
        store.chooseDefault(school, set.id(), calendar.today(), Viewer.current().id());
    }

    public int create(String name, SetKind kind, int school, int copyOf) {
        if (name.isEmpty()) {
            throw Refusal.invalid("name", "Give the set a name.");
        }
        String code = name.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N}]+", "-") + "-" + school;
        int id = store.insertSet(code, name, kind, school, null);
        store.copyLadders(copyOf, id, calendar.today(), Viewer.current().id());
        return id;
    }
}
