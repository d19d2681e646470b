package org.zealousladder.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

/** The rules of the house: arrows point one way, a store is its own package's, the core knows nothing of the rest. */
@AnalyzeClasses(packages = "org.zealousladder", importOptions = ImportOption.DoNotIncludeTests.class)
class ShapeTest {
    @ArchTest
    static final ArchRule noCycles = slices().matching("org.zealousladder.server.(*)..").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule storesAreTheirPackagesOwn = classes().that().haveSimpleNameEndingWith("Store").should().bePackagePrivate();

    @ArchTest
    static final ArchRule controllersAreNobodysBusiness = classes().that().haveSimpleNameEndingWith("Controller").should().bePackagePrivate();

    @ArchTest
    static final ArchRule coreStandsAlone = noClasses().that().resideInAPackage("org.zealousladder.core..").should().dependOnClassesThat()
            .resideInAnyPackage("org.springframework..", "java.sql..", "javax.sql..", "java.nio.file..", "java.io..", "tools.jackson..", "de.siegmar..",
                    "org.zealousladder.server..");

    @ArchTest
    static final ArchRule platformKnowsNoCapability = noClasses().that().resideInAPackage("..server.platform..").should().dependOnClassesThat()
            .resideInAnyPackage("..server.people..", "..server.roster..", "..server.measures..", "..server.scores..", "..server.goals..",
                    "..server.decisions..", "..server.trends..", "..server.ladder..", "..server.desk..", "..server.students..", "..server.records..", "..server.scope..");
}
