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
        .layer("ledger")
        .definedBy("drevik.ledger..")
        .layer("reassign")
        .definedBy("drevik.reassign..")
        .layer("naming")
        .definedBy("drevik.naming..")
        .layer("outline")
        .definedBy("drevik.outline..")
        .whereLayer("outline")
        .mayNotBeAccessedByAnyLayer()
        .layer("preview")
        .definedBy("drevik.preview..")
        .whereLayer("preview")
        .mayNotBeAccessedByAnyLayer()
        .layer("flow")
        .definedBy("drevik.flow..")
        .layer("measure")
        .definedBy("drevik.intake.measure..")
        .layer("conform")
        .definedBy("drevik.intake.conform..")
        .layer("seat")
        .definedBy("drevik.intake.seat..")
        .layer("intake")
        .definedBy("drevik.intake")
        .layer("render")
        .definedBy("drevik.render..")
        .layer("deliver")
        .definedBy("drevik.deliver..")
        .layer("check")
        .definedBy("drevik.check..")
        .layer("codec")
        .definedBy("drevik.codec..")
        .layer("shelf")
        .definedBy("drevik.shelf..")
        .whereLayer("shelf")
        .mayOnlyBeAccessedByLayers("edit", "preview", "codec")
        .layer("merge")
        .definedBy("drevik.merge..")
        .whereLayer("merge")
        .mayOnlyBeAccessedByLayers("preview")
        .whereLayer("codec")
        .mayNotBeAccessedByAnyLayer()
        .whereLayer("render")
        .mayNotBeAccessedByAnyLayer()
        .whereLayer("flow")
        .mayNotBeAccessedByAnyLayer()
        .whereLayer("intake")
        .mayNotBeAccessedByAnyLayer()
        .whereLayer("seat")
        .mayOnlyBeAccessedByLayers("intake")
        .whereLayer("conform")
        .mayOnlyBeAccessedByLayers("seat", "intake")
        .whereLayer("measure")
        .mayOnlyBeAccessedByLayers("conform", "seat", "intake")
        .whereLayer("check")
        .mayOnlyBeAccessedByLayers("preview")
        .whereLayer("edit")
        .mayOnlyBeAccessedByLayers(
            "seat", "intake", "check", "codec", "outline", "merge", "preview")
        .whereLayer("ledger")
        .mayOnlyBeAccessedByLayers("edit", "merge", "outline", "preview")
        .whereLayer("reassign")
        .mayOnlyBeAccessedByLayers(
            "check", "seat", "naming", "edit", "codec", "outline", "merge", "preview")
        .whereLayer("naming")
        .mayOnlyBeAccessedByLayers("edit", "outline")
        .whereLayer("deliver")
        .mayOnlyBeAccessedByLayers("render", "check")
        .whereLayer("route")
        .mayOnlyBeAccessedByLayers("edit", "check", "render", "flow", "seat", "outline", "preview")
        .whereLayer("mix")
        .mayOnlyBeAccessedByLayers(
            "route",
            "edit",
            "ledger",
            "reassign",
            "naming",
            "flow",
            "deliver",
            "check",
            "measure",
            "conform",
            "seat",
            "intake",
            "render",
            "merge",
            "outline",
            "preview",
            "shelf",
            "codec")
        .whereLayer("meter")
        .mayOnlyBeAccessedByLayers("measure", "render", "conform", "seat")
        .whereLayer("dsp")
        .mayOnlyBeAccessedByLayers(
            "meter", "mix", "edit", "route", "check", "render", "ledger", "outline")
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
