package org.zealousladder.server.measures.ladders;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.zealousladder.server.ScreeningTest;
import org.zealousladder.server.TestServer;
import org.zealousladder.server.exchange.records.ImportResult;
import org.zealousladder.server.measures.ladders.DrawnLadder.DrawnBand;
import org.zealousladder.server.measures.measures.Measure;
import org.zealousladder.server.measures.measures.MeasuresService;
import org.zealousladder.server.platform.who.Viewer;

/** A ladder that the form would refuse is refused in a file, and one that the form takes is taken: the rule is said in Java and in SQL. */
class LadderDoorsTest extends ScreeningTest {
    private static final List<String> WINDOWS = List.of("Autumn", "Winter", "Spring");
    /** One for each grade from 0 to 13 and each window. */
    private static final int LADDERS = 42;

    @Autowired
    private MeasuresService measures;

    @Test
    void theFormAndTheFileAgree() {
        take("set,set_title,set_kind", "doors,Two doors,trial");
        Measure maze = measures.measure(measure("maze"));
        Random random = new Random(20260313);
        int wrong = 0;
        for (int i = 0; i < LADDERS; i++) {
            List<DrawnBand> bands = drawn(random, maze);
            List<String> lines = new ArrayList<>(List.of("measure,grade,year,window,band,tier,from_score,set"));
            for (DrawnBand b : bands) {
                lines.add("maze," + i / WINDOWS.size() + ",2025-26," + WINDOWS.get(i % WINDOWS.size()) + "," + b.name() + "," + b.tier() + ","
                        + (b.fromScore() == null ? "" : b.fromScore()) + ",doors");
            }
            signInHere(Viewer.SYSTEM);
            ImportResult result = imports.take(TestServer.csv(lines.toArray(String[]::new)));
            String problem = LadderEditor.problem(bands, maze).orElse(null);
            assertEquals(problem == null ? 0 : bands.size(), result.refused(), bands + ": " + problem + "; file: " + result.refusals());
            wrong += problem == null ? 0 : 1;
        }
        assertTrue(wrong > 10 && wrong < LADDERS - 10, "both kinds were tried: " + wrong + " of " + LADDERS);
    }

    /** In order from below, as a file has no other order; with one thing wrong in about half of them. */
    private static List<DrawnBand> drawn(Random random, Measure measure) {
        int size = 2 + random.nextInt(7);
        int tiers = 1 + random.nextInt(5);
        List<Double> cuts = new ArrayList<>(random.doubles(size - 1, measure.lowest(), measure.highest()).map(Math::rint).boxed().distinct().sorted().toList());
        List<DrawnBand> bands = new ArrayList<>(List.of(new DrawnBand("Band 0", tiers, null)));
        for (int i = 0; i < cuts.size(); i++) {
            bands.add(new DrawnBand("Band " + (i + 1), Math.max(1, tiers - i - 1), cuts.get(i)));
        }
        DrawnBand last = bands.get(bands.size() - 1);
        switch (random.nextInt(14)) {
            case 0 -> replace(bands, new DrawnBand(last.name(), 0, last.fromScore()));
            case 1 -> bands.set(0, new DrawnBand("Band 0", 6, null));
            case 2 -> replace(bands, new DrawnBand(last.name(), tiers + 1, last.fromScore()));
            case 3 -> replace(bands, new DrawnBand(" bAND 0", last.tier(), last.fromScore()));
            case 4 -> replace(bands, new DrawnBand(last.name(), last.tier(), measure.highest() + 1));
            case 5 -> replace(bands, new DrawnBand(last.name(), last.tier(), null));
            case 6 -> bands.removeIf(b -> b.fromScore() != null);
            case 7 -> bands.set(0, new DrawnBand("Band 0", tiers, measure.lowest() - 1));
            default -> assertTrue(bands.size() > 1, "nothing wrong with it");
        }
        return bands;
    }

    private static void replace(List<DrawnBand> bands, DrawnBand last) {
        bands.set(bands.size() - 1, last);
    }
}
