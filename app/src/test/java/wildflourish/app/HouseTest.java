package wildflourish.app;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import com.tngtech.archunit.library.Architectures;
import com.tngtech.archunit.library.dependencies.SlicesRuleDefinition;

/** The modules of the house: which may read which. */
@AnalyzeClasses(packages = "wildflourish", importOptions = ImportOption.DoNotIncludeTests.class)
class HouseTest {

    @ArchTest
    static final ArchRule ROOMS = Architectures.layeredArchitecture().consideringOnlyDependenciesInLayers()
            .layer("core").definedBy("wildflourish.core..")
            .layer("formats").definedBy("wildflourish.formats..")
            .layer("score").definedBy("wildflourish.score..")
            .optionalLayer("sound").definedBy("wildflourish.sound..")
            .layer("library").definedBy("wildflourish.library..")
            .layer("app").definedBy("wildflourish.app..")
            .whereLayer("app").mayNotBeAccessedByAnyLayer()
            .whereLayer("formats").mayOnlyBeAccessedByLayers("app")
            .whereLayer("score").mayOnlyBeAccessedByLayers("app")
            .whereLayer("sound").mayOnlyBeAccessedByLayers("app")
            .whereLayer("library").mayOnlyBeAccessedByLayers("app");

    @ArchTest
    static final ArchRule NO_CYCLES_IN_THE_APP =
            SlicesRuleDefinition.slices().matching("wildflourish.app.(*)..").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule MODELS_KNOW_NO_NODE = noClasses().that().haveSimpleNameEndingWith("Model")
            .should().dependOnClassesThat().resideInAnyPackage("javafx.scene..", "javafx.stage..");
}
