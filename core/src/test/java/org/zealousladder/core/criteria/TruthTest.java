package org.zealousladder.core.criteria;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.zealousladder.core.criteria.Truth.CANNOT_TELL;
import static org.zealousladder.core.criteria.Truth.NO;
import static org.zealousladder.core.criteria.Truth.YES;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** The tables of Kleene's strong logic, and that counting agrees with what every way of settling the doubt would give. */
class TruthTest {
    @Test
    void tables() {
        assertEquals(List.of(NO, YES, CANNOT_TELL), List.of(YES.not(), NO.not(), CANNOT_TELL.not()));
        Truth[][] and = {{YES, NO, CANNOT_TELL}, {NO, NO, NO}, {CANNOT_TELL, NO, CANNOT_TELL}};
        Truth[][] or = {{YES, YES, YES}, {YES, NO, CANNOT_TELL}, {YES, CANNOT_TELL, CANNOT_TELL}};
        for (Truth a : Truth.values()) {
            for (Truth b : Truth.values()) {
                assertEquals(and[a.ordinal()][b.ordinal()], Truth.all(List.of(a, b)), a + " and " + b);
                assertEquals(or[a.ordinal()][b.ordinal()], Truth.any(List.of(a, b)), a + " or " + b);
            }
        }
        assertEquals(YES, Truth.all(List.of()));
        assertEquals(NO, Truth.any(List.of()));
        assertEquals(List.of(YES, NO, CANNOT_TELL), List.of(Truth.of(true), Truth.of(false), Truth.of(null)));
    }

    @Test
    void atLeastIsWhatHoldsHoweverTheDoubtIsSettled() {
        for (int code = 0; code < 81; code++) {
            List<Truth> four = new ArrayList<>();
            for (int k = 0, c = code; k < 4; k++, c /= 3) {
                four.add(Truth.values()[c % 3]);
            }
            for (int n = 1; n <= 4; n++) {
                assertEquals(settled(four, n), Truth.atLeast(n, four), four + " at least " + n);
            }
        }
    }

    private static Truth settled(List<Truth> of, int n) {
        boolean can = false;
        boolean must = true;
        for (int way = 0; way < 16; way++) {
            int yes = 0;
            for (int k = 0; k < 4; k++) {
                Truth t = of.get(k);
                yes += t == YES || t == CANNOT_TELL && (way >> k & 1) == 1 ? 1 : 0;
            }
            can |= yes >= n;
            must &= yes >= n;
        }
        return must ? YES : can ? CANNOT_TELL : NO;
    }
}
