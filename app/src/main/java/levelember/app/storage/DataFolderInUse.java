package levelember.app.storage;

import java.sql.SQLException;
import org.h2.api.ErrorCode;
import org.springframework.boot.diagnostics.AbstractFailureAnalyzer;
import org.springframework.boot.diagnostics.FailureAnalysis;

/** Says in words that another process has the data folder open, in place of a stack trace. */
public final class DataFolderInUse extends AbstractFailureAnalyzer<SQLException> {
  @Override
  protected FailureAnalysis analyze(Throwable failure, SQLException cause) {
    if (cause.getErrorCode() != ErrorCode.DATABASE_ALREADY_OPEN_1) {
      return null;
    }
    return new FailureAnalysis(
        "The data folder is in use: another process of Level Ember has its database open.",
        "Use that one, end it, or give this one a data folder of its own with EMBER_HOME.",
        cause);
  }
}
