package rhetor.core.check;

import rhetor.core.compose.Field;

/**
 * Something that the checks found.
 *
 * @param weight whether it keeps the text from being signed off
 * @param check the check that found it, such as {@code support}
 * @param field the field it is in
 * @param sentence index of the sentence in the field, from 0; -1 for the field as a whole
 * @param words the words it is about, empty for the whole
 * @param why what is wrong and what to do
 */
public record Mark(
    Weight weight, String check, Field field, int sentence, String words, String why) {

  /** How much a mark weighs. */
  public enum Weight {
    MUST_FIX,
    WEIGH
  }
}
