package drevik.render;

/** The print run was cancelled; its files are gone. */
public class PrintCancelled extends RuntimeException {
  public PrintCancelled() {
    super("the print run was cancelled; nothing of it was kept");
  }
}
