package drevik.server.web;

import org.springframework.http.HttpStatus;

/** A body that is not read to its end. */
class BadBody extends RuntimeException {
  private static final long serialVersionUID = 1;

  private final HttpStatus status;

  BadBody(HttpStatus status, String message) {
    super(message);
    this.status = status;
  }

  HttpStatus status() {
    return status;
  }
}
