package palegate.server.shell;

import java.sql.SQLException;
import java.sql.SQLNonTransientConnectionException;
import java.sql.SQLRecoverableException;
import java.sql.SQLTransientConnectionException;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.transaction.CannotCreateTransactionException;

/** The database being away: told apart from a fault, because it passes. */
public final class Outage {
  private static final int MARIADB_DISK_FULL = 1021;
  private static final int MARIADB_TABLE_FULL = 1114;

  private Outage() {}

  public static boolean caused(Throwable failed) {
    for (Throwable cause = failed; cause != null; cause = cause.getCause()) {
      if (cause instanceof SQLNonTransientConnectionException || cause instanceof SQLTransientConnectionException
          || cause instanceof SQLRecoverableException || cause instanceof DataAccessResourceFailureException
          || cause instanceof CannotCreateTransactionException) {
        return true;
      }
      if (cause instanceof SQLException sql
          && (sql.getErrorCode() == MARIADB_DISK_FULL || sql.getErrorCode() == MARIADB_TABLE_FULL)) {
        return true;
      }
    }
    return false;
  }

  static ProblemDetail problem() {
    return Problem.of(HttpStatus.SERVICE_UNAVAILABLE, "database-away", "The database does not answer",
        "Your draft is kept, and Pale Gate goes on by itself as soon as the database is back. "
            + "If this lasts, check that its disk is not full and run ./palegate start on the machine.").getBody();
  }
}
