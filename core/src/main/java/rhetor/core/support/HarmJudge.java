package rhetor.core.support;

import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.MatchResult;
import java.util.stream.Stream;
import rhetor.core.language.English;
import rhetor.core.language.Lexicon;
import rhetor.core.language.Words;
import rhetor.core.support.Assertion.Kind;

/**
 * Finds what sentences say can't happen to a thing, isn't needed or isn't in it, where no cell says
 * so: a shop is held to that as to "rustproof".
 */
final class HarmJudge {
  /** "It repels oil": what a shop is held to as to "oil-repellent". */
  private static final Cue WITHSTOOD =
      new Cue(
          "(?i)\\b(?<v>repels?|resists?|withstands?|defies|sheds?|shuts out|keeps out|wards off|filters out|blocks(?: out)?) (?:the |all |any )?(?<w>\\p{L}{3,})",
          "repel",
          "repels",
          "resist",
          "resists",
          "withstand",
          "withstands",
          "defies",
          "shed",
          "sheds",
          "shuts",
          "keeps",
          "wards",
          "filters",
          "blocks");

  /** "Frost does it no harm", "moths can't get at it". */
  private static final Cue HARMLESS =
      new Cue(
          "(?i)\\b(?<w>\\p{L}{3,}) (?:(?:does|do|will do|can do) (?:it|them|the \\p{L}+) no harm|(?:can[’']t|cannot|won[’']t|don[’']t|doesn[’']t) (?:harm|hurt|damage|spoil|ruin|attack|bother|touch|burn|scratch|get (?:at|into|through|past))|leaves? (?:it|them) alone|(?:keeps?|stays?) away)\\b",
          "harm",
          "alone",
          "away",
          "can't",
          "can’t",
          "cannot",
          "won't",
          "won’t",
          "don't",
          "don’t",
          "doesn't",
          "doesn’t");

  /** "Never rusts", "won't fade", "cannot be punctured". */
  private static final Cue UNHARMED =
      new Cue(
          "(?i)(?<subject>\\p{L}+ )?\\b(?:never|will not|won[’']t|does not|doesn[’']t|do not|don[’']t|cannot|can not|can[’']t)(?: ever)?(?: be)? (?<w>\\p{L}{3,})",
          "never",
          "not",
          "cannot",
          "won't",
          "won’t",
          "doesn't",
          "doesn’t",
          "don't",
          "don’t",
          "can't",
          "can’t");

  /** "Never needs oil", "needs no washing". */
  private static final Cue UNNEEDED =
      new Cue(
          "(?i)\\b(?:(?:never|not|doesn[’']t|don[’']t|won[’']t|hardly)(?: ever)? (?:needs?|have|has) (?:to be |to |any |an? |the )?|needs? no |no need to )(?<w>\\p{L}{3,})",
          "need",
          "needs",
          "never",
          "not",
          "don't",
          "don’t",
          "doesn't",
          "doesn’t");

  /** "Ready assembled". */
  private static final Cue READY =
      new Cue(
          "(?i)\\b(?:ready|fully|already|pre)[ -](?<w>\\p{L}{3,}ed)\\b",
          "ready",
          "fully",
          "already");

  /** "Free from lead and cadmium", "contains no nickel". */
  private static final Cue FREE_FROM =
      new Cue(
          "(?i)\\b(?:free (?:from|of)|contains? no|contain no) (?<items>\\p{L}[\\p{L} ,-]*)",
          "free",
          "contain",
          "contains");

  /** "By hand only" of what may go into a machine. */
  private static final Cue ONLY_BY_HAND =
      new Cue("(?i)\\b(?:only by hand|by hand only|hand[ -]?wash(?:ed|ing)? only)\\b", "hand");

  /** "Professional cleaning only": a part of a cell that leaves nothing else. */
  private static final Set<String> NOTHING_ELSE = Set.of(English.stem("only"));

  private static final Set<String> MACHINES =
      Set.of(English.stem("machine"), English.stem("dishwasher"));

  /** "Tanned without any harm to nature". */
  private static final Cue DOES_NO_HARM =
      new Cue(
          "(?i)\\b(?:without|with no|at no) (?:any |doing |causing )*(?:harm(?:ing)?|cruelty|suffering)\\b",
          "harm",
          "harming",
          "cruelty",
          "suffering");

  /** Stems of what cells say that keeps something off. */
  private static final Set<String> KEEPING_OFF =
      Set.of("proof", "resistant", "resist", "withstand", "tight", "repel", "repellent", "safe");

  private static final Set<String> PEOPLE = Set.of("you ", "we ", "i ");

  private static final List<String> STUFFS = List.of("substance", "food");

  private static final double MOSTLY = 0.5;

  private static final Set<String> CUED =
      Cue.wordsOf(
          WITHSTOOD, HARMLESS, UNHARMED, UNNEEDED, READY, FREE_FROM, ONLY_BY_HAND, DOES_NO_HARM);

  private final Row row;
  private final AnswerJudge answers;
  private final JudgeWords words = JudgeWords.shipped();

  HarmJudge(Row row, AnswerJudge answers) {
    this.row = row;
    this.answers = answers;
  }

  /**
   * Adds what a sentence says can't happen, isn't needed or isn't in it.
   *
   * @param all its words
   */
  void judge(String sentence, Set<String> all, List<Assertion> found) {
    Set<String> spoken = Cue.among(CUED, all);
    for (MatchResult m : WITHSTOOD.in(sentence, spoken)) {
      boolean isSaid = row.says(lower(m, "v")) || saysAnywhere(lower(m, "w"));
      if (!isSaid && !isDenied(sentence, m)) {
        found.add(whole(Kind.PROPERTY, sentence, m, ""));
      }
    }
    for (MatchResult m : HARMLESS.in(sentence, spoken)) {
      harmless(sentence, m, found);
    }
    for (MatchResult m : UNHARMED.in(sentence, spoken)) {
      unharmed(sentence, m, found);
    }
    for (MatchResult m : UNNEEDED.in(sentence, spoken)) {
      needed(English.stem(lower(m, "w")))
          .ifPresent(c -> found.add(whole(Kind.ANSWER, sentence, m, c.words())));
    }
    for (MatchResult m : READY.in(sentence, spoken)) {
      takesTime(English.stem(lower(m, "w")))
          .filter(c -> !isDenied(sentence, m))
          .ifPresent(c -> found.add(whole(Kind.ANSWER, sentence, m, c.words())));
    }
    for (MatchResult m : FREE_FROM.in(sentence, spoken)) {
      free(sentence, m, found);
    }
    for (MatchResult m : ONLY_BY_HAND.in(sentence, spoken)) {
      row.cells().stream()
          .filter(c -> c.answer() == Cell.Answer.YES)
          .filter(c -> c.label().stream().anyMatch(MACHINES::contains))
          .findFirst()
          .ifPresent(c -> found.add(whole(Kind.ANSWER, sentence, m, c.words())));
    }
    for (MatchResult m : DOES_NO_HARM.in(sentence, spoken)) {
      if (!row.says("harm") && !row.says("cruelty")) {
        found.add(whole(Kind.ENVIRONMENT, sentence, m, ""));
      }
    }
    careful(sentence, all, found);
  }

  /** What does no harm where a cell says that it does, or where nothing in the row keeps it off. */
  private void harmless(String sentence, MatchResult m, List<Assertion> found) {
    String what = English.stem(lower(m, "w"));
    if (words.isFunction(what) || row.cells().stream().anyMatch(c -> keepsOff(c, what))) {
      return;
    }
    Optional<Cell> refusing =
        row.cells().stream()
            .filter(c -> c.answer() == Cell.Answer.NO && c.label().contains(what))
            .findFirst();
    boolean isKeptOff = row.cells().stream().anyMatch(HarmJudge::keepsAnythingOff);
    found.add(
        refusing
            .map(c -> whole(Kind.ANSWER, sentence, m, c.words()))
            .orElseGet(() -> whole(isKeptOff ? Kind.ABSOLUTE : Kind.PROPERTY, sentence, m, "")));
  }

  private void unharmed(String sentence, MatchResult m, List<Assertion> found) {
    String verb = lower(m, "w");
    String subject = m.group("subject") == null ? "" : lower(m, "subject");
    boolean isOrder = Clauses.start(sentence, m.end()) >= m.start() && subject.isEmpty();
    if (!isDamage(verb) || PEOPLE.contains(subject) || isOrder) {
      return;
    }
    String stem = English.stem(verb);
    Optional<Cell> saying =
        row.cells().stream()
            .filter(c -> isOfVerb(c, stem) && c.numbers().stream().anyMatch(n -> n.value() > 0))
            .findFirst();
    if (saying.isPresent()) {
      found.add(whole(Kind.ANSWER, sentence, m, saying.get().words()));
    } else if (!row.says(verb) && !row.isInProse(verb)) {
      found.add(Assertion.of(Kind.PROPERTY, sentence, m.start("w"), m.end("w"), ""));
    }
  }

  /** The cell that asks for what isn't needed: "oil twice a year", "Batt.: 2 x AA". */
  private Optional<Cell> needed(String what) {
    return row.cells().stream()
        .filter(c -> c.answer() != Cell.Answer.NO && !c.isName())
        .filter(
            c ->
                c.said().contains(what)
                    || c.answer() == Cell.Answer.NEITHER && hasRoot(c.heading(), what))
        .filter(c -> !answers.isDenied(c.words()))
        .findFirst();
  }

  /** The cell that says how long it takes to do what is said to be done: "assembly: 30 min". */
  private Optional<Cell> takesTime(String done) {
    return row.cells().stream()
        .filter(c -> hasRoot(c.heading(), done))
        .filter(c -> c.numbers().stream().anyMatch(n -> n.dimension().equals("time")))
        .findFirst();
  }

  /** A stuff that isn't in it, where the row says nothing of it or has a kind of it. */
  private void free(String sentence, MatchResult m, List<Assertion> found) {
    if (answers.isDenied(sentence.substring(Clauses.start(sentence, m.start()), m.start()))) {
      return;
    }
    int from = m.start("items");
    int to = Math.min(m.end(), Clauses.end(sentence, from));
    // "Free from lead and cadmium" goes on behind the "and".
    int end = sentence.startsWith("and ", to) ? Clauses.end(sentence, to + 4) : to;
    for (Words.Word word : Words.of(sentence.substring(from, end))) {
      String stuff = English.singular(word.text());
      if (words.isHarmless(word.text())
          || Lexicon.shipped().shareOfSenses(stuff, STUFFS) < MOSTLY) {
        continue;
      }
      String having =
          row.cells().stream()
              .filter(c -> c.said().stream().anyMatch(s -> Lexicon.shipped().isKindOf(s, stuff)))
              .filter(c -> !answers.isDenied(c.words()))
              .map(Cell::words)
              .findFirst()
              .orElse("");
      if (!having.isEmpty() || !saysAnywhere(word.text())) {
        Kind kind = having.isEmpty() ? Kind.PROPERTY : Kind.ANSWER;
        found.add(Assertion.of(kind, sentence, from + word.start(), from + word.end(), having));
      }
    }
  }

  /** "Machine washable" where a part of a cell says "professional cleaning only". */
  private void careful(String sentence, Set<String> spoken, List<Assertion> found) {
    if (Collections.disjoint(words.of("cleaned"), spoken)) {
      return;
    }
    Set<String> stems = Stems.of(sentence);
    for (Words.Word word : Words.of(sentence)) {
      if (!words.is("cleaned", word.text()) || isDeniedAt(sentence, word.start())) {
        continue;
      }
      Optional<String> only =
          row.cells().stream()
              .flatMap(c -> Stream.of(c.words().split("[:;,.]")).skip(1))
              .map(String::strip)
              .filter(p -> Stems.of(p).containsAll(NOTHING_ELSE))
              .filter(p -> Stems.of(p).stream().anyMatch(s -> words.is("care", s)))
              .filter(
                  p ->
                      Stems.of(p).stream().noneMatch(s -> words.is("care", s) && hasRoot(stems, s)))
              .findFirst();
      if (only.isPresent()) {
        found.add(Assertion.of(Kind.ANSWER, sentence, word.start(), word.end(), only.get()));
        return;
      }
    }
  }

  private boolean isDamage(String verb) {
    return words.is("damage", verb) || hasRoot(words.of("damage"), verb);
  }

  /** "Shrinkage" is of what shrinks. */
  private static boolean isOfVerb(Cell cell, String stem) {
    return cell.label().stream()
        .anyMatch(s -> s.equals(stem) || s.length() > stem.length() && s.startsWith(stem));
  }

  private static boolean hasRoot(Set<String> stems, String stem) {
    return stems.stream().anyMatch(s -> s.equals(stem) || Row.areOfOneRoot(s, stem));
  }

  private static boolean keepsOff(Cell cell, String what) {
    return cell.label().contains(what) && cell.answer() == Cell.Answer.YES
        || (cell.said().contains(what) || cell.label().contains(what))
            && cell.answer() != Cell.Answer.NO
            && keepsAnythingOff(cell);
  }

  private static boolean keepsAnythingOff(Cell cell) {
    return cell.answer() != Cell.Answer.NO
        && Stream.concat(cell.said().stream(), cell.label().stream())
            .anyMatch(KEEPING_OFF::contains);
  }

  private boolean saysAnywhere(String word) {
    return row.says(word) || row.isInProse(word);
  }

  private boolean isDenied(String sentence, MatchResult m) {
    return isDeniedAt(sentence, m.start());
  }

  private boolean isDeniedAt(String sentence, int at) {
    return answers.isDenied(Clauses.at(sentence, at));
  }

  private static String lower(MatchResult m, String group) {
    return m.group(group).toLowerCase(Locale.ROOT);
  }

  private static Assertion whole(Kind kind, String sentence, MatchResult m, String against) {
    return Assertion.of(kind, sentence, m.start(), m.end(), against);
  }
}
