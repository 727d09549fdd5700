package rhetor.core.template;

/**
 * Something that a template asks about each product.
 *
 * @param key the name of the slot that its answer fills
 * @param label the question as a person reads it
 * @param fact id of the fact that answers it: a concept or a heading of the sheet; empty if none
 *     does
 * @param otherwise the answer where no fact gives one; empty for none
 */
public record Question(String key, String label, String fact, String otherwise) {
  public Question {
    key = key == null ? "" : key.strip();
    label = label == null ? "" : label.strip();
    fact = fact == null ? "" : fact.strip();
    otherwise = otherwise == null ? "" : otherwise.strip();
  }
}
