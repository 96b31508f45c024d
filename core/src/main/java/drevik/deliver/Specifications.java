package drevik.deliver;

import drevik.mix.Specification;
import java.util.List;

/** What the trade asks of files, from open standards; a Mix can hold others. */
public final class Specifications {
  private Specifications() {}

  private static final List<Specification> SHIPPED =
      List.of(
          of("r128", "EBU R 128", "EBU R 128 (2023)", -23.0, 0.5, -1.0),
          of("r128-live", "EBU R 128, live", "EBU R 128 (2023), live programmes", -23.0, 1.0, -1.0),
          of("a85", "ATSC A/85", "ATSC A/85:2013", -24.0, 2.0, -2.0),
          of(
              "aes77-music",
              "Streaming, music",
              "AES77-2023, loudest track of an album",
              -14.0,
              1.0,
              -1.0),
          of("aes77-speech", "Streaming, speech", "AES77-2023, speech", -18.0, 1.0, -1.0),
          of(
              "near-field",
              "Film near-field",
              "dialogue-anchored near-field mix",
              -27.0,
              2.0,
              -2.0));

  /** Those that every Mix can take. */
  public static List<Specification> shipped() {
    return SHIPPED;
  }

  private static Specification of(
      String id, String name, String source, double loudness, double tolerance, double truePeak) {
    return new Specification(id, name, source, loudness, tolerance, truePeak, null, null, null);
  }
}
