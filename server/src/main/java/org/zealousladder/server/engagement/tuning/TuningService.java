package org.zealousladder.server.engagement.tuning;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.engagement.EngagementRule;
import org.zealousladder.core.engagement.RuleSetting;
import org.zealousladder.server.engagement.looks.Falls;
import org.zealousladder.server.engagement.looks.LooksService;
import org.zealousladder.server.engagement.rules.Place;
import org.zealousladder.server.engagement.rules.RuleRow;
import org.zealousladder.server.engagement.rules.RuleWords;
import org.zealousladder.server.engagement.rules.Rules;
import org.zealousladder.server.engagement.rules.RulesService;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.texts.Texts;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.who.Viewer;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.roster.ClassRef;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SchoolYear;
import org.zealousladder.server.school.roster.SetupRights;
import org.zealousladder.server.school.roster.StudentRef;
import org.zealousladder.server.school.roster.Who;

/** Shows what setting a rule would do, does it, takes it back. */
@Service
@Transactional(readOnly = true)
class TuningService {
    private static final int MONTH = 28;
    private static final Place EVERYWHERE = new Place(null, null, null);

    private final RulesService rules;
    private final LooksService looks;
    private final RosterService roster;
    private final SetupRights rights;
    private final SchoolCalendar calendar;

    TuningService(RulesService rules, LooksService looks, RosterService roster, SetupRights rights, SchoolCalendar calendar) {
        this.rules = rules;
        this.looks = looks;
        this.roster = roster;
        this.rights = rights;
        this.calendar = calendar;
    }

    /** A place with those that are wider, and who is in it. */
    private record Spot(Place place, List<Place> fromNarrowest, @Nullable Who who, String name, String wider, boolean mayChange) {}

    private Spot spot(String text) {
        if (text.equals("all")) {
            return new Spot(EVERYWHERE, List.of(EVERYWHERE), null, "Everywhere", "as shipped", rights.mayChange(null));
        }
        Who who = Who.parse(text);
        int school = roster.school(who);
        Place ofSchool = new Place(school, null, null);
        String schoolName = roster.classes().stream().filter(c -> c.schoolId() == school).map(ClassRef::schoolName).findFirst().orElse("The school");
        return switch (who.kind()) {
            case SCHOOL -> new Spot(ofSchool, List.of(ofSchool, EVERYWHERE), who, schoolName, "as everywhere", rights.mayChange(school));
            case GRADE -> {
                Place grade = new Place(school, who.grade(), null);
                yield new Spot(grade, List.of(grade, ofSchool, EVERYWHERE), who, "Grade " + who.grade(), "as in " + schoolName, rights.mayChange(school));
            }
            case CLASS -> {
                ClassRef of = roster.classes().stream().filter(c -> c.id() == who.id()).findFirst()
                        .orElseThrow(() -> Refusal.notFound("There is no such class."));
                Place one = new Place(null, null, who.id());
                boolean own = Viewer.current().role() == Viewer.Role.TEACHER || rights.mayChange(school);
                yield new Spot(one, List.of(one, new Place(school, of.grade(), null), ofSchool, EVERYWHERE), who, of.name() + " class",
                        "as in grade " + of.grade(), own);
            }
            default -> throw Refusal.invalid("who", "Rules are set everywhere, for a school, for a grade or for a class.");
        };
    }

    RulesView view(String who, LocalDate asOf) {
        Spot spot = spot(who);
        Rules on = rules.on(asOf);
        List<RulesView.RuleInPlace> lines = new ArrayList<>();
        for (EngagementRule rule : EngagementRule.values()) {
            lines.add(line(spot, on, rule));
        }
        Set<EngagementRule> seen = new HashSet<>();
        List<RulesView.PastRule> history = rules.history(spot.place()).stream().filter(r -> !r.knownFrom().isAfter(asOf))
                .map(r -> new RulesView.PastRule(r.rule(), words(r.rule(), r.setting(), spot.wider()), r.because(), r.knownFrom(), r.by(), seen.add(r.rule())))
                .toList();
        return new RulesView(spot.name(), spot.wider(), spot.mayChange(), lines, history);
    }

    private RulesView.RuleInPlace line(Spot spot, Rules on, EngagementRule rule) {
        RuleRow here = on.counting(spot.fromNarrowest(), rule);
        RuleRow wider = on.counting(spot.fromNarrowest().subList(1, spot.fromNarrowest().size()), rule);
        RuleSetting otherwise = wider == null ? rule.standard() : requireNonNull(wider.setting());
        RuleSetting setting = here == null ? rule.standard() : requireNonNull(here.setting());
        boolean setHere = here != null && here.place().equals(spot.place());
        return new RulesView.RuleInPlace(rule, RuleWords.name(rule), RuleWords.of(rule, setting), about(rule), unit(rule), rule.hasWeeks(), rule.hasShare(),
                rule.hasQuarter(), setting,
                otherwise, setHere, setHere ? "set here" : here == null ? "as shipped" : spot.wider(), seen(setting, setHere));
    }

    private static String seen(RuleSetting setting, boolean setHere) {
        return setHere + " " + setting;
    }

    private static String words(EngagementRule rule, @Nullable RuleSetting setting, String wider) {
        return setting == null ? RuleWords.name(rule) + ": " + wider : RuleWords.of(rule, setting);
    }

    private static String about(EngagementRule rule) {
        return switch (rule) {
            case QUIET -> "Less time than the class, week after week.";
            case NOT_SEEN -> "Nothing at all for some school days.";
            case DROPPED -> "A fall against their own weeks, beyond what happened to everybody.";
            case OFTEN_ABSENT -> "Days away of the school days of this year.";
            case WORK_NOT_IN -> "Course work that was due and did not come. A share is told where three or more pieces were due.";
            case LOW_MARKS -> "Few of the points that could be earned, of three or more pieces that were marked.";
        };
    }

    private static RulesView.RuleUnit unit(EngagementRule rule) {
        return switch (rule) {
            case NOT_SEEN -> RulesView.RuleUnit.DAYS;
            case DROPPED -> RulesView.RuleUnit.SWINGS;
            case WORK_NOT_IN -> RulesView.RuleUnit.PIECES;
            default -> RulesView.RuleUnit.SHARE;
        };
    }

    RulePreview preview(RuleForm form) {
        Spot spot = spot(form.who());
        RuleSetting setting = checked(form);
        LocalDate today = calendar.today();
        return new RulePreview(words(form.rule(), setting, spot.wider()), on(spot, form, setting, today), on(spot, form, setting, today.minusDays(MONTH)));
    }

    private static @Nullable RuleSetting checked(RuleForm form) {
        try {
            return form.setting() == null ? null : form.rule().checked(form.setting());
        } catch (IllegalArgumentException e) {
            throw Refusal.invalid("threshold", requireNonNull(e.getMessage()));
        }
    }

    private RulePreview.OnDay on(Spot spot, RuleForm form, @Nullable RuleSetting setting, LocalDate asked) {
        SchoolYear year = roster.year(form.year());
        LocalDate day = year.clamp(asked);
        Rules now = rules.on(calendar.today());
        List<Enrolled> students = spot.who() != null ? roster.enrolled(spot.who(), form.year(), day) : roster.everybody(form.year(), day);
        Set<Integer> is = new HashSet<>();
        List<StudentRef> onRecord = flagged(students, year, day, now, form.rule(), is);
        Set<Integer> would = new HashSet<>();
        flagged(students, year, day, now.with(spot.place(), form.rule(), setting), form.rule(), would);
        return new RulePreview.OnDay(day, onRecord.size(), is.size(), would.size(),
                onRecord.stream().filter(s -> would.contains(s.id()) && !is.contains(s.id())).toList(),
                onRecord.stream().filter(s -> is.contains(s.id()) && !would.contains(s.id())).toList());
    }

    private List<StudentRef> flagged(List<Enrolled> students, SchoolYear year, LocalDate day, Rules set, EngagementRule rule, Set<Integer> into) {
        return looks.of(students, year, day, Falls.none(), set).all().stream().filter(l -> {
            if (l.flags().stream().anyMatch(f -> f.rule() == rule) || l.quieted().stream().anyMatch(f -> f.rule() == rule)) {
                into.add(l.student().id());
            }
            return l.onRecord();
        }).map(l -> l.student().ref()).collect(Collectors.toList());
    }

    @Transactional
    void save(RuleForm form) {
        Spot spot = spot(form.who());
        require(spot);
        RuleSetting setting = checked(form);
        String because = form.because() == null ? null : Words.orNull(Texts.clean(form.because()));
        if (because == null) {
            throw Refusal.invalid("because", "Say in a few words why, so that others know.");
        }
        RulesView.RuleInPlace now = line(spot, rules.on(calendar.today()), form.rule());
        if (form.seen() != null && !form.seen().equals(now.seen())) {
            throw Refusal.conflict("Somebody set this rule while you looked at it: " + now.words() + ". Nothing was saved; look again.");
        }
        if (Objects.equals(now.setHere() ? now.setting() : null, setting)) {
            throw Refusal.invalid("threshold", "The rule is set so already.");
        }
        rules.set(spot.place(), form.rule(), setting, because);
    }

    /** Sets a rule in a place as it was before the newest change. */
    @Transactional
    void undo(String who, EngagementRule rule) {
        Spot spot = spot(who);
        require(spot);
        List<RuleRow> all = rules.history(spot.place()).stream().filter(r -> r.rule() == rule).toList();
        if (all.isEmpty()) {
            throw Refusal.notFound("There is nothing to take back.");
        }
        rules.set(spot.place(), rule, all.size() > 1 ? all.get(1).setting() : null, "taken back: " + all.get(0).because());
    }

    private static void require(Spot spot) {
        if (!spot.mayChange()) {
            throw Refusal.forbidden("These rules are set by coordinators and administrators. You can set them for your own classes; nothing was saved.");
        }
    }
}
