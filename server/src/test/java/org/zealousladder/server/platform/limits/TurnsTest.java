package org.zealousladder.server.platform.limits;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.http.HttpStatus;
import org.zealousladder.server.platform.limits.Turns.Allowance;
import org.zealousladder.server.platform.limits.Turns.Turn;
import org.zealousladder.server.platform.problems.Refusal;

class TurnsTest {
    @Test
    void afterTheBurstOneWaitsAndTheOthersDoNot() {
        Turns turns = new Turns(new Allowance(5, 1, 100));
        for (int i = 0; i < 5; i++) {
            turns.take("a").close();
        }
        Refusal refusal = assertThrows(Refusal.class, () -> turns.take("a"));
        assertEquals(HttpStatus.TOO_MANY_REQUESTS, refusal.status());
        turns.take("b").close();
    }

    @Test
    void onlySoManyAreAnsweredAtOnceAndAPlaceIsGivenBack() {
        Turns turns = new Turns(new Allowance(100, 100, 3));
        List<Turn> open = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            open.add(turns.take("a"));
        }
        assertThrows(Refusal.class, () -> turns.take("a"));
        turns.take("b").close();
        open.get(0).close();
        turns.take("a").close();
    }
}
