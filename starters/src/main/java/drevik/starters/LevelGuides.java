package drevik.starters;

import drevik.category.CategoryTree;
import drevik.mix.CategoryMap;
import drevik.mix.MapEntry;
import java.util.LinkedHashMap;
import java.util.Map;

/**
 * How loud what is seated begins, LUFS integrated, before its trim and fader: so that a mix stands
 * near its level before anybody has touched it. A place to begin from, not a rule.
 */
final class LevelGuides {
  private static final Map<String, Double> MUSIC = new LinkedHashMap<>();
  private static final Map<String, Double> PICTURE = new LinkedHashMap<>();

  static {
    MUSIC.put("drums", -27.0);
    MUSIC.put("drums/kick", -23.0);
    MUSIC.put("drums/snare", -24.0);
    MUSIC.put("drums/hat", -33.0);
    MUSIC.put("drums/overhead", -28.0);
    MUSIC.put("drums/room", -32.0);
    MUSIC.put("percussion", -31.0);
    MUSIC.put("bass", -23.0);
    MUSIC.put("guitar", -27.0);
    MUSIC.put("guitar/lead", -25.0);
    MUSIC.put("keys", -28.0);
    MUSIC.put("synth", -28.0);
    MUSIC.put("synth/lead", -26.0);
    MUSIC.put("strings", -29.0);
    MUSIC.put("brass", -28.0);
    MUSIC.put("winds", -29.0);
    MUSIC.put("orchestra", -27.0);
    MUSIC.put("vocals", -22.0);
    MUSIC.put("vocals/double", -28.0);
    MUSIC.put("vocals/backing", -29.0);
    MUSIC.put("vocals/choir", -28.0);
    MUSIC.put("fx", -30.0);
    PICTURE.put("dialogue", -25.0);
    PICTURE.put("dialogue/crowd", -34.0);
    PICTURE.put("narration", -24.0);
    PICTURE.put("interview", -25.0);
    PICTURE.put("natural", -32.0);
    PICTURE.put("foley", -36.0);
    PICTURE.put("effects", -30.0);
    PICTURE.put("ambience", -42.0);
    PICTURE.put("score", -31.0);
    PICTURE.put("fx", -32.0);
  }

  private LevelGuides() {}

  /** A map with guides for every family of which it says where it goes. */
  static CategoryMap in(CategoryMap map, boolean forPicture) {
    CategoryMap with = map;
    for (Map.Entry<String, Double> guide : (forPicture ? PICTURE : MUSIC).entrySet()) {
      String family = CategoryTree.topOf(guide.getKey());
      boolean used =
          map.entries().stream()
              .map(MapEntry::category)
              .anyMatch(category -> CategoryTree.topOf(category).equals(family));
      if (used) {
        with = with.saying(guide.getKey(), entry -> entry.withGuideLufs(guide.getValue()));
      }
    }
    return with;
  }
}
