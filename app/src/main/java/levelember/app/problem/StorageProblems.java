package levelember.app.problem;

import java.sql.SQLException;
import java.util.Set;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.NestedExceptionUtils;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.transaction.TransactionException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;

/** Tells a device that takes no more from other faults of the database. */
@RestControllerAdvice
@Order(Ordered.HIGHEST_PRECEDENCE)
class StorageProblems {
  private static final Logger LOG = LoggerFactory.getLogger(StorageProblems.class);

  /**
   * H2's codes: input or output failed (90028, 90031), read only (90097), closed after a failed
   * write (90098), no room (90100), file locked or not to be opened (90020, 50000).
   */
  private static final Set<Integer> NOT_WRITTEN =
      Set.of(90028, 90031, 90097, 90098, 90100, 90020, 50000);

  @ExceptionHandler({DataAccessException.class, TransactionException.class})
  ProblemDetail notStored(RuntimeException e) {
    LOG.error("The database refused", e);
    if (NestedExceptionUtils.getMostSpecificCause(e) instanceof java.io.IOException
        || NOT_WRITTEN.contains(code(e))) {
      return Problems.problem(
          HttpStatus.INSUFFICIENT_STORAGE,
          "not-kept",
          "The database could not be written.",
          "This change is not kept; everything that was answered before is.",
          "Make room, or let the application write to its data folder; then go on.");
    }
    return Problems.problem(
        HttpStatus.INTERNAL_SERVER_ERROR,
        "failed",
        "The database did not take this change.",
        "This change is not kept; everything that was answered before is.",
        "Try again; the application's log says more.");
  }

  private static int code(Throwable e) {
    for (Throwable t = e; t != null; t = t.getCause()) {
      if (t instanceof SQLException sql) {
        return sql.getErrorCode();
      }
    }
    return 0;
  }
}
