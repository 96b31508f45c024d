package drevik.edit;

import static drevik.MixWords.insert;
import static drevik.edit.Band.band;
import static drevik.edit.Band.send;
import static org.assertj.core.api.Assertions.assertThat;

import drevik.audio.Layout;
import drevik.codec.Documents;
import drevik.mix.ChannelKind;
import drevik.mix.Control;
import drevik.mix.Key;
import drevik.mix.Mix;
import drevik.mix.Refused;
import drevik.mix.Tap;
import drevik.mix.field.Changes;
import drevik.mix.field.ChannelField;
import drevik.mix.field.MixField;
import drevik.route.SignalGraph;
import drevik.shelf.KeptChain;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;

/** What holds for whatever edits, in any order. */
class AnyEditsTest {
  private static CreateChannels create(String name, String to) {
    return new CreateChannels(
        ChannelKind.SEAT, Layout.MONO, List.of(name), "drums", to, null, null);
  }

  @Provide
  Arbitrary<List<Edit>> edits() {
    Arbitrary<String> id =
        Arbitraries.of("kick", "snare", "voice", "drums", "plate", "mix", "nobody");
    Arbitrary<List<String>> ids = id.list().ofMinSize(0).ofMaxSize(3).uniqueElements();
    Arbitrary<Tap> tap = Arbitraries.of(Tap.values());
    Arbitrary<Double> level = Arbitraries.doubles().between(-200, 40);
    return Arbitraries.oneOf(
            Combinators.combine(ids, id).as(SendChannelsTo::new),
            Combinators.combine(ids, id, tap, level)
                .as((c, to, t, db) -> new SetSend(c, List.of(to), send(t, db, true))),
            ids.map(RemoveChannels::new),
            ids.map(DuplicateChannels::new),
            Combinators.combine(ids, id).as(MoveChannels::new),
            Combinators.combine(id, ids).as(CopySends::new),
            Combinators.combine(ids, id).as((c, to) -> SetChannels.of(c, ChannelField.GROUP, to)),
            Combinators.combine(ids, id).as(RemoveSend::new),
            Combinators.combine(ids, Arbitraries.of(Layout.values()))
                .as((c, to) -> SetChannels.of(c, ChannelField.LAYOUT, to)),
            Combinators.combine(ids, level)
                .as(
                    (c, db) ->
                        ChangeMix.adding(band(), MixField.CONTROLS, new Control("c", "C", db, c))),
            Combinators.combine(ids, id)
                .as(
                    (c, key) ->
                        ChangeMix.channel(
                            c.isEmpty() ? "nobody" : c.get(0),
                            Changes.adding(
                                ChannelField.ALL,
                                ChannelField.CHAIN,
                                insert("compressor", Map.of())
                                    .withId("new")
                                    .withKey(new Key(key, Tap.PRE_FADER)),
                                List.of()))),
            Combinators.combine(id, ids)
                .as((from, to) -> new CopySettings(from, to, false, true, false, false)),
            ids.map(
                c ->
                    new PutChain(
                        new KeptChain("k", "bass", "", List.of(insert("compressor", Map.of()))),
                        c)),
            Combinators.combine(id, Arbitraries.strings().ofMaxLength(12))
                .as((to, name) -> create(name, to)),
            Combinators.combine(ids, level)
                .as((c, db) -> SetChannels.of(c, ChannelField.FADER, db)),
            ids.map(c -> new StowChannels(c, true)))
        .map(edit -> (Edit) edit)
        .list()
        .ofMaxSize(12);
  }

  @Property(tries = 300)
  void anyEditsKeepTheRoutingSoundAndTheDocumentReadable(@ForAll("edits") List<Edit> edits) {
    List<Mix> line = new ArrayList<>(List.of(band()));
    for (Edit edit : edits) {
      Mix now = line.get(line.size() - 1);
      try {
        line.add(edit.applyTo(now));
      } catch (Refused e) {
        assertThat(e.getMessage()).isNotBlank();
      }
    }
    for (Mix state : line) {
      assertThat(SignalGraph.of(state).fault()).isEmpty();
      assertThat(Documents.readForeign(Documents.writeMix(state))).isEqualTo(state);
    }
  }
}
