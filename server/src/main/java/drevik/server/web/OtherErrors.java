package drevik.server.web;

import io.swagger.v3.oas.annotations.Hidden;
import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import org.springframework.boot.webmvc.error.ErrorController;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What went wrong outside of every controller, in words too. */
@RestController
@Hidden
class OtherErrors implements ErrorController {
  @RequestMapping("/error")
  ResponseEntity<ProblemDetail> error(HttpServletRequest request) {
    Object code = request.getAttribute(RequestDispatcher.ERROR_STATUS_CODE);
    HttpStatus told = code instanceof Integer status ? HttpStatus.resolve(status) : null;
    HttpStatus status = told == null ? HttpStatus.NOT_FOUND : told;
    String detail =
        status.is5xxServerError()
            ? "Something failed inside Drevik. Try again; if it stays so, look at its log."
            : "Nothing is at this address, or it cannot be asked for like this.";
    return ResponseEntity.status(status).body(ProblemDetail.forStatusAndDetail(status, detail));
  }
}
