package org.zealousladder.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.tngtech.archunit.core.domain.Dependency;
import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.domain.JavaPackage;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;

/**
 * The rules of the house, for every package there is and none by name: a class stands in an area's capability, arrows go to areas of
 * lower rank, a store is its own package's, the core knows nothing of the rest. The picture in docs/architecture.md is written from here.
 */
@AnalyzeClasses(packages = "org.zealousladder", importOptions = ImportOption.DoNotIncludeTests.class)
class ModulesTest {
    private static final String SERVER = "org.zealousladder.server";
    private static final String BEGIN = "<!-- modules: written by ModulesTest -->\n```\n";
    private static final String END = "```\n<!-- /modules -->";

    @ArchTest
    static final ArchRule noCycles = slices().matching(SERVER + ".(*).(*)..").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule storesAreTheirPackagesOwn = classes().that().haveSimpleNameEndingWith("Store").should().bePackagePrivate();

    @ArchTest
    static final ArchRule controllersAreNobodysBusiness = classes().that().haveSimpleNameEndingWith("Controller").should().bePackagePrivate();

    @ArchTest
    static final ArchRule coreStandsAlone = noClasses().that().resideInAPackage("org.zealousladder.core..").should().dependOnClassesThat()
            .resideInAnyPackage("org.springframework..", "java.sql..", "javax.sql..", "java.nio.file..", "java.io..", "tools.jackson..", "de.siegmar..",
                    SERVER + "..");

    /** A capability as {@code area.name}, with what it uses. */
    record Capability(String area, String name, Set<String> uses) {
        String key() {
            return area + "." + name;
        }
    }

    @ArchTest
    static void everyClassStandsInACapabilityOfAnArea(JavaClasses all) {
        List<String> astray = all.stream()
                .filter(c -> c.getPackageName().startsWith(SERVER + ".") && parts(c).length < 2 && !c.getSimpleName().equals("package-info"))
                .map(JavaClass::getName).toList();
        assertEquals(List.of(), astray, "an area holds packages, a package holds classes");
        List<String> unranked = capabilities(all).values().stream().map(Capability::area).distinct().filter(a -> area(all, a) == null).toList();
        assertEquals(List.of(), unranked, "packages without @Area");
    }

    @ArchTest
    static void everyPackageSaysWhatItIsFor(JavaClasses all) {
        List<String> silent = capabilities(all).values().stream().filter(c -> !Files.exists(Path.of("src/main/java",
                (SERVER + "." + c.key()).replace('.', '/'), "package-info.java"))).map(Capability::key).toList();
        assertEquals(List.of(), silent);
    }

    @ArchTest
    static void areasUseOnlyAreasBelow(JavaClasses all) {
        Set<String> upward = new TreeSet<>();
        capabilities(all).values().forEach(c -> c.uses().stream().filter(used -> rank(all, used.substring(0, used.indexOf('.'))) > rank(all, c.area()))
                .forEach(used -> upward.add(c.key() + " uses " + used)));
        assertEquals(Set.of(), upward);
    }

    @ArchTest
    static void thePictureShowsWhatIs(JavaClasses all) throws IOException {
        Path file = Path.of("../docs/architecture.md");
        String text = Files.readString(file);
        int from = text.indexOf(BEGIN) + BEGIN.length();
        int to = text.indexOf(END);
        assertTrue(from >= BEGIN.length() && to >= from, "docs/architecture.md has lost the place for the picture");
        String drawn = picture(all);
        if (!text.substring(from, to).equals(drawn)) {
            Files.writeString(file, text.substring(0, from) + drawn + text.substring(to));
            throw new AssertionError("The picture of modules in docs/architecture.md was not up to date. It has been written anew: look at it and commit it.");
        }
    }

    /** A line per capability, the highest area first; platform is left out of the arrows, since everybody uses it. */
    private static String picture(JavaClasses all) {
        StringBuilder text = new StringBuilder();
        Map<String, Capability> known = capabilities(all);
        known.values().stream().map(Capability::area).distinct().sorted(Comparator.comparing((String a) -> -rank(all, a))).forEach(area -> {
            text.append(text.isEmpty() ? "" : "\n").append(area).append(": ").append(area(all, area).about()).append('\n');
            known.values().stream().filter(c -> c.area().equals(area)).forEach(c -> {
                List<String> uses = c.uses().stream().filter(u -> rank(all, u.substring(0, u.indexOf('.'))) > 0 || rank(all, area) == 0)
                        .map(u -> u.substring(u.indexOf('.') + 1)).toList();
                text.append(("  %-11s" + (uses.isEmpty() ? "" : " ─▶ ") + String.join(", ", uses)).formatted(c.name()).stripTrailing()).append('\n');
            });
        });
        return text.toString();
    }

    private static Map<String, Capability> capabilities(JavaClasses all) {
        Map<String, Capability> found = new TreeMap<>();
        for (JavaClass c : all) {
            if (!c.getPackageName().startsWith(SERVER + ".") || parts(c).length < 2) {
                continue;
            }
            String[] own = parts(c);
            Capability capability = found.computeIfAbsent(own[0] + "." + own[1], k -> new Capability(own[0], own[1], new TreeSet<>()));
            for (Dependency d : c.getDirectDependenciesFromSelf()) {
                JavaClass target = d.getTargetClass().getBaseComponentType();
                if (target.getPackageName().startsWith(SERVER + ".") && parts(target).length >= 2) {
                    capability.uses().add(parts(target)[0] + "." + parts(target)[1]);
                }
            }
            capability.uses().remove(capability.key());
        }
        return found;
    }

    private static String[] parts(JavaClass c) {
        return c.getPackageName().substring(SERVER.length() + 1).split("\\.");
    }

    private static Area area(JavaClasses all, String name) {
        JavaPackage area = all.getPackage(SERVER + "." + name);
        return area.tryGetAnnotationOfType(Area.class).orElse(null);
    }

    private static int rank(JavaClasses all, String name) {
        return area(all, name).rank();
    }
}
