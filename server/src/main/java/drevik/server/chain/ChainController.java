package drevik.server.chain;

import drevik.codec.Documents;
import drevik.mix.ChannelKind;
import drevik.server.FileAnswer;
import drevik.server.chain.KeptChains.ChainLine;
import drevik.shelf.KeptChain;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Chains on the shelf; how they are removed and brought back is as with all else. */
@RestController
@RequestMapping(path = "/api/chains", produces = MediaType.APPLICATION_JSON_VALUE)
class ChainController {
  /** The chain of a channel, and under what it is to be kept. */
  record NewChain(String mix, String channel, String name, String category, String purpose) {}

  /** What something is to be called. */
  record Named(String name) {}

  /** What stands in a file. */
  record Text(String text) {}

  private final KeptChains chains;

  ChainController(KeptChains chains) {
    this.chains = chains;
  }

  /**
   * Those that fit a channel first.
   *
   * @param category that of the channel; null for the order of the tree
   * @param kind that of the channel; null for that of a seat
   */
  @GetMapping
  List<ChainLine> chains(
      @RequestParam(required = false) @Nullable String category,
      @RequestParam(required = false) @Nullable String kind) {
    ChannelKind of =
        Arrays.stream(ChannelKind.values())
            .filter(one -> one.toString().equals(kind))
            .findFirst()
            .orElse(null);
    return chains.list(of, category);
  }

  @PostMapping
  List<ChainLine> keepChain(@RequestBody NewChain wanted) {
    chains.keep(wanted.mix(), wanted.channel(), wanted.name(), wanted.category(), wanted.purpose());
    return chains.list();
  }

  @PostMapping("/{id}/name")
  List<ChainLine> renameChain(@PathVariable String id, @RequestBody Named wanted) {
    chains.rename(id, wanted.name());
    return chains.list();
  }

  /** One as a file. */
  @GetMapping("/{id}/document")
  ResponseEntity<String> chainFile(@PathVariable String id) {
    KeptChain chain = chains.find(id);
    return FileAnswer.of(chain.name() + " chain.json", Documents.writeChain(chain));
  }

  /** Keeps the chain of a file, in the place of what is kept under its name. */
  @PostMapping("/files")
  List<ChainLine> readChain(@RequestBody Text file) {
    chains.replace(Documents.readChain(file.text()));
    return chains.list();
  }
}
