package rhetor.core.order;

import java.util.List;
import rhetor.core.style.Field;

/**
 * What was understood of an order in plain words. It is a plan to look at; nothing is done by it.
 *
 * @param verb what is to be done
 * @param search part of a name or SKU, or empty
 * @param state which texts, as lists name them: {@code READY}; empty for any
 * @param kind a kind's name, or empty
 * @param brand a maker's name, or empty
 * @param sheet value of a sheet, or empty
 * @param range value of a range, or empty
 * @param atLeast the least readiness, 0 for any
 * @param below a readiness that all stay below, 0 for any
 * @param voice value of the voice to write in, or empty
 * @param fields which texts are to be written; none for all
 * @param mostCharacters how long they may be, 0 if nobody says
 * @param mostWords likewise
 * @param left what was not understood, in the order of the words
 */
public record Order(
    Verb verb,
    String search,
    String state,
    String kind,
    String brand,
    String sheet,
    String range,
    int atLeast,
    int below,
    String voice,
    List<Field> fields,
    int mostCharacters,
    int mostWords,
    List<Left> left) {

  /** What can be ordered. */
  public enum Verb {
    SHOW,
    WRITE,
    SIGN_OFF,
    SEND_BACK
  }

  /**
   * Words that were not understood.
   *
   * @param mayBe what they may mean, if they mean several things
   */
  public record Left(String words, List<String> mayBe) {}

  /** Whether all of it was understood. */
  public boolean isClear() {
    return left.isEmpty();
  }

  static Order search(String words) {
    return new Order(Verb.SHOW, words, "", "", "", "", "", 0, 0, "", List.of(), 0, 0, List.of());
  }
}
