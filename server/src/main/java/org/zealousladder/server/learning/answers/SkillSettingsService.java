package org.zealousladder.server.learning.answers;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.skills.SkillSettings;
import org.zealousladder.core.skills.SkillStanding;
import org.zealousladder.core.skills.SkillState;
import org.zealousladder.server.learning.answers.AnswersService.Evidence;
import org.zealousladder.server.learning.frameworks.Framework;
import org.zealousladder.server.learning.frameworks.FrameworksService;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.texts.Texts;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.platform.words.Words;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SetupRights;
import org.zealousladder.server.school.roster.StudentRef;
import org.zealousladder.server.school.roster.Who;

/** What a school means by having a skill: it moves everybody, so it is set by who sets up, with a preview and a reason, from today on; taken back by setting what was before. */
@Service
@Transactional
class SkillSettingsService {
    private final AnswersStore store;
    private final AnswersService answers;
    private final FrameworksService frameworks;
    private final RosterService roster;
    private final SetupRights rights;
    private final SchoolCalendar calendar;

    SkillSettingsService(AnswersStore store, AnswersService answers, FrameworksService frameworks, RosterService roster, SetupRights rights,
            SchoolCalendar calendar) {
        this.store = store;
        this.answers = answers;
        this.frameworks = frameworks;
        this.roster = roster;
        this.rights = rights;
        this.calendar = calendar;
    }

    /** One that was set. */
    record PastSkillSetting(double standard, double sureness, double halfLife, String because, LocalDate since, @Nullable String by) {}

    /** @param seen goes back with a change */
    record SkillSettingsView(double standard, double sureness, double halfLife, int seen, boolean mayChange, List<PastSkillSetting> history) {}

    @Transactional(readOnly = true)
    SkillSettingsView view(int school) {
        List<AnswersStore.SettingRow> history = store.history(school);
        SkillSettings now = answers.settings(school, calendar.today());
        return new SkillSettingsView(now.standard(), now.sureness(), now.halfLife(), history.isEmpty() ? 0 : history.get(0).id(), rights.mayChange(school),
                history.stream().map(h -> new PastSkillSetting(h.standard(), h.sureness(), h.halfLife(), h.because(), h.knownFrom(), h.by())).toList());
    }

    /** Whose skills would be read otherwise. @param up skills on which they would stand better @param down worse */
    record SkillMoves(StudentRef student, int up, int down) {}

    /** @param students with an answer @param secure skills of students that are secure, and would be; so the others */
    record SkillsPreview(List<SkillMoves> moves, int students, int secureNow, int secureThen, int notYetNow, int notYetThen) {}

    private static SkillSettings checked(SkillSettingsController.SkillSettingForm f) {
        try {
            return new SkillSettings(f.standard(), f.sureness(), f.halfLife());
        } catch (IllegalArgumentException e) {
            String said = requireNonNull(e.getMessage());
            throw Refusal.invalid(said.contains("standard") ? "standard" : said.contains("sureness") ? "sureness" : "halfLife",
                    Character.toUpperCase(said.charAt(0)) + said.substring(1) + ".");
        }
    }

    @Transactional(readOnly = true)
    SkillsPreview preview(SkillSettingsController.SkillSettingForm f) {
        rights.require(f.school(), "What having a skill means");
        SkillSettings next = checked(f);
        LocalDate today = roster.year(f.year()).clamp(calendar.today());
        List<Enrolled> students = roster.enrolled(Who.parse("school-" + f.school()), f.year(), today);
        Evidence evidence = answers.evidence(students, frameworks.frameworks(f.school()).stream().map(Framework::id).toList(), today);
        List<SkillMoves> moves = new ArrayList<>();
        int[] n = new int[5];
        for (Enrolled e : students) {
            Map<Integer, SkillStanding> now = evidence.of(e, today);
            Map<Integer, SkillStanding> then = evidence.of(e, today, next);
            n[0] += now.isEmpty() ? 0 : 1;
            int up = 0;
            int down = 0;
            for (Map.Entry<Integer, SkillStanding> s : now.entrySet()) {
                SkillState was = s.getValue().state();
                SkillState becomes = requireNonNull(then.get(s.getKey())).state();
                n[1] += was == SkillState.SECURE ? 1 : 0;
                n[2] += becomes == SkillState.SECURE ? 1 : 0;
                n[3] += was == SkillState.NOT_YET ? 1 : 0;
                n[4] += becomes == SkillState.NOT_YET ? 1 : 0;
                up += becomes.compareTo(was) < 0 ? 1 : 0;
                down += becomes.compareTo(was) > 0 ? 1 : 0;
            }
            if (up + down > 0) {
                moves.add(new SkillMoves(e.ref(), up, down));
            }
        }
        moves.sort(Comparator.comparing((SkillMoves m) -> -m.up() - m.down()).thenComparing(SkillMoves::student, StudentRef.BY_NAME));
        return new SkillsPreview(moves, n[0], n[1], n[2], n[3], n[4]);
    }

    /** @throws Refusal 403 for another school; 409 where somebody else was first; 422 for what cannot be, or without a reason */
    void set(SkillSettingsController.SkillSettingForm f) {
        rights.require(f.school(), "What having a skill means");
        SkillSettings next = checked(f);
        String because = f.because() == null ? null : Words.orNull(Texts.clean(f.because()));
        if (because == null) {
            throw Refusal.invalid("because", "Say why.");
        }
        List<AnswersStore.SettingRow> history = store.history(f.school());
        if (f.seen() != (history.isEmpty() ? 0 : history.get(0).id())) {
            throw Refusal.conflict("Somebody else has set this meanwhile. Look at it again; yours was not saved.");
        }
        store.set(f.school(), next, because, calendar.today());
    }
}
