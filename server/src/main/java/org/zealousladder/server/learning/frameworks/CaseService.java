package org.zealousladder.server.learning.frameworks;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.zealousladder.server.platform.problems.Refusal;
import org.zealousladder.server.school.roster.SetupRights;
import tools.jackson.databind.json.JsonMapper;

/** Brings in packages of competency frameworks; the same package again changes what has changed. */
@Service
@Transactional
class CaseService {
    private static final int LONGEST_CODE = 80;

    private final FrameworksStore store;
    private final SetupRights rights;
    private final JsonMapper json;

    CaseService(FrameworksStore store, SetupRights rights, JsonMapper json) {
        this.store = store;
        this.rights = rights;
        this.json = json;
    }

    /** What a package does. @param gone skills of before that are not in it: they stay @param notices what is not read */
    record CaseResult(String title, int skills, int added, int changed, int gone, int grounds, List<String> sample, List<String> notices) {}

    /** @param take whether to write it, or only to say what it would do */
    CaseResult bring(@Nullable Integer school, byte[] body, boolean take) {
        rights.require(school, "Frameworks");
        CasePackage read = CasePackage.read(json, body);
        FrameworksStore.Known known = store.byUri(read.uri()).orElse(null);
        if (known != null && !Objects.equals(known.schoolId(), school)) {
            rights.require(known.schoolId(), "Frameworks");
            throw Refusal.conflict("That framework is on record already" + (known.schoolId() == null ? ", for every school." : ", for another school.")
                    + " Nothing was saved.");
        }
        Map<String, FrameworksStore.KnownSkill> before = new HashMap<>();
        if (known != null) {
            store.knownSkills(known.id()).forEach(k -> before.put(k.uri(), k));
        }
        int framework = !take ? 0 : known == null ? store.addFromPackage(read.uri(), school, read.title(), read.source()) : known.id();
        if (take && known != null) {
            store.change(framework, read.title(), read.source(), false);
        }
        int added = 0;
        int changed = 0;
        int place = 0;
        Map<String, Integer> ids = new HashMap<>();
        Set<String> here = new HashSet<>();
        for (CasePackage.CaseSkill k : read.skills()) {
            here.add(k.uri());
            FrameworksStore.KnownSkill was = before.get(k.uri());
            place++;
            added += was == null ? 1 : 0;
            changed += was != null && !was.same(k, place) ? 1 : 0;
            if (take) {
                ids.put(k.uri(), was == null ? store.addFromPackage(framework, k, code(k, framework), place) : was.id());
                if (was != null && !was.same(k, place)) {
                    store.changeFromPackage(was.id(), k, place);
                }
            }
        }
        int grounds = 0;
        for (CasePackage.CaseSkill k : read.skills()) {
            for (String on : k.restsOn()) {
                if (here.contains(on) && !on.equals(k.uri())) {
                    grounds++;
                    if (take) {
                        int skill = Objects.requireNonNull(ids.get(k.uri()));
                        int ground = Objects.requireNonNull(ids.get(on));
                        if (!store.rests(ground, skill)) {
                            store.addGround(skill, ground);
                        }
                    }
                }
            }
        }
        int gone = (int) before.keySet().stream().filter(u -> !here.contains(u)).count();
        return new CaseResult(read.title(), read.skills().size(), added, changed, gone, grounds,
                read.skills().stream().limit(6).map(CasePackage.CaseSkill::name).toList(),
                read.notices());
    }

    /** The code that the package has, told apart where another framework has it too. */
    private String code(CasePackage.CaseSkill k, int framework) {
        String own = k.code() == null ? k.uri() : k.code();
        String cut = own.length() > LONGEST_CODE - 12 ? own.substring(0, LONGEST_CODE - 12) : own;
        String free = cut;
        for (int i = 1; !store.free("skills_skill", free); i++) {
            free = cut + "/" + framework + (i == 1 ? "" : "-" + i);
        }
        return free;
    }
}
