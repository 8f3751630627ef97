package levelember.app.problem;

import levelember.formats.RefusedFile;
import levelember.geometry.Meshes;
import levelember.shoot.ImpossibleValue;
import levelember.texture.Pictures;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.ProblemDetail;
import org.springframework.web.ErrorResponseException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.servlet.resource.NoResourceFoundException;

/** Turns what went wrong into a problem with a stable code. */
@RestControllerAdvice
public class Problems {
  private static final Logger LOG = LoggerFactory.getLogger(Problems.class);
  private static final String KEPT = "The shoot is as it was.";

  @ExceptionHandler
  ProblemDetail refused(Refusal e) {
    return problem(e.status(), e.code(), e.getMessage(), e.kept(), e.todo());
  }

  @ExceptionHandler
  ProblemDetail impossible(ImpossibleValue e) {
    ProblemDetail p =
        problem(
            HttpStatus.UNPROCESSABLE_CONTENT,
            "impossible-value",
            e.getMessage(),
            KEPT,
            "Give " + e.field() + " a value that is allowed: " + e.allowed() + ".");
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
        "Bring the model in first.");
  }

  @ExceptionHandler
  ProblemDetail byTheFramework(ErrorResponseException e) {
    return problem(e.getStatusCode(), "request", e.getMessage(), KEPT, "Mend the request.");
  }

  @ExceptionHandler
  ProblemDetail unknownAddress(NoResourceFoundException e) {
    return problem(
        HttpStatus.NOT_FOUND, "missing", "There is nothing at this address.", KEPT, "Go to /.");
  }

  @ExceptionHandler
  ProblemDetail unreadableBody(
      org.springframework.http.converter.HttpMessageNotReadableException e) {
    return problem(
        HttpStatus.BAD_REQUEST,
        "request",
        "The request's body cannot be read.",
        KEPT,
        "Send JSON as the interface describes it.");
  }

  @ExceptionHandler
  ProblemDetail unforeseen(Exception e) {
    LOG.error("A request failed", e);
    return problem(
        HttpStatus.INTERNAL_SERVER_ERROR,
        "failed",
        "The application met an error of its own: " + e.getClass().getSimpleName(),
        KEPT,
        "Try again; the application's log says more.");
  }

  private static ProblemDetail problem(
      HttpStatusCode status, String code, String happened, String kept, String todo) {
    ProblemDetail p = ProblemDetail.forStatusAndDetail(status, happened);
    p.setProperty("code", code);
    p.setProperty("kept", kept);
    p.setProperty("todo", todo);
    return p;
  }
}
