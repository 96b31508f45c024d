package drevik.server.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Semaphore;
import org.apache.coyote.CloseNowException;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * What is sent is bounded while it is read: a document in how long it is, files in how many come at
 * once and how slowly. Whoever sends without end, or stops in the middle, holds up no one else.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 20)
class BoundedBodies extends OncePerRequestFilter {
  /** The longest document: a Mix as a file has it. */
  private static final int LONGEST_MIX = 32_000_000;

  /** Everything else that is said in JSON. */
  private static final int LONGEST_REQUEST = 8_000_000;

  /**
   * A page sends three files at once. What the container has of threads beside answers the rest.
   */
  private static final int FILES_AT_ONCE = 48;

  private static final int DOCUMENTS_AT_ONCE = 64;

  private static final String MIX_FILES = "/api/mixes/files";

  private final Semaphore files = new Semaphore(FILES_AT_ONCE);

  /** How long a body may come slowly, s: a document is there at once, as a rule. */
  private static final double PATIENCE = 5;

  private static final double PATIENCE_WITH_FILES = 30;

  private final Map<String, Integer> sending = new ConcurrentHashMap<>();
  private final Semaphore documents = new Semaphore(DOCUMENTS_AT_ONCE);

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    if (!hasBody(request)) {
      chain.doFilter(request, response);
      return;
    }
    boolean file = isFile(request);
    int most = request.getServletPath().equals(MIX_FILES) ? LONGEST_MIX : LONGEST_REQUEST;
    if (!file && request.getContentLengthLong() > most) {
      Problem.answer(response, HttpStatus.CONTENT_TOO_LARGE, "Too large", Length.says(most));
      return;
    }
    Semaphore free = file ? files : documents;
    String client = (file ? "files " : "documents ") + request.getRemoteAddr();
    if (!take(client, (file ? FILES_AT_ONCE : DOCUMENTS_AT_ONCE) / 2)) {
      throw busy(response);
    }
    if (!free.tryAcquire()) {
      give(client);
      throw busy(response);
    }
    try {
      Pace pace = new Pace(System::nanoTime, file ? PATIENCE_WITH_FILES : PATIENCE);
      Length length = new Length(most);
      Watch watch =
          file
              ? pace
              : bytes -> {
                length.read(bytes);
                pace.read(bytes);
              };
      chain.doFilter(new Bounded(request, watch), response);
    } finally {
      free.release();
      give(client);
    }
  }

  /** Nobody takes more than half of what there is for all. */
  private boolean take(String client, int most) {
    int[] taken = {0};
    sending.compute(
        client,
        (who, now) -> {
          int is = now == null ? 0 : now;
          taken[0] = is < most ? 1 : 0;
          return is + taken[0];
        });
    return taken[0] == 1;
  }

  private void give(String client) {
    sending.computeIfPresent(client, (who, now) -> now > 1 ? now - 1 : null);
  }

  private static boolean hasBody(HttpServletRequest request) {
    return request.getContentLengthLong() > 0
        || request.getHeader(HttpHeaders.TRANSFER_ENCODING) != null;
  }

  private static boolean isFile(HttpServletRequest request) {
    String type = request.getContentType();
    return type != null && type.startsWith(MediaType.APPLICATION_OCTET_STREAM_VALUE);
  }

  /** The answer, behind which the line is closed: what is still to come is not waited for. */
  private static IOException busy(HttpServletResponse response) throws IOException {
    response.setHeader(HttpHeaders.RETRY_AFTER, "2");
    response.setHeader(HttpHeaders.CONNECTION, "close");
    Problem.answer(
        response,
        HttpStatus.SERVICE_UNAVAILABLE,
        "Busy",
        "Much is being received at this moment; send this one again in a few seconds.");
    response.flushBuffer();
    return new CloseNowException();
  }

  /** Looks on while a body is read. */
  interface Watch {
    /**
     * Told of what has come.
     *
     * @param bytes that have come since the last call
     * @throws BadBody if this cannot go on
     */
    void read(int bytes);
  }

  /** At most so much. */
  static final class Length implements Watch {
    private final long most;
    private long read;

    Length(long most) {
      this.most = most;
    }

    @Override
    public void read(int bytes) {
      read += Math.max(0, bytes);
      if (read > most) {
        throw new BadBody(HttpStatus.CONTENT_TOO_LARGE, says(most));
      }
    }

    static String says(long most) {
      return "This is longer than the %,d MB that such a request may have; nothing of it was kept."
          .formatted(most / 1_000_000);
    }
  }

  /** Not for ever: whoever sends a byte now and then would never end. */
  static final class Pace implements Watch {
    private static final double SLOWEST_BYTES_PER_SECOND = 2_000;

    private final java.util.function.LongSupplier nanos;
    private final double patience;
    private final long began;
    private long read;

    /**
     * @param patience for how long it may be slow, s
     */
    Pace(java.util.function.LongSupplier nanos, double patience) {
      this.nanos = nanos;
      this.patience = patience;
      this.began = nanos.getAsLong();
    }

    @Override
    public void read(int bytes) {
      read += Math.max(0, bytes);
      double seconds = (nanos.getAsLong() - began) / 1e9;
      if (seconds > patience && read < SLOWEST_BYTES_PER_SECOND * seconds) {
        throw new BadBody(
            HttpStatus.REQUEST_TIMEOUT,
            "This arrives at less than %,d bytes a second; send it again over a better line."
                .formatted((int) SLOWEST_BYTES_PER_SECOND));
      }
    }
  }

  private static final class Bounded extends HttpServletRequestWrapper {
    private final Watch watch;

    Bounded(HttpServletRequest request, Watch watch) {
      super(request);
      this.watch = watch;
    }

    @Override
    public ServletInputStream getInputStream() throws IOException {
      return new Watched(super.getInputStream(), watch);
    }
  }

  private static final class Watched extends ServletInputStream {
    private final ServletInputStream in;
    private final Watch watch;

    Watched(ServletInputStream in, Watch watch) {
      this.in = in;
      this.watch = watch;
    }

    @Override
    public int read() throws IOException {
      int one = in.read();
      watch.read(one < 0 ? 0 : 1);
      return one;
    }

    @Override
    public int read(byte[] into, int offset, int length) throws IOException {
      int count = in.read(into, offset, length);
      watch.read(count);
      return count;
    }

    @Override
    public boolean isFinished() {
      return in.isFinished();
    }

    @Override
    public boolean isReady() {
      return in.isReady();
    }

    @Override
    public void setReadListener(ReadListener listener) {
      in.setReadListener(listener);
    }

    @Override
    public void close() throws IOException {
      in.close();
    }
  }
}
