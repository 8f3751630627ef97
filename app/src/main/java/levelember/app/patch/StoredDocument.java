package levelember.app.patch;

import java.nio.charset.StandardCharsets;
import java.util.List;
import levelember.formats.document.ShootDocument;
import tools.jackson.databind.JsonNode;

/** A shoot's document as the database holds it: whole as it once was, and every change since. */
public final class StoredDocument {
  private StoredDocument() {}

  /**
   * The document as it is now.
   *
   * @param whole the document as JSON
   * @param patches changes since, oldest first, each JSON Patch
   * @throws levelember.formats.RefusedFile when one of them is no JSON
   * @throws levelember.app.problem.Refusal when one does not fit
   */
  public static JsonNode replayed(String whole, List<String> patches) {
    JsonNode document = parsed(whole);
    for (String patch : patches) {
      JsonPatch.change(document, parsed(patch));
    }
    return document;
  }

  private static JsonNode parsed(String json) {
    return ShootDocument.parse(json.getBytes(StandardCharsets.UTF_8));
  }
}
