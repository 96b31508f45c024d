package drevik.server.web;

import drevik.audio.Dither;
import drevik.audio.Layout;
import drevik.audio.PanLaw;
import drevik.audio.SampleFormat;
import drevik.category.CategoryTree;
import drevik.category.Colour;
import drevik.category.NameWords;
import drevik.check.Rule;
import drevik.deliver.Specifications;
import drevik.dsp.Parameter;
import drevik.dsp.Processors;
import drevik.edit.SetSampleRate;
import drevik.mix.ChannelKind;
import drevik.mix.OutputKind;
import drevik.mix.Specification;
import drevik.mix.Tap;
import drevik.mix.field.Field;
import drevik.mix.field.Fields;
import drevik.mix.field.MixField;
import drevik.mix.field.Range;
import drevik.mix.field.Slots;
import drevik.shelf.KeptChain;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** What the interface needs to know once: categories, colours, processors. */
@RestController
class KnowledgeController {
  /** A category with the family whose colour and mark it bears. */
  record CategoryLine(String path, String family) {}

  /** A colour family and its two letters. */
  record FamilyLine(String id, String mark) {}

  /** A processor and what can be set on it. */
  record ProcessorLine(String id, String label, List<Parameter> parameters) {}

  /** A layout, and whether something can stand behind or above the listener there, or in an LFE. */
  record LayoutLine(Layout id, boolean surround, boolean heights, boolean lfe) {}

  /** What the category map can decide of a channel, and people can pin. */
  record SlotLine(String id, String label) {}

  /**
   * What can be said of a thing of a Mix.
   *
   * @param of the thing, as it is called in the model: {@code Channel}, {@code Send}
   * @param least where an arrow ends below; null where it does not
   * @param most where it ends above
   */
  record KnownField(
      String of,
      String id,
      String label,
      Field.Unit unit,
      @Nullable Double least,
      @Nullable Double most) {
    static KnownField of(Fields<?> fields, Field<?, ?> field) {
      return new KnownField(
          fields.type().getSimpleName(),
          field.id(),
          field.label(),
          field.unit(),
          field.travel().map(Range::least).orElse(null),
          field.travel().map(Range::most).orElse(null));
    }
  }

  /** A rule of the line check and why it matters. */
  record RuleLine(Rule id, String why, String holds) {}

  /**
   * All of it.
   *
   * @param keptUnder under which category chains of a kind of channel are kept, where that is not
   *     the channel's own
   */
  record Knowledge(
      List<CategoryLine> categories,
      List<FamilyLine> families,
      List<ProcessorLine> processors,
      List<ChannelKind> channelKinds,
      Map<ChannelKind, String> keptUnder,
      List<LayoutLine> layouts,
      List<String> positions,
      List<Tap> taps,
      List<OutputKind> outputKinds,
      List<SampleFormat> formats,
      List<Dither> dithers,
      List<RuleLine> rules,
      List<SlotLine> slots,
      List<KnownField> fields,
      List<Specification> specifications,
      List<Integer> sampleRates,
      List<PanLaw> panLaws) {}

  @GetMapping(path = "/api/knowledge", produces = MediaType.APPLICATION_JSON_VALUE)
  Knowledge knowledge() {
    return new Knowledge(
        CategoryTree.all().stream()
            .map(path -> new CategoryLine(path, Colour.ofCategory(path).toString()))
            .toList(),
        Arrays.stream(Colour.values())
            .map(family -> new FamilyLine(family.toString(), family.mark()))
            .toList(),
        Processors.all().stream()
            .map(type -> new ProcessorLine(type.id(), type.label(), type.parameters()))
            .toList(),
        List.of(ChannelKind.values()),
        keptUnder(),
        Arrays.stream(Layout.values())
            .map(
                layout ->
                    new LayoutLine(
                        layout, layout.hasSurround(), layout.hasHeight(), layout.hasLfe()))
            .toList(),
        NameWords.positions(),
        List.of(Tap.values()),
        List.of(OutputKind.values()),
        SampleFormat.written(),
        List.of(Dither.values()),
        Arrays.stream(Rule.values())
            .map(rule -> new RuleLine(rule, rule.why(), rule.holds()))
            .toList(),
        Slots.kinds().stream().map(kind -> new SlotLine(kind.id(), kind.label())).toList(),
        MixField.ALL.withAllWithin().stream()
            .flatMap(fields -> fields.all().stream().map(field -> KnownField.of(fields, field)))
            .toList(),
        Specifications.shipped(),
        SetSampleRate.RATES,
        List.of(PanLaw.values()));
  }

  private static Map<ChannelKind, String> keptUnder() {
    Map<ChannelKind, String> categories = new EnumMap<>(ChannelKind.class);
    for (ChannelKind kind : ChannelKind.values()) {
      KeptChain.purposeOf(kind).ifPresent(category -> categories.put(kind, category));
    }
    return categories;
  }
}
