package drevik.edit;

import drevik.mix.Channel;
import drevik.mix.Mix;
import drevik.reassign.Actor;
import drevik.reassign.Following;
import drevik.shelf.NamedMap;
import java.util.List;

/**
 * Puts a Mix under another category map. All channels follow it, pins apart.
 *
 * @param inOrder whether they are put in the map's order too
 */
public record PutMap(NamedMap map, boolean inOrder) implements Edit {
  @Override
  public Mix changed(Mix mix) {
    Mix under = Following.after(mix, mix.withCategoryMap(map.cleaned().in(mix)), Actor.MAP);
    List<String> all = under.channels().stream().map(Channel::id).toList();
    Mix followed = Following.all(under, all);
    return Soundness.require(mix, inOrder ? Following.inOrder(followed, all) : followed);
  }

  @Override
  public String says(Mix before) {
    return "put the category map “" + map.name() + "” under the Mix";
  }
}
