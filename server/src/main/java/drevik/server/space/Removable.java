package drevik.server.space;

/** What can be removed, with the table that it is a row of. */
enum Removable {
  MIX("mix", "mix"),
  DELIVERY("delivery", "delivery"),
  PRINT("print_run", "print"),
  CHAIN("kept_chain", "chain"),
  MAP("kept_map", "map");

  private final String table;
  private final String word;

  Removable(String table, String word) {
    this.table = table;
    this.word = word;
  }

  /** True for what is on the shelf for itself: no print and no other row speaks of it. */
  boolean standsAlone() {
    return this == CHAIN || this == MAP;
  }

  String table() {
    return table;
  }

  @Override
  public String toString() {
    return word;
  }
}
