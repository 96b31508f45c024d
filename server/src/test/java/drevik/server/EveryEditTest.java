package drevik.server;

import static org.assertj.core.api.Assertions.assertThat;

import drevik.codec.Documents;
import drevik.deliver.Specifications;
import drevik.edit.AddChannels;
import drevik.edit.AddProcessors;
import drevik.edit.ChangeMix;
import drevik.edit.CopySends;
import drevik.edit.CopySettings;
import drevik.edit.CreateChannels;
import drevik.edit.DuplicateChannels;
import drevik.edit.Edit;
import drevik.edit.FollowMap;
import drevik.edit.JoinBuses;
import drevik.edit.KeepClips;
import drevik.edit.LeaveOut;
import drevik.edit.MoveChannels;
import drevik.edit.MoveOut;
import drevik.edit.PasteCells;
import drevik.edit.PinSlots;
import drevik.edit.ProposeMap;
import drevik.edit.PutChain;
import drevik.edit.PutMap;
import drevik.edit.Reassign;
import drevik.edit.RemoveChannels;
import drevik.edit.RemoveControls;
import drevik.edit.RemoveOutputs;
import drevik.edit.RemoveSend;
import drevik.edit.RenameChannels;
import drevik.edit.SayOfMap;
import drevik.edit.SendChannelsTo;
import drevik.edit.SetAlike;
import drevik.edit.SetCategory;
import drevik.edit.SetCategoryRule;
import drevik.edit.SetChannels;
import drevik.edit.SetSampleRate;
import drevik.edit.SetSend;
import drevik.edit.SetSpecification;
import drevik.edit.SplitBus;
import drevik.edit.StowChannels;
import drevik.edit.Together;
import drevik.edit.TurnOutput;
import drevik.edit.UnpinSlots;
import drevik.mix.Channel;
import drevik.mix.ChannelKind;
import drevik.mix.Control;
import drevik.mix.Insert;
import drevik.mix.Mix;
import drevik.mix.Pin;
import drevik.mix.Slot;
import drevik.mix.field.Changes;
import drevik.mix.field.ChannelField;
import drevik.mix.field.Field;
import drevik.mix.field.Fields;
import drevik.mix.field.FiguresField;
import drevik.mix.field.InsertField;
import drevik.mix.field.MapEntryField;
import drevik.mix.field.MixField;
import drevik.mix.field.SendField;
import drevik.mix.field.ValueField;
import drevik.reassign.Meant;
import drevik.server.RunningServer.Answer;
import drevik.server.mix.Shelf;
import drevik.shelf.KeptChain;
import drevik.shelf.NamedMap;
import drevik.starters.Starters;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** Every kind of edit, and every kind of change, goes over HTTP, is made, and is taken back. */
class EveryEditTest {
  @RegisterExtension static final RunningServer server = new RunningServer();

  /** What needs a delivery, or audio, is carried out by the tests of the intake. */
  private static final Set<String> ELSEWHERE = Set.of("SeatDelivery", "FreeSeats");

  private static Channel first(Mix mix, Predicate<Channel> which) {
    return mix.channels().stream().filter(which).findFirst().orElseThrow();
  }

  /** One of each kind that does something to this Mix. */
  private static List<Edit> edits(Mix mix) {
    Channel seat = first(mix, c -> c.kind().holdsClips() && !c.sends().isEmpty());
    Channel other =
        first(mix, c -> c.kind().holdsClips() && c.sends().isEmpty() && c.output() != null);
    Channel bus =
        first(
            mix,
            c ->
                c.kind() == ChannelKind.BUS
                    && !c.chain().isEmpty()
                    && mix.channels().stream().anyMatch(one -> c.id().equals(one.output())));
    Channel many =
        first(
            mix,
            c ->
                mix.channels().stream()
                        .filter(one -> c.id().equals(one.output()) && one.kind().holdsClips())
                        .map(Channel::category)
                        .distinct()
                        .count()
                    > 1);
    Channel beside =
        first(
            mix,
            c ->
                !c.kind().holdsClips()
                    && !c.id().equals(bus.id())
                    && bus.output() != null
                    && bus.output().equals(c.output()));
    Insert insert = bus.chain().get(0);
    String to = seat.sends().get(0).destinations().get(0);
    List<String> both = List.of(seat.id(), other.id());
    Changes<Insert> off = Changes.of(InsertField.ALL, InsertField.ON, !insert.on());
    KeptChain kept =
        new KeptChain(
            "Kept", "drums", "", List.of(new Insert("k", "limiter", true, false, Map.of(), null)));
    Channel added =
        Channel.of("added", seat.kind(), "Added", seat.layout(), "drums").withOutput(bus.id());
    SetCategoryRule rule =
        new SetCategoryRule(
            List.of("percussion"),
            Changes.of(MapEntryField.ALL, MapEntryField.DESTINATION, beside.id()));
    return List.of(
        new AddChannels(List.of(added), null),
        new AddProcessors(both, kept.chain()),
        ChangeMix.insert(bus.id(), insert.id(), off),
        new CopySends(seat.id(), both),
        new CopySettings(seat.id(), both, true, true, true, true),
        new CreateChannels(null, null, List.of("Guitar [1-4]"), null, null, seat.id(), true),
        new DuplicateChannels(both),
        rule,
        new FollowMap(List.of(other.id()), true),
        new KeepClips(List.of(seat.id()), true),
        new LeaveOut(rule, List.of(new LeaveOut.LeftLine(other.id(), null))),
        new JoinBuses(bus.id(), beside.id()),
        new MoveChannels(both, null),
        new MoveOut(both, "Moved", false, true, true, "keys"),
        new PasteCells(both, List.of("faderDb"), List.of(List.of("-3"), List.of("-4"))),
        new PinSlots(both, List.of(Slot.OUTPUT.id())),
        new ProposeMap(),
        new PutChain(kept, both),
        new PutMap(NamedMap.of(rule.applyTo(mix), "Other"), false),
        new Reassign(
            Meant.picked(both), false, null, beside.id(), null, null, null, null, null, null),
        new RemoveChannels(both),
        new RemoveControls(List.of(mix.controls().get(0).id())),
        new RemoveOutputs(List.of(mix.outputs().get(0).id())),
        new RemoveSend(List.of(seat.id()), to),
        new RenameChannels(Map.of(seat.id(), "Another name"), null),
        new SayOfMap(List.of(new SayOfMap.MapWords("percussion", "trimDb", "-3"))),
        new SetAlike(bus.id(), insert.id(), both, off),
        new SendChannelsTo(both, beside.id()),
        new SetCategory(both, "synth"),
        SetChannels.of(both, ChannelField.FADER, -7.0),
        new SetSampleRate(96_000),
        new SetSend(both, List.of(to), Changes.of(SendField.ALL, SendField.LEVEL, -5.0)),
        new SetSpecification(List.of(mix.outputs().get(0).id()), Specifications.shipped().get(0)),
        new SplitBus(many.id(), SplitBus.By.CATEGORY, true, true),
        new StowChannels(both, true),
        new Together(List.of(SetChannels.of(both, ChannelField.TRIM, -2.0)), "trim them"),
        new TurnOutput(mix.outputs().get(0).id(), -1.5),
        new UnpinSlots(List.of(first(mix, c -> !c.pins().isEmpty()).id()), null));
  }

  @Test
  void everyKindOfEditIsMadeOverHttpAndTakenBack() {
    Mix starter = Starters.bandOfEight();
    Control control = new Control("all", "All", -1, List.of(starter.channels().get(0).id()));
    Channel pinned = first(starter, c -> c.kind().holdsClips());
    Mix whole =
        starter
            .withControls(List.of(control))
            .mapChannels(c -> c == pinned ? c.withPins(List.of(Pin.on(Slot.OUTPUT))) : c);
    String id = server.bean(Shelf.class).create(whole, "test");
    Mix mix = Documents.readTrusted(document(id));
    Map<String, Edit> samples = new LinkedHashMap<>();
    edits(mix).forEach(edit -> samples.put(edit.getClass().getSimpleName(), edit));
    Set<String> kinds =
        Arrays.stream(Edit.class.getPermittedSubclasses())
            .map(Class::getSimpleName)
            .filter(kind -> !ELSEWHERE.contains(kind))
            .collect(Collectors.toSet());
    assertThat(samples.keySet()).as("one of each kind").containsExactlyInAnyOrderElementsOf(kinds);
    samples.forEach(
        (kind, edit) -> {
          String before = document(id);
          int revision = revision(id);
          String json = Documents.mapper().writerFor(Edit.class).writeValueAsString(edit);
          Answer answer = server.edit(id, revision, Documents.mapper().readTree(json));
          assertThat(answer.status()).as("%s: %s", kind, answer.detail()).isEqualTo(200);
          Mix wanted = edit.applyTo(Documents.readTrusted(before));
          boolean same = wanted.equals(Documents.readTrusted(before));
          if (same) {
            assertThat(revision(id)).as(kind).isEqualTo(revision);
            assertThat(document(id)).as("nothing is made of nothing: " + kind).isEqualTo(before);
            return;
          }
          assertThat(withoutPins(document(id))).as(kind).isEqualTo(withoutPins(wanted));
          server.post("/api/mixes/" + id + "/undo", RunningServer.basedOn(revision(id)));
          assertThat(document(id)).as("taken back: " + kind).isEqualTo(before);
        });
  }

  /** The server notes when something was pinned. */
  private static Mix withoutPins(String document) {
    return withoutPins(Documents.readTrusted(document));
  }

  private static Mix withoutPins(Mix mix) {
    return mix.mapChannels(channel -> channel.withPins(List.of()));
  }

  @Test
  void everyKindOfChangeIsReadWhereverAnEditHasSome() {
    for (Class<?> kind : Edit.class.getPermittedSubclasses()) {
      for (RecordComponent component : kind.getRecordComponents()) {
        Class<?> of = changed(component.getGenericType());
        if (of == null) {
          continue;
        }
        Fields<?> fields =
            MixField.ALL.withAllWithin().stream()
                .filter(one -> one.type() == of)
                .findFirst()
                .orElseThrow(() -> new AssertionError("no fields of " + of));
        for (Field<?, ?> field : fields.all()) {
          String json =
              "{\"edit\":\"%s\",\"%s\":{\"%s\":%s}}"
                  .formatted(
                      Documents.nameOf(kind), component.getName(), field.id(), sample(field));
          Edit read = Documents.mapper().readValue(json, Edit.class);
          assertThat(Documents.mapper().writeValueAsString(read)).contains("\"" + field.id());
        }
      }
    }
  }

  private static Class<?> changed(Type type) {
    return type instanceof ParameterizedType of && of.getRawType() == Changes.class
        ? (Class<?>) of.getActualTypeArguments()[0]
        : null;
  }

  private static String sample(Field<?, ?> field) {
    return field instanceof ValueField<?, ?>
        ? "null"
        : field instanceof FiguresField<?> ? "{\"x\":1}" : "{\"removed\":[\"x\"]}";
  }

  private static String document(String id) {
    return new String(server.get("/api/mixes/" + id + "/document").bytes(), StandardCharsets.UTF_8);
  }

  private static int revision(String id) {
    return server.get("/api/mixes/" + id).body().path("revision").asInt();
  }
}
