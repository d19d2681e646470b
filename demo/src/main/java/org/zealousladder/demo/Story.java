package org.zealousladder.demo;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.zealousladder.demo.Probes.Course;

/**
 * A student of Kittiwake class whose course is planned, so that tests and pictures can count on it.
 *
 * @param reading standing in reading, in spreads from the average
 * @param course weekly oral reading, or null when not monitored
 */
record Story(String given, String family, String about, double reading, @Nullable Course course) {
    private static final double NEEDED = 1.25;

    static final List<Story> ALL = List.of(
            new Story("Sunniva", "Hale", "flat line", -1.15, Course.steady(56, 0.25, NEEDED)),
            new Story("Idris", "Falk", "slower than needed", -1.5, Course.steady(47, 0.62, NEEDED)),
            new Story("Pema", "Dorje", "steady climber past the goal", -0.9, Course.steady(62, 2.1, 1.1)),
            new Story("Emre", "Castellan", "one wild outlier", -0.95,
                    new Course(LocalDate.of(2025, 12, 4), DemoFiles.TODAY, 60, 1.3, NEEDED, null, 1.3, 10)),
            new Story("Zuri", "Halloran", "a plan changed in January that worked", -1.2,
                    new Course(Probes.FIRST, DemoFiles.TODAY, 54, 0.3, 1.3, LocalDate.of(2026, 1, 12), 2.2, -1)),
            new Story("Jory", "Tamsin", "four points only", -1.35,
                    new Course(LocalDate.of(2026, 2, 9), LocalDate.of(2026, 3, 2), 60, 1.4, NEEDED, null, 1.4, -1)),
            new Story("Dalia", "Stroud", "on course", -0.95, Course.steady(61, 1.36, 1.25)),
            new Story("Caspian", "Ng", "on course", -1.0, Course.steady(60, 1.38, 1.25)),
            new Story("Oskar", "Vane", "never screened in winter", 0.45, null),
            new Story("Hana", "Whitlock", "moved up a band", -0.62, null),
            new Story("Noor", "Ellery", "strong scores but gone quiet", 0.9, null),
            new Story("Yusra", "Penhale", "long hours yet falling", 0.1, null),
            new Story("Marit", "Solano", "moved from Fulmar in November", 0.2, null),
            new Story("Ilse", "Marrow", "left in December", -0.2, null));

    boolean is(String what) {
        return about.equals(what);
    }

    /** The story of {@code p}, or null. */
    static @Nullable Story of(Pupil p) {
        return Skerrow.BY_NAME.get(p.given() + " " + p.family());
    }
}
