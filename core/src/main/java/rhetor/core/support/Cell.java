package rhetor.core.support;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import rhetor.core.knowledge.Unit;

/**
 * A public cell.
 *
 * @param words for people: its heading and what it says
 * @param names stems of each way to call it: its heading, and its concept's names
 * @param heading stems of its heading as it is typed, and of its label
 * @param label all of them
 * @param said stems of what it says
 * @param parts how many things it lists
 * @param units what its headings measure one by the other: "mm/m", "l/min"
 * @param isName whether it is what the product is called
 * @param cutOff what full stops cut off in it: "adj." may be adjustable or adjusted
 */
record Cell(
    String words,
    List<Set<String>> names,
    Set<String> heading,
    Set<String> label,
    Set<String> said,
    List<Number> numbers,
    int parts,
    Answer answer,
    List<Unit> units,
    Set<String> cutOff,
    boolean isName) {

  /** Its heading, for people. */
  String title() {
    return words.substring(0, words.indexOf(':'));
  }

  /** What it says, for people. */
  String value() {
    return words.substring(words.indexOf(':') + 1);
  }

  /**
   * Stems of what it tells by being there: its heading, and its concept's names, but not what only
   * one of these has beside others. A weight may be called "dry weight", and is nothing dry.
   */
  Set<String> toldByItself() {
    Set<String> told = new HashSet<>(heading);
    Set<String> once = new HashSet<>();
    for (Set<String> name : names) {
      for (String stem : name) {
        if (name.size() == 1 || !once.add(stem)) {
          told.add(stem);
        }
      }
    }
    return told;
  }

  /** What a cell says to whether something is so. */
  enum Answer {
    YES,
    NO,
    NEITHER
  }

  /**
   * A number of a cell.
   *
   * @param dimension what it measures, empty if nothing says
   * @param base the value in the dimension's base unit
   * @param side stems for the side that it is of, where the heading gives their order; else empty
   */
  record Number(double value, String dimension, double base, Set<String> side) {
    Number(double value, String dimension, double base) {
      this(value, dimension, base, Set.of());
    }
  }
}
