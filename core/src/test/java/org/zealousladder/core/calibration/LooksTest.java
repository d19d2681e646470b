package org.zealousladder.core.calibration;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.OptionalInt;
import java.util.SplittableRandom;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.zealousladder.core.ScoreSeries;
import org.zealousladder.core.decisions.Rule;
import org.zealousladder.core.decisions.RuleSettings;
import org.zealousladder.core.growth.SteadyGrowth;
import org.zealousladder.core.growth.SteadyPopulation;
import org.zealousladder.core.growth.Trend;

/** Looking every week tells few a wrong thing, and nearly all the right one; what is said to settle a range does. */
class LooksTest {
    private static final RuleSettings STANDARD = RuleSettings.standard(Rule.CHANCE);

    @Test
    void thresholdsBeginStrictAndEndAtTheSettings() {
        List<Looks.Look> all = new Looks(World.INDEPENDENT, 12, 20, 1, STANDARD).all();
        assertEquals(6, all.get(0).scores());
        assertEquals(5, all.get(0).week());
        assertEquals(16, all.size());
        assertEquals(0.25 * 36 / 441, all.get(0).changeAtMost(), 1e-12);
        assertEquals(1 - 0.25 * 36 / 441, all.get(0).raiseAtLeast(), 1e-12);
        assertEquals(new Looks.Look(21, 20, 1, 0.25, 0.75), all.get(15));
        List<Looks.Look> fortnightly = new Looks(World.INDEPENDENT, 12, 20, 2, STANDARD).all();
        assertEquals(10, fortnightly.get(0).week());
        assertEquals(6 / 11.0, fortnightly.get(0).share(), 1e-12);
        assertEquals(6, fortnightly.size());
        assertThrows(IllegalArgumentException.class, () -> new Looks(World.INDEPENDENT, 12, 1, 2, STANDARD));
    }

    static Stream<World> worlds() {
        return Stream.of(World.INDEPENDENT, World.SHARED);
    }

    /** Of six who would meet their goal at most 0.8 are ever told to change; of six who would miss it at least five are; raising likewise. */
    @ParameterizedTest
    @MethodSource("worlds")
    void lookingEveryWeekForTwentyWeeks(World world) {
        Looks.Outcome o = new Looks(world, 12, 20, 1, STANDARD).simulate(40, 1);
        assertEquals(480, o.wouldMeet().n() + o.wouldMiss().n());
        assertTrue(6.0 * o.wouldMeet().change() / o.wouldMeet().n() <= 0.8, o + "");
        assertTrue(6.0 * o.wouldMiss().change() / o.wouldMiss().n() >= 5, o + "");
        assertTrue(6.0 * o.wouldMiss().raise() / o.wouldMiss().n() <= 0.8, o + "");
        assertTrue(6.0 * o.wouldMeet().raise() / o.wouldMeet().n() >= 5, o + "");
    }

    @Test
    void asManyScoresAsWereSaidHalveTheRangeInEightOfTenCases() {
        for (World world : List.of(World.INDEPENDENT, World.AUTOCORRELATED)) {
            SplittableRandom random = new SplittableRandom(23);
            int said = 0;
            int held = 0;
            for (int c = 0; c < 10; c++) {
                List<World.Student> room = world.classroom(random, 12, 40);
                SteadyPopulation now = pool(room, 8);
                for (int k = 0; k < 12; k += 3) {
                    ScoreSeries own = room.get(k).series();
                    Trend.Fitted trend = (Trend.Fitted) now.fit(own.first(8));
                    OptionalInt more = now.toHalve(own.first(8), trend, 1, 32);
                    if (more.isPresent()) {
                        int n = 8 + more.getAsInt();
                        said++;
                        held += ((Trend.Fitted) pool(room, n).fit(own.first(n))).slopeSe() <= trend.slopeSe() / 2 ? 1 : 0;
                    }
                }
            }
            assertTrue(said >= 40 && held >= 0.8 * said, world.name() + ": " + held + " of " + said);
        }
    }

    private static SteadyPopulation pool(List<World.Student> room, int scores) {
        SteadyGrowth growth = new SteadyGrowth();
        room.forEach(s -> growth.add(s.series().first(scores)));
        return growth.fit().orElseThrow();
    }
}
