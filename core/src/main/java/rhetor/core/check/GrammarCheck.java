package rhetor.core.check;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import org.languagetool.JLanguageTool;
import org.languagetool.Languages;
import org.languagetool.rules.Rule;
import org.languagetool.rules.RuleMatch;
import org.languagetool.rules.spelling.SpellingCheckRule;
import rhetor.core.language.Words;
import rhetor.core.style.Spelling;

/**
 * Finds grammar and spelling mistakes with LanguageTool. Making one takes seconds and some hundred
 * megabytes, a sentence some milliseconds: it is for the background. Not safe for several threads.
 */
public final class GrammarCheck {
  /** Rules that are off, each with the reason. */
  public static final List<Off> OFF =
      List.of(
          new Off("OXFORD_SPELLING_Z_NOT_S", "it wants -ize, which British houses rarely write"),
          new Off("EN_DIACRITICS_REPLACE_ORTHOGRAPHY_CREPE", "crepe rubber has no accent"),
          new Off(
              "ADVERB_VERB_ADVERB_REPETITION",
              "it takes a turn of phrase, \"what is inside stays inside\", for a slip"),
          new Off("HALO_HALLO", "it takes the name of a ring for a greeting"),
          new Off(
              "IN_JANUARY", "it takes the title of a print, \"Estuary in March 4\", for a date"));

  /** Words of the trades that are in British dictionaries, but not in this one. */
  private static final List<String> TRADE =
      List.of(
          "lambswool", "matt", "ochre", "soya", "gsm", "drawcord", "flatlock", "GOTS-certified");

  private final JLanguageTool tool;

  /** A rule that is off, and why. */
  public record Off(String rule, String why) {}

  /**
   * A mistake.
   *
   * @param rule LanguageTool's id of the rule
   * @param start where it starts in the text
   * @param end where it ends
   * @param message what is wrong
   * @param instead what is proposed; empty if nothing is
   * @param spelling whether a dictionary doesn't know the word
   */
  public record Mistake(
      String rule, int start, int end, String message, String instead, boolean spelling) {}

  /** A checker for one English. */
  public GrammarCheck(Spelling spelling) {
    tool =
        new JLanguageTool(
            Languages.getLanguageForShortCode(spelling == Spelling.AMERICAN ? "en-US" : "en-GB"));
    learn(TRADE);
    OFF.forEach(off -> tool.disableRule(off.rule));
  }

  /** Has the dictionary know further words, such as names. */
  public void learn(List<String> words) {
    for (Rule rule : tool.getAllActiveRules()) {
      if (rule instanceof SpellingCheckRule spelling) {
        spelling.addIgnoreTokens(words);
      }
    }
  }

  /**
   * The mistakes of a text, in order.
   *
   * @param own the product's names and data, whose words are right whatever a dictionary says
   */
  public List<Mistake> of(String text, String own) {
    List<Mistake> mistakes = new ArrayList<>();
    try {
      for (RuleMatch match : tool.check(text)) {
        boolean spelling = match.getRule().isDictionaryBasedSpellingRule();
        String words = text.substring(match.getFromPos(), match.getToPos());
        boolean named = spelling && isName(words);
        // "Saddle bag" is two words where the house's products are called so.
        boolean theirs = (spelling || words.indexOf(' ') > 0) && Words.find(words, own) >= 0;
        if (!named && !theirs && !onlyJoins(match, words, own)) {
          mistakes.add(
              new Mistake(
                  match.getRule().getId(),
                  match.getFromPos(),
                  match.getToPos(),
                  match.getMessage().replaceAll("</?suggestion>", "\""),
                  match.getSuggestedReplacements().isEmpty()
                      ? ""
                      : match.getSuggestedReplacements().getFirst(),
                  spelling));
        }
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return mistakes;
  }

  /**
   * Whether a rule would only join words with a hyphen that each stand in the product's data:
   * "black hardened steel" is black and of hardened steel, and not black-hardened.
   */
  private static boolean onlyJoins(RuleMatch match, String words, String own) {
    return !match.getSuggestedReplacements().isEmpty()
        && words.indexOf(' ') > 0
        && match
            .getSuggestedReplacements()
            .getFirst()
            .replace('-', ' ')
            .equals(words.replace('-', ' '))
        && List.of(words.split("[ -]")).stream().allMatch(w -> Words.find(w, own) >= 0);
  }

  /** Names and codes are in no dictionary: what has a capital or a digit is one. */
  private static boolean isName(String word) {
    return word.chars().anyMatch(c -> Character.isUpperCase(c) || Character.isDigit(c));
  }
}
