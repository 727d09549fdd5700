package rhetor.core.check;

import com.fasterxml.jackson.annotation.JsonProperty;
import java.util.Set;
import rhetor.core.style.Field;
import rhetor.core.text.Draft;

/**
 * Something that the checks found.
 *
 * @param weight whether it keeps the text from being signed off
 * @param check the check that found it, such as {@code support}
 * @param field the field it is in
 * @param sentence index of the sentence in the field, from 0; -1 for the field as a whole
 * @param words the words it is about, empty for the whole
 * @param why what is wrong and what to do
 * @param fix the sentence as it should read, or the sentence that is missing; empty if it is to be
 *     left out, or if only a person can tell
 */
public record Mark(
    Weight weight, String check, Field field, int sentence, String words, String why, String fix) {

  public Mark {
    fix = fix == null ? "" : fix;
  }

  /** A mark that only a person can see to. */
  public Mark(Weight weight, String check, Field field, int sentence, String words, String why) {
    this(weight, check, field, sentence, words, why, "");
  }

  /** The check that finds sentences which the house no longer says; they are left out. */
  static final String OVER = "house sentence over";

  /** The check that finds what an editor would send a sentence back for. */
  static final String PLAIN = "plain language";

  /** The check that finds fields which are too long or too short. */
  static final String LENGTH = "length";

  private static final Set<String> STYLE =
      Set.of(
          "banned word",
          "spelling",
          "exclamation",
          "emoji",
          "person",
          "title form",
          "structure",
          "contraction",
          "house sentence",
          OVER,
          "angle",
          "required word",
          "supporting keyword",
          "voice");

  /** Checks whose findings go away when the composer writes the field again. */
  private static final Set<String> COMPOSED_ANEW =
      Set.of("claim", "keyword", "supporting keyword", "likeness", "repetition", "structure");

  /** Whether it can be mended by computation. */
  public boolean mends() {
    return hasFix() || isComposedAway();
  }

  /** Whether the sentence is known as it should read, or is to be left out. */
  boolean hasFix() {
    return !fix.isEmpty() || check.equals(OVER);
  }

  /** Whether writing the field again mends it: too much was said, or what is no longer so. */
  public boolean isComposedAway() {
    boolean tooLong = check.equals(LENGTH) && weight == Weight.MUST_FIX;
    return fix.isEmpty() && (tooLong || COMPOSED_ANEW.contains(check));
  }

  /** Whether it says that the text doesn't obey the house's style. */
  public boolean concernsStyle() {
    return STYLE.contains(check);
  }

  /** What a person may overrule: what the product is, and how a sentence reads. */
  private static final Set<String> ARGUABLE =
      Set.of("support", "no source", PLAIN, "grammar", "empty phrase", "repetition", "comparison");

  /** Whether a person may say that it is fine as it stands. */
  @JsonProperty(access = JsonProperty.Access.READ_ONLY)
  public boolean mayBeOverruled() {
    return sentence >= 0 && ARGUABLE.contains(check);
  }

  private static final String NO_SOURCE = "no source";
  private static final Set<String> OF_SUPPORT = Set.of("support", NO_SOURCE);

  /** Whether it says no more than that words stand in no cell. */
  @JsonProperty(access = JsonProperty.Access.READ_ONLY)
  public boolean isOpen() {
    return check.equals(NO_SOURCE);
  }

  /** Whether a person may answer it with a fact that no source had. */
  @JsonProperty(access = JsonProperty.Access.READ_ONLY)
  public boolean mayBeStated() {
    return sentence >= 0 && OF_SUPPORT.contains(check);
  }

  /** The mark as what is overruled in a draft. */
  public LetBe of(Draft draft) {
    return new LetBe(check, draft.sentences(field).get(sentence).text(), words);
  }

  /** How much a mark weighs. */
  public enum Weight {
    MUST_FIX,
    WEIGH
  }
}
