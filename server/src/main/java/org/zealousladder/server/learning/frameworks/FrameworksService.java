package org.zealousladder.server.learning.frameworks;

import java.text.Normalizer;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.school.roster.SetupRights;

/** Frameworks of skills: looked at by everybody, written by who sets up. */
@Service
@Transactional
public class FrameworksService {
    private static final int LONGEST_CODE = 60;

    private final FrameworksStore store;
    private final SetupRights rights;

    FrameworksService(FrameworksStore store, SetupRights rights) {
        this.store = store;
        this.rights = rights;
    }

    /** Of every school and of {@code school}, by name. */
    @Transactional(readOnly = true)
    public List<Framework> frameworks(int school) {
        return store.frameworks(school);
    }

    /** By framework, in the order of teaching. */
    @Transactional(readOnly = true)
    public List<Skill> skills(Collection<Integer> frameworks) {
        return store.skills(frameworks);
    }

    /** Of the frameworks of every school and of some schools. */
    @Transactional(readOnly = true)
    public List<Skill> everySkill(Collection<Integer> schools) {
        return store.skills(store.frameworks(schools).stream().map(Framework::id).toList());
    }

    /** By framework, in the order of teaching; those that are taught no more are missing. */
    @Transactional(readOnly = true)
    public List<Skill> byIds(Collection<Integer> skills) {
        return skills.isEmpty() ? List.of() : store.byIds(skills);
    }

    /** @throws Refusal 404 for a skill that there is not */
    @Transactional(readOnly = true)
    public int frameworkOf(int skill) {
        return store.frameworkOf(skill).orElseThrow(() -> Refusal.notFound("There is no such skill."));
    }

    /** @param mayChange whether the viewer may */
    record FrameworkSkills(Framework framework, boolean mayChange, List<Skill> skills) {}

    /** What a listener looks for while a passage is read aloud. @param skills that it shows */
    record SeenBehaviour(int id, String name, List<Integer> skills) {}

    /** @param everywhere whether the viewer may add one for every school */
    record FrameworksView(List<FrameworkSkills> frameworks, List<SeenBehaviour> seen, boolean mayAdd, boolean everywhere) {}

    @Transactional(readOnly = true)
    FrameworksView view(int school) {
        List<Framework> all = store.frameworks(school);
        var skills = store.skills(all.stream().map(Framework::id).toList()).stream().collect(Collectors.groupingBy(Skill::frameworkId));
        return new FrameworksView(
                all.stream().map(f -> new FrameworkSkills(f, rights.mayChange(f.schoolId()), skills.getOrDefault(f.id(), List.of()))).toList(),
                store.seen(school), rights.mayChange(school), rights.mayChange(null));
    }

    /** @return its id */
    int add(@Nullable Integer school, String name, @Nullable String source) {
        rights.require(school, "Frameworks");
        return store.add(code("skills_framework", name), school, name.strip(), stripped(source));
    }

    void change(int id, String name, @Nullable String source, boolean ended) {
        require(id);
        store.change(id, name.strip(), stripped(source), ended);
    }

    private Framework require(int framework) {
        Framework f = store.framework(framework).orElseThrow(() -> Refusal.notFound("There is no such framework of skills."));
        rights.require(f.schoolId(), "Frameworks");
        return f;
    }

    /** @return its id */
    int addSkill(int framework, SkillForm form) {
        require(framework);
        String code = form.code() == null || form.code().isBlank() ? code("skills_skill", form.name()) : form.code().strip();
        if (!store.free("skills_skill", code)) {
            throw Refusal.invalid("code", "There is a skill of that short name already. Give this one another. Nothing was saved.");
        }
        int id = store.addSkill(framework, form, code);
        ground(id, form.restsOn());
        seen(id, form.seen());
        return id;
    }

    void changeSkill(int framework, int id, SkillForm form) {
        require(framework);
        if (!store.changeSkill(framework, id, form)) {
            throw Refusal.notFound("There is no such skill in that framework. Nothing was saved.");
        }
        ground(id, form.restsOn());
        seen(id, form.seen());
    }

    private void seen(int skill, @Nullable List<Integer> behaviours) {
        if (behaviours != null) {
            store.seen(skill, behaviours);
        }
    }

    /** A skill that ends keeps its answers, and is no longer looked at. */
    void end(int framework, int id, boolean ended) {
        require(framework);
        if (!store.end(framework, id, ended)) {
            throw Refusal.notFound("There is no such skill in that framework. Nothing was saved.");
        }
    }

    private void ground(int skill, List<Integer> restsOn) {
        Set<Integer> on = new HashSet<>(restsOn);
        for (int g : on) {
            if (g == skill || store.rests(g, skill)) {
                throw Refusal.invalid("restsOn", "Then the skill would rest on itself, by way of others. Leave one of them out. Nothing was saved.");
            }
        }
        store.ground(skill, on);
    }

    private static @Nullable String stripped(@Nullable String text) {
        return text == null || text.isBlank() ? null : text.strip();
    }

    /** Made of a name, with a number where another has it. */
    private String code(String table, String name) {
        String plain = Normalizer.normalize(name, Normalizer.Form.NFKD).replaceAll("\\p{M}", "").toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N}]+", "-")
                .replaceAll("^-|-$", "");
        String code = plain.isEmpty() ? "skill" : plain.substring(0, Math.min(LONGEST_CODE, plain.length()));
        String free = code;
        for (int i = 2; !store.free(table, free); i++) {
            free = code + "-" + i;
        }
        return free;
    }
}
