package drevik.server.web;

import drevik.audio.AudioException;
import drevik.mix.Refused;
import drevik.server.Conflict;
import drevik.server.NoRoom;
import drevik.server.NotFound;
import java.io.IOException;
import java.nio.file.FileSystemException;
import java.sql.SQLException;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.dao.DataAccessException;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.orm.ObjectOptimisticLockingFailureException;
import org.springframework.transaction.CannotCreateTransactionException;
import org.springframework.transaction.TransactionSystemException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import tools.jackson.core.JacksonException;

/** Turns what went wrong into a problem document (RFC 9457) whose detail says what to do. */
@RestControllerAdvice
@Order(Ordered.HIGHEST_PRECEDENCE)
class Problems {
  /** Names of classes, and words of the reader about them. */
  private static final Pattern OF_THE_PROGRAM =
      Pattern.compile(
          "[a-z]\\.[A-Za-z]+\\.|[Cc]annot (construct|deserialize|map|coerce)|Exception");

  private static final Logger LOG = LoggerFactory.getLogger(Problems.class);

  @ExceptionHandler(NotFound.class)
  ProblemDetail notFound(NotFound e) {
    return problem(HttpStatus.NOT_FOUND, "Not here", e.getMessage());
  }

  @ExceptionHandler(Conflict.class)
  ProblemDetail conflict(Conflict e) {
    return problem(HttpStatus.CONFLICT, "Changed meanwhile", e.getMessage());
  }

  @ExceptionHandler(ObjectOptimisticLockingFailureException.class)
  ProblemDetail locked(ObjectOptimisticLockingFailureException e) {
    return problem(
        HttpStatus.CONFLICT,
        "Changed meanwhile",
        "Somebody else changed this at the same moment; do it once more.");
  }

  @ExceptionHandler(NoRoom.class)
  ProblemDetail noRoom(NoRoom e) {
    return problem(HttpStatus.INSUFFICIENT_STORAGE, "The disk is full", e.getMessage());
  }

  @ExceptionHandler({Refused.class, AudioException.class})
  ProblemDetail refused(RuntimeException e) {
    return problem(HttpStatus.UNPROCESSABLE_CONTENT, "Refused", e.getMessage());
  }

  @ExceptionHandler(HttpMessageNotReadableException.class)
  ProblemDetail unreadable(HttpMessageNotReadableException e) {
    for (Throwable cause = e.getCause(); cause != null; cause = cause.getCause()) {
      if (cause instanceof BadBody bad) {
        return badBody(bad);
      }
    }
    String why = e.getCause() instanceof JacksonException json ? why(json) : "it is empty";
    return problem(
        HttpStatus.BAD_REQUEST, "Not understood", "The request could not be read: " + why);
  }

  /** What the reader says, unless it speaks of the program and not of what was sent. */
  private static String why(JacksonException e) {
    String said = String.valueOf(e.getOriginalMessage());
    if (!OF_THE_PROGRAM.matcher(said).find()) {
      return said;
    }
    StringBuilder where = new StringBuilder();
    for (JacksonException.Reference step : e.getPath()) {
      if (step.getPropertyName() == null) {
        where.append('[').append(step.getIndex()).append(']');
      } else {
        where.append(where.isEmpty() ? "" : ".").append(step.getPropertyName());
      }
    }
    return where.isEmpty()
        ? "it is not what is asked for here"
        : "what stands at “" + where + "” is missing or of another kind than belongs there";
  }

  @ExceptionHandler(BadBody.class)
  ProblemDetail badBody(BadBody e) {
    return problem(e.status(), "Not read to its end", e.getMessage());
  }

  @ExceptionHandler(FileSystemException.class)
  ProblemDetail disk(FileSystemException e) {
    LOG.error("file system", e);
    return problem(
        HttpStatus.INSUFFICIENT_STORAGE,
        "The disk refused",
        "The file could not be written: " + e.getReason() + ". Free some space and send it again.");
  }

  /** It died, or was away: whoever watches over it starts it again. */
  @ExceptionHandler({
    CannotCreateTransactionException.class,
    DataAccessResourceFailureException.class,
    TransactionSystemException.class
  })
  ProblemDetail databaseIsAway(RuntimeException e) {
    LOG.error("database is away: {}", e.getMessage());
    return problem(
        HttpStatus.SERVICE_UNAVAILABLE,
        "The database does not answer",
        "The database does not answer at this moment, and is started again by itself. Try again in some seconds.");
  }

  /**
   * The database refuses for want of space too (SQLSTATE class 53, insufficient resources), and is
   * away in the middle of a request (08, connection; 57, operator intervention).
   */
  @ExceptionHandler(DataAccessException.class)
  ProblemDetail database(DataAccessException e) {
    String state =
        e.getMostSpecificCause() instanceof SQLException sql
            ? String.valueOf(sql.getSQLState())
            : "";
    // What the pool says of a connection that broke has no state.
    boolean broken = String.valueOf(e.getMostSpecificCause().getMessage()).contains("is closed");
    if (broken || state.startsWith("08") || state.startsWith("57")) {
      return databaseIsAway(e);
    }
    LOG.error("database", e);
    return state.startsWith("53")
        ? fullDisk()
        : problem(
            HttpStatus.INTERNAL_SERVER_ERROR,
            "The database failed",
            "The database did not take this, and nothing was changed. Try again; if it stays so, see the server's log.");
  }

  /** A full disk is a plain IOException when it is met in the middle of a file. */
  @ExceptionHandler(IOException.class)
  ProblemDetail broken(IOException e) throws IOException {
    if (!String.valueOf(e.getMessage()).contains("No space left")) {
      throw e;
    }
    return fullDisk();
  }

  private static ProblemDetail fullDisk() {
    return problem(
        HttpStatus.INSUFFICIENT_STORAGE,
        "The disk is full",
        "The disk took no more. Free some space and try again; what was received before stays.");
  }

  private static ProblemDetail problem(HttpStatus status, String title, @Nullable String detail) {
    ProblemDetail problem = ProblemDetail.forStatusAndDetail(status, detail);
    problem.setTitle(title);
    return problem;
  }
}
