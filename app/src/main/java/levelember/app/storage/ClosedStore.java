package levelember.app.storage;

import com.zaxxer.hikari.SQLExceptionOverride;
import java.sql.SQLException;

/**
 * Has the pool drop a connection to a store that H2 closed after a failed write: the next one opens
 * the database again.
 */
public final class ClosedStore implements SQLExceptionOverride {
  private static final int DATABASE_CLOSED = 90098, GENERAL = 50000;

  @java.lang.Override
  public Override adjudicate(SQLException e) {
    return e.getErrorCode() == DATABASE_CLOSED || e.getErrorCode() == GENERAL
        ? Override.MUST_EVICT
        : Override.CONTINUE_EVICT;
  }
}
