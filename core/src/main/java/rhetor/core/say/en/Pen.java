package rhetor.core.say.en;

import java.util.List;
import rhetor.core.plan.Choice;
import rhetor.core.plan.RangeFigures;
import rhetor.core.plan.Rotation;
import rhetor.core.say.Variety;
import rhetor.core.style.HouseRules;
import rhetor.core.style.Length;
import rhetor.core.style.Style;
import rhetor.core.style.Voice;

/**
 * What one text is written with.
 *
 * @param voice how it sounds
 * @param rules what the house has decided
 * @param variety what it is to differ from
 * @param range what the product is compared with
 */
public record Pen(
    Voice voice,
    HouseRules rules,
    Rotation rotation,
    Variety variety,
    ValueText values,
    RangeFigures range) {
  /** Repetitions that weigh as much as a word that the house doesn't say. */
  private static final int UNSAYABLE = 1000;

  private static final int TOO_LONG = 100;

  /** A pen for a house that has decided nothing. */
  public static Pen of(
      Voice voice, Rotation rotation, Variety variety, ValueText values, RangeFigures range) {
    return new Pen(voice, HouseRules.of(Style.standard()), rotation, variety, values, range);
  }

  /** The same pen for a text that may repeat others. */
  public Pen repeating() {
    return new Pen(voice, rules, rotation, Variety.none(), values, range);
  }

  /** What the house has decided. */
  public Style style() {
    return rules.style();
  }

  /** Whether a sentence has more words than the house wants. */
  boolean isTooLong(String text) {
    int most = style().tuning().sentenceWords();
    if (most == 0) {
      return false;
    }
    for (String sentence : text.split("(?<=[.!?]) ")) {
      if (Length.words(sentence) > most) {
        return true;
      }
    }
    return false;
  }

  /**
   * How much a sentence repeats, and whether the house writes so; less is better.
   *
   * @param before the end of what stands before it
   */
  public int faults(String before, String sentence) {
    return variety.repeated(before, sentence)
        + (rules.words().isUnsayable(sentence, List.of()) ? UNSAYABLE : 0)
        + (isTooLong(sentence) ? TOO_LONG : 0);
  }

  /** What decides between ways to tell the same. */
  public Choice choice() {
    return new Choice(voice, rotation, range);
  }
}
