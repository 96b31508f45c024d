package drevik.intake.seat;

import drevik.category.CategoryTree;
import drevik.category.FileName;
import drevik.edit.SeatDelivery;
import drevik.edit.SeatDelivery.Seating;
import drevik.intake.conform.DeliveredFile;
import drevik.intake.conform.SeatWish;
import drevik.intake.conform.Trimming;
import drevik.intake.seat.SeatingPlan.Act;
import drevik.intake.seat.SeatingPlan.Place;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Clip;
import drevik.mix.Lookup;
import drevik.mix.Mix;
import drevik.mix.MixKind;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Plans which delivered file goes to which seat. What a person wished comes first; then new
 * versions, which go where the old ones are; then free seats of the same category, the one that
 * fits best; else a new seat like its neighbours, sent where the category map says. Seats that
 * nothing came for are stowed.
 */
public final class SeatingPlanner {
  private final Mix mix;
  private final List<DeliveredFile> files;
  private final SeatNames names;
  private final Songs songs;
  private final SeatNames.Unique unique = new SeatNames.Unique();
  private final Set<String> taken = new HashSet<>();
  private final Map<String, Place> places = new HashMap<>();
  private final Map<String, Seating> seatings = new LinkedHashMap<>();

  /** The Mix with the seats that were taken so far as they are then. */
  private Mix seated;

  private SeatingPlanner(Mix mix, List<DeliveredFile> files, SeatNames names) {
    this.mix = mix;
    this.seated = mix;
    this.files = files;
    this.names = names;
    this.songs = Songs.of(mix, files);
  }

  /** The plan with seats named after their files. */
  public static SeatingPlan plan(Mix mix, List<DeliveredFile> files) {
    List<String> all = files.stream().map(DeliveredFile::name).toList();
    return plan(mix, files, SeatNames.of(null, all));
  }

  public static SeatingPlan plan(Mix mix, List<DeliveredFile> files, SeatNames names) {
    return new SeatingPlanner(mix, files, names).plan();
  }

  private SeatingPlan plan() {
    // By convention from kick to prints, and within one category by when they are first heard.
    List<DeliveredFile> open = new ArrayList<>(files);
    open.sort(
        Comparator.comparingInt((DeliveredFile file) -> CategoryTree.orderOf(file.category()))
            .thenComparing(file -> file.startFrame() + file.firstSound()));
    open.removeIf(this::goesByWish);
    Map<String, DeliveredFile> once =
        Copies.originals(files, this::contentInItsSong, DeliveredFile::name);
    open.removeIf(file -> isSettled(file, once.get(contentInItsSong(file))));
    takeBestFits(open);
    seated = withSeats();
    open.forEach(file -> places.computeIfAbsent(file.id(), id -> addSeat(file, null)));
    sayWhereTo();
    nameSeats();
    setLevels();
    matchReferences();
    List<SeatingPlan.Stowed> stow =
        mix.channels().stream()
            .filter(c -> c.kind() == ChannelKind.SEAT && c.awaitsAudio() && !c.stowed())
            .filter(c -> !taken.contains(c.id()))
            .map(c -> new SeatingPlan.Stowed(c.id(), c.name()))
            .toList();
    return new SeatingPlan(placesInOrder(), List.copyOf(seatings.values()), stow);
  }

  /** Two songs may play the same sound; one that came twice for one song is seated once. */
  private String contentInItsSong(DeliveredFile file) {
    String content = file.audio().sha256();
    String song = songs.of(file).map(one -> one.bus().id()).orElse("");
    return content.isEmpty() ? "" : content + " " + song;
  }

  private List<Place> placesInOrder() {
    List<Place> all = new ArrayList<>();
    for (DeliveredFile file : files) {
      Place place = place(file);
      all.add(place);
      if (file.joined() != null) {
        all.add(place.forSecondHalf(file.joined(), FileName.baseOf(file.name())));
      }
    }
    return all;
  }

  private Place place(DeliveredFile file) {
    return Lookup.in(places, file.id());
  }

  private boolean goesByWish(DeliveredFile file) {
    SeatWish wish = file.wish();
    if (wish == null) {
      return false;
    }
    if (wish.kind() == SeatWish.Kind.LEFT_OUT) {
      places.put(file.id(), Place.leftOut(file.id(), "you left it out", true));
      return true;
    }
    Optional<Channel> channel = mix.channel(String.valueOf(wish.channel()));
    if (channel.isEmpty()) {
      return false;
    }
    if (wish.kind() == SeatWish.Kind.NEW_SEAT) {
      places.put(file.id(), addSeat(file, channel.get()));
      return true;
    }
    if (!channel.get().awaitsAudio() || !taken.add(channel.get().id())) {
      return false;
    }
    places.put(file.id(), take(file, channel.get(), "you chose it", true));
    return true;
  }

  /** What is neither to be matched nor to get a new seat: new versions, and what stays out. */
  private boolean isSettled(DeliveredFile file, @Nullable DeliveredFile sameContent) {
    String leftOut =
        sameContent == null || sameContent.id().equals(file.id()) || file.silent()
            ? reasonToLeaveOut(file)
            : "the same, bit for bit, as “" + FileName.baseOf(sameContent.name()) + "”";
    Optional<Channel> before = seatOf(file.replaces());
    if (leftOut != null) {
      places.put(file.id(), Place.leftOut(file.id(), leftOut, false));
    } else if (before.isPresent()) {
      places.put(file.id(), replace(file, before.get()));
    }
    return leftOut != null || before.isPresent();
  }

  private @Nullable String reasonToLeaveOut(DeliveredFile file) {
    Optional<Channel> plays = seatOf(file.known());
    if (plays.isPresent()) {
      return "the same as what “" + plays.get().name() + "” plays already";
    }
    if (file.silent()) {
      return "silent all through";
    }
    if (file.category().equals(CategoryTree.UNKNOWN)) {
      return "give it a category first";
    }
    if (CategoryTree.isWithin(file.category(), "print") && !hasSeatsFor("print")) {
      return "already a print; its parts are mixed instead";
    }
    return null;
  }

  /** What a Mix has seats for, as mastering has for mixes, is what it is made of. */
  private boolean hasSeatsFor(String family) {
    return mix.channels().stream()
        .anyMatch(
            seat ->
                seat.kind() == ChannelKind.SEAT && CategoryTree.isWithin(seat.category(), family));
  }

  /** The seat that plays a file of an earlier delivery. */
  private Optional<Channel> seatOf(@Nullable String earlier) {
    return earlier == null
        ? Optional.empty()
        : mix.channels().stream().filter(c -> !clipsOf(c, earlier).isEmpty()).findFirst();
  }

  private static List<Clip> clipsOf(Channel seat, String file) {
    return seat.clips().stream().filter(clip -> clip.delivered().contains(file)).toList();
  }

  /** The new version stands where the old one stood, as loud as that. */
  private Place replace(DeliveredFile file, Channel seat) {
    List<Clip> old = clipsOf(seat, String.valueOf(file.replaces()));
    Clip first = old.get(0);
    if (first.delivered().size() > 1 && file.joined() == null) {
      return Place.leftOut(
          file.id(),
          "“" + seat.name() + "” plays its earlier version joined with another; send both sides",
          false);
    }
    long begin = Math.max(0, first.startFrame() - first.sourceIn());
    List<Clip> clips =
        Trimming.clips(file.withStartFrame(begin), mix.sampleRate()).stream()
            .map(clip -> clip.with().gainDb(first.gainDb()).keep(first.keep()).build())
            .toList();
    List<String> gone = old.stream().map(Clip::id).toList();
    seatings.put(file.id(), Seating.replacing(seat.id(), clips, gone));
    String because = "a new version of “" + first.audio().name() + "”" + polarity(file, seat);
    return new Place(
        file.id(),
        Act.REPLACES,
        seat.id(),
        seat.name(),
        seat.name(),
        seat.output(),
        because,
        false);
  }

  /** The seat stays as it is; whether that is still right is for a person to hear. */
  private static String polarity(DeliveredFile file, Channel seat) {
    if (file.flip() == seat.invertPolarity()) {
      return "";
    }
    return file.flip()
        ? "; it is upside down, and its seat does not turn it: listen"
        : "; its seat turns the polarity, which this version may not need: listen";
  }

  /**
   * The best fits first, so that “snare top” is not taken by the snare that happens to come first.
   */
  private void takeBestFits(List<DeliveredFile> open) {
    for (SeatFit fit : SeatFit.all(open, mix.channels(), names.clean())) {
      if (!places.containsKey(fit.file().id())
          && isOfItsSong(fit.file(), fit.seat())
          && taken.add(fit.seat().id())) {
        String because = fit.because() + ofSong(fit.file(), fit.seat());
        places.put(fit.file().id(), take(fit.file(), fit.seat(), because, false));
      }
    }
  }

  private boolean isOfItsSong(DeliveredFile file, Channel seat) {
    return seat.kind() != ChannelKind.SEAT
        || songs.of(file).map(song -> song.holds(seat.id())).orElse(true);
  }

  private String ofSong(DeliveredFile file, Channel seat) {
    return songs
        .of(file)
        .filter(song -> song.holds(seat.id()))
        .map(song -> " in “" + song.bus().name() + "”, which “" + song.folder() + "” is")
        .orElse("");
  }

  private Place take(DeliveredFile file, Channel seat, String because, boolean wished) {
    boolean reference = seat.kind() == ChannelKind.REFERENCE;
    List<Clip> clips = Trimming.clips(file, mix.sampleRate());
    Seating seating = turned(Seating.onto(seat.id(), clips), seat, file).withChosen(wished);
    String person = NewSeat.personOf(file, mix).orElse(seat.person());
    String filed = reference ? "" : filed(file, seat);
    if (!filed.isEmpty()) {
      seating = seating.withCategory(file.category());
    }
    if (person != null && !person.equals(seat.person())) {
      seating = seating.withPerson(person);
    }
    seatings.put(file.id(), seating);
    return new Place(
        file.id(),
        reference ? Act.REFERENCE : Act.TAKES,
        seat.id(),
        seat.name(),
        seat.name(),
        seat.output(),
        (reference && !wished ? "kept beside the mix, to compare" : because)
            + (reference && FileName.holdsPicture(file.name())
                ? "; the picture’s own sound, as loud as it came"
                : "")
            + filed
            + (person == null ? "" : "; " + person + "’s"),
        wished);
  }

  /** What is said where the seat is filed under the file's category; empty where its own stays. */
  private static String filed(DeliveredFile file, Channel seat) {
    boolean known = !file.category().equals(CategoryTree.UNKNOWN);
    // A file that is known by its family alone says less than the seat.
    return known && !CategoryTree.isWithin(seat.category(), file.category())
        ? "; filed under " + file.category()
        : "";
  }

  /** The Mix as a session, with the seats taken so far; none is added. */
  private Mix withSeats() {
    List<Seating> onto = seatings.values().stream().filter(s -> s.added() == null).toList();
    return new SeatDelivery("", null, onto, List.of()).applyTo(mix.withKind(MixKind.SESSION));
  }

  /** Where what took a seat goes once its category is its file's. */
  private void sayWhereTo() {
    for (DeliveredFile file : files) {
      Place place = place(file);
      if (place.act() == Act.TAKES) {
        String to = seated.channel(String.valueOf(place.seat())).map(Channel::output).orElse(null);
        places.put(file.id(), place.withDestination(to));
      }
    }
  }

  private static Seating turned(Seating seating, Channel seat, DeliveredFile file) {
    return file.flip() ? seating.withInverted(!seat.invertPolarity()) : seating;
  }

  /**
   * @param wished the bus that a person chose, or null
   */
  private Place addSeat(DeliveredFile file, @Nullable Channel wished) {
    NewSeat added = new NewSeat(seated, file, wished, songs.of(file).orElse(null));
    Optional<String> leftOut = added.reasonToLeaveOut();
    if (leftOut.isPresent()) {
      return Place.leftOut(file.id(), leftOut.get(), false);
    }
    Channel seat = added.channel();
    List<Clip> clips = Trimming.clips(file, mix.sampleRate());
    seatings.put(file.id(), turned(Seating.adding(seat, added.standsBehind(), clips), seat, file));
    return new Place(
        file.id(), Act.ADDS, seat.id(), "", null, seat.output(), added.because(), wished != null);
  }

  /**
   * Seats take the names of their files; references keep theirs, and so do seats of new versions.
   */
  private void nameSeats() {
    Set<String> named = new HashSet<>();
    for (DeliveredFile file : files) {
      Place place = place(file);
      if (isNamed(place)) {
        named.add(String.valueOf(place.seat()));
      }
    }
    mix.channels().stream()
        .filter(c -> !named.contains(c.id()))
        .forEach(c -> unique.take(c.name()));
    for (DeliveredFile file : files) {
      Place place = place(file);
      if (isNamed(place)) {
        String before = place.calledBefore();
        String name = unique.of(names.of(file, before), before);
        // A name that stays is not said: somebody may give another meanwhile.
        String said = name.equals(before) ? null : name;
        seatings.computeIfPresent(file.id(), (id, seating) -> seating.withName(said));
        places.put(file.id(), place.withSeatName(name));
      }
    }
  }

  private static boolean isNamed(Place place) {
    return place.act() == Act.TAKES || place.act() == Act.ADDS;
  }

  /** What takes a seat begins as loud as the category map says. */
  private void setLevels() {
    List<DeliveredFile> seated = files.stream().filter(file -> isNamed(place(file))).toList();
    new LevelGuides(mix)
        .gains(seated, seatings)
        .forEach(
            (id, gain) -> {
              seatings.computeIfPresent(id, (file, seating) -> seating.withGainDb(gain));
              String because =
                  String.format(Locale.ROOT, "; %+.1f dB to the level guide", gain)
                      .replace('-', '−');
              Place place = Lookup.in(places, id);
              places.put(id, place.withBecause(place.because() + because));
            });
  }

  private boolean addsReference(DeliveredFile file) {
    Seating seating = seatings.get(file.id());
    Channel added = seating == null ? null : seating.added();
    return added != null && added.kind() == ChannelKind.REFERENCE;
  }

  /** References are set about as loud as the tracks together. */
  private void matchReferences() {
    List<DeliveredFile> references =
        files.stream()
            .filter(file -> place(file).act() == Act.REFERENCE || addsReference(file))
            // A picture's own sound is what the mix is held to, and stays as loud as it came.
            .filter(file -> !FileName.holdsPicture(file.name()))
            .toList();
    if (references.isEmpty()) {
      return;
    }
    Mix seated =
        new SeatDelivery("", null, List.copyOf(seatings.values()), List.of())
            .applyTo(mix.withKind(MixKind.SESSION));
    Map<String, DeliveredFile> bySeat = new HashMap<>();
    for (DeliveredFile file : files) {
      Seating seating = seatings.get(file.id());
      if (seating != null) {
        bySeat.put(seating.seat(), file);
      }
    }
    for (DeliveredFile file : references) {
      OptionalDouble gain = LevelMatch.gainOf(file, seated, bySeat);
      if (gain.isPresent()) {
        seatings.computeIfPresent(
            file.id(), (id, seating) -> seating.withGainDb(gain.getAsDouble()));
        Place place = place(file);
        String because =
            String.format(
                Locale.ROOT,
                "%s; at %+.1f dB about as loud as the tracks together",
                place.because(),
                gain.getAsDouble());
        places.put(file.id(), place.withBecause(because));
      }
    }
  }
}
