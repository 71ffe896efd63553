package wildflourish.core;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import com.tngtech.archunit.library.Architectures;

/** The rooms of the core: which may read which. */
@AnalyzeClasses(packages = "wildflourish.core", importOptions = ImportOption.DoNotIncludeTests.class)
class LayersTest {

    @ArchTest
    static final ArchRule LAYERS = Architectures.layeredArchitecture().consideringOnlyDependenciesInLayers()
            .layer("foundations").definedBy("wildflourish.core.data..", "wildflourish.core.finding..", "wildflourish.core.memory..")
            .layer("tune").definedBy("wildflourish.core.tune..")
            .layer("instrument").definedBy("wildflourish.core.instrument..")
            .layer("planning").definedBy("wildflourish.core.planning..")
            .layer("ornament").definedBy("wildflourish.core.ornament..")
            .layer("setting").definedBy("wildflourish.core.setting..")
            .layer("above").definedBy("wildflourish.core.reading..", "wildflourish.core.growth..", "wildflourish.core.rounds..",
                    "wildflourish.core.practice..", "wildflourish.core.search..", "wildflourish.core.writing..", "wildflourish.core.fit..", "wildflourish.core.lesson..", "wildflourish.core.hearing..")
            .whereLayer("above").mayNotBeAccessedByAnyLayer()
            .whereLayer("setting").mayOnlyBeAccessedByLayers("above")
            .whereLayer("ornament").mayOnlyBeAccessedByLayers("setting", "above")
            .whereLayer("planning").mayOnlyBeAccessedByLayers("ornament", "setting", "above")
            .whereLayer("instrument").mayOnlyBeAccessedByLayers("planning", "ornament", "setting", "above")
            .whereLayer("tune").mayOnlyBeAccessedByLayers("instrument", "planning", "ornament", "setting", "above");

    @ArchTest
    static final ArchRule NO_CYCLES = slices().matching("wildflourish.core.(*)..").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule NO_SCREEN_FILE_FORMAT_DATABASE_OR_LOUDSPEAKER = noClasses().should().dependOnClassesThat()
            .resideInAnyPackage("javafx..", "java.sql..", "javax.sound..", "java.awt..", "org.apache.pdfbox..");

    @ArchTest
    static final ArchRule NO_VAGUE_NAMES = classes().should()
            .haveSimpleNameNotEndingWith("Utils").andShould().haveSimpleNameNotEndingWith("Helper")
            .andShould().haveSimpleNameNotEndingWith("Manager").andShould().haveSimpleNameNotEndingWith("Impl");
}
