package drevik.ledger;

import drevik.mix.Channel;
import drevik.mix.Mix;
import drevik.mix.Refused;
import java.util.List;
import java.util.function.Function;
import java.util.function.Predicate;

/** Finds what somebody means by a name; the case of letters and blanks around it do not matter. */
final class Called {
  private Called() {}

  /**
   * The id of the one channel of that name.
   *
   * @param which is looked among
   * @throws Refused if none is called so, or several are
   */
  static String channel(Mix mix, Predicate<Channel> which, String what, String name) {
    return one(
        mix.channels().stream().filter(which).toList(), Channel::id, Channel::name, what, name);
  }

  /**
   * The id of the one thing of that name.
   *
   * @param what it is, in the words of a refusal
   * @throws Refused if none is called so, or several are
   */
  static <T> String one(
      List<T> things,
      Function<T, String> idOf,
      Function<T, String> nameOf,
      String what,
      String name) {
    List<T> named =
        things.stream()
            .filter(thing -> nameOf.apply(thing).strip().equalsIgnoreCase(name))
            .toList();
    if (named.size() != 1) {
      throw new Refused(
          named.isEmpty()
              ? "There is no " + what + " “" + name + "”."
              : named.size() + " are called “" + name + "”; rename one first.");
    }
    return idOf.apply(named.get(0));
  }
}
