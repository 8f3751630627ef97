package levelember.app.storage;

import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.function.UnaryOperator;
import levelember.formats.document.OlderDocument;
import levelember.formats.document.ShootDocument;
import org.flywaydb.core.api.MigrationVersion;
import org.flywaydb.core.api.migration.Context;
import org.flywaydb.core.api.migration.JavaMigration;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;

/**
 * Brings stored shoots, the steps of their undo and kept looks to the field names of version 2 of
 * the shoot document.
 */
@Component
class FieldNames implements JavaMigration {
  @Override
  public MigrationVersion getVersion() {
    return MigrationVersion.fromVersion("4");
  }

  @Override
  public String getDescription() {
    return "field names";
  }

  @Override
  public Integer getChecksum() {
    return null;
  }

  @Override
  public boolean canExecuteInTransaction() {
    return true;
  }

  @Override
  public void migrate(Context context) throws SQLException {
    Connection database = context.getConnection();
    rewrite(database, "shoot", "id", "document", OlderDocument::shoot);
    rewrite(database, "edit", "_rowid_", "forward", OlderDocument::patch);
    rewrite(database, "edit", "_rowid_", "backward", OlderDocument::patch);
    rewrite(database, "kept_look", "id", "document", OlderDocument::look);
    try (Statement lengths = database.createStatement()) {
      lengths.executeUpdate(
          "update edit set characters = char_length(forward) + char_length(backward)");
    }
  }

  private static void rewrite(
      Connection database, String table, String key, String column, UnaryOperator<JsonNode> newer)
      throws SQLException {
    try (Statement rows = database.createStatement();
        ResultSet old = rows.executeQuery("select %s, %s from %s".formatted(key, column, table));
        PreparedStatement write =
            database.prepareStatement(
                "update %s set %s = ? where %s = ?".formatted(table, column, key))) {
      while (old.next()) {
        byte[] json = old.getString(2).getBytes(StandardCharsets.UTF_8);
        write.setString(1, newer.apply(ShootDocument.parse(json)).toString());
        write.setObject(2, old.getObject(1));
        write.executeUpdate();
      }
    }
  }
}
