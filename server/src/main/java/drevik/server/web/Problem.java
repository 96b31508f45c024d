package drevik.server.web;

import drevik.codec.Documents;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Map;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;

/** A problem document (RFC 9457) where no controller was reached. */
final class Problem {
  private Problem() {}

  static void answer(HttpServletResponse response, HttpStatus status, String title, String detail)
      throws IOException {
    response.setStatus(status.value());
    response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
    byte[] problem =
        Documents.mapper()
            .writeValueAsBytes(Map.of("status", status.value(), "title", title, "detail", detail));
    response.setContentLength(problem.length);
    response.getOutputStream().write(problem);
  }
}
