package drevik.server;

import static com.tngtech.archunit.library.Architectures.layeredArchitecture;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import org.junit.jupiter.api.Test;

/** Who may see whom inside the server. */
class ServerArchitectureTest {
  private static final JavaClasses SERVER =
      new ClassFileImporter()
          .withImportOption(new ImportOption.DoNotIncludeTests())
          .importPackages("drevik.server");

  @Test
  void roomsSeeOnlyWhatTheyNeed() {
    layeredArchitecture()
        .consideringOnlyDependenciesInLayers()
        .layer("mix")
        .definedBy("drevik.server.mix..")
        .layer("intake")
        .definedBy("drevik.server.intake..")
        .layer("print")
        .definedBy("drevik.server.print..")
        .layer("store")
        .definedBy("drevik.server.store..")
        .layer("space")
        .definedBy("drevik.server.space..")
        .layer("events")
        .definedBy("drevik.server.events..")
        .layer("jobs")
        .definedBy("drevik.server.jobs..")
        .layer("demo")
        .definedBy("drevik.server.demo..")
        .layer("web")
        .definedBy("drevik.server.web..")
        .layer("chain")
        .definedBy("drevik.server.chain..")
        .layer("map")
        .definedBy("drevik.server.map..")
        .layer("listen")
        .definedBy("drevik.server.listen..")
        .whereLayer("chain")
        .mayOnlyBeAccessedByLayers("demo")
        .whereLayer("map")
        .mayNotBeAccessedByAnyLayer()
        .whereLayer("listen")
        .mayNotBeAccessedByAnyLayer()
        .whereLayer("mix")
        .mayOnlyBeAccessedByLayers("intake", "print", "jobs", "demo", "chain", "map")
        .whereLayer("intake")
        .mayOnlyBeAccessedByLayers("jobs", "demo", "listen")
        .whereLayer("print")
        .mayOnlyBeAccessedByLayers("jobs", "listen")
        .whereLayer("store")
        .mayOnlyBeAccessedByLayers("intake", "print", "space", "listen")
        .whereLayer("space")
        .mayOnlyBeAccessedByLayers("jobs")
        .whereLayer("events")
        .mayOnlyBeAccessedByLayers("mix", "print")
        .whereLayer("jobs")
        .mayNotBeAccessedByAnyLayer()
        .whereLayer("demo")
        .mayNotBeAccessedByAnyLayer()
        .whereLayer("web")
        .mayNotBeAccessedByAnyLayer()
        .check(SERVER);
  }
}
