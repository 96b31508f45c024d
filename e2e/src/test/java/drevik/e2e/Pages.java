package drevik.e2e;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;

/** Where things are on a page, as a person names them. */
final class Pages {
  private Pages() {}

  static Locator button(Page page, String name) {
    return page.getByRole(
        AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^" + name)));
  }

  /** A row of the Flow. */
  static Locator row(Page page, String name) {
    return page.getByRole(
        AriaRole.OPTION, new Page.GetByRoleOptions().setName(Pattern.compile("^" + name + ":")));
  }

  /** Makes an empty template from the shelf, by keys, and is in its Flow. */
  static void newTemplate(Page page) {
    button(page, "New template").waitFor();
    page.keyboard().press("n");
    page.getByRole(AriaRole.DIALOG).getByLabel("Name").waitFor();
    page.keyboard().press("Control+Enter");
    page.getByText("This Mix has no channels yet").waitFor();
  }
}
