package org.zealousladder.server.overview.prints;

import static java.util.Objects.requireNonNull;
import static org.zealousladder.server.overview.papers.Pdf.text;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.zealousladder.server.contacts.contacts.Contact;
import org.zealousladder.server.monitoring.plans.Plan;
import org.zealousladder.server.monitoring.trends.TrendCard;
import org.zealousladder.server.monitoring.trends.TrendCard.TrendPoint;
import org.zealousladder.server.overview.students.Strips;
import org.zealousladder.server.overview.students.StudentPage.Lane;
import org.zealousladder.server.overview.students.StudentPage.SeasonStanding;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.sight.Sight;

/** One student's sheet as HTML: the chosen sections, those without anything on record left out. */
final class StudentSheet {
    static final String STYLE = """
            body { font-size: 10.5pt; } h2 { font-size: 12pt; margin-top: 4mm; border-bottom: 0.4pt solid #888888; }
            h3 { font-size: 10.5pt; margin: 2mm 0 0 0; font-weight: normal; }
            .sheet { page-break-after: always; } .sheet.last { page-break-after: auto; } img { display: block; margin: 1mm 0; }
            .line { border-bottom: 0.5pt solid #333333; height: 9mm; } .sign td { border-bottom: none; padding-top: 12mm; width: 33%; }
            .sign .on { border-top: 0.5pt solid #333333; padding-top: 1mm; } .part { page-break-inside: avoid; }
            """;
    private static final int CONTACTS = 8;
    private static final int DECISIONS = 6;
    private static final int SKILLS = 12;
    private static final int LINES = 4;
    /** So long before a plan its picture begins. */
    private static final int WEEKS_BEFORE = 6;

    private final PrintAsked asked;
    private final Wording words;
    private final SheetFigures f;
    private final StringBuilder html = new StringBuilder();

    StudentSheet(PrintAsked asked, Wording words, SheetFigures figures) {
        this.asked = asked;
        this.words = words;
        f = figures;
    }

    private boolean home() {
        return asked.kind() == PrintKind.HOME;
    }

    private String name() {
        return f.page().student().called(asked.codes());
    }

    String html(boolean last) {
        html.append(last ? "<div class='sheet last'>" : "<div class='sheet'>");
        html.append("<h1>").append(text(words.say(home() ? Phrase.HEADING_HOME : Phrase.HEADING_MEETING, "name", name()))).append("</h1>");
        int grade = f.page().grade();
        say(grade == 0 ? Phrase.CLASS_LINE_KG : Phrase.CLASS_LINE, "class", f.page().student().className(), "grade", grade, "day", asked.asOf());
        PrintSection.of(asked.kind()).stream().filter(asked.sections()::contains).forEach(this::section);
        return html.append("</div>").toString();
    }

    private void section(PrintSection section) {
        int before = html.length();
        // Scores may go over pages, measure by measure; all else stays together.
        html.append(section == PrintSection.SCORES ? "<div><h2>" : "<div class='part'><h2>").append(text(words.say(section.title()))).append("</h2>");
        int head = html.length();
        switch (section) {
            case NOW -> now();
            case FACTS -> facts();
            case SCORES -> f.page().lanes().forEach(this::scores);
            case PERCENTILES -> f.percentiles().forEach(p -> say(Phrase.PERCENTILE_LINE, "measure", p.measure(), "window", p.window(), "n", p.percentile()));
            case TIERS -> f.page().tiers().stream().filter(t -> t.tier() != null).limit(DECISIONS)
                    .forEach(t -> say(Phrase.TIER_LINE, "area", t.area(), "window",
                            t.window(), "year", t.year(), "tier", requireNonNull(t.tier())));
            case CONCERNS -> f.page().concerns().stream().filter(c -> c.level() > 0).forEach(c -> {
                say(c.level() == 1 ? Phrase.CONCERN_ONE : c.level() == 2 ? Phrase.CONCERN_TWO : Phrase.CONCERN_THREE, "area", c.area(), "day", c.since());
                plain(c.note());
            });
            case PLANS -> plans();
            case SKILLS -> skills();
            case DAYS -> days();
            case TIME -> {
                if (f.weeks().activeDays() > 0) {
                    say(Phrase.TIME_LINE, "n", Math.round(f.weeks().minutes()), "days", f.weeks().activeDays());
                }
            }
            case WORK -> {
                if (f.year().due() > 0) {
                    say(Phrase.WORK_LINE, "in", f.year().in(), "due", f.year().due());
                }
            }
            case CONTACTS -> f.page().contacts().stream().limit(CONTACTS).forEach(this::contact);
            case DECISIONS -> decisions();
            case AGREED -> {
                for (int i = 0; i < LINES; i++) {
                    html.append("<div class='line'> </div>");
                }
            }
            case SIGNATURES -> signatures();
        }
        if (html.length() == head) {
            // Nothing on record: the section is not there, but for scores, of which that is said.
            html.setLength(before);
            if (section == PrintSection.SCORES) {
                html.append("<h2>").append(text(words.say(section.title()))).append("</h2>");
                say(Phrase.NOTHING);
            }
            return;
        }
        html.append("</div>");
    }

    private void say(Phrase phrase, Object... fields) {
        plain(words.say(phrase, fields));
    }

    private void plain(@Nullable String line) {
        if (line != null && !line.isBlank()) {
            html.append("<p>").append(text(line)).append("</p>");
        }
    }

    /** The same figures as the page's own paragraph, in the school's words for print; at home without tiers and without who was called. */
    private void now() {
        List<String> all = new ArrayList<>();
        f.page().lanes().forEach(l -> trend(l).ifPresent(
                t -> all.add(words.say(Phrase.NOW_TREND, "measure", l.measure().name(), "trend", t + " " + goal(requireNonNull(l.card().goal()))))));
        f.page().strips().plans().stream().filter(Strips.PlanSpan::running)
                .forEach(p -> all.add(words.say(Phrase.PLAN_LINE, "strategy", p.strategy(), "times", p.perWeek(), "day", p.from())));
        if (!home()) {
            f.page().tiers().stream().filter(t -> t.tier() != null).findFirst()
                    .ifPresent(t -> all
                            .add(words.say(Phrase.NOW_TIER, "area", t.area(), "tier", requireNonNull(t.tier()), "window", t.window(), "year", t.year())));
        }
        Integer days = f.year().schoolDays();
        if (days != null) {
            all.add(words.say(Phrase.DAYS_LINE, "n", f.year().away(), "of", days));
        }
        if (f.weeks().activeDays() > 0) {
            all.add(words.say(Phrase.TIME_LINE, "n", Math.round(f.weeks().minutes()), "days", f.weeks().activeDays()));
        }
        Strips.SkillsNow skills = f.page().strips().skills();
        if (skills != null) {
            all.add(words.say(Phrase.NOW_SKILLS, "n", skills.secure(), "other", skills.notYet()));
        }
        if (!home() && !f.page().unseen().contains(Sight.CONTACTS)) {
            all.add(f.page().contacts().stream().filter(Contact::reachedHome).map(Contact::on).filter(d -> !d.isBefore(yearStarts())).max(LocalDate::compareTo)
                    .map(d -> words.say(Phrase.NOW_REACHED, "day", d)).orElse(words.say(Phrase.NOW_NOT_REACHED)));
        }
        plain(String.join(" ", all));
    }

    /** How many a week, of a measure with a goal. */
    private Optional<String> trend(Lane lane) {
        TrendCard card = lane.card();
        if (card.goal() == null || card.phases().isEmpty()) {
            return Optional.empty();
        }
        double slope = card.phases().get(card.phases().size() - 1).slope();
        return Optional.of(words.say(slope < 0 ? Phrase.LOSING : Phrase.GAINING, "n", String.format(Locale.ROOT, "%.1f", Math.abs(slope))));
    }

    private String goal(TrendCard.GoalView goal) {
        return words.say(Phrase.GOAL_LINE, "goal", Words.plain(goal.goalScore()), "day", goal.goalDate());
    }

    private void facts() {
        if (f.page().facts().birthday() != null && !asked.codes()) {
            say(Phrase.BIRTHDAY, "day", requireNonNull(f.page().facts().birthday()));
        }
        f.page().facts().grouped().stream().filter(g -> !g.sensitive() && (g.ends() == null || !g.ends().isBefore(asked.asOf())))
                .forEach(g -> plain(g.grouping() + ": " + g.value()));
    }

    private void scores(Lane lane) {
        List<TrendPoint> scored = scored(lane).toList();
        if (scored.isEmpty()) {
            return;
        }
        TrendCard card = lane.card();
        TrendPoint newest = scored.get(scored.size() - 1);
        html.append("<div class='part'><h3>").append(text(lane.measure().name())).append("</h3>");
        picture(lane, scored);
        String line = words.say(Phrase.SCORE_LINE, "score", Words.plain(requireNonNull(newest.value())), "day", newest.date(), "unit", lane.measure().unit());
        TrendPoint first = card.points().stream().filter(p -> p.value() != null).findFirst().orElse(newest);
        if (first.id() != newest.id()) {
            double gain = requireNonNull(newest.value()) - requireNonNull(first.value());
            line += " " + words.say(gain > 0 ? Phrase.MORE : gain < 0 ? Phrase.LESS : Phrase.SAME, "n", number(Math.abs(gain)), "day", first.date());
        }
        TrendCard.GoalView goal = card.goal();
        if (goal != null) {
            line += " " + goal(goal);
        }
        plain(line);
        if (!home()) {
            meeting(lane);
        }
        html.append("</div>");
    }

    private static String number(double v) {
        return Words.plain(Math.round(v * 100) / 100.0);
    }

    private void meeting(Lane lane) {
        TrendCard card = lane.card();
        List<String> line = new ArrayList<>();
        trend(lane).ifPresent(line::add);
        if (!line.isEmpty() && card.goal() != null && card.goal().chance() != null) {
            line.add(words.say(Phrase.CHANCE, "n", Math.round(100 * card.goal().chance())));
        }
        List<SeasonStanding> seasons = lane.seasons();
        seasons.subList(Math.max(0, seasons.size() - 3), seasons.size()).stream().filter(s -> s.cell().bandName() != null)
                .forEach(s -> line.add(words.say(Phrase.BAND_LINE, "window", s.window() + " " + s.starts().getYear(), "score",
                        Words.plain(requireNonNull(s.cell().value())), "band", requireNonNull(s.cell().bandName()))));
        plain(String.join(" ", line));
    }

    private void picture(Lane lane, List<TrendPoint> scored) {
        if (scored.size() < 2) {
            return;
        }
        draw(lane, scored, Phrase.CHART, List.of());
    }

    /** @param changes days on which something began */
    private void draw(Lane lane, List<TrendPoint> scored, Phrase says, List<LocalDate> changes) {
        TrendCard.GoalView goal = lane.card().goal();
        ScoreDrawing.Aim aim = goal == null ? null
                : new ScoreDrawing.Aim(new ScoreDrawing.Point(goal.startDate(), goal.startScore()), new ScoreDrawing.Point(goal.goalDate(), goal.goalScore()));
        List<ScoreDrawing.Point> points = scored.stream().map(p -> new ScoreDrawing.Point(p.date(), requireNonNull(p.value()))).toList();
        String svg = ScoreDrawing.svg(points, aim, changes, words);
        ScoreDrawing.Point first = points.get(0);
        ScoreDrawing.Point last = points.get(points.size() - 1);
        String alternative = words.say(says, "measure", lane.measure().name(), "n", points.size(), "first", Words.plain(first.value()), "from",
                first.day(),
                "last", Words.plain(last.value()), "to", last.day());
        html.append("<img alt=\"").append(text(alternative)).append("\" src=\"data:image/svg+xml;base64,")
                .append(Base64.getEncoder().encodeToString(svg.getBytes(StandardCharsets.UTF_8))).append("\"/>");
    }

    private void plans() {
        for (Strips.PlanSpan p : f.page().strips().plans()) {
            boolean thisYear = !p.to().isBefore(yearStarts());
            if (p.running()) {
                say(Phrase.PLAN_LINE, "strategy", p.strategy(), "times", p.perWeek(), "day", p.from());
            } else if (thisYear && !home()) {
                say(Phrase.PLAN_PAST, "strategy", p.strategy(), "times", p.perWeek(), "from", p.from(), "to", p.to());
            }
        }
        if (!home()) {
            f.page().plans().stream().flatMap(p -> p.plans().stream()).filter(p -> p.open() && p.planned() > 0)
                    .forEach(p -> say(Phrase.PLAN_GIVEN, "given", p.given(), "planned", p.planned()));
            f.page().plans().forEach(p -> f.page().lanes().stream().filter(l -> l.measure().id() == p.measure().id()).findFirst()
                    .ifPresent(lane -> p.plans().stream().filter(plan -> !plan.ends().isBefore(yearStarts())).forEach(plan -> course(lane, plan))));
        }
    }

    /** The scores from a while before a plan to its end, with its changes. */
    private void course(Lane lane, Plan plan) {
        LocalDate from = plan.starts().minusWeeks(WEEKS_BEFORE);
        LocalDate to = plan.closedOn() != null ? plan.closedOn() : plan.ends();
        List<TrendPoint> then = scored(lane).filter(p -> !p.date().isBefore(from) && !p.date().isAfter(to)).toList();
        if (then.size() >= 2) {
            html.append("<h3>").append(text(lane.measure().name())).append("</h3>");
            draw(lane, then, Phrase.PLAN_CHART, plan.phases().stream().map(Plan.PlanPhase::starts).toList());
        }
    }

    private static Stream<TrendPoint> scored(Lane lane) {
        return Stream.concat(lane.earlier().stream(), lane.card().points().stream()).filter(p -> p.value() != null);
    }

    private LocalDate yearStarts() {
        return f.page().strips().years().stream().map(Strips.YearBand::starts).max(LocalDate::compareTo).orElse(f.page().from());
    }

    private void skills() {
        if (!f.can().isEmpty()) {
            say(Phrase.CAN, "skills", String.join("; ", f.can().subList(Math.max(0, f.can().size() - SKILLS), f.can().size())));
        }
        if (!f.learning().isEmpty()) {
            say(Phrase.LEARNING, "skills", String.join("; ", f.learning().stream().limit(SKILLS).toList()));
        }
    }

    private void days() {
        Integer days = f.year().schoolDays();
        if (days != null) {
            say(Phrase.DAYS_LINE, "n", f.year().away(), "of", days);
            if (f.year().late() > 0) {
                say(Phrase.LATE_LINE, "n", f.year().late());
            }
        }
    }

    private void contact(Contact c) {
        Phrase way = switch (c.way()) {
            case CALL -> Phrase.CALL;
            case TALK -> Phrase.TALK;
            case LETTER -> Phrase.LETTER;
            case MAIL -> Phrase.MAIL;
        };
        String said = c.words() != null ? c.words() : c.subject();
        plain(words.day(c.on()) + ": " + words.say(way) + (c.reached() ? "" : ", " + words.say(Phrase.NOT_REACHED)) + (said == null ? "" : ". " + said));
    }

    private void decisions() {
        f.page().decisions().stream().filter(d -> d.withdrawnOn() == null).limit(DECISIONS).forEach(d -> {
            Phrase kind = switch (d.kind()) {
                case HOLD -> Phrase.HOLD;
                case RAISE -> Phrase.RAISE;
                case PLAN_CHANGED -> Phrase.PLAN_CHANGED;
                case SET_ASIDE -> Phrase.SET_ASIDE;
            };
            plain(words.day(d.decidedOn()) + ": " + words.say(kind) + (d.reason() == null ? "" : ". " + d.reason()));
        });
    }

    private void signatures() {
        html.append("<table class='sign'><tbody><tr>");
        Consumer<Phrase> field = p -> html.append("<td><div class='on'>").append(text(words.say(p))).append("</div></td>");
        Stream.of(Phrase.SIGN_HOME, Phrase.SIGN_TEACHER, Phrase.SIGN_DATE).forEach(field);
        html.append("</tr></tbody></table>");
    }
}
