package rhetor.core.support;

import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.MatchResult;
import rhetor.core.language.English;
import rhetor.core.language.Lexicon;
import rhetor.core.language.Words;
import rhetor.core.support.Assertion.Kind;

/**
 * Finds what sentences promise in more words than one, and no cell keeps: fitting everything, being
 * packed with it, being paid for, withstanding, versions to choose from.
 */
final class PromiseJudge {
  /** "Fits every car", "takes capsules of all makes". */
  private static final Cue FITS_ALL =
      new Cue(
          "(?i)\\b(?:fits?|suits?|takes?|works?|goes|matches|match)\\b[^,.;:]{0,40}?\\b(?:all|any|every)\\b (?:of the )?(?<w>\\p{L}+)",
          "all",
          "any",
          "every");

  /** "Fits the clarinet": what a thing is for, by its name. */
  private static final Cue FITS_ONE =
      new Cue(
          "(?i)\\b(?:fits?|suits?|(?:made|meant|built|cut|made to go) (?:for|with)|works? (?:on|with)|goes (?:on|with)) (?:the |an? |your )?(?<w>\\p{L}{3,})",
          "fit",
          "fits",
          "suit",
          "suits",
          "made",
          "meant",
          "built",
          "cut",
          "work",
          "works",
          "goes");

  /** Headings of what a thing is for. */
  private static final Set<String> FOR = Set.of("for", "fit", "suit", "use", "compat");

  private static final Cue COMES_IN =
      new Cue(
          "(?i)\\bcomes? in an? (?<w>\\p{L}+(?: \\p{L}+){0,2})(?! of\\b|\\p{L})", "come", "comes");

  /** "No other fabric shuts out noise": it says how all others are. */
  private static final Cue FIRST_OF_ALL =
      new Cue("^(?:No other|Nothing else|No one else’s|No one else's) \\p{L}+", "no", "nothing");

  /** "It may go in the dishwasher". */
  private static final Cue INTO_MACHINE =
      new Cue(
          "(?i)\\b(?:in|into|for|to) (?:the|a|your) (?<w>dishwasher|microwave|oven|freezer|washing machine|tumble dryer|dryer|dry cleaner)\\b",
          "dishwasher",
          "microwave",
          "oven",
          "freezer",
          "washing",
          "tumble",
          "dryer",
          "cleaner");

  /** "A second hook is in the box", where a cell has one. */
  private static final Cue ONE_MORE =
      new Cue(
          "(?i)\\b(?:an?|one) (?<how>second|third|spare|extra|additional|further) (?<w>\\p{L}{3,})",
          "second",
          "third",
          "spare",
          "extra",
          "additional",
          "further");

  private static final Set<String> MORE_THAN_ONE =
      Set.of("second", "third", "spare", "extra", "additional", "further", "two", "three", "pair");

  /** "A blanket comes in the same bag". */
  private static final Cue COMES_IN_THE =
      new Cue(
          "(?i)\\b(?<w>\\p{L}{3,}) (?:comes?|arrives?|ships?|is packed|are packed|is|are) (?:in|inside) the (?:same )?(?<c>\\p{L}+)",
          "in",
          "inside");

  /** "It comes in oxide": a colour, where the row has a cell for that. */
  private static final Cue IN_COLOUR =
      new Cue(
          "(?i)\\b(?:comes|come|available|offered|version|edition|model|variant|one) (?:also )?in (?<w>\\p{L}{3,})(?: (?:and|or|as well as)(?: in)? (?<and>\\p{L}{3,}))?(?=[.,;!]|$)",
          "in");

  /** "It turns itself off": what works by itself; "the bag itself" is nothing but the bag. */
  private static final Cue BY_ITSELF =
      new Cue(
          "(?i)(?<!\\b(?:the|an?|its|this|that) )\\b(?<v>\\p{L}+) (?:itself|themselves)(?: (?:off|up|down|on|by \\p{L}+))?",
          "itself",
          "themselves");

  /** What is said to do so of nothing but how it looks or suits. */
  private static final Set<String> IDIOMS =
      Set.of(
          "lend", "prove", "speak", "pay", "show", "present", "find", "offer", "commend", "explain",
          "suggest", "by", "in", "for", "of", "and");

  /** "The mustard version": one that there is to choose. */
  private static final Cue VERSION =
      new Cue(
          "(?i)\\b(?:(?:an?|the|choose|order|pick) (?<w>\\p{L}{3,}) (?:version|edition|colourway|variant|shade|colour|color|finish)|(?:choose|order|pick|take) (?:an?|the) (?<one>\\p{L}{3,}) one)\\b",
          "version",
          "edition",
          "colourway",
          "variant",
          "shade",
          "colour",
          "color",
          "finish",
          "one");

  /** How a thing is made, which is paid for. */
  private static final Cue BY_HAND =
      new Cue(
          "(?i)\\b(?:made|woven|cut|sewn|knitted|knotted|carved|turned|painted|finished|built|drawn|thrown|forged|stitched|assembled|crafted) by hand\\b",
          "hand");

  /** "You get a new one". */
  private static final Cue GETS_AGAIN =
      new Cue(
          "(?i)\\byou(?: will|’ll|'ll)? (?:get|receive|have) (?:a new one|another one|your money|a replacement|it replaced|it repaired)\\b",
          "you",
          "you'll",
          "you’ll");

  /** "The maker replaces". */
  private static final Cue PAYS =
      new Cue(
          "(?i)\\b(?<who>\\p{L}+) (?:pays for|covers|replaces|repairs|mends|refunds|backs|swaps|stands behind)\\b",
          "pays",
          "covers",
          "replaces",
          "repairs",
          "mends",
          "refunds",
          "backs",
          "swaps",
          "stands");

  /** "The collar can be taken off": removable in other words. */
  private static final Cue COMES_OFF =
      new Cue(
          "(?i)\\b(?:can be (?:taken|pulled|zipped|clipped|buttoned) off|comes? off|zips? off|can be (?:removed|detached|unclipped|unbuttoned))\\b",
          "off",
          "removed",
          "detached",
          "unclipped",
          "unbuttoned");

  private static final List<String> REMOVABLE =
      List.of("removable", "removed", "detachable", "remove", "detach", "off");

  /** "Dentists recommend it", "trusted by chefs" says who stands for it. */
  private static final Cue ENDORSED =
      new Cue(
          "(?i)\\b(?:(?<who>\\p{L}{3,}) (?:all )?(?<v>recommend|recommends|endorse|endorses|approve of|swear by|swears by|trust|trusts|prescribe|prescribes) (?:it|them|this|these)\\b)",
          "recommend",
          "recommends",
          "endorse",
          "endorses",
          "approve",
          "swear",
          "swears",
          "trust",
          "trusts",
          "prescribe",
          "prescribes");

  /** "Has passed a crash test". */
  private static final Cue PASSED =
      new Cue("(?i)\\bpass(?:ed|es)\\b[^,;.]{0,30}?(?<w>\\p{L}+ tests?)\\b", "passed", "passes");

  /** "Bring your own cable". */
  private static final Cue ONE_OF_YOUR_OWN =
      new Cue(
          "(?i)\\b(?:bring|buy|need|order|add|get|use|supply)\\b[^,;.]{0,30}?(?:\\b(?<w>\\p{L}{3,}) of your own|\\byour own (?<own>\\p{L}{3,}))\\b",
          "own");

  /** What others make: no cell can bear out that it fits all of it. */
  private static final Set<String> OTHERS = Set.of("makes", "brands", "models", "makers", "types");

  private static final Set<String> PAYERS =
      Set.of("we", "maker", "manufacturer", "brand", "shop", "company", "supplier");

  private static final Set<String> CUED =
      Cue.wordsOf(
          FITS_ALL,
          FITS_ONE,
          COMES_IN,
          FIRST_OF_ALL,
          INTO_MACHINE,
          ONE_MORE,
          COMES_IN_THE,
          IN_COLOUR,
          BY_ITSELF,
          VERSION,
          BY_HAND,
          GETS_AGAIN,
          PAYS,
          COMES_OFF,
          ENDORSED,
          PASSED,
          ONE_OF_YOUR_OWN);

  private final Row row;
  private final AnswerJudge answers;
  private final JudgeWords words = JudgeWords.shipped();

  PromiseJudge(Row row, AnswerJudge answers) {
    this.row = row;
    this.answers = answers;
  }

  /**
   * Adds what a sentence promises.
   *
   * @param all its words
   */
  void judge(String sentence, Set<String> all, List<Assertion> found) {
    Set<String> spoken = Cue.among(CUED, all);
    compatible(sentence, spoken, found);
    packed(sentence, spoken, found);
    for (MatchResult m : FIRST_OF_ALL.in(sentence, spoken)) {
      found.add(whole(Kind.COMPARATIVE, sentence, m));
    }
    for (MatchResult m : INTO_MACHINE.in(sentence, spoken)) {
      boolean isSaid = List.of(lower(m, "w").split(" ")).stream().allMatch(this::saysAnywhere);
      if (!isSaid && !isDenied(sentence, m)) {
        found.add(part(Kind.PROPERTY, sentence, m, "w"));
      }
    }
    for (MatchResult m : VERSION.in(sentence, spoken)) {
      String group = m.group("w") == null ? "one" : "w";
      String which = lower(m, group);
      boolean saysLittle =
          words.isHarmless(which) && (English.isAdjective(which) || !English.isNoun(which));
      if (!saysLittle && !saysAnywhere(which) && !row.isName(which)) {
        found.add(part(Kind.COLOUR, sentence, m, group));
      }
    }
    colours(sentence, spoken, found);
    for (MatchResult m : COMES_OFF.in(sentence, spoken)) {
      boolean isSaid = REMOVABLE.stream().anyMatch(w -> row.says(w) || row.isInProse(w));
      if (!isSaid && !isDenied(sentence, m)) {
        found.add(whole(Kind.PROPERTY, sentence, m));
      }
    }
    endorsed(sentence, spoken, found);
    ownOne(sentence, spoken, found);
    for (MatchResult m : PASSED.in(sentence, spoken)) {
      boolean isSaid = List.of(lower(m, "w").split(" ")).stream().allMatch(this::saysAnywhere);
      if (!isSaid && !isDenied(sentence, m)) {
        found.add(part(Kind.CERTIFICATE, sentence, m, "w"));
      }
    }
    for (MatchResult m : BY_ITSELF.in(sentence, spoken)) {
      String verb = lower(m, "v");
      boolean isSaid =
          IDIOMS.contains(verb)
              || IDIOMS.contains(English.stem(verb))
              || row.says("automatic")
              || row.says("auto")
              || row.says("self")
              || row.isInProse(verb)
              || isStressing(sentence, m);
      if (!isSaid && !isDenied(sentence, m)) {
        found.add(whole(Kind.PROPERTY, sentence, m));
      }
    }
    for (MatchResult m : BY_HAND.in(sentence, spoken)) {
      if (!row.speaksOfHands()) {
        found.add(whole(Kind.PROPERTY, sentence, m));
      }
    }
    for (MatchResult m : GETS_AGAIN.in(sentence, spoken)) {
      found.add(whole(Kind.GUARANTEE, sentence, m));
    }
    for (MatchResult m : PAYS.in(sentence, spoken)) {
      String who = lower(m, "who");
      if (PAYERS.contains(who) || isBrand(who)) {
        found.add(whole(Kind.GUARANTEE, sentence, m));
      }
    }
  }

  /** "The power bank itself is full": nothing but the bank. */
  private static boolean isStressing(String sentence, MatchResult m) {
    return Words.of(sentence.substring(m.end())).stream()
        .findFirst()
        .map(w -> English.tags(w.text()))
        .filter(t -> t.contains("VBZ") || t.contains("VBP"))
        .isPresent();
  }

  /** "Dentists recommend it", where no cell says who does. */
  private void endorsed(String sentence, Set<String> spoken, List<Assertion> found) {
    for (MatchResult m : ENDORSED.in(sentence, spoken)) {
      String who = English.singular(lower(m, "who"));
      boolean isSomebody = English.isNoun(who) && Lexicon.shipped().isKindOf(who, "person");
      boolean isSaid = saysAnywhere(lower(m, "v")) && saysAnywhere(who);
      if (isSomebody && !isSaid) {
        found.add(whole(Kind.CERTIFICATE, sentence, m));
      }
    }
  }

  /** "You need a cable of your own", where a cell says that one comes with it. */
  private void ownOne(String sentence, Set<String> spoken, List<Assertion> found) {
    for (MatchResult m : ONE_OF_YOUR_OWN.in(sentence, spoken)) {
      String what = m.group("w") == null ? lower(m, "own") : lower(m, "w");
      String stem = English.stem(what);
      row.cells().stream()
          .filter(c -> c.answer() != Cell.Answer.NO)
          .filter(AnswerJudge::listsParts)
          .filter(c -> c.said().contains(stem) || c.label().contains(stem))
          .findFirst()
          .ifPresent(
              c -> found.add(Assertion.of(Kind.ANSWER, sentence, m.start(), m.end(), c.words())));
    }
  }

  private void colours(String sentence, Set<String> spoken, List<Assertion> found) {
    boolean hasColours =
        row.cells().stream()
            .anyMatch(c -> c.label().contains("colour") || c.label().contains("color"));
    if (!hasColours) {
      return;
    }
    for (MatchResult m : IN_COLOUR.in(sentence, spoken)) {
      for (String group : List.of("w", "and")) {
        String colour = m.group(group) == null ? "" : lower(m, group);
        // "Comes in handy" names nothing.
        boolean isNothing = !English.isNoun(colour) || words.isHarmless(colour);
        boolean isSaid = colour.isEmpty() || isNothing || saysAnywhere(colour);
        if (!isSaid && !row.isName(colour) && !isDenied(sentence, m)) {
          found.add(part(Kind.COLOUR, sentence, m, group));
        }
      }
    }
  }

  private void compatible(String sentence, Set<String> spoken, List<Assertion> found) {
    for (MatchResult m : FITS_ALL.in(sentence, spoken)) {
      String what = lower(m, "w");
      if (OTHERS.contains(what) || !row.says(what)) {
        found.add(whole(Kind.COMPATIBILITY, sentence, m));
      }
    }
    for (MatchResult m : FITS_ONE.in(sentence, spoken)) {
      String what = lower(m, "w");
      boolean isOther =
          !row.says(what)
              && row.cells().stream()
                  .filter(c -> !Collections.disjoint(c.label(), FOR))
                  .anyMatch(c -> c.said().stream().anyMatch(s -> isSister(what, s)));
      if (isOther && !isDenied(sentence, m)) {
        found.add(part(Kind.COMPATIBILITY, sentence, m, "w"));
      }
    }
  }

  /** A reed for a saxophone is for no clarinet. */
  private static boolean isSister(String noun, String said) {
    return Lexicon.shipped().areSisters(English.singular(noun), said);
  }

  private void packed(String sentence, Set<String> spoken, List<Assertion> found) {
    for (MatchResult m : COMES_IN.in(sentence, spoken)) {
      boolean isPacked =
          List.of(lower(m, "w").split(" ")).stream().anyMatch(w -> isContainer(w) && !row.says(w));
      if (isPacked) {
        found.add(part(Kind.INCLUSION, sentence, m, "w"));
      }
    }
    for (MatchResult m : ONE_MORE.in(sentence, spoken)) {
      String what = English.stem(lower(m, "w"));
      boolean isIncluding =
          words.of("inclusion").stream()
              .anyMatch(p -> Words.find(p, Clauses.at(sentence, m.start())) >= 0);
      if (isIncluding
          && !isDenied(sentence, m)
          && row.cells().stream().noneMatch(c -> hasMore(c, what))) {
        found.add(whole(Kind.INCLUSION, sentence, m));
      }
    }
    for (MatchResult m : COMES_IN_THE.in(sentence, spoken)) {
      String what = lower(m, "w");
      boolean isThing = English.isNoun(what) && !row.comesWith(what) && !row.isName(what);
      if (isThing && isContainer(lower(m, "c"))) {
        found.add(part(Kind.INCLUSION, sentence, m, "w"));
      }
    }
  }

  /** Whether a cell has more than one of a thing: "spare hook", "2 hooks". */
  private static boolean hasMore(Cell cell, String what) {
    return cell.said().contains(what)
        && (cell.said().stream().anyMatch(MORE_THAN_ONE::contains)
            || cell.numbers().stream().anyMatch(n -> n.value() > 1));
  }

  private static boolean isContainer(String word) {
    return Lexicon.shipped().isKindOf(word, "container");
  }

  private boolean saysAnywhere(String word) {
    return row.says(word) || row.isInProse(word);
  }

  private boolean isDenied(String sentence, MatchResult m) {
    return answers.isDenied(Clauses.at(sentence, m.start()));
  }

  private boolean isBrand(String word) {
    return row.cells().stream()
        .anyMatch(c -> c.label().contains("brand") && c.said().contains(English.stem(word)));
  }

  private static String lower(MatchResult m, String group) {
    return m.group(group).toLowerCase(Locale.ROOT);
  }

  private static Assertion whole(Kind kind, String sentence, MatchResult m) {
    return Assertion.of(kind, sentence, m.start(), m.end(), "");
  }

  private static Assertion part(Kind kind, String sentence, MatchResult m, String group) {
    return Assertion.of(kind, sentence, m.start(group), m.end(group), "");
  }
}
