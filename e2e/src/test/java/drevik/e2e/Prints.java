package drevik.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static drevik.e2e.Pages.button;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;

/** Prints as a person takes them off the Delivery sheet. */
final class Prints {
  private static final int MILLISECONDS = 90_000;

  private Prints() {}

  /** Prints everything and unpacks it into a folder that is not there yet. */
  static Path print(Page page, int outputs, Path into) throws IOException {
    page.keyboard().press("6");
    button(page, "Print " + outputs + " outputs").click();
    return proven(page, into);
  }

  /** The same after the Mix has been changed. */
  static Path printAgain(Page page, Path into) throws IOException {
    page.keyboard().press("6");
    assertThat(page.getByText("The Mix has moved on")).isVisible();
    page.keyboard().press("p");
    assertThat(page.getByText("The Mix has moved on"))
        .isHidden(new LocatorAssertions.IsHiddenOptions().setTimeout(MILLISECONDS));
    return proven(page, into);
  }

  private static Path proven(Page page, Path into) throws IOException {
    assertThat(page.getByText("add up to the mix").first())
        .isVisible(new LocatorAssertions.IsVisibleOptions().setTimeout(MILLISECONDS));
    return fetched(page, into);
  }

  static Path fetched(Page page, Path into) throws IOException {
    Download download = page.waitForDownload(() -> page.getByText("Download all as zip").click());
    Path zip = into.resolveSibling(into.getFileName() + ".zip");
    download.saveAs(zip);
    Files.createDirectories(into);
    try (InputStream in = Files.newInputStream(zip);
        ZipInputStream entries = new ZipInputStream(in)) {
      for (ZipEntry e = entries.getNextEntry(); e != null; e = entries.getNextEntry()) {
        Files.copy(entries, into.resolve(e.getName()));
      }
    }
    return into;
  }
}
