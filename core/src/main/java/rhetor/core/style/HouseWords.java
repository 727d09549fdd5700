package rhetor.core.style;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import rhetor.core.language.English;
import rhetor.core.language.Words;
import rhetor.core.language.Words.Word;

/**
 * Finds and replaces what a house doesn't say: banned words in any form, and the other English's
 * spelling. Made once for a style; however many words are banned, a text is read once.
 */
public final class HouseWords {
  private final Spelling spelling;
  private final Map<String, List<Rule>> byFirstStem = new HashMap<>();

  private record Rule(BannedWord banned, List<String> stems) {}

  /**
   * A place where a text says what the house doesn't.
   *
   * @param start where it starts
   * @param end where it ends
   * @param instead what belongs there; empty if a banned word has nothing to take its place
   * @param spelt whether it is only spelt otherwise
   */
  public record Slip(int start, int end, String words, String instead, boolean spelt) {}

  public HouseWords(Style style) {
    this.spelling = style.spelling();
    for (BannedWord banned : style.banned()) {
      List<String> stems =
          Words.of(banned.word()).stream().map(w -> English.stem(w.text())).toList();
      if (!stems.isEmpty()) {
        byFirstStem
            .computeIfAbsent(stems.getFirst(), s -> new ArrayList<>())
            .add(new Rule(banned, stems));
      }
    }
    byFirstStem.values().forEach(r -> r.sort((a, b) -> b.stems.size() - a.stems.size()));
  }

  /**
   * What of a text the house doesn't say, in order.
   *
   * @param kept names that stand as they are
   */
  public List<Slip> slips(String text, List<String> kept) {
    return slips(text, Words.of(text), kept);
  }

  /**
   * What of a text the house doesn't say, in order.
   *
   * @param words the words of the text, for callers that have them
   * @param kept names that stand as they are
   */
  public List<Slip> slips(String text, List<Word> words, List<String> kept) {
    List<Slip> slips = new ArrayList<>();
    for (int i = 0; i < words.size(); i++) {
      Word word = words.get(i);
      Rule rule = byFirstStem.isEmpty() ? null : rule(words, i);
      if (rule != null) {
        int end = words.get(i + rule.stems.size() - 1).end();
        if (!isKept(text, word.start(), end, kept)) {
          slips.add(slip(text, word.start(), end, instead(rule, word.text()), false));
        }
        i += rule.stems.size() - 1;
      } else {
        Optional<String> spelt = spelling.of(word.text());
        if (spelt.isPresent() && !isKept(text, word.start(), word.end(), kept)) {
          slips.add(slip(text, word.start(), word.end(), spelt.get(), true));
        }
      }
    }
    return slips;
  }

  /** "Buying" gives way to "choosing" where "buy" does to "choose", "bags" to "bike bags". */
  private static String instead(Rule rule, String word) {
    String instead = rule.banned.instead();
    boolean inflected =
        rule.stems.size() == 1 && !instead.isEmpty() && !word.equalsIgnoreCase(rule.banned.word());
    if (inflected && word.endsWith("ing") && instead.indexOf(' ') < 0) {
      return English.participle(instead);
    }
    return inflected && word.endsWith("s") ? English.plural(instead) : instead;
  }

  private Rule rule(List<Word> words, int from) {
    for (Rule rule : byFirstStem.getOrDefault(English.stem(words.get(from).text()), List.of())) {
      boolean all = from + rule.stems.size() <= words.size();
      for (int k = 1; all && k < rule.stems.size(); k++) {
        all = English.stem(words.get(from + k).text()).equals(rule.stems.get(k));
      }
      if (all) {
        return rule;
      }
    }
    return null;
  }

  private static Slip slip(String text, int start, int end, String instead, boolean spelt) {
    String words = text.substring(start, end);
    String cased =
        !instead.isEmpty() && Character.isUpperCase(words.charAt(0))
            ? English.capitalise(instead)
            : instead;
    return new Slip(start, end, words, cased, spelt);
  }

  /** Names stand as they are: "Harbour Fog", "Roll Pannier 20". */
  private static boolean isKept(String text, int start, int end, List<String> kept) {
    for (String name : kept) {
      for (int at = text.indexOf(name); at >= 0; at = text.indexOf(name, at + 1)) {
        if (!name.isEmpty() && at <= start && end <= at + name.length()) {
          return true;
        }
      }
    }
    return false;
  }

  /**
   * Whether a text has a banned word for which there is no other.
   *
   * @param kept names that stand as they are
   */
  public boolean isUnsayable(String text, List<String> kept) {
    return !byFirstStem.isEmpty()
        && slips(text, kept).stream().anyMatch(s -> s.instead().isEmpty());
  }

  /** Whether there is nothing to look for but spelling that texts are composed in anyway. */
  public boolean isIdle() {
    return byFirstStem.isEmpty() && spelling == Spelling.BRITISH;
  }

  /**
   * The text as the house says it; banned words without a replacement stay.
   *
   * @param kept names that stand as they are
   */
  public String said(String text, List<String> kept) {
    List<Slip> slips = slips(text, kept);
    if (slips.isEmpty()) {
      return text;
    }
    StringBuilder said = new StringBuilder(text);
    for (Slip slip : slips.reversed()) {
      if (!slip.instead().isEmpty()) {
        said.replace(slip.start(), slip.end(), slip.instead());
        article(said, slip);
      }
    }
    return said.toString();
  }

  /** "An amazing lamp" becomes "a fine lamp", not "an fine lamp". */
  private static void article(StringBuilder text, Slip slip) {
    String before = text.substring(0, slip.start()).toLowerCase(Locale.ROOT);
    for (String article : List.of("a ", "an ")) {
      int at = slip.start() - article.length();
      boolean there =
          before.endsWith(article) && (at == 0 || !Character.isLetter(before.charAt(at - 1)));
      if (there) {
        String right = English.article(slip.instead());
        boolean capital = Character.isUpperCase(text.charAt(at));
        text.replace(at, slip.start() - 1, capital ? English.capitalise(right) : right);
        return;
      }
    }
  }
}
