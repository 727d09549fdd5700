package rhetor.core.compose;

import java.util.Collection;
import java.util.EnumSet;
import java.util.Set;
import rhetor.core.style.Field;
import rhetor.core.style.Length;
import rhetor.core.style.Style;
import rhetor.core.text.Draft;

/**
 * Which of a product's texts are to be written, and how long they may be at most.
 *
 * @param fields those that are written; none for all of them
 * @param mostCharacters of plain text, 0 for as many as the house allows
 * @param mostWords likewise
 */
public record Extent(Set<Field> fields, int mostCharacters, int mostWords) {
  /** All texts, as long as the house has them. */
  public static final Extent ALL = new Extent(Set.of(), 0, 0);

  public Extent {
    if (mostCharacters < 0 || mostWords < 0) {
      throw new IllegalArgumentException("A text has no fewer than 0 characters or words.");
    }
    fields = fields.isEmpty() ? Set.of() : Set.copyOf(fields);
  }

  /** The fields named; none for all of them. */
  public static Extent of(Collection<Field> fields, int mostCharacters, int mostWords) {
    return new Extent(
        fields.isEmpty() ? Set.of() : EnumSet.copyOf(fields), mostCharacters, mostWords);
  }

  /** Whether a field is to be written. */
  public boolean has(Field field) {
    return fields.isEmpty() || fields.contains(field);
  }

  /** The style with these limits, where they are narrower; of all fields, for the description. */
  Style bound(Style style) {
    Style bound = style;
    if (mostCharacters > 0 || mostWords > 0) {
      for (Field field : fields.isEmpty() ? Set.of(Field.DESCRIPTION) : fields) {
        bound = bound.with(field, bound(style.length(field)));
      }
    }
    return bound;
  }

  private Length bound(Length length) {
    int characters = least(mostCharacters, length.mostCharacters());
    int words = least(mostWords, length.mostWords());
    return new Length(
        characters == 0 ? length.leastCharacters() : Math.min(characters, length.leastCharacters()),
        characters,
        words == 0 ? length.leastWords() : Math.min(words, length.leastWords()),
        words);
  }

  /** The lesser of two limits, of which 0 is none. */
  private static int least(int one, int other) {
    return one == 0 || other == 0 ? Math.max(one, other) : Math.min(one, other);
  }

  /**
   * What a product has after it was written for: the fields of this extent anew, all others as they
   * were. A product that had no text gets all that was written.
   */
  public Draft over(Draft before, Draft written) {
    boolean hadNone = before.fields().isEmpty();
    if (fields.isEmpty() || hadNone) {
      return written;
    }
    Draft all = before;
    for (Field field : fields) {
      all = all.with(field, written.blocks(field));
    }
    return all;
  }
}
