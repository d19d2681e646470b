package org.zealousladder.server.overview.nextyear;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Next year as somebody wants it.
 *
 * @param year the one that ends
 * @param name of the next one, with its days; of one that is there already these are not asked
 * @param classes one for each class that goes on
 * @param others students who do not go where their class goes
 * @param windows whether the windows are copied
 * @param cuts whether cut scores are copied to them
 */
record NextYearForm(int school, int year, @NotBlank(message = "give it a name") @Size(max = 40) String name,
        @NotNull(message = "give the first day") LocalDate starts,
        @NotNull(message = "give the last day") LocalDate ends, @NotNull @Size(max = 500) List<@Valid ClassNext> classes,
        @NotNull @Size(max = 5000) List<@Valid StudentNext> others, boolean windows, boolean cuts) {

    /**
     * @param from the class of the year that ends
     * @param teachers whether its teachers go with it
     */
    record ClassNext(int from, @NotBlank(message = "give every class a name") @Size(max = 60, message = "is too long") String name, int grade,
            boolean teachers) {}

    /** @param to the class of the year that ends whose next class it is; null for who leaves the school */
    record StudentNext(int student, @Nullable Integer to) {}
}
