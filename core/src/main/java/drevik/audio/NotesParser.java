package drevik.audio;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import javax.xml.XMLConstants;
import javax.xml.parsers.DocumentBuilder;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import org.jspecify.annotations.Nullable;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.NodeList;
import org.xml.sax.SAXException;
import org.xml.sax.helpers.DefaultHandler;

/**
 * Reads the chunks of a WAVE file that say what it is: {@code bext} (EBU Tech 3285), {@code iXML},
 * {@code cue } with the labels of {@code LIST/adtl}, {@code LIST/INFO}. What is damaged is passed
 * over: the audio does not need it. Chunks are kept as they are until somebody asks: whoever only
 * plays a file does not.
 */
final class NotesParser {
  /** Chunks larger than this are not read, bytes. */
  static final int LARGEST = 1 << 20;

  /** All that is kept of a file, bytes: what comes behind is passed over. */
  private static final int MOST_BYTES = 4 * LARGEST;

  private static final int MOST = 1000;
  private static final int BEXT_DESCRIPTION = 256;
  private static final int BEXT_ORIGINATOR = 32;
  private static final int BEXT_DATE_AT = 256 + 32 + 32;

  private record Chunk(String id, ByteBuffer bytes) {}

  private final List<Chunk> chunks = new ArrayList<>();
  private int bytes;
  private List<String> trackNames = List.of();
  private @Nullable String scene;
  private @Nullable String take;
  private @Nullable String note;
  private @Nullable String description;
  private @Nullable String originator;
  private @Nullable String date;
  private final Map<String, String> info = new LinkedHashMap<>();
  private final Map<Integer, Long> cues = new LinkedHashMap<>();
  private final Map<Integer, String> labels = new LinkedHashMap<>();

  /** What they say; to be asked once. */
  EmbeddedNotes result() {
    chunks.forEach(chunk -> read(chunk.id(), chunk.bytes()));
    List<EmbeddedNotes.FileMarker> markers = new ArrayList<>();
    cues.forEach(
        (id, frame) ->
            markers.add(new EmbeddedNotes.FileMarker(frame, labels.getOrDefault(id, ""))));
    return new EmbeddedNotes(
        trackNames, scene, take, note, description, originator, date, info, markers);
  }

  void take(String id, ByteBuffer chunk) {
    bytes += chunk.remaining();
    if (bytes <= MOST_BYTES) {
      chunks.add(new Chunk(id, chunk));
    }
  }

  private void read(String id, ByteBuffer chunk) {
    switch (id) {
      case "bext" -> bext(chunk);
      case "iXML" -> ixml(chunk);
      case "cue " -> cue(chunk);
      case "LIST" -> list(chunk);
      default -> throw new IllegalArgumentException(id);
    }
  }

  private void bext(ByteBuffer chunk) {
    if (chunk.remaining() < BEXT_DATE_AT + 10) {
      return;
    }
    description = text(chunk, 0, BEXT_DESCRIPTION);
    originator = text(chunk, BEXT_DESCRIPTION, BEXT_ORIGINATOR);
    date = text(chunk, BEXT_DATE_AT, 10);
  }

  private void cue(ByteBuffer chunk) {
    if (chunk.remaining() < 4) {
      return;
    }
    long count = Math.min(MOST, Integer.toUnsignedLong(chunk.getInt()));
    for (long i = 0; i < count && chunk.remaining() >= 24; i++) {
      int id = chunk.getInt();
      chunk.position(chunk.position() + 16);
      cues.put(id, Integer.toUnsignedLong(chunk.getInt()));
    }
  }

  private void list(ByteBuffer chunk) {
    if (chunk.remaining() < 4) {
      return;
    }
    String kind = String.valueOf(text(chunk, 0, 4));
    chunk.position(4);
    while (chunk.remaining() >= 8) {
      String id = String.valueOf(text(chunk, chunk.position(), 4));
      chunk.position(chunk.position() + 4);
      long size = Integer.toUnsignedLong(chunk.getInt());
      int there = (int) Math.min(size, chunk.remaining());
      int at = chunk.position();
      if (kind.equals("INFO") && info.size() < MOST) {
        String value = text(chunk, at, there);
        if (value != null) {
          info.put(id, value);
        }
      } else if (kind.equals("adtl") && id.equals("labl") && there > 4 && labels.size() < MOST) {
        String label = text(chunk, at + 4, there - 4);
        labels.put(chunk.getInt(at), label == null ? "" : label);
      }
      chunk.position((int) Math.min(chunk.limit(), at + (long) there + (there & 1)));
    }
  }

  private void ixml(ByteBuffer chunk) {
    byte[] bytes = new byte[chunk.remaining()];
    chunk.get(bytes);
    int end = bytes.length;
    while (end > 0 && bytes[end - 1] == 0) {
      end--;
    }
    Document document;
    try {
      document = reader().parse(new ByteArrayInputStream(bytes, 0, end));
    } catch (ParserConfigurationException | SAXException | IOException e) {
      return;
    }
    Element root = document.getDocumentElement();
    scene = child(root, "SCENE");
    take = child(root, "TAKE");
    note = child(root, "NOTE");
    Map<Integer, String> names = new TreeMap<>();
    NodeList tracks = root.getElementsByTagName("TRACK");
    for (int i = 0; i < Math.min(MOST, tracks.getLength()); i++) {
      Element track = (Element) tracks.item(i);
      String name = child(track, "NAME");
      names.put(index(child(track, "INTERLEAVE_INDEX"), i + 1), name == null ? "" : name);
    }
    trackNames = List.copyOf(names.values());
  }

  private static int index(@Nullable String text, int otherwise) {
    return text != null && text.matches("\\d{1,4}") ? Integer.parseInt(text) : otherwise;
  }

  /** A document that brings entities or a document type of its own is refused. */
  private static DocumentBuilder reader() throws ParserConfigurationException {
    DocumentBuilderFactory factory = DocumentBuilderFactory.newInstance();
    factory.setFeature(XMLConstants.FEATURE_SECURE_PROCESSING, true);
    factory.setFeature("http://apache.org/xml/features/disallow-doctype-decl", true);
    DocumentBuilder builder = factory.newDocumentBuilder();
    builder.setErrorHandler(new DefaultHandler());
    return builder;
  }

  private static @Nullable String child(Element parent, String name) {
    NodeList found = parent.getElementsByTagName(name);
    String text = found.getLength() == 0 ? "" : found.item(0).getTextContent().strip();
    return text.isEmpty() ? null : text;
  }

  /** Text up to the first zero byte; UTF-8 if it is that, else Latin 1. Null if it is empty. */
  private static @Nullable String text(ByteBuffer chunk, int at, int size) {
    int end = at;
    while (end < at + size && chunk.get(end) != 0) {
      end++;
    }
    ByteBuffer bytes = chunk.slice(at, end - at);
    String text;
    try {
      text = StandardCharsets.UTF_8.newDecoder().decode(bytes.duplicate()).toString();
    } catch (CharacterCodingException e) {
      text = StandardCharsets.ISO_8859_1.decode(bytes).toString();
    }
    text = text.replaceAll("\\p{Cntrl}+", " ").strip();
    return text.isEmpty() ? null : text;
  }
}
