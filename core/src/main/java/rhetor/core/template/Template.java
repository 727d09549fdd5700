package rhetor.core.template;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import rhetor.core.style.Field;
import rhetor.core.style.StyleLayer;

/**
 * How the texts of a kind of product are built.
 *
 * @param about what it is for, for those who choose one
 * @param questions what it asks about each product
 * @param outline the blocks of a description, in order; empty to leave that to the composer
 * @param fields the house's own words with slots for other fields; where one can't be filled, the
 *     composer writes the field
 * @param style what it decides otherwise than the house
 * @param instructions for a text model only
 * @param prompt the prompt for a text model, with slots; empty for the usual one
 */
public record Template(
    String about,
    List<Question> questions,
    List<Part> outline,
    Map<Field, String> fields,
    StyleLayer style,
    List<String> instructions,
    String prompt) {

  /** A template that leaves all to the composer. */
  public static final Template NONE =
      new Template("", List.of(), List.of(), Map.of(), StyleLayer.NOTHING, List.of(), "");

  /** The same template with another style. */
  public Template under(StyleLayer other) {
    return new Template(about, questions, outline, fields, other, instructions, prompt);
  }

  public Template {
    about = about == null ? "" : about.strip();
    questions = questions == null ? List.of() : List.copyOf(questions);
    outline = outline == null ? List.of() : List.copyOf(outline);
    fields = fields == null || fields.isEmpty() ? Map.of() : Map.copyOf(new EnumMap<>(fields));
    style = style == null ? StyleLayer.NOTHING : style;
    instructions =
        instructions == null
            ? List.of()
            : instructions.stream().map(String::strip).filter(i -> !i.isEmpty()).toList();
    prompt = prompt == null ? "" : prompt;
  }

  /** Whether the outline has a block of a kind. */
  public boolean has(Part.Kind kind) {
    return outline.stream().anyMatch(p -> p.kind() == kind);
  }
}
