package drevik.outline;

import drevik.audio.Layout;
import drevik.category.CategoryTree;
import drevik.category.Sorting;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.naming.ChannelName;
import org.jspecify.annotations.Nullable;

/**
 * What a line says without a mark: by its name, by what stands under it, and by what it stands
 * under. Written and read by the same rule, so that a mark stands only where this is not so.
 */
record Implied(ChannelKind kind, Layout layout, String category) {
  /**
   * @param kind as a mark says it; null for what the name says
   * @param parent what the line stands under, or null
   */
  static Implied of(
      ChannelName name,
      @Nullable ChannelKind kind,
      boolean hasLinesUnder,
      @Nullable Channel parent) {
    ChannelKind is = kind != null ? kind : kindOf(name, hasLinesUnder);
    Layout layout =
        name.layout()
            .orElseGet(
                () ->
                    switch (is) {
                      case SEAT -> Layout.MONO;
                      case REFERENCE -> Layout.STEREO;
                      case BUS, RETURN, MASTER -> parent == null ? Layout.STEREO : parent.layout();
                    });
    return new Implied(is, layout, categoryOf(name, is, parent));
  }

  private static ChannelKind kindOf(ChannelName name, boolean hasLinesUnder) {
    return name.kind()
        .filter(said -> !(hasLinesUnder && said.holdsClips()))
        .orElse(hasLinesUnder ? ChannelKind.BUS : ChannelKind.SEAT);
  }

  /**
   * “Top” under “Snare” is a snare, and so is what its own name says nothing sure of; what is of
   * everything takes over nothing.
   */
  private static String categoryOf(ChannelName name, ChannelKind kind, @Nullable Channel parent) {
    String own = name.sorting().category();
    if (parent == null
        || parent.kind() != ChannelKind.BUS
        || name.isMix()
        || (kind != ChannelKind.SEAT && kind != ChannelKind.BUS)) {
      return own;
    }
    boolean other =
        !CategoryTree.topOf(own).equals(CategoryTree.topOf(parent.category()))
            && !parent.category().equals(CategoryTree.UNKNOWN);
    boolean unsure = other && name.sorting().confidence() < Sorting.SURE;
    return own.equals(CategoryTree.UNKNOWN) || unsure ? parent.category() : own;
  }
}
