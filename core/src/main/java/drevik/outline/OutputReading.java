package drevik.outline;

import drevik.audio.Layout;
import drevik.audio.SampleFormat;
import drevik.category.CategoryTree;
import drevik.mix.Channel;
import drevik.mix.Lookup;
import drevik.mix.Mix;
import drevik.mix.Output;
import drevik.mix.OutputKind;
import drevik.mix.StemSet;
import drevik.mix.field.Field.Target;
import drevik.mix.field.References;
import drevik.naming.FreshNames;
import drevik.outline.Mark.Option;
import drevik.outline.WrittenOutline.WrittenMark;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** Files that are printed of lines, and the sets of those that add up to a mix. */
final class OutputReading {
  private static final String PATTERN = "{output}";

  private final Map<String, Channel> channels;
  private final ReadNames names;
  private final FreshNames fresh;
  private final List<OutlineFault> faults;

  /** Outputs as they become, those that were there in their order. */
  private final Map<String, Output> outputs = new LinkedHashMap<>();

  /** Output id → what says of which mixes it is a stem, for those of which it is said anew. */
  private final Map<String, Said> said = new LinkedHashMap<>();

  /** Names of mixes, none for “alone”, null for as usual. */
  private record Said(Entry entry, @Nullable List<Option> of) {}

  OutputReading(
      Map<String, Channel> channels, ReadNames names, FreshNames fresh, List<OutlineFault> faults) {
    this.channels = channels;
    this.names = names;
    this.fresh = fresh;
    this.faults = faults;
  }

  /** The Mix with the outputs that entries print. */
  Mix printed(Mix mix, List<Entry> entries) {
    mix.outputs().forEach(output -> outputs.put(output.id(), output));
    Set<String> gone = new HashSet<>(outputs.keySet());
    Map<String, List<Entry>> called = new HashMap<>();
    // What stands on its line as before is known first, so that what moved is looked for elsewhere.
    Map<Mark, Output> before = new LinkedHashMap<>();
    entries.forEach(entry -> before.putAll(keptOn(entry, gone)));
    entries.forEach(entry -> before.putAll(moved(entry, before, gone)));
    entries.forEach(entry -> before.putAll(renamed(entry, before, gone)));
    for (Entry entry : entries) {
      for (Mark mark : entry.marks(Sign.OUTPUT)) {
        read(entry, mark, before.get(mark));
        called.computeIfAbsent(mark.word(), name -> new ArrayList<>()).add(entry);
      }
    }
    Mix with =
        References.without(mix.withOutputs(List.copyOf(outputs.values())), Target.OUTPUT, gone);
    return stemmed(
        with.withOutputs(with.outputs().stream().filter(o -> !gone.contains(o.id())).toList()));
  }

  private Map<Mark, Output> keptOn(Entry entry, Set<String> gone) {
    Map<Mark, Output> found = new LinkedHashMap<>();
    List<Mark> marks = entry.marks(Sign.OUTPUT);
    Kept kept =
        Kept.of(
            entry.oldMarks(Sign.OUTPUT),
            marks,
            (was, is) -> Lookup.in(outputs, was.of()).name().equals(is.word()));
    for (Mark mark : marks) {
      WrittenMark was = kept.before(mark);
      if (was != null && gone.remove(was.of())) {
        found.put(mark, Lookup.in(outputs, was.of()));
      }
    }
    return found;
  }

  /** An output of that name that stood on another line. */
  private Map<Mark, Output> moved(Entry entry, Map<Mark, Output> known, Set<String> gone) {
    Map<Mark, Output> found = new LinkedHashMap<>();
    for (Mark mark : entry.marks(Sign.OUTPUT)) {
      if (!known.containsKey(mark)) {
        outputs.values().stream()
            .filter(output -> gone.contains(output.id()) && output.name().equals(mark.word()))
            .findFirst()
            .ifPresent(
                output -> {
                  gone.remove(output.id());
                  found.put(mark, output);
                });
      }
    }
    return found;
  }

  /** One that is left on this line and was called otherwise. */
  private Map<Mark, Output> renamed(Entry entry, Map<Mark, Output> known, Set<String> gone) {
    Map<Mark, Output> found = new LinkedHashMap<>();
    List<String> left =
        new ArrayList<>(
            entry.oldMarks(Sign.OUTPUT).stream()
                .map(WrittenMark::of)
                .filter(gone::contains)
                .toList());
    for (Mark mark : entry.marks(Sign.OUTPUT)) {
      if (!known.containsKey(mark) && !left.isEmpty()) {
        String id = left.remove(0);
        gone.remove(id);
        found.put(mark, Lookup.in(outputs, id));
      }
    }
    return found;
  }

  private void read(Entry entry, Mark mark, @Nullable Output was) {
    if (entry.line().names().size() > 1) {
      faults.add(
          entry.fault(
              mark, "A line of several channels prints no file; write each on a line of its own."));
      return;
    }
    boolean stays =
        was != null
            && was.channel().equals(entry.id())
            && entry.oldMarks(Sign.OUTPUT).stream()
                .anyMatch(old -> old.of().equals(was.id()) && old.text().equals(mark.text()));
    if (stays || mark.word().isEmpty()) {
      return;
    }
    boolean doubled =
        outputs.values().stream()
            .anyMatch(
                other ->
                    other.name().equals(mark.word())
                        && (was == null || !other.id().equals(was.id())));
    if (doubled && (was == null || !was.name().equals(mark.word()))) {
      faults.add(
          entry.fault(
              mark, "There is an output “" + mark.word() + "” already; name it otherwise."));
      return;
    }
    Channel channel = Lookup.in(channels, entry.id());
    Output output = was == null ? created(channel, mark) : was;
    output =
        options(
            entry,
            mark,
            output
                .with()
                .name(mark.word())
                .channel(channel.id())
                .tap(mark.tap())
                .kind(names.usualKind(channel))
                .layout(channel.layout())
                .without(List.of())
                .build());
    outputs.put(output.id(), output);
  }

  private Output created(Channel channel, Mark mark) {
    return new Output(
        fresh.id(mark.word()),
        mark.word(),
        names.usualKind(channel),
        channel.id(),
        mark.tap(),
        channel.layout(),
        SampleFormat.PCM_24,
        PATTERN);
  }

  private Output options(Entry entry, Mark mark, Output plain) {
    Output output = plain;
    List<String> without = new ArrayList<>();
    @Nullable List<Option> of = null;
    for (Option option : mark.options()) {
      String text = option.text();
      Optional<OutputKind> kind =
          Arrays.stream(OutputKind.values()).filter(one -> one.toString().equals(text)).findFirst();
      Optional<Layout> layout = ChannelReading.layout(text);
      if (kind.isPresent()) {
        output = output.withKind(kind.get());
      } else if (layout.isPresent()) {
        output = output.withLayout(layout.get());
      } else if (text.startsWith(MarkTexts.NO)) {
        String category = text.substring(MarkTexts.NO.length()).strip();
        if (!CategoryTree.has(category)) {
          fault(entry, option, CategoryTree.unknownMessage(category));
        }
        without.add(category);
      } else if (text.equals(MarkTexts.ALONE) || text.startsWith(MarkTexts.OF)) {
        of = of == null ? new ArrayList<>() : of;
        if (!text.equals(MarkTexts.ALONE)) {
          of.add(option);
        }
      } else {
        fault(
            entry,
            option,
            "“"
                + text
                + "” says nothing of an output; write its kind (mix, minus, stem, undipped stem,"
                + " print), a layout, “no” and a category, “of” and a mix, or alone.");
      }
    }
    said.put(output.id(), new Said(entry, of));
    return output.withWithout(without);
  }

  private void fault(Entry entry, Option option, String says) {
    faults.add(new OutlineFault(entry.line().number(), option.from(), option.to(), says));
  }

  /** Puts each output of which it is said anew into the sets of its mixes, and into no others. */
  private Mix stemmed(Mix mix) {
    Mix with = mix;
    for (Map.Entry<String, Said> one : said.entrySet()) {
      List<String> mixes = mixesOf(mix, one.getKey(), one.getValue());
      with = with.withStemSets(inSets(with, one.getKey(), mixes));
    }
    return with;
  }

  private List<String> mixesOf(Mix mix, String id, Said said) {
    List<Option> of = said.of();
    if (of == null) {
      return MarkTexts.usualMixes(mix, Lookup.in(outputs, id));
    }
    List<String> ids = new ArrayList<>();
    for (Option option : of) {
      String name = option.text().substring(MarkTexts.OF.length()).strip();
      List<Output> called =
          mix.outputs().stream()
              .filter(output -> output.name().equals(LineScanner.unquoted(name)))
              .filter(output -> !output.id().equals(id))
              .toList();
      if (called.size() == 1) {
        ids.add(called.get(0).id());
      } else {
        fault(
            said.entry(),
            option,
            called.isEmpty()
                ? "There is no output “" + name + "” that this could be a stem of; write its name."
                : "There are several outputs “" + name + "”; give them names of their own.");
      }
    }
    return ids;
  }

  private List<StemSet> inSets(Mix mix, String output, List<String> mixes) {
    List<String> missing = new ArrayList<>(mixes);
    missing.removeAll(MarkTexts.mixesOf(mix, output));
    List<StemSet> sets = new ArrayList<>();
    for (StemSet set : mix.stemSets()) {
      List<String> stems = new ArrayList<>(set.stems());
      if (!mixes.contains(set.mixOutput())) {
        stems.remove(output);
      } else if (missing.remove(set.mixOutput())) {
        stems.add(output);
      }
      sets.add(new StemSet(set.id(), set.name(), set.mixOutput(), stems));
    }
    for (String of : missing) {
      String name = "Stems of " + Lookup.in(outputs, of).name();
      sets.add(new StemSet(fresh.id(name), name, of, List.of(output)));
    }
    sets.removeIf(set -> set.stems().isEmpty() && !mix.stemSets().contains(set));
    return sets;
  }
}
