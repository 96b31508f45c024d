package drevik.server.space;

/** What can be removed, with the table that it is a row of. */
enum Removable {
  MIX("mix", "mix"),
  DELIVERY("delivery", "delivery"),
  PRINT("print_run", "print"),
  CHAIN("kept_chain", "chain");

  private final String table;
  private final String word;

  Removable(String table, String word) {
    this.table = table;
    this.word = word;
  }

  String table() {
    return table;
  }

  @Override
  public String toString() {
    return word;
  }
}
