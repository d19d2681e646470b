package org.zealousladder.demo;

import java.util.Random;

/** A made-up student's hidden standing: in reading, maths and writing, in spreads from the average. */
record Pupil(String code, String given, String family, double reading, double maths, double writing) {

    static Pupil draw(String code, String given, String family, Random random) {
        double general = random.nextGaussian();
        return new Pupil(code, given, family, mix(general, random), mix(general, random), mix(general, random));
    }

    private static double mix(double general, Random random) {
        return 0.75 * general + 0.66 * random.nextGaussian();
    }

    double standing(MeasureBook.Entry m) {
        return switch (m.area()) {
            case "Reading" -> reading;
            case "Maths" -> maths;
            default -> writing;
        };
    }

    /** A screening score of this student. */
    int score(MeasureBook.Entry m, int grade, int season, Random random) {
        double value = m.average(grade, season) + m.spread() * standing(m) + m.sem() * random.nextGaussian();
        return (int) Math.max(m.lowest(), Math.min(m.highest(), Math.round(value)));
    }
}
