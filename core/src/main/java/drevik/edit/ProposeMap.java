package drevik.edit;

import drevik.mix.Mix;
import drevik.reassign.Following;
import drevik.reassign.MapProposal;

/**
 * Makes a category map of how the Mix is routed now, and pins what departs from it. No channel
 * changes what it does.
 */
public record ProposeMap() implements Edit {
  @Override
  public Mix changed(Mix mix) {
    Mix mapped = mix.withCategoryMap(MapProposal.of(mix));
    return Soundness.require(mix, Following.pinned(mapped, Following.departures(mapped)));
  }

  @Override
  public Mix applyTo(Mix mix) {
    return changed(mix);
  }

  @Override
  public String says(Mix before) {
    return "make a category map of how the Mix is routed";
  }
}
