package rhetor.core.reading;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Locale;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;

/**
 * What a column of a sheet means.
 *
 * @param role what its cells are used for
 * @param concept id of the concept, for {@link Role#CONCEPT} only
 */
public record Meaning(Role role, String concept) {

  /** What a column's cells are used for. */
  public enum Role {
    SKU,
    NAME,
    /** Prose to be mined for facts. */
    PROSE,
    /** The primary keyword to write for. */
    KEYWORD,
    /** Addresses or file names of pictures. */
    PICTURE,
    /** Kept, and never put into words: prices, codes, stock, addresses. */
    KEEP,
    /** An extra fact under the column's own heading. */
    EXTRA,
    CONCEPT
  }

  public static final Meaning SKU = new Meaning(Role.SKU, "");
  public static final Meaning NAME = new Meaning(Role.NAME, "");
  public static final Meaning PROSE = new Meaning(Role.PROSE, "");
  public static final Meaning KEYWORD = new Meaning(Role.KEYWORD, "");
  public static final Meaning PICTURE = new Meaning(Role.PICTURE, "");
  public static final Meaning KEEP = new Meaning(Role.KEEP, "");
  public static final Meaning EXTRA = new Meaning(Role.EXTRA, "");

  public static Meaning of(Concept concept) {
    return new Meaning(Role.CONCEPT, concept.id());
  }

  /** Reads {@link #code()}; whatever is no role is taken for a concept, known or not. */
  @JsonCreator
  public static Meaning parse(String code) {
    for (Role role : Role.values()) {
      if (role != Role.CONCEPT && role.name().equalsIgnoreCase(code)) {
        return new Meaning(role, "");
      }
    }
    return new Meaning(Role.CONCEPT, code);
  }

  /**
   * Reads what a person or a program calls a meaning.
   *
   * @throws IllegalArgumentException if it is neither a role nor a concept that is known
   */
  public static Meaning parse(String code, Knowledge knowledge) {
    Meaning meaning = parse(code);
    if (meaning.role() == Role.CONCEPT && knowledge.concept(code).isEmpty()) {
      throw new IllegalArgumentException(
          "No meaning is called \""
              + code
              + "\". Use sku, name, prose, keyword, picture, keep, extra or a concept such as weight.");
    }
    return meaning;
  }

  /** The role's or concept's short name, as files and programs write it. */
  @JsonValue
  public String code() {
    return role == Role.CONCEPT ? concept : role.name().toLowerCase(Locale.ROOT);
  }
}
