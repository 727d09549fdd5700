package rhetor.core.support;

import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rhetor.core.language.English;
import rhetor.core.language.Lexicon;
import rhetor.core.language.Words;
import rhetor.core.language.Words.Word;
import rhetor.core.support.Assertion.Kind;

/** Holds what a sentence affirms or denies, and how much of it there is, against a row's cells. */
final class AnswerJudge {
  private static final String FREE = "-free";
  private static final String LESS = "less";
  private static final String IS_FREE = "free";
  private static final String AGAIN = "again";
  private static final String RE = "re";

  private static final Pattern SAYS_FREE = Pattern.compile("(?i)-?\\bfree\\b(?: (?:of|from)\\b)?");

  /** "Without tools" is tool-free. */
  private static final Pattern SAYS_WITHOUT =
      Pattern.compile("(?i)\\b(?:without(?: any)?|with no|needs? no)\\b");

  /** "Works w/o wifi": a heading that asks for what isn't needed. */
  private static final Pattern HEADS_WITHOUT = Pattern.compile("(?i)(?:\\bw/o|\\bwithout) ");

  private static final Pattern DENIAL =
      Pattern.compile(
          "(?i)\\b(?:no|without|free (?:from|of)|contains? no|neither|nor)\\b(?: (?:traces of|any|added|a|an))? (?<w>\\p{L}+)");
  static final Pattern DENYING = Pattern.compile("(?i)\\b(?:no|not|none|free|without)\\b");

  private static final Pattern KEEPING_OFF =
      Pattern.compile("-(?:proof|resistant|repellent|tight|safe|free)$");

  /** "Isn't free of" grain. */
  private static final Pattern NOT = Pattern.compile("(?i)(?:\\bnot|n't|n’t|\\bnever) $");

  private static final Pattern LEAVING_OUT =
      Pattern.compile("(?i)\\b(?:without|free (?:from|of)) \\p{L}");

  private static final Pattern GIVEN =
      Pattern.compile(
          "(?i)\\b(?:(?:comes?|delivered|shipped|sent|given|get) free|for free|free of charge)\\b(?! (?:from|of) (?!charge))");

  /** "Too big for the cabin" isn't for it. */
  private static final Pattern TOO_MUCH = Pattern.compile("(?i)\\btoo \\p{L}+ (?:for|to)\\b");

  /** "Keep it out of the freezer". */
  private static final Pattern KEPT_OUT =
      Pattern.compile(
          "(?i)\\b(?:keep|keeps|kept|stays?|leave)\\b[^,;.]{0,20}\\b(?:out of|away from|off)\\b");

  /** What a heading asks that asks for what comes with a thing. */
  private static final Pattern ASKS_OF_PARTS =
      Pattern.compile("(?i)\\b(?:incl|included|includes|supplied)\\b");

  private static final Pattern OF_COMING =
      Pattern.compile(
          "(?i)\\b(?:comes?|coming|sold|suppl\\p{L}+|shipped|ships|delivered|arrives?|includ\\p{L}+|there (?:is|are)|you get|in the box)\\b");

  /** "A side burner is not part of it". */
  private static final Pattern NOT_PART =
      Pattern.compile(
          "(?i)(?<of>\\p{L}+ )?\\b(?<w>\\p{L}{3,}) (?:is|are|comes?|does|do) ?(?:not|n[’']t) (?:a )?(?:part of|included|come with|with|among|there|fitted)\\b");

  /** "Cannot be washed"; "not above 60°" denies less. */
  private static final Pattern NOT_DONE =
      Pattern.compile(
          "(?i)\\b(?:not|cannot|can't|can’t|isn't|isn’t|never) (?:be |to be )?(?<w>\\p{L}{3,})(?!\\p{L}| (?:above|over|more|hotter|in|at|with|by|until|before|on|for|to|too|as|hot)\\b)");

  /** "They don't fade" says it of the thing; "don't wash it" says it to people. */
  private static final Pattern DOES_NOT =
      Pattern.compile(
          "(?i)\\b(?:it|they|\\p{L}{3,}) (?:doesn|don|won)[’']t (?:ever )?(?<w>\\p{L}{3,})(?!\\p{L})");

  private static final Pattern AS_STANDARD =
      Pattern.compile(
          "(?i)\\b(?:included|includes|comes with|supplied|fitted|built[- ]in|as standard|in the box)\\b");

  /** "No grill, cover or poker": all of a list is denied. */
  private static final Pattern DENIED_LIST =
      Pattern.compile(
          "(?i)\\b(?:no|not|without|neither|free (?:of|from)) (?<items>(?:(?:\\p{L}[\\p{L}-]* ){0,2}\\p{L}[\\p{L}-]*, (?!(?:for|in|on|at|with|to|of|by|from)\\b))+(?:(?:\\p{L}[\\p{L}-]* ){0,2}\\p{L}[\\p{L}-]*,? )?(?:or|nor) (?:\\p{L}[\\p{L}-]* ){0,2}\\p{L}[\\p{L}-]*)");

  /** What "auto" and "automatic" in a heading ask for. */
  private static final Pattern BY_ITSELF =
      Pattern.compile(
          "(?i)\\b(?:by (?:it|them)sel(?:f|ves)|on (?:its|their) own|automatic(?:ally)?|self-\\p{L}+)\\b");

  private static final Set<String> AUTOMATIC =
      Set.of("auto", English.stem("automatic"), English.stem("automatically"));

  /** What the words for coming as standard begin with: others needn't be searched for them. */
  private static final Set<String> BEGIN_STANDARD =
      Set.of("included", "includes", "comes", "supplied", "fitted", "built", "as", "in");

  private static final Pattern AS_OPTION =
      Pattern.compile(
          "(?i)\\b(?:optional(?:ly)?|opt\\.|on request|sold separately|separately|extra(?= ?(?:[,;.)]|$)))(?!\\p{L})");

  /** "Is packed with it". */
  private static final Pattern ALONG_WITH =
      Pattern.compile("(?i)\\b(?:is|are) \\p{L}+(?:ed|t|n) (?:in )?(?:along )?with (?:it|them)\\b");

  /** "Comes mounted", "come fitted". */
  private static final Pattern COMING_DONE = Pattern.compile("(?i)\\bcomes? \\p{L}+ed\\b");

  private static final Pattern MEASURING =
      Pattern.compile("(?i) (?:(?:about|around|only|just|up to|no more than) )?\\d");

  private static final Pattern MEASURED =
      Pattern.compile("(?i)\\d[\\d.,]* ?\\p{L}{1,12} (?:high|deep|long|wide|tall|thick|heavy)\\b");

  private static final double MOST_OF_ITS_SENSES = 0.5;
  private static final int SHORTEST_NEGATED = 4;
  private static final int SHORTEST_ROOT = 3;

  /** Words of a heading of which one may be said by another. */
  private static final int ENOUGH_OF_A_NAME = 3;

  private final Row row;
  private final JudgeWords words = JudgeWords.shipped();

  private final Refusals refusals;

  /** Cells that answer yes or no. */
  private final List<Cell> answering;

  /** Those of them that ask for what comes with a thing. */
  private final Set<Cell> ofParts = Collections.newSetFromMap(new IdentityHashMap<>());

  /** Cells that ask whether a thing is proof against something, and the stems of that. */
  private final Map<Cell, Set<String>> proofs = new IdentityHashMap<>();

  AnswerJudge(Row row) {
    this.row = row;
    this.answering = row.cells().stream().filter(c -> c.answer() != Cell.Answer.NEITHER).toList();
    for (Cell cell : answering) {
      if (ASKS_OF_PARTS.matcher(cell.words()).find()) {
        ofParts.add(cell);
      }
      Set<String> against = new HashSet<>(Stems.of(cell.title()));
      if (against.remove("proof")) {
        proofs.put(cell, against);
      }
    }
    this.refusals = new Refusals(row);
  }

  /**
   * What is affirmed where a cell says no, denied where one says yes, or said in another degree.
   */
  void judge(String sentence, List<Word> all, List<Assertion> found) {
    answers(sentence, all, found);
    if (all.stream().anyMatch(w -> isDenying(w.text()))) {
      denials(sentence, found);
    }
    if (all.stream().anyMatch(w -> BEGIN_STANDARD.contains(firstPart(w.text())))) {
      options(sentence, found);
    }
    degrees(sentence, found);
    proof(sentence, all, found);
    refusals.judge(sentence, all, this::isDenied, found);
  }

  /** Whether part of a cell says no to what a word names. */
  boolean refuses(String word) {
    return refusals.isOf(English.stem(word));
  }

  /** The cell that says of a thing that it doesn't come with it. */
  Optional<Cell> leavingOut(String stem) {
    return refusals.leavingOut(stem);
  }

  /** The first word of a phrase, and of a compound: "left" of "left-handed". */
  static String firstPart(String phrase) {
    int end = 0;
    while (end < phrase.length() && Character.isLetter(phrase.charAt(end))) {
      end++;
    }
    return phrase.substring(0, end);
  }

  private boolean isDenying(String word) {
    return words.is("negation", word)
        || word.endsWith("n't")
        || word.endsWith("n’t")
        || word.startsWith("contain");
  }

  /** Where the first of some phrases stands in a text; -1 if none does. */
  static int first(List<String> phrases, String text) {
    String lower = text.toLowerCase(Locale.ROOT);
    return phrases.stream()
        .mapToInt(p -> Words.find(p, lower))
        .filter(i -> i >= 0)
        .min()
        .orElse(-1);
  }

  /** "Nothing leaks" where a cell says that it isn't leak proof. */
  private void proof(String sentence, List<Word> all, List<Assertion> found) {
    for (Cell cell : answering) {
      Set<String> against = proofs.getOrDefault(cell, Set.of());
      for (Word word : against.isEmpty() ? List.<Word>of() : all) {
        boolean isNamed = against.contains(English.stem(word.text()));
        boolean isShut = isNamed && isDenied(Clauses.at(sentence, word.start()));
        if (isNamed && !sentence.contains("proof") && isShut == (cell.answer() == Cell.Answer.NO)) {
          found.add(Assertion.of(Kind.ANSWER, sentence, word.start(), word.end(), cell.words()));
        }
      }
    }
  }

  private void answers(String sentence, List<Word> all, List<Assertion> found) {
    Set<String> stems = stems(sentence);
    Map<Cell, List<Word>> spelledOut = row.spelledOut(all);
    boolean isOfParts =
        all.stream().anyMatch(w -> words.is("inclusion", w.text()))
            || sentence.contains(" with ") && ALONG_WITH.matcher(sentence).find()
            || sentence.contains(" come") && COMING_DONE.matcher(sentence).find();
    for (Cell cell : answering) {
      if (!isOfParts && ofParts.contains(cell)) {
        // What drives a torch needn't be in its box.
        continue;
      }
      if (lacks(cell).isPresent() && Words.find(cell.title(), sentence) < 0) {
        // "No cord" is what "cordless" says.
        continue;
      }
      boolean isSpelledOut = spelledOut.containsKey(cell);
      boolean isNamed = isNamed(cell, stems);
      Optional<Word> otherwise =
          isSpelledOut || isNamed ? Optional.empty() : namedOtherwise(cell, stems, all);
      if (!isSpelledOut && !isNamed && otherwise.isEmpty()) {
        continue;
      }
      Optional<Word> named =
          isSpelledOut
              ? Optional.of(spelledOut.get(cell).getFirst())
              : otherwise.isPresent()
                  ? otherwise
                  : all.stream()
                      .filter(w -> isNamed(cell, w, stems))
                      .filter(w -> !isMeasuring(sentence, w))
                      // "Covers off" is all of small words; one alone, as in "stands high", says
                      // none.
                      .filter(
                          w ->
                              !words.isHarmless(w.text())
                                  || isNamedInWords(cell, stems)
                                  || asksWhetherItCanBe(cell, w.text())
                                      && sentence.startsWith("be ", w.start() - 3))
                      .min(Comparator.comparing(w -> words.isHarmless(w.text())));
      if (named.isPresent()) {
        Word word = named.get();
        // "Free of grain" is what a column says that is headed "grain free": that denies nothing.
        boolean isOfFree = cell.names().stream().anyMatch(n -> n.contains(IS_FREE));
        Pattern freely = sentence.contains(IS_FREE) ? SAYS_FREE : SAYS_WITHOUT;
        String said =
            isOfFree
                ? freely.matcher(sentence).replaceAll(m -> " ".repeat(m.group().length()))
                : sentence;
        boolean isDenied =
            !isOfFree && word.text().endsWith(FREE)
                || isDeniedAt(said, word)
                || isDeniedLast(cell, said, stems, all)
                || hasNone(all);
        boolean isOther = !isSpelledOut && isOfFullerName(cell, word, stems);
        // What works without it needs none.
        Cell.Answer denying = asksForNone(cell) ? Cell.Answer.NO : Cell.Answer.YES;
        if (!isOther && isDenied == (cell.answer() == denying)) {
          found.add(Assertion.of(Kind.ANSWER, sentence, word.start(), word.end(), cell.words()));
        }
      }
    }
  }

  /**
   * The word that calls a cell otherwise than its heading does: "fastened with a seat belt" has all
   * of "seat belt fix", "magnetic ring" is what a "mag ring" is, one freezes in a freezer, what is
   * wireless has no cable, and what is solar runs on the sun.
   */
  private Optional<Word> namedOtherwise(Cell cell, Set<String> stems, List<Word> all) {
    for (Set<String> name : cell.names()) {
      List<String> missing = name.stream().filter(s -> !row.isAmong(s, stems)).limit(2).toList();
      if (missing.size() != 1) {
        continue;
      }
      String word = missing.getFirst();
      Optional<Word> said =
          all.stream()
              .filter(
                  w ->
                      name.size() == 1
                          ? isDoneIn(word, w.text()) || isSaidOf(word, w.text())
                          : isShortFor(word, w.text())
                              || name.size() >= ENOUGH_OF_A_NAME && isKinOf(word, w.text()))
              .findFirst();
      if (said.isPresent()) {
        return said;
      }
    }
    return Optional.empty();
  }

  private static boolean isDoneIn(String thing, String verb) {
    return English.tags(verb).contains("VB")
        && (thing.equals(verb + "er") || thing.equals(verb + "r"));
  }

  /** "Solar" is of the sun. */
  private static boolean isSaidOf(String quality, String thing) {
    return !English.isNoun(quality)
        && English.isAdjective(quality)
        && English.isNoun(thing)
        && Lexicon.shipped().pertaining(quality).contains(English.singular(thing));
  }

  /** "Mag" of "magnetic". */
  static boolean isShortFor(String cut, String word) {
    return cut.length() >= SHORTEST_ROOT
        && cut.length() < SHORTEST_NEGATED + 1
        && word.length() >= cut.length() + SHORTEST_ROOT
        && word.startsWith(cut);
  }

  private static boolean isKinOf(String word, String other) {
    return Lexicon.shipped().kin(word).stream().anyMatch(k -> Row.areOfOneRoot(k, other));
  }

  /** Whether a cell is headed by what isn't needed: "works w/o wifi". */
  static boolean asksForNone(Cell cell) {
    return HEADS_WITHOUT.matcher(cell.title()).find();
  }

  /** What a cell that is headed "cordless" asks for. */
  static Optional<String> lacks(Cell cell) {
    String heading = cell.title().toLowerCase(Locale.ROOT);
    return heading.endsWith(LESS) && heading.indexOf(' ') < 0
        ? Optional.of(heading.substring(0, heading.length() - LESS.length()))
        : Optional.empty();
  }

  /** "It weighs 480 g" says nothing of whether it weighs. */
  private static boolean isMeasuring(String sentence, Word word) {
    return MEASURING.matcher(sentence).region(word.end(), sentence.length()).lookingAt()
        && English.tags(word.text()).contains("VBZ");
  }

  /** "The string pattern" is what a cell of its own is headed by, and not what "strung?" asks. */
  private boolean isOfFullerName(Cell cell, Word word, Set<String> stems) {
    Set<String> own = Stems.of(word.text());
    return row.cells().stream()
        .filter(c -> c != cell)
        .flatMap(c -> c.names().stream())
        .filter(n -> n.size() > 1 && cell.names().stream().noneMatch(m -> m.size() >= n.size()))
        .anyMatch(n -> n.stream().anyMatch(s -> row.isAmong(s, own)) && areAllAmong(n, stems));
  }

  /** "The cover is sewn on and cannot come off": the last word of "cover off" is denied. */
  private boolean isDeniedLast(Cell cell, String said, Set<String> stems, List<Word> all) {
    List<Word> named = all.stream().filter(w -> isNamed(cell, w, stems)).toList();
    return named.size() > 1 && isDeniedAt(said, named.getLast());
  }

  private static boolean hasNone(List<Word> all) {
    return all.stream().anyMatch(w -> w.text().equals("none"));
  }

  /** Whether a name of a cell has all its words among some stems. */
  boolean isNamed(Cell cell, Set<String> stems) {
    for (Set<String> name : cell.names()) {
      if (areAllAmong(name, stems)) {
        return true;
      }
    }
    return false;
  }

  private boolean areAllAmong(Set<String> name, Set<String> stems) {
    for (String stem : name) {
      if (!row.isAmong(stem, stems)) {
        return false;
      }
    }
    return true;
  }

  /** Whether a cell that is headed so says no: quartz in another is no glass then. */
  private static boolean saysNoTo(Cell cell, String stem) {
    return cell.answer() == Cell.Answer.NO
        && cell.names().stream().anyMatch(n -> n.equals(Set.of(stem)));
  }

  /** Whether a cell is headed by what can be done: "cuttable". */
  private static boolean asksWhetherItCanBe(Cell cell, String verb) {
    return cell.names().stream()
        .anyMatch(n -> n.size() == 1 && Row.isAbleTo(n.iterator().next(), verb));
  }

  private boolean isNamedInWords(Cell cell, Set<String> stems) {
    return cell.names().stream().anyMatch(n -> n.size() > 1 && areAllAmong(n, stems));
  }

  /** The stems of a sentence; what is done by itself is automatic, and without tools tool-free. */
  private static Set<String> stems(String sentence) {
    Set<String> stems = Stems.of(sentence);
    boolean isByItself = BY_ITSELF.matcher(sentence).find();
    boolean isWithout = stems.contains("without") || stems.contains("no");
    isWithout &= !stems.contains(IS_FREE) && SAYS_WITHOUT.matcher(sentence).find();
    boolean isAgain = stems.contains(AGAIN);
    if (!isByItself && !isWithout && !isAgain) {
      return stems;
    }
    Set<String> more = new HashSet<>(stems);
    if (isAgain) {
      // What can be sealed again reseals.
      stems.forEach(s -> more.add(RE + s));
    }
    if (isByItself) {
      more.addAll(AUTOMATIC);
    }
    if (isWithout) {
      more.add(IS_FREE);
    }
    return more;
  }

  /** Whether a word is of a name of the cell whose other words stand in the sentence too. */
  private boolean isNamed(Cell cell, Word word, Set<String> stems) {
    Set<String> own = new HashSet<>(Stems.of(word.text()));
    if (stems.contains(AGAIN)) {
      Stems.of(word.text()).forEach(s -> own.add(RE + s));
    }
    return cell.names().stream()
        .anyMatch(n -> n.stream().anyMatch(s -> row.isAmong(s, own)) && areAllAmong(n, stems));
  }

  /** "No caffeine", "free from mustard", where a cell has some. */
  private void denials(String sentence, List<Assertion> found) {
    denials(sentence, DENIAL.matcher(sentence), Set.of(), found);
    // "The cover cannot be washed" has all of "washable cover".
    denials(sentence, NOT_DONE.matcher(sentence), Stems.of(sentence), found);
    undone(sentence, found);
    missing(sentence, found);
  }

  /** "They don't fade" where a cell says that they fade. */
  private void undone(String sentence, List<Assertion> found) {
    Matcher m = DOES_NOT.matcher(sentence);
    while (m.find()) {
      String verb = m.group("w").toLowerCase(Locale.ROOT);
      String stem = English.stem(verb);
      if (!words.isHarmless(verb)) {
        row.cells().stream()
            .filter(c -> c.answer() == Cell.Answer.NEITHER && c.said().contains(stem))
            .filter(c -> affirms(c.value(), stem) && !keepsOff(c, stem))
            .findFirst()
            .ifPresent(
                c ->
                    found.add(
                        Assertion.of(Kind.ANSWER, sentence, m.start("w"), m.end("w"), c.words())));
      }
    }
  }

  /** "Crack-proof" doesn't say that it cracks. */
  private static boolean keepsOff(Cell cell, String stem) {
    return Words.of(cell.value()).stream()
        .filter(w -> KEEPING_OFF.matcher(w.text()).find())
        .anyMatch(w -> Stems.of(w.text()).contains(stem));
  }

  /** Whether the part of a cell that has a word doesn't deny it. */
  private static boolean affirms(String value, String stem) {
    return Arrays.stream(value.split("[;,.]"))
        .anyMatch(p -> Stems.of(p).contains(stem) && !DENYING.matcher(p).find());
  }

  /** "No grain" where a cell has rice and oats. */
  private static boolean hasKindOf(Cell cell, String stem) {
    return English.isNoun(stem)
        && !cell.isName()
        && Lexicon.shipped().goods(stem) > 0
        && cell.said().stream()
            .anyMatch(
                s ->
                    !s.equals(stem)
                        && Lexicon.shipped().shareKindOf(s, List.of(stem)) >= MOST_OF_ITS_SENSES);
  }

  /** Whether what is said not to be part of it is in a cell, all of its words. */
  private void missing(String sentence, List<Assertion> found) {
    Matcher m = NOT_PART.matcher(sentence);
    while (m.find()) {
      Set<String> own = new HashSet<>(Stems.of(m.group("w")));
      Optional.ofNullable(m.group("of"))
          .map(Stems::of)
          .ifPresent(of -> of.stream().filter(w -> !words.isHarmless(w)).forEach(own::add));
      row.cells().stream()
          .filter(c -> c.answer() == Cell.Answer.NEITHER)
          .filter(c -> own.stream().allMatch(w -> c.said().contains(w) || c.label().contains(w)))
          .filter(c -> !isLeftOut(c))
          .findFirst()
          // Another cell may say that it is left out, or that it has to be bought.
          .filter(
              c -> row.cells().stream().noneMatch(o -> isLeftOut(o) && o.said().containsAll(own)))
          .ifPresent(
              c ->
                  found.add(
                      Assertion.of(Kind.ANSWER, sentence, m.start("w"), m.end("w"), c.words())));
    }
  }

  private static boolean isLeftOut(Cell cell) {
    return DENYING.matcher(cell.words()).find() || AS_OPTION.matcher(cell.words()).find();
  }

  /**
   * @param beside stems that words of a cell's name may be, besides the one that is denied
   */
  private void denials(String sentence, Matcher m, Set<String> beside, List<Assertion> found) {
    while (m.find()) {
      String stem = English.stem(m.group("w").toLowerCase(Locale.ROOT));
      boolean isOfParts = !beside.isEmpty() && words.is("inclusion", m.group("w"));
      if (isOfParts || row.cells().stream().anyMatch(c -> saysNoTo(c, stem))) {
        // What isn't included is looked for by what it is.
        continue;
      }
      Set<String> whole = Stems.of(sentence);
      boolean isBorneOut =
          row.cells().stream()
              .filter(c -> c.answer() == Cell.Answer.NO && c.label().contains(stem))
              .anyMatch(c -> lacks(c).isEmpty() && isNamed(c, whole));
      if (isBorneOut) {
        // "Neither sugar is added" where "sugar added" says none, and sugars are in it all the
        // same.
        continue;
      }
      if (English.tags(m.group("w").toLowerCase(Locale.ROOT)).contains("JJR")) {
        // "No hotter than 60°" is a limit.
        continue;
      }
      boolean isAsked = row.cells().stream().anyMatch(c -> asksWhetherItCanBe(c, stem));
      if (words.isHarmless(stem) && !isAsked
          || NOT.matcher(sentence.substring(0, m.start())).find()) {
        continue;
      }
      row.cells().stream()
          .filter(c -> c.answer() == Cell.Answer.NEITHER && !c.isName())
          .filter(
              c ->
                  c.said().stream().anyMatch(s -> s.equals(stem) || Row.areOfOneRoot(s, stem))
                      || beside.isEmpty() && hasKindOf(c, stem)
                      || c.names().stream()
                          .anyMatch(
                              n ->
                                  n.stream()
                                          .allMatch(
                                              s ->
                                                  row.isAmong(s, Set.of(stem))
                                                      || row.isAmong(s, beside))
                                      && n.stream().anyMatch(s -> row.isAmong(s, Set.of(stem)))))
          .filter(c -> !DENYING.matcher(c.words()).find() && !keepsOff(c, stem))
          .filter(c -> Words.find(stem + LESS, c.value()) < 0)
          .filter(c -> !beside.isEmpty() || !listsParts(c) || OF_COMING.matcher(sentence).find())
          .findFirst()
          .ifPresent(
              c ->
                  found.add(
                      Assertion.of(Kind.ANSWER, sentence, m.start("w"), m.end("w"), c.words())));
    }
  }

  /** Whether a cell lists what comes with it: what "charges without a cable" may have one. */
  static boolean listsParts(Cell cell) {
    return cell.label().contains("box") || ASKS_OF_PARTS.matcher(cell.title()).find();
  }

  /** "A pickup is fitted as standard" where the cell says that it is optional. */
  private void options(String sentence, List<Assertion> found) {
    Matcher m = AS_STANDARD.matcher(sentence);
    if (!m.find()
        || AS_OPTION.matcher(sentence).find()
        || isDenied(Clauses.at(sentence, m.start()))) {
      return;
    }
    Set<String> stems = Stems.of(sentence);
    row.cells().stream()
        .filter(c -> AS_OPTION.matcher(c.value()).find() && isNamed(c, stems))
        .findFirst()
        .ifPresent(
            c -> found.add(Assertion.of(Kind.ANSWER, sentence, m.start(), m.end(), c.words())));
  }

  /** "High in caffeine" where the cell says medium. */
  private void degrees(String sentence, List<Assertion> found) {
    // "43 cm high" says how much.
    boolean hasNumber = sentence.chars().anyMatch(Character::isDigit);
    Set<String> stems = Stems.of(hasNumber ? MEASURED.matcher(sentence).replaceAll(" ") : sentence);
    Set<String> spoken = words.degrees(stems);
    if (spoken.size() != 1) {
      return;
    }
    for (Cell cell : row.cells()) {
      Set<String> said = words.degrees(cell.said());
      if (said.size() == 1 && isNamed(cell, stems) && !said.equals(spoken)) {
        found.add(Assertion.of(Kind.PROPERTY, sentence, 0, sentence.length(), cell.words()));
        return;
      }
    }
  }

  /** "A vegan soap without palm oil" is vegan: only what stands behind it is left out. */
  private boolean isDeniedAt(String sentence, Word word) {
    if (isInDeniedList(sentence, word)) {
      return true;
    }
    int end = Clauses.end(sentence, word.start());
    Matcher m = LEAVING_OUT.matcher(sentence).region(word.end(), Math.max(word.end(), end));
    return isDenied(
        sentence.substring(Clauses.start(sentence, word.start()), m.find() ? m.start() : end));
  }

  private static boolean isInDeniedList(String sentence, Word word) {
    Matcher list = DENIED_LIST.matcher(sentence);
    while (sentence.contains("or ") && list.find()) {
      if (list.start("items") <= word.start() && word.end() <= list.end("items")) {
        return true;
      }
    }
    return false;
  }

  /** Whether the clause that a word stands in denies it, or the list. */
  boolean isDenied(String sentence, Word word) {
    return isInDeniedList(sentence, word) || isDenied(Clauses.at(sentence, word.start()));
  }

  /**
   * Whether a clause denies what it speaks of; what comes for free is there, and a "PVC-free" bag
   * has all else.
   */
  boolean isDenied(String clause) {
    String told = GIVEN.matcher(clause).replaceAll("");
    return TOO_MUCH.matcher(told).find()
        || KEPT_OUT.matcher(told).find()
        || Words.of(told).stream().anyMatch(w -> words.is("negation", w.text()));
  }
}
