package drevik.check;

import drevik.category.CategoryTree;
import drevik.check.Finding.Severity;
import drevik.edit.Edit;
import drevik.edit.SetCategoryRule;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.field.Changes;
import drevik.mix.field.MapEntryField;
import drevik.reassign.Asked;
import java.util.List;

/** Seats of which the category map does not say where they go. */
final class NoDestination implements LineCheckRule {

  @Override
  public void check(Survey survey) {
    survey.active().forEach(channel -> noDestination(survey, channel));
  }

  private static void noDestination(Survey survey, Channel channel) {
    if (channel.kind() == ChannelKind.SEAT
        && survey.map.isUsed()
        && !channel.category().equals(CategoryTree.UNKNOWN)
        && survey.map.destinationOf(Asked.of(channel)).isEmpty()) {
      Edit rule =
          channel.output() == null
              ? null
              : new SetCategoryRule(
                  List.of(channel.category()),
                  Changes.of(MapEntryField.ALL, MapEntryField.DESTINATION, channel.output()));
      survey.report(
          Rule.NO_DESTINATION,
          Severity.NOTE,
          List.of(channel.id()),
          "The category map does not say where “"
              + channel.name()
              + "” ("
              + channel.category()
              + ") goes.",
          rule);
    }
  }
}
