package levelember.app.storage;

/** Told after a backup has taken the place of the database: nothing known of shoots holds. */
public record Restored() {}
