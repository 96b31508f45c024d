package drevik;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import org.junit.jupiter.api.Test;

/** Who may see whom inside the core. */
class ArchitectureTest {
  private static final JavaClasses CORE =
      new ClassFileImporter()
          .withImportOption(new ImportOption.DoNotIncludeTests())
          .importPackages("drevik");

  @Test
  void levelsSeeOnlyWhatStandsBelowThem() {
    layeredArchitecture()
        .consideringOnlyDependenciesInLayers()
        .layer("audio")
        .definedBy("drevik.audio..")
        .layer("category")
        .definedBy("drevik.category..")
        .layer("dsp")
        .definedBy("drevik.dsp..")
        .layer("meter")
        .definedBy("drevik.meter..")
        .layer("mix")
        .definedBy("drevik.mix..")
        .layer("route")
        .definedBy("drevik.route..")
        .layer("edit")
        .definedBy("drevik.edit..")
        .layer("intake")
        .definedBy("drevik.intake..")
        .layer("render")
        .definedBy("drevik.render..")
        .layer("deliver")
        .definedBy("drevik.deliver..")
        .layer("check")
        .definedBy("drevik.check..")
        .layer("codec")
        .definedBy("drevik.codec..")
        .layer("refit")
        .definedBy("drevik.refit..")
        .whereLayer("refit")
        .mayNotBeAccessedByAnyLayer()
        .whereLayer("codec")
        .mayNotBeAccessedByAnyLayer()
        .whereLayer("render")
        .mayNotBeAccessedByAnyLayer()
        .whereLayer("intake")
        .mayNotBeAccessedByAnyLayer()
        .whereLayer("check")
        .mayNotBeAccessedByAnyLayer()
        .whereLayer("edit")
        .mayOnlyBeAccessedByLayers("intake", "check", "refit", "codec")
        .whereLayer("deliver")
        .mayOnlyBeAccessedByLayers("render", "check")
        .whereLayer("route")
        .mayOnlyBeAccessedByLayers("edit", "check", "render", "intake")
        .whereLayer("mix")
        .mayOnlyBeAccessedByLayers(
            "route", "edit", "deliver", "check", "intake", "render", "refit", "codec")
        .whereLayer("meter")
        .mayOnlyBeAccessedByLayers("intake", "render")
        .whereLayer("dsp")
        .mayOnlyBeAccessedByLayers("meter", "check", "render")
        .check(CORE);
  }

  @Test
  void noFrameworkReachesTheCore() {
    noClasses()
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage(
            "org.springframework..", "jakarta..", "org.hibernate..", "com.beust.jcommander..")
        .check(CORE);
  }

  @Test
  void onlyTheCodecKnowsJson() {
    noClasses()
        .that()
        .resideOutsideOfPackage("drevik.codec..")
        .should()
        .dependOnClassesThat()
        .resideInAnyPackage("tools.jackson..", "com.fasterxml..")
        .check(CORE);
  }
}
