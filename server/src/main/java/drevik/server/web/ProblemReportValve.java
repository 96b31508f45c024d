package drevik.server.web;

import java.io.IOException;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ErrorReportValve;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;

/** What the container itself refuses, such as an address that is none, is told like all else. */
final class ProblemReportValve extends ErrorReportValve {
  @Override
  protected void report(Request request, Response response, @Nullable Throwable thrown) {
    HttpStatus status = HttpStatus.resolve(response.getStatus());
    if (status == null
        || !status.isError()
        || response.isCommitted()
        || response.getContentWritten() > 0
        || !response.setErrorReported()) {
      return;
    }
    try {
      Problem.answer(
          response.getResponse(),
          status,
          status.getReasonPhrase(),
          status.is4xxClientError()
              ? "The request could not be read: its address or its head is malformed."
              : "The server could not answer; see its log.");
      response.finishResponse();
    } catch (IOException e) {
      // Whoever asked is gone.
      return;
    }
  }
}
