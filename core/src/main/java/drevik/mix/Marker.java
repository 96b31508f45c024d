package drevik.mix;

/**
 * A named place: a section of a song, a song of an album, a scene.
 *
 * @param startFrame in frames of the Mix
 */
public record Marker(String id, String name, long startFrame) {
  public Marker {
    if (startFrame < 0) {
      throw new IllegalArgumentException("marker " + id + " must not start before 0");
    }
  }
}
