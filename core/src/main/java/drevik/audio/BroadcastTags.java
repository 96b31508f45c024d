package drevik.audio;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What a printed file says of itself beside its audio: {@code bext} version 2 (EBU Tech 3285),
 * {@code iXML}, and markers as {@code cue } with {@code LIST}/{@code adtl}.
 *
 * @param description what it is, at most 256 bytes
 * @param reference of whom it comes from, at most 32 bytes
 * @param date yyyy-mm-dd
 * @param timeReference where it stands, in samples since midnight
 * @param project it belongs to
 * @param tracks a name for each channel
 * @param markers in frames from the start of the file
 */
public record BroadcastTags(
    String description,
    String reference,
    String date,
    long timeReference,
    String project,
    List<String> tracks,
    List<Mark> markers) {
  /** A named place in the file. */
  public record Mark(String name, long frame) {}

  /** What was measured of the file; null where there is no figure. */
  public record Loudness(
      @Nullable Double integratedLufs,
      @Nullable Double rangeLu,
      @Nullable Double truePeakDbtp,
      @Nullable Double momentaryLufs,
      @Nullable Double shortTermLufs) {
    static final Loudness UNKNOWN = new Loudness(null, null, null, null, null);
  }

  private static final int BEXT_SIZE = 602;

  /** EBU Tech 3285, 2.3: a value that says that there is none. */
  private static final short NO_FIGURE = 0x7FFF;

  public BroadcastTags {
    tracks = List.copyOf(tracks);
    markers = List.copyOf(markers);
  }

  /** The content of the {@code bext} chunk, as long before as after measuring. */
  byte[] bext(WavHeader format, Loudness loudness) {
    byte[] history = history(format).getBytes(StandardCharsets.US_ASCII);
    ByteBuffer out = ByteBuffer.allocate(BEXT_SIZE + history.length).order(ByteOrder.LITTLE_ENDIAN);
    text(out, description, 256);
    text(out, "Drevik", 32);
    text(out, reference, 32);
    text(out, date, 10);
    // The day is known; the time would make two prints of the same two different files.
    text(out, "00:00:00", 8);
    out.putLong(timeReference).putShort((short) 2).position(out.position() + 64);
    out.putShort(hundredths(loudness.integratedLufs()))
        .putShort(hundredths(loudness.rangeLu()))
        .putShort(hundredths(loudness.truePeakDbtp()))
        .putShort(hundredths(loudness.momentaryLufs()))
        .putShort(hundredths(loudness.shortTermLufs()));
    out.position(BEXT_SIZE);
    return out.put(history).array();
  }

  private static String history(WavHeader format) {
    String mode =
        switch (format.layout()) {
          case MONO -> "mono";
          case STEREO -> "stereo";
          default -> "multichannel";
        };
    return "A=%s,F=%d,W=%d,M=%s,T=Drevik\r\n"
        .formatted(
            format.format().encoding().equals("float") ? "IEEE FLOAT" : "PCM",
            format.sampleRate(),
            format.format().bits(),
            mode);
  }

  private static short hundredths(@Nullable Double value) {
    return value == null
        ? NO_FIGURE
        : (short) Math.max(-32_767, Math.min(32_766, Math.round(value * 100)));
  }

  /** Fixed length, in ASCII as the standard asks; no half of what does not fit. */
  private static void text(ByteBuffer out, String text, int length) {
    byte[] bytes =
        java.text.Normalizer.normalize(text, java.text.Normalizer.Form.NFD)
            .replaceAll("\\p{M}", "")
            .replaceAll("[^\\x20-\\x7e]", "?")
            .getBytes(StandardCharsets.US_ASCII);
    int end = out.position() + length;
    out.put(bytes, 0, Math.min(length, bytes.length)).position(end);
  }

  byte[] ixml(WavHeader format) {
    StringBuilder xml = new StringBuilder("<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<BWFXML>\n");
    element(xml, "IXML_VERSION", "2.10");
    element(xml, "PROJECT", project);
    element(xml, "NOTE", description);
    xml.append("<SPEED>");
    element(xml, "FILE_SAMPLE_RATE", "" + format.sampleRate());
    element(xml, "AUDIO_BIT_DEPTH", "" + format.format().bits());
    element(xml, "TIMESTAMP_SAMPLE_RATE", "" + format.sampleRate());
    element(xml, "TIMESTAMP_SAMPLES_SINCE_MIDNIGHT_HI", "" + (timeReference >>> 32));
    element(xml, "TIMESTAMP_SAMPLES_SINCE_MIDNIGHT_LO", "" + (timeReference & 0xFFFF_FFFFL));
    xml.append("</SPEED>\n<TRACK_LIST>");
    element(xml, "TRACK_COUNT", "" + tracks.size());
    for (int i = 0; i < tracks.size(); i++) {
      xml.append("<TRACK>");
      element(xml, "CHANNEL_INDEX", "" + (i + 1));
      element(xml, "INTERLEAVE_INDEX", "" + (i + 1));
      element(xml, "NAME", tracks.get(i));
      // The dictionary of iXML spells it the American way.
      String function = format.layout().speakers().get(i).name();
      element(xml, "FUNCTION", function.replace("CENTRE", "CENTER"));
      xml.append("</TRACK>\n");
    }
    return xml.append("</TRACK_LIST>\n</BWFXML>\n").toString().getBytes(StandardCharsets.UTF_8);
  }

  private static void element(StringBuilder xml, String name, String value) {
    String safe =
        value
            .replaceAll("\\p{Cntrl}", " ")
            .replace("&", "&amp;")
            .replace("<", "&lt;")
            .replace(">", "&gt;");
    xml.append('<').append(name).append('>').append(safe).append("</").append(name).append(">\n");
  }

  byte[] cues() {
    ByteBuffer out = ByteBuffer.allocate(4 + 24 * markers.size()).order(ByteOrder.LITTLE_ENDIAN);
    out.putInt(markers.size());
    for (int i = 0; i < markers.size(); i++) {
      int frame = (int) Math.min(0xFFFF_FFFFL, markers.get(i).frame());
      out.putInt(i + 1).putInt(frame).put("data".getBytes(StandardCharsets.US_ASCII));
      out.putInt(0).putInt(0).putInt(frame);
    }
    return out.array();
  }

  /** The labels of the cues, as the content of a {@code LIST} chunk. */
  byte[] labels() {
    List<byte[]> names =
        markers.stream().map(mark -> mark.name().getBytes(StandardCharsets.UTF_8)).toList();
    int size = 4 + names.stream().mapToInt(name -> 8 + even(4 + name.length + 1)).sum();
    ByteBuffer out = ByteBuffer.allocate(size).order(ByteOrder.LITTLE_ENDIAN);
    out.put("adtl".getBytes(StandardCharsets.US_ASCII));
    for (int i = 0; i < names.size(); i++) {
      int start = out.position();
      byte[] name = names.get(i);
      out.put("labl".getBytes(StandardCharsets.US_ASCII)).putInt(4 + name.length + 1);
      out.putInt(i + 1).put(name);
      out.position(start + 8 + even(4 + name.length + 1));
    }
    return out.array();
  }

  private static int even(int size) {
    return size + (size & 1);
  }
}
