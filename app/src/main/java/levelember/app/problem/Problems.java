package levelember.app.problem;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.nio.charset.CharacterCodingException;
import levelember.document.ImpossibleValue;
import levelember.formats.RefusedFile;
import levelember.geometry.Meshes;
import levelember.texture.Pictures;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;

/**
 * Turns what went wrong into a problem (RFC 9457) with a stable code, what was kept and what to do.
 * What a client can do wrong is told apart by the framework, with its status.
 */
@RestControllerAdvice
public class Problems extends ResponseEntityExceptionHandler {
  private static final Logger LOG = LoggerFactory.getLogger(Problems.class);
  private static final String KEPT = "The shoot is as it was.";

  @ExceptionHandler
  ProblemDetail refused(Refusal e) {
    return problem(e.status(), e.code(), e.getMessage(), e.kept(), e.todo());
  }

  @ExceptionHandler
  ProblemDetail impossible(ImpossibleValue e) {
    String todo =
        e.all().size() > 1
            ? "Give each of these fields a value that is allowed."
            : "Give " + e.field() + " a value that is allowed: " + e.allowed() + ".";
    ProblemDetail p =
        problem(HttpStatus.UNPROCESSABLE_CONTENT, "impossible-value", e.getMessage(), KEPT, todo);
    p.setProperty("refusals", e.all());
    p.setProperty("field", e.field());
    p.setProperty("allowed", e.allowed());
    return p;
  }

  @ExceptionHandler
  ProblemDetail unreadable(RefusedFile e) {
    return problem(
        HttpStatus.UNPROCESSABLE_CONTENT,
        "refused-file",
        e.getMessage(),
        KEPT,
        "Choose another file, or save this one again where it comes from.");
  }

  @ExceptionHandler
  ProblemDetail missing(Pictures.MissingPicture e) {
    return problem(
        HttpStatus.UNPROCESSABLE_CONTENT,
        "missing-picture",
        e.getMessage(),
        KEPT,
        "Add the picture to the shoot first.");
  }

  @ExceptionHandler
  ProblemDetail missing(Meshes.MissingMesh e) {
    return problem(
        HttpStatus.UNPROCESSABLE_CONTENT,
        "missing-mesh",
        e.getMessage(),
        KEPT,
        "Import the model first.");
  }

  /** A body whose values are refused is as impossible as the values are. */
  @Override
  protected ResponseEntity<Object> handleHttpMessageNotReadable(
      HttpMessageNotReadableException e,
      HttpHeaders headers,
      HttpStatusCode status,
      WebRequest request) {
    for (Throwable t = e; t != null; t = t.getCause()) {
      if (t instanceof ImpossibleValue value) {
        return ResponseEntity.unprocessableContent()
            .contentType(MediaType.APPLICATION_PROBLEM_JSON)
            .body(impossible(value));
      }
    }
    return super.handleHttpMessageNotReadable(e, headers, status, request);
  }

  /** A request that the framework found fault with keeps its status and gets our fields. */
  @Override
  protected ResponseEntity<Object> handleExceptionInternal(
      Exception e, Object body, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
    ResponseEntity<Object> answer =
        super.handleExceptionInternal(e, body, headers, status, request);
    if (answer != null && answer.getBody() instanceof ProblemDetail p) {
      boolean missing = status.value() == HttpStatus.NOT_FOUND.value();
      p.setProperty("code", missing ? "missing" : "request");
      p.setProperty("kept", KEPT);
      p.setProperty("todo", missing ? "Go to /." : "Send what the interface describes.");
      if (missing) {
        p.setDetail("There is nothing at this address.");
      }
      if (status.is5xxServerError()) {
        LOG.error("A request failed", e);
      }
    }
    return answer;
  }

  @ExceptionHandler
  ProblemDetail unforeseen(Throwable e, HttpServletRequest request) {
    if (causedBy(e, CharacterCodingException.class)) {
      return problem(
          HttpStatus.BAD_REQUEST,
          "request",
          "A parameter in the address is no text.",
          KEPT,
          "Send parameters as UTF-8, percent-encoded.");
    }
    LOG.error("{} {} failed", request.getMethod(), request.getRequestURI(), e);
    if (causedBy(e, OutOfMemoryError.class)) {
      return problem(
          HttpStatus.INSUFFICIENT_STORAGE,
          "no-memory",
          "There was not enough memory for this.",
          KEPT,
          "Close other shoots, make the picture or the file smaller, or start the application with"
              + " more (EMBER_MEMORY_PERCENT); then try again.");
    }
    if (e instanceof IOException) {
      return problem(
          HttpStatus.BAD_REQUEST,
          "cut-short",
          "The request ended before all of it was there.",
          KEPT,
          "Send it again.");
    }
    return problem(
        HttpStatus.INTERNAL_SERVER_ERROR,
        "failed",
        "The application met an error of its own.",
        KEPT,
        "Try again; the application's log says more.");
  }

  private static boolean causedBy(Throwable e, Class<? extends Throwable> kind) {
    for (Throwable t = e; t != null; t = t.getCause()) {
      if (kind.isInstance(t)) {
        return true;
      }
    }
    return false;
  }

  static ProblemDetail problem(
      HttpStatusCode status, String code, String happened, String kept, String todo) {
    ProblemDetail p = ProblemDetail.forStatusAndDetail(status, happened);
    p.setProperty("code", code);
    p.setProperty("kept", kept);
    p.setProperty("todo", todo);
    return p;
  }
}
