package rhetor.core.support;

import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rhetor.core.support.Assertion.Kind;

/** Holds words that stand nowhere where they are said of everything, or of what can be done. */
final class StrongClaims {
  private static final Set<String> ALL = Set.of("every", "all", "any", "each");

  /** "Every water system", "any rain". */
  private static final Pattern EVERY = Pattern.compile("(?i)\\b(?:every|all|any|each)\\b");

  /** "No harmonica plays as loud": of all of its kind. */
  private static final Pattern NONE_OF_ITS_KIND =
      Pattern.compile("(?i)\\bno (?:other )?(?<kind>\\p{L}{3,})");

  private static final Set<String> CAN = Set.of("can", "may", "could");

  /** "You can lock it", "it can be fixed to a wall". */
  private static final Pattern CAN_BE =
      Pattern.compile(
          "(?i)\\b(?:you (?:can|may|could) (?:also |even )?(?<does>\\p{L}{3,}) (?:it|them)|(?:it|they) (?:can|may|could) (?:also |even )?be (?<done>\\p{L}{3,}))\\b(?! that\\b)");

  private final Row row;

  StrongClaims(Row row) {
    this.row = row;
  }

  /**
   * What stands nowhere in the row and is claimed of all there is, or as something that can be
   * done, isn't weighed but held.
   *
   * @param spoken the texts of the sentence's words
   */
  void judge(String sentence, Set<String> spoken, List<Assertion> found) {
    if (found.stream().noneMatch(a -> a.kind() == Kind.OPEN)) {
      return;
    }
    for (Assertion absolute : List.copyOf(found)) {
      if (absolute.kind() == Kind.ABSOLUTE) {
        hold(sentence, absolute.start(), absolute.end(), found);
      }
    }
    if (!Collections.disjoint(ALL, spoken)) {
      Matcher every = EVERY.matcher(sentence);
      while (every.find()) {
        // What all do is said of them, and not of the thing: "every parcel goes by bicycle".
        int clause = Clauses.start(sentence, every.start());
        if (!sentence.substring(clause, every.start()).isBlank()) {
          hold(sentence, every.start(), every.end(), found);
        }
      }
    }
    if (spoken.contains("no")) {
      Matcher none = NONE_OF_ITS_KIND.matcher(sentence);
      while (none.find()) {
        if (row.isOfKind(none.group("kind").toLowerCase(Locale.ROOT))) {
          hold(sentence, none.start(), none.end(), found);
        }
      }
    }
    if (!Collections.disjoint(CAN, spoken)) {
      Matcher can = CAN_BE.matcher(sentence);
      while (can.find()) {
        int at = can.start("does") >= 0 ? can.start("does") : can.start("done");
        found.replaceAll(
            a ->
                a.kind() == Kind.OPEN && a.start() == at
                    ? Assertion.of(Kind.PROPERTY, sentence, a.start(), a.end(), "")
                    : a);
      }
    }
  }

  /** Holds what is claimed of everything, if a word of its clause stands nowhere. */
  private static void hold(String sentence, int start, int end, List<Assertion> found) {
    int from = Clauses.start(sentence, start);
    int to = Clauses.end(sentence, end);
    boolean isOpen =
        found.stream().anyMatch(a -> a.kind() == Kind.OPEN && a.start() >= from && a.end() <= to);
    if (isOpen) {
      found.removeIf(a -> a.start() == start && !a.isHeld());
      found.add(Assertion.of(Kind.COMPARATIVE, sentence, start, end, ""));
    }
  }
}
