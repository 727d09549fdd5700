package rhetor.core.say.en;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import rhetor.core.fact.ProductFacts;
import rhetor.core.language.English;
import rhetor.core.text.Sentence;
import rhetor.core.text.Support;

/** Makes one text of lines that were picked from several, with grammar and support intact. */
public final class LineJoiner {
  private LineJoiner() {}

  /**
   * The lines as sentences of one text: the first names the product, a pronoun doesn't follow a
   * pronoun, and no line stands twice. Each keeps what it rests on.
   *
   * @param lines in the order in which they are to stand
   */
  public static List<Sentence> join(List<Sentence> lines, ProductFacts product) {
    Subject subject = Subject.of(product);
    List<Sentence> joined = new ArrayList<>();
    Set<String> seen = new LinkedHashSet<>();
    String lastStart = "";
    for (Sentence line : lines) {
      if (!seen.add(line.text().toLowerCase(Locale.ROOT))) {
        continue;
      }
      Sentence sentence = line;
      String start = start(line.text(), subject);
      if (joined.isEmpty() && !start.isEmpty()) {
        sentence = begun(line, start, subject.fullReference(), subject);
      } else if (isPronoun(start, subject) && isPronoun(lastStart, subject)) {
        String noun = subject.noun().isEmpty() ? subject.shortReference() : "the " + subject.noun();
        sentence = begun(line, start, noun, subject);
      }
      lastStart = sentence == line ? start : "";
      joined.add(sentence);
    }
    return joined;
  }

  private static boolean isPronoun(String start, Subject subject) {
    return start.equals(English.capitalise(subject.pronoun()));
  }

  /** The words that stand for the product at the start of a line: "It", "The pannier"; or none. */
  private static String start(String text, Subject subject) {
    String pronoun = English.capitalise(subject.pronoun());
    String noun = "The " + subject.noun();
    return text.startsWith(pronoun + " ") || text.startsWith(pronoun + "’")
        ? pronoun
        : !subject.noun().isEmpty() && text.startsWith(noun + " ") ? noun : "";
  }

  private static Sentence begun(Sentence line, String start, String words, Subject subject) {
    String rest =
        line.text()
            .substring(start.length())
            .replaceFirst("^’s ", " is ")
            .replaceFirst("^’re ", " are ");
    List<Support> support = new ArrayList<>(line.support());
    support.addAll(subject.nameSupport());
    return new Sentence(English.capitalise(words) + rest, support);
  }
}
