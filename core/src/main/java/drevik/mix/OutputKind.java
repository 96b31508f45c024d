package drevik.mix;

/** What a printed file is for. */
public enum OutputKind {
  MIX("mix"),
  MINUS("minus"),
  STEM("stem"),
  UNDIPPED_STEM("undipped stem"),
  PRINT("print");

  private final String id;

  OutputKind(String id) {
    this.id = id;
  }

  @Override
  public String toString() {
    return id;
  }
}
