package org.zealousladder.server.learning.skills;

import static java.util.Objects.requireNonNull;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.core.Coded;
import org.zealousladder.core.skills.SkillProfile;
import org.zealousladder.core.skills.SkillStanding;
import org.zealousladder.server.learning.answers.AnswersService;
import org.zealousladder.server.learning.frameworks.Framework;
import org.zealousladder.server.learning.frameworks.FrameworksService;
import org.zealousladder.server.learning.frameworks.Skill;
import org.zealousladder.server.learning.skills.ProfilesView.Advice;
import org.zealousladder.server.learning.skills.ProfilesView.DomainMark;
import org.zealousladder.server.learning.skills.ProfilesView.DomainStanding;
import org.zealousladder.server.learning.skills.ProfilesView.Followed;
import org.zealousladder.server.learning.skills.ProfilesView.Pattern;
import org.zealousladder.server.learning.skills.ProfilesView.ProfileStudent;
import org.zealousladder.server.learning.skills.SkillsView.FrameworkName;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.platform.who.SchoolCalendar;
import org.zealousladder.server.school.roster.Enrolled;
import org.zealousladder.server.school.roster.RosterService;
import org.zealousladder.server.school.roster.SchoolYear;
import org.zealousladder.server.school.roster.StudentRef;
import org.zealousladder.server.school.roster.Who;

/** Where students are strong and weak, against their grade and against themselves, by this year's answers; and what is advised. */
@Service
@Transactional
class ProfilesService {
    private final FrameworksService frameworks;
    private final AnswersService answers;
    private final RosterService roster;
    private final ProfilesStore store;
    private final SkillsService skills;
    private final SchoolCalendar calendar;

    ProfilesService(FrameworksService frameworks, AnswersService answers, RosterService roster, ProfilesStore store, SkillsService skills,
            SchoolCalendar calendar) {
        this.frameworks = frameworks;
        this.answers = answers;
        this.roster = roster;
        this.store = store;
        this.skills = skills;
        this.calendar = calendar;
    }

    private record Sum(int n, double right) {
        Sum plus(Sum other) {
            return new Sum(n + other.n, right + other.right);
        }
    }

    /** Of a student: the domains that can be told, with what is known of them. */
    private record Known(Enrolled student, List<String> domains, List<Sum> sums, SkillProfile.Domain[] of) {}

    @Transactional(readOnly = true)
    ProfilesView view(Who who, int yearId, LocalDate asked, @Nullable Integer framework, @Nullable Integer measure) {
        int school = roster.school(who);
        List<Framework> known = frameworks.frameworks(school);
        List<FrameworkName> names = known.stream().map(f -> new FrameworkName(f.id(), f.name())).toList();
        Integer chosen = skills.choose(known, framework, measure, asked);
        if (chosen == null) {
            return new ProfilesView(names, null, List.of(), List.of(), List.of(), List.of(), List.of(), false);
        }
        SchoolYear year = roster.year(yearId);
        LocalDate asOf = year.clamp(asked);
        List<Enrolled> students = roster.enrolled(who, yearId, asOf).stream().sorted(Comparator.comparing(Enrolled::ref, StudentRef.BY_NAME)).toList();
        List<Skill> all = frameworks.skills(List.of(chosen));
        Map<Integer, String> domainOf = all.stream().collect(Collectors.toMap(Skill::id, Skill::domain));
        Map<Integer, Map<String, Sum>> sums = new HashMap<>();
        answers.counts(students, chosen, year.starts(), asOf).forEach(d -> sums.computeIfAbsent(d.student(), s -> new HashMap<>())
                .merge(requireNonNull(domainOf.get(d.skill())), new Sum(d.n(), d.shares()), Sum::plus));
        Map<Integer, Map<String, SkillProfile.Grade>> grades = new HashMap<>();
        Set<String> told = new LinkedHashSet<>();
        students.stream().map(Enrolled::grade).distinct().forEach(g -> grades.put(g, store.grade(school, yearId, g, chosen, year.starts(), asOf).stream()
                .collect(Collectors.toMap(ProfilesStore.OfGrade::domain, o -> new SkillProfile.Grade(o.mean(), o.sd())))));
        List<Known> profiles = new ArrayList<>();
        List<StudentRef> untold = new ArrayList<>();
        List<String> order = all.stream().map(Skill::domain).distinct().toList();
        for (Enrolled e : students) {
            Map<String, Sum> own = sums.getOrDefault(e.id(), Map.of());
            Map<String, SkillProfile.Grade> of = requireNonNull(grades.get(e.grade()));
            List<String> domains = order.stream().filter(d -> of.containsKey(d) && own.containsKey(d) && requireNonNull(own.get(d)).n() >= SkillStanding.FEWEST)
                    .toList();
            if (domains.isEmpty()) {
                untold.add(e.ref());
                continue;
            }
            told.addAll(domains);
            List<Sum> each = domains.stream().map(d -> requireNonNull(own.get(d))).toList();
            profiles.add(new Known(e, domains, each, SkillProfile.of(each.stream().mapToDouble(Sum::right).toArray(), each.stream().mapToInt(Sum::n).toArray(),
                    domains.stream().map(of::get).toArray(SkillProfile.Grade[]::new))));
        }
        Map<Integer, List<Followed>> followed = store.followed(students.stream().map(Enrolled::id).toList(), asOf).stream().collect(Collectors
                .groupingBy(ProfilesStore.FollowedRow::studentId, Collectors.mapping(f -> new Followed(f.adviceId(), f.onDay()), Collectors.toList())));
        List<String> shown = order.stream().filter(told::contains).toList();
        List<Advice> advice = store.advice(school, chosen).stream()
                .map(a -> new Advice(a.id(), a.domain(), Coded.of(SkillProfile.Own.class, a.own(), "a standing"), a.advice(), a.mayChange())).toList();
        return new ProfilesView(names, chosen, shown, order.stream().filter(d -> !told.contains(d)).toList(), patterns(profiles, shown, followed), untold,
                advice, true);
    }

    private static List<Pattern> patterns(List<Known> profiles, List<String> shown, Map<Integer, List<Followed>> followed) {
        Map<String, double[]> ofClass = new HashMap<>();
        profiles.forEach(k -> {
            for (int i = 0; i < k.domains().size(); i++) {
                double[] sum = ofClass.computeIfAbsent(k.domains().get(i), d -> new double[2]);
                sum[0] += k.of()[i].z();
                sum[1]++;
            }
        });
        Map<List<DomainMark>, List<ProfileStudent>> by = new LinkedHashMap<>();
        profiles.forEach(k -> {
            List<DomainMark> marks = new ArrayList<>();
            List<DomainStanding> each = new ArrayList<>();
            for (String domain : shown) {
                int i = k.domains().indexOf(domain);
                if (i < 0) {
                    each.add(new DomainStanding(domain, 0, null, null, SkillProfile.Own.LIKE, 0));
                    continue;
                }
                SkillProfile.Domain d = k.of()[i];
                Sum s = k.sums().get(i);
                double[] mean = requireNonNull(ofClass.get(domain));
                each.add(new DomainStanding(domain, s.n(), s.right() / s.n(), d.z(), d.own(), SkillProfile.apart(d, mean[0] / mean[1])));
                if (d.own() != SkillProfile.Own.LIKE) {
                    marks.add(new DomainMark(domain, d.own()));
                }
            }
            by.computeIfAbsent(marks, m -> new ArrayList<>())
                    .add(new ProfileStudent(k.student().ref(), each, followed.getOrDefault(k.student().id(), List.of())));
        });
        return by.entrySet().stream().map(e -> new Pattern(e.getKey(), e.getValue()))
                .sorted(Comparator.comparing((Pattern p) -> p.marks().isEmpty()).thenComparing(p -> -p.students().size())).toList();
    }

    /** @throws Refusal 403 for a school at which the viewer does not work */
    void add(Who who, int framework, String domain, SkillProfile.Own own, String advice) {
        if (own == SkillProfile.Own.LIKE) {
            throw Refusal.invalid("own", "Advice is for a domain in which a student is strong or weak.");
        }
        store.add(roster.school(who), framework, domain, own.code(), advice.strip());
    }

    void change(int id, String advice, boolean ended) {
        if (!store.change(id, advice.strip(), ended)) {
            throw Refusal.forbidden("That advice is not yours to change. Nothing was saved.");
        }
    }

    void follow(int advice, List<Integer> students, boolean followed) {
        if (followed) {
            store.follow(advice, students, calendar.today());
        } else {
            store.unfollow(advice, students);
        }
    }
}
