package rhetor.core.reading;

import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import rhetor.core.language.English;

/**
 * Tells by a cell whether a product is what the other products of its sheet are: on a sheet of
 * smoke alarms one over which "carbon monoxide" stands where "smoke" stands over the others is no
 * smoke alarm, and among lipsticks a "tinted balm" is no lipstick.
 */
final class OtherThing {
  /** A longer cell describes something and doesn't name it. */
  private static final int LONGEST = 40;

  private final String thing;
  private final String head;
  private final String modifier;

  /**
   * @param thing the noun for what the sheet's products are: "smoke alarm"
   */
  OtherThing(String thing) {
    this.thing = thing;
    this.head = English.lastWord(thing);
    this.modifier =
        thing.length() > head.length()
            ? thing.substring(0, thing.length() - head.length()).strip()
            : "";
  }

  /** The noun without what makes it one of a kind: "alarm"; empty if there is none before it. */
  String broader() {
    return modifier.isEmpty() ? "" : head;
  }

  /**
   * Whether some of a column's cells call products that, or say what makes them that, and others
   * say something else instead.
   */
  boolean tellsApart(Collection<String> cells) {
    List<String> said =
        cells.stream().map(c -> c.strip().toLowerCase(Locale.ROOT)).distinct().toList();
    return said.stream().anyMatch(c -> c.equals(thing) || c.equals(modifier))
        && said.stream().anyMatch(c -> !isThing(c) && !CellText.saysNothing(c))
        && said.stream().noneMatch(c -> c.length() > LONGEST);
  }

  /** Whether one of a column's cells is the noun: then they name things. */
  boolean isNamedIn(Collection<String> cells) {
    return cells.stream().anyMatch(c -> c.strip().equalsIgnoreCase(thing));
  }

  /** Whether a cell of such a column says nothing else than that, or what makes it that. */
  boolean isThing(String cell) {
    String said = cell.strip().toLowerCase(Locale.ROOT);
    return said.equals(thing) || said.equals(modifier);
  }

  /**
   * Whether a cell of such a column has neither the noun nor what makes the thing one of a kind.
   */
  boolean isOther(String cell) {
    String said = cell.strip().toLowerCase(Locale.ROOT);
    return !CellText.saysNothing(said) && !hasWord(said, head) && !hasWord(said, modifier);
  }

  private static boolean hasWord(String cell, String word) {
    return !word.isEmpty()
        && Arrays.stream(cell.split("[^\\p{L}]+"))
            .anyMatch(w -> w.equals(word) || English.singular(w).equals(word));
  }
}
