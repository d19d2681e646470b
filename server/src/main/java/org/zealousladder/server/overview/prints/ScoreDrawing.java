package org.zealousladder.server.overview.prints;

import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.zealousladder.server.overview.papers.Pdf;
import org.zealousladder.server.platform.words.Words;

/** A student's own scores over time with the goal, as a picture (SVG): points joined by a thin line, the goal a short bar at the end of a dashed one. */
final class ScoreDrawing {
    private static final int WIDTH = 520;
    private static final int TALL = 120;
    private static final int LOW = 66;
    private static final int LEFT = 34;
    private static final int RIGHT = 40;
    private static final int TOP = 10;
    private static final int BOTTOM = 18;

    private final LocalDate from;
    private final LocalDate to;
    /** Where there is a goal to reach there is more to see. */
    private final int height;
    private double lowest = Double.MAX_VALUE;
    private double highest = -Double.MAX_VALUE;

    record Point(LocalDate day, double value) {}

    /** @param from where it begins and where it is reached */
    record Aim(Point from, Point to) {}

    private ScoreDrawing(List<Point> points, @Nullable Aim aim) {
        height = aim == null ? LOW : TALL;
        from = points.get(0).day();
        LocalDate last = points.get(points.size() - 1).day();
        to = aim != null && aim.to().day().isAfter(last) ? aim.to().day() : last;
        points.forEach(p -> reach(p.value()));
        if (aim != null) {
            reach(aim.from().value());
            reach(aim.to().value());
        }
        if (highest - lowest < 1) {
            lowest -= 1;
            highest += 1;
        }
    }

    private void reach(double v) {
        lowest = Math.min(lowest, v);
        highest = Math.max(highest, v);
    }

    private double x(LocalDate day) {
        long all = Math.max(1, to.toEpochDay() - from.toEpochDay());
        return LEFT + (day.toEpochDay() - from.toEpochDay()) / (double) all * (WIDTH - LEFT - RIGHT);
    }

    private double y(double v) {
        return TOP + (highest - v) / (highest - lowest) * (height - TOP - BOTTOM);
    }

    private static String n(double v) {
        return String.format(Locale.ROOT, "%.1f", v);
    }

    /** @param points the oldest first, at least one @param changes days marked by an upright line @param words says days */
    static String svg(List<Point> points, @Nullable Aim aim, List<LocalDate> changes, Wording words) {
        ScoreDrawing d = new ScoreDrawing(points, aim);
        StringBuilder svg = new StringBuilder("<svg xmlns='http://www.w3.org/2000/svg' width='").append(WIDTH).append("' height='").append(d.height)
                .append("' viewBox='0 0 ").append(WIDTH).append(' ').append(d.height).append("'>");
        for (double v : new double[] {d.lowest, d.highest}) {
            svg.append("<line x1='").append(LEFT).append("' x2='").append(WIDTH - RIGHT).append("' y1='").append(n(d.y(v))).append("' y2='").append(n(d.y(v)))
                    .append("' stroke='#bbbbbb' stroke-width='0.5'/>").append(label(LEFT - 4, d.y(v) + 3, "end", Words.plain(Math.round(v))));
        }
        svg.append(label(LEFT, d.height - 4, "start", words.day(d.from))).append(label(WIDTH - RIGHT, d.height - 4, "end", words.day(d.to)));
        if (aim != null) {
            svg.append("<line x1='").append(n(d.x(aim.from().day()))).append("' y1='").append(n(d.y(aim.from().value()))).append("' x2='")
                    .append(n(d.x(aim.to().day()))).append("' y2='").append(n(d.y(aim.to().value())))
                    .append("' stroke='#22499a' stroke-width='1' stroke-dasharray='4 3'/>").append(label(WIDTH - RIGHT + 4, d.y(aim.to().value()) + 3, "start",
                            Words.plain(aim.to().value())));
        }
        changes.stream().filter(c -> !c.isBefore(d.from) && !c.isAfter(d.to))
                .forEach(c -> svg.append("<line x1='").append(n(d.x(c))).append("' x2='").append(n(d.x(c)))
                        .append("' y1='").append(TOP).append("' y2='").append(d.height - BOTTOM).append("' stroke='#444444' stroke-width='0.7'/>"));
        StringBuilder line = new StringBuilder();
        points.forEach(p -> line.append(n(d.x(p.day()))).append(',').append(n(d.y(p.value()))).append(' '));
        svg.append("<polyline points='").append(line.toString().strip()).append("' fill='none' stroke='#777777' stroke-width='0.7'/>");
        points.forEach(p -> svg.append("<circle cx='").append(n(d.x(p.day()))).append("' cy='").append(n(d.y(p.value()))).append("' r='2.4' fill='#111111'/>"));
        return svg.append("</svg>").toString();
    }

    private static String label(double x, double y, String anchor, String words) {
        return "<text x='" + n(x) + "' y='" + n(y) + "' font-size='9' fill='#444444' font-family='Liberation Sans' text-anchor='" + anchor + "'>"
                + Pdf.text(words)
                + "</text>";
    }
}
