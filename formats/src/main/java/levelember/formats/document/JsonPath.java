package levelember.formats.document;

/**
 * Where in a document a value stands, as {@code lights[2].brightness.unit}; put into words only
 * when it is refused.
 *
 * @param outer what holds it; null for the document
 * @param name of a field; null for an entry of a list
 * @param index of an entry of a list
 */
record JsonPath(JsonPath outer, String name, int index) {
  static final JsonPath DOCUMENT = new JsonPath(null, null, -1);

  JsonPath field(String field) {
    return new JsonPath(this, field, -1);
  }

  JsonPath entry(int i) {
    return new JsonPath(this, null, i);
  }

  @Override
  public String toString() {
    if (outer == null) {
      return "";
    }
    String before = outer.toString();
    if (name == null) {
      return before + "[" + index + "]";
    }
    return before.isEmpty() ? name : before + "." + name;
  }
}
