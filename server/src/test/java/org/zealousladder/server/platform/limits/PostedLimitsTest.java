package org.zealousladder.server.platform.limits;

import static org.junit.jupiter.api.Assertions.assertDoesNotThrow;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import jakarta.validation.constraints.Size;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.zealousladder.server.platform.problems.Refusal;

class PostedLimitsTest {
    record Inner(@Nullable String note) {}

    record Form(@Nullable String name, @Nullable @Size(max = 10_000) String passage, @Nullable List<Integer> students, @Nullable List<Inner> parts,
            @Nullable Map<String, String> more) {}

    private static final String LONG = "x".repeat(PostedLimits.LETTERS + 1);

    private static String refused(Object form) {
        return String.valueOf(assertThrows(Refusal.class, () -> PostedLimits.check(form, "", false)).field());
    }

    @Test
    void aTextHasALimitWhereverItStands() {
        assertEquals("name", refused(new Form(LONG, null, null, null, null)));
        assertEquals("note", refused(new Form(null, null, null, List.of(new Inner("fine"), new Inner(LONG)), null)));
        assertEquals("more", refused(new Form(null, null, null, null, Map.of("a", LONG))));
        assertEquals("more", refused(new Form(null, null, null, null, Map.of(LONG, "a"))));
    }

    @Test
    void aListHasALimit() {
        assertEquals("students", refused(new Form(null, null, Collections.nCopies(PostedLimits.ITEMS + 1, 7), null, null)));
    }

    @Test
    void whatAFormDeclaresItselfIsItsOwnMatter() {
        assertDoesNotThrow(() -> PostedLimits.check(new Form(null, LONG, null, null, null), "", false));
    }

    @Test
    void whatIsWithinTheLimitsComesThrough() {
        assertDoesNotThrow(() -> PostedLimits.check(new Form("x".repeat(PostedLimits.LETTERS), null, Collections.nCopies(PostedLimits.ITEMS, 7),
                List.of(new Inner(null)), Map.of("a", "b")), "", false));
        assertDoesNotThrow(() -> PostedLimits.check(null, "", false));
    }
}
