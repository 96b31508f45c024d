package drevik.server.listen;

import drevik.audio.ListeningCopy;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Path;
import org.springframework.core.io.AbstractResource;

/** A WAVE file as browsers play it: worked out while it is sent, from wherever it is asked. */
final class ListeningResource extends AbstractResource {
  private final Path wave;
  private final long length;

  /**
   * @throws drevik.audio.AudioException if it is no readable WAVE file
   */
  ListeningResource(Path wave) throws IOException {
    this.wave = wave;
    try (ListeningCopy copy = ListeningCopy.of(wave)) {
      this.length = copy.length();
    }
  }

  @Override
  public long contentLength() {
    return length;
  }

  @Override
  public boolean exists() {
    return true;
  }

  @Override
  public InputStream getInputStream() {
    return ListeningCopy.of(wave).stream();
  }

  @Override
  public String getDescription() {
    return "listening copy of " + wave.getFileName();
  }
}
