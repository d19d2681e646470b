package org.zealousladder.server.measures.measures;

import jakarta.validation.constraints.NotBlank;
import org.jspecify.annotations.Nullable;

/** The properties of a measure that can be changed, as they are sent. */
public record MeasureForm(int id, @NotBlank(message = "give it a name") String name, @NotBlank(message = "say the area") String area,
        @NotBlank(message = "say the unit") String unit, double lowest, double highest, int decimals, @Nullable Double sem) {

    public static MeasureForm of(Measure m) {
        return new MeasureForm(m.id(), m.ownName(), m.area(), m.unit(), m.lowest(), m.highest(), m.decimals(), m.sem());
    }

    MeasureForm stripped() {
        return new MeasureForm(id, name.strip(), area.strip(), unit.strip(), lowest, highest, decimals, sem);
    }
}
