package drevik.intake.conform;

import drevik.audio.Layout;
import drevik.category.FileName;
import drevik.intake.conform.ConformStep.Kind;
import drevik.intake.measure.Inspection;
import drevik.intake.measure.SecondSorting;
import drevik.intake.measure.StereoPairs;
import drevik.intake.measure.Stretch;
import drevik.mix.AudioRef;
import drevik.mix.Lookup;
import drevik.mix.Mix;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * What is done to every file of a delivery on its way to a session: each for itself, and as a
 * delivery, where two files are halves of one and time references give the starts.
 */
public final class Conforming {
  /**
   * A measured file.
   *
   * @param audio the original
   * @param beside the microphone that it was compared with, or null
   * @param swappedAgainst name of the recording that its sides are swapped against, or null
   * @param off kinds of steps that a person left out
   */
  public record Source(
      String id,
      String name,
      AudioRef audio,
      String category,
      Inspection found,
      ConformStep.@Nullable Beside beside,
      @Nullable String swappedAgainst,
      Set<Kind> off) {
    private boolean wants(ConformStep step) {
      return !step.kind().isOptional() || !off.contains(step.kind());
    }
  }

  /** A recorder that ran past midnight, or was set wrong, is no reason for a gap of half a day. */
  private static final double MOST_LATE_SECONDS = 6 * 3600;

  private final Mix mix;
  private final DeadAir deadAir;
  private final Map<String, Source> sources = new LinkedHashMap<>();
  private final Map<String, List<ConformStep>> steps = new LinkedHashMap<>();
  private final Map<String, StereoPairs.Pair> joins = new LinkedHashMap<>();
  private final OptionalLong firstReference;

  private Conforming(Mix mix, DeadAir deadAir, List<Source> all) {
    this.mix = mix;
    this.deadAir = deadAir;
    all.forEach(source -> sources.put(source.id(), source));
    firstReference = firstReference(all);
    all.forEach(source -> steps.put(source.id(), ownSteps(source)));
    all.forEach(source -> flip(source, all.size()));
    joinHalves();
    all.forEach(this::placeAndTrim);
  }

  public static Conforming of(Mix mix, List<Source> sources) {
    return of(mix, DeadAir.USUAL, sources);
  }

  /**
   * How files become what a Mix takes.
   *
   * @param deadAir what of the files is cut away
   */
  public static Conforming of(Mix mix, DeadAir deadAir, List<Source> sources) {
    return new Conforming(mix, deadAir, sources);
  }

  /** What is cut away of a file, in its own frames and in order. */
  public List<Stretch> cuts(String id) {
    List<Stretch> cuts = new ArrayList<>();
    if (ConformStep.has(wanted(id), Kind.TRIM)) {
      long at = 0;
      for (Stretch part : parts(source(id))) {
        if (part.from() > at) {
          cuts.add(new Stretch(at, part.from()));
        }
        at = part.to();
      }
      long frames = source(id).found().header().frames();
      if (at < frames) {
        cuts.add(new Stretch(at, frames));
      }
    }
    return cuts;
  }

  /** Everything that could be done to a file; what a person left out included. */
  public List<ConformStep> steps(String id) {
    return List.copyOf(Lookup.in(steps, id));
  }

  /** What is done. */
  public List<ConformStep> wanted(String id) {
    return Lookup.in(steps, id).stream().filter(source(id)::wants).toList();
  }

  boolean turns(String id) {
    return ConformStep.has(wanted(id), Kind.FLIP);
  }

  /** The file that becomes the second half of this one's stereo file. */
  Optional<StereoPairs.Pair> joinOf(String id) {
    return Optional.ofNullable(joins.get(id));
  }

  Source source(String id) {
    return Lookup.in(sources, id);
  }

  /** The file whose stereo file this one becomes the second half of. */
  public Optional<String> joinedTo(String id) {
    return joins.values().stream()
        .filter(pair -> pair.second().equals(id))
        .map(StereoPairs.Pair::first)
        .findFirst();
  }

  private void add(Source source, ConformStep step) {
    Lookup.in(steps, source.id()).add(step);
  }

  private List<ConformStep> ownSteps(Source source) {
    if (source.found().silent()) {
      return new ArrayList<>();
    }
    List<ConformStep> own = new ArrayList<>(ConformStep.of(source.found(), mix.sampleRate()));
    if (source.swappedAgainst() != null) {
      own.add(ConformStep.swap(source.swappedAgainst()));
    }
    return own;
  }

  /**
   * A microphone agrees with the one that it was compared with once it is turned as often as that
   * one and once more if the two disagree.
   *
   * @param most a chain of microphones is not longer than this
   */
  private void flip(Source source, int most) {
    ConformStep.Beside beside = source.beside();
    if (beside != null && flips(source, beside, most)) {
      add(source, ConformStep.flip(beside));
    }
  }

  private boolean flips(Source source, ConformStep.@Nullable Beside beside, int most) {
    if (beside == null || source.found().silent() || most == 0) {
      return false;
    }
    Source other = sources.get(beside.id());
    boolean otherFlips =
        other != null && !other.off().contains(Kind.FLIP) && flips(other, other.beside(), most - 1);
    return beside.finding().flipped() != otherFlips;
  }

  private void joinHalves() {
    List<StereoPairs.Half> mono =
        sources.values().stream()
            .filter(s -> !s.found().silent() && layoutOf(s) == Layout.MONO)
            .map(
                s ->
                    new StereoPairs.Half(
                        s.id(),
                        s.name(),
                        s.category(),
                        s.found().header().frames(),
                        s.found().header().sampleRate()))
            .toList();
    for (StereoPairs.Pair pair : StereoPairs.among(mono, mix)) {
      Source first = source(pair.first());
      Source second = source(pair.second());
      add(first, ConformStep.join(pair, FileName.baseOf(second.name()), true));
      add(second, ConformStep.join(pair, FileName.baseOf(first.name()), false));
      if (!first.off().contains(Kind.JOIN) && !second.off().contains(Kind.JOIN)) {
        joins.put(first.id(), pair);
      }
    }
  }

  private void placeAndTrim(Source source) {
    if (source.found().silent() || joinedTo(source.id()).isPresent()) {
      return;
    }
    long start = startFrame(source);
    if (start > 0) {
      add(source, ConformStep.place(start, mix.sampleRate()));
    }
    List<Stretch> parts = parts(source);
    long kept = parts.stream().mapToLong(Stretch::frames).sum();
    if (kept < source.found().header().frames() && isMixed(source)) {
      double cut =
          (double) (source.found().header().frames() - kept) / source.found().header().sampleRate();
      add(source, ConformStep.trim(cut, parts.size()));
    }
  }

  /** A reference is kept whole: its length is part of what it says. */
  private static boolean isMixed(Source source) {
    return !source.category().startsWith("reference");
  }

  private List<Stretch> parts(Source source) {
    List<Stretch> activity = new ArrayList<>(heard(source));
    joinOf(source.id())
        .ifPresent(
            pair -> {
              activity.addAll(heard(source(pair.second())));
              activity.sort(Comparator.comparingLong(Stretch::from));
            });
    var header = source.found().header();
    return Trimming.parts(activity, header.frames(), header.sampleRate(), deadAir);
  }

  /** Where a file is heard, by what the delivery says of dead air. */
  private List<Stretch> heard(Source source) {
    var header = source.found().header();
    Double below = deadAir.belowDbfs();
    return below == null
        ? source.found().sound().activity()
        : source.found().sound().above(below, header.sampleRate(), header.frames());
  }

  private Layout layoutOf(Source source) {
    return ConformStep.layoutAfter(source.found().header().layout(), wanted(source.id()));
  }

  /**
   * The earliest time reference, in microseconds since midnight: files may have several rates. None
   * if only one file has one, which says nothing of where it begins.
   */
  private static OptionalLong firstReference(List<Source> all) {
    long[] references =
        all.stream()
            .filter(source -> source.found().header().timeReference().isPresent())
            .mapToLong(source -> microseconds(source.found()))
            .sorted()
            .toArray();
    return references.length < 2 ? OptionalLong.empty() : OptionalLong.of(references[0]);
  }

  private static long microseconds(Inspection found) {
    return Math.round(
        found.header().timeReference().getAsLong() * 1e6 / found.header().sampleRate());
  }

  private long startFrame(Source source) {
    if (source.found().header().timeReference().isEmpty() || firstReference.isEmpty()) {
      return 0;
    }
    double late = (microseconds(source.found()) - firstReference.getAsLong()) / 1e6;
    return late > 0 && late < MOST_LATE_SECONDS ? Math.round(late * mix.sampleRate()) : 0;
  }

  /** The files as the plan sees them; the second half of a stereo file is part of the first. */
  public List<DeliveredFile> files() {
    return sources.values().stream()
        .filter(source -> joinedTo(source.id()).isEmpty())
        .map(this::file)
        .toList();
  }

  private DeliveredFile file(Source source) {
    Inspection found = source.found();
    List<ConformStep> wanted = wanted(source.id());
    long frames = toSession(found.header().frames(), found);
    Optional<StereoPairs.Pair> join = joinOf(source.id());
    DeliveredFile whole =
        DeliveredFile.of(
            source.id(),
            source.name(),
            source.audio(),
            join.isPresent() ? Layout.STEREO : layoutOf(source),
            frames,
            found.silent(),
            source.category());
    List<Stretch> parts =
        ConformStep.has(wanted, Kind.TRIM)
            ? Trimming.scaled(parts(source), found.header().frames(), frames)
            : whole.parts();
    List<Stretch> activity = found.sound().activity();
    return whole
        .with()
        .title(SecondSorting.titleOf(source.name(), found))
        .flip(turns(source.id()))
        .startFrame(ConformStep.has(wanted, Kind.PLACE) ? startFrame(source) : 0)
        .joined(join.map(StereoPairs.Pair::second).orElse(null))
        .parts(parts)
        .firstSound(activity.isEmpty() ? 0 : toSession(activity.get(0).from(), found))
        .loudness(found.integratedLufs())
        .build();
  }

  private long toSession(long frames, Inspection found) {
    return Math.round((double) frames * mix.sampleRate() / found.header().sampleRate());
  }
}
