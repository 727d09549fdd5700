package rhetor.core.support;

import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rhetor.core.language.English;
import rhetor.core.language.Lexicon;
import rhetor.core.language.Words;
import rhetor.core.language.Words.Word;
import rhetor.core.support.Assertion.Kind;

/** Holds what a sentence says a thing or a part of it is made of against a row's cells. */
final class StuffJudge {
  /** "The ribs are made of" tempered steel. */
  private static final Pattern PART_IS_OF =
      Pattern.compile(
          "(?i)\\b(?<part>\\p{L}+) (?:is|are)(?: made| cut| turned| carved)?(?: of| from| in| out of)?(?: \\p{L}+){0,2} $");

  /** What stands before what a thing is made of. */
  private static final Pattern MADE_OF =
      Pattern.compile(
          "(?i)\\b(?:(?:made|cut|carved|turned|built|woven|knitted|moulded|cast|forged|sewn|milled|crafted|machined|pressed)(?: entirely)? (?:from|of|out of)(?: (?:solid|pure|genuine|real|fine))?|(?:is|are|of|from) (?:solid|pure|genuine)|(?:made|sweetened|flavoured|filled|stuffed|padded|enriched|seasoned|infused|thickened|coated) with(?: (?:solid|pure|genuine|real|fine))?) $");

  private static final Pattern FILLED =
      Pattern.compile("(?i)\\b(?:filled|stuffed|padded|lined) with $");

  private static final Set<String> LAST_OF_MADE_OF =
      Set.of("of", "from", "with", "solid", "pure", "genuine", "real", "fine");

  /** "Pure linen", "100 % cotton", "nothing but oak": there is nothing else in it. */
  private static final Pattern NOTHING_ELSE =
      Pattern.compile(
          "(?i)\\b(?:pure|purely|solid|all|entirely|wholly|solely|nothing but|100 ?%|100 per ?cent|a hundred per ?cent)[ -](?:made )?(?:of |from )?$");

  /** "Linen alone", "linen and nothing else", "linen, with no other fibre". */
  private static final Pattern AND_NOTHING_ELSE =
      Pattern.compile(
          "(?i)^(?: alone\\b|,? and nothing else|,? (?:with|without|and) (?:no|any) other\\b)");

  /** "Teak-look", "marble effect": what only looks like a stuff. */
  private static final Pattern LOOK_BEHIND =
      Pattern.compile(
          "(?i)^[ -](?:look|effect|style|optic|optik|imitation|imit|decor|décor|print|grain|tone|pattern)\\b");

  private static final Pattern LOOK_BEFORE =
      Pattern.compile(
          "(?i)\\b(?:imitation|imit\\.?|faux|fake|mock|artificial|(?:looks?|grain|effect|style|pattern) of|looks? like|like|resembl\\p{L}+|imitat\\p{L}+)[ -](?:an? )?$");

  private static final Pattern REAL = Pattern.compile("(?i)\\b(?:real|genuine|solid|true) $");

  /** What is pressed or glued of a stuff's pieces, or has it for a skin. */
  private static final Pattern PUT_TOGETHER =
      Pattern.compile(
          "(?i)\\b(?:veneer(?:ed)?|laminated?|bonded|plated|foil(?:ed)?|plywood|ply|chipboard|particle ?board|fib(?:re|er) ?board|[mh]df|osb|reconstituted|engineered|vegan)\\b");

  private static final Pattern OF_A_CERTAIN =
      Pattern.compile("(?i)\\b(?:an?|the|its|this|their)(?: [\\p{L}-]+){0,2} $");

  /** A part may stand so many words behind what it is made of. */
  private static final int BEHIND = 2;

  /** Stems of what columns are headed by that say how a thing looks. */
  private static final Set<String> COLOURS =
      Set.of("colour", "color", "tint", "shade", "finish", "plating", "coating", "hue");

  /** Two letters are a fibre's code, which its cell has in full, too. */
  private static final int SHORTHAND = 2;

  private final Row row;
  private final WordKinds kinds;

  StuffJudge(Row row, WordKinds kinds) {
    this.row = row;
    this.kinds = kinds;
  }

  private boolean isMaterial(String word) {
    return kinds.made(word).filter(k -> k == Kind.MATERIAL).isPresent();
  }

  /** What is held against a stuff that the row has somewhere: what in the row says otherwise. */
  Optional<String> otherwise(String sentence, Word word, List<Word> all) {
    if (!isMaterial(word.text()) && !isSpokenOfAsOne(sentence, word)) {
      return Optional.empty();
    }
    return ofOtherPart(sentence, word, all)
        .or(() -> onlyLook(sentence, word))
        .or(() -> onlyColour(sentence, word))
        .or(() -> putTogether(sentence, word))
        .or(() -> mixed(sentence, word));
  }

  /**
   * "Cut from plywood", "the top is solid koa": what is no known stuff, and is spoken of as one.
   */
  static boolean isSpokenOfAsOne(String sentence, Word word) {
    Set<String> tags = English.tags(word.text());
    boolean mayBeStuff =
        tags.isEmpty()
            || tags.contains("NN:U")
            || tags.contains("NN:UN")
            || English.isNoun(word.text())
                && FILLED.matcher(sentence.substring(0, word.start())).find();
    return mayBeStuff && isBehindMadeOf(sentence, word);
  }

  private static boolean isBehindMadeOf(String sentence, Word word) {
    int start = sentence.lastIndexOf(' ', word.start() - 2) + 1;
    if (word.start() < 2
        || !LAST_OF_MADE_OF.contains(sentence.substring(start, word.start() - 1))) {
      return false;
    }
    String before = sentence.substring(Clauses.start(sentence, word.start()), word.start());
    return MADE_OF.matcher(before).find();
  }

  /** "The ribs are of steel", "a steel frame", where that part's own cell has another material. */
  private Optional<String> ofOtherPart(String sentence, Word word, List<Word> all) {
    String before = sentence.substring(Clauses.start(sentence, word.start()), word.start());
    Matcher part = PART_IS_OF.matcher(before);
    if (part.find()) {
      Optional<String> other = other(part.group("part"), word);
      if (other.isPresent()) {
        return other;
      }
    }
    if (!OF_A_CERTAIN.matcher(before).find()) {
      // "Of cotton cord": the cord is a stuff, and no part.
      return Optional.empty();
    }
    int at = all.indexOf(word);
    return all.subList(at + 1, Math.min(all.size(), at + 1 + BEHIND)).stream()
        .takeWhile(w -> Clauses.areJoined(sentence, word, w))
        .filter(w -> English.isNoun(w.text()) && !isBeforeKind(w, all))
        .flatMap(w -> other(w.text(), word).stream())
        .findFirst();
  }

  /** "A cotton cord hammock": the cord is what the whole is of. */
  private boolean isBeforeKind(Word part, List<Word> all) {
    int next = all.indexOf(part) + 1;
    return next < all.size() && row.isOfKind(all.get(next).text());
  }

  /** The cell of a part that has other stuffs and not this one. */
  private Optional<String> other(String part, Word stuff) {
    String stem = English.stem(part.toLowerCase(Locale.ROOT));
    String own = English.stem(stuff.text());
    if (row.isOfKind(part)) {
      return Optional.empty();
    }
    List<Cell> of = row.cells().stream().filter(c -> c.label().contains(stem)).toList();
    boolean isSo =
        of.stream()
            .flatMap(c -> c.said().stream())
            .anyMatch(s -> s.equals(own) || Lexicon.shipped().isKindOf(s, own));
    return isSo
        ? Optional.empty()
        : of.stream()
            .filter(c -> c.said().stream().anyMatch(this::isMaterial))
            .map(Cell::words)
            .findFirst();
  }

  /**
   * The cell of a part that lists stuffs, where a sentence has a noun before that part that is none
   * of them: "a balsa core" of "core: poplar, ash".
   */
  Optional<Cell> ofItsPart(String sentence, Word word, List<Word> all) {
    int next = all.indexOf(word) + 1;
    boolean isNoun = English.isNoun(word.text()) && !English.isAdjective(word.text());
    if (!isNoun
        || next == all.size()
        || !Clauses.areJoined(sentence, word, all.get(next))
        || row.isOfKind(all.get(next).text())) {
      return Optional.empty();
    }
    Set<String> part = Set.of(English.stem(all.get(next).text()));
    return row.cells().stream()
        .filter(c -> c.heading().equals(part) && !c.said().isEmpty())
        .filter(c -> c.said().stream().anyMatch(this::isMaterial))
        .filter(c -> all.stream().noneMatch(w -> c.said().contains(English.stem(w.text()))))
        .findFirst();
  }

  /** "Carved from teak" where the only cell with teak says that it looks so. */
  private Optional<String> onlyLook(String sentence, Word word) {
    if (isLook(sentence, word.start(), word.end())) {
      return Optional.empty();
    }
    List<String> having =
        row.said().stream()
            .map(s -> s.toLowerCase(Locale.ROOT))
            .filter(s -> Words.find(word.text(), s) >= 0)
            .toList();
    return !having.isEmpty() && having.stream().allMatch(s -> saysLook(s, word.text()))
        ? Optional.of(having.getFirst())
        : Optional.empty();
  }

  /** "Cast from brass" where brass is the colour, and another cell says what it is made of. */
  private Optional<String> onlyColour(String sentence, Word word) {
    List<Cell> having = having(word);
    boolean isOnlyColour =
        isBehindMadeOf(sentence, word)
            && !having.isEmpty()
            && having.stream().allMatch(c -> !Collections.disjoint(c.label(), COLOURS));
    return isOnlyColour
        ? row.cells().stream()
            .filter(c -> c.said().stream().anyMatch(s -> isAnother(s, word.text())))
            .filter(c -> Collections.disjoint(c.label(), COLOURS))
            .map(Cell::words)
            .findFirst()
        : Optional.empty();
  }

  private static boolean saysLook(String text, String word) {
    int at = Words.find(word, text);
    return isLook(text, at, at + word.length());
  }

  private static boolean isLook(String text, int start, int end) {
    return LOOK_BEHIND.matcher(text.substring(end)).find()
        || LOOK_BEFORE.matcher(text.substring(0, start)).find();
  }

  /** "Real wood" where the only cell that has some has fibreboard, or a veneer. */
  private Optional<String> putTogether(String sentence, Word word) {
    if (!REAL.matcher(sentence.substring(0, word.start())).find()) {
      return Optional.empty();
    }
    String stem = English.stem(word.text());
    List<Cell> cells =
        row.cells().stream()
            .filter(c -> !c.isName() && Collections.disjoint(c.label(), COLOURS))
            .toList();
    boolean isReal =
        cells.stream()
            .filter(c -> !PUT_TOGETHER.matcher(c.value()).find())
            .flatMap(c -> c.said().stream())
            .anyMatch(s -> s.equals(stem) || isMaterial(s) && Lexicon.shipped().isKindOf(s, stem));
    return isReal
        ? Optional.empty()
        : cells.stream()
            .filter(c -> PUT_TOGETHER.matcher(c.value()).find())
            .max(Comparator.comparing(c -> c.said().contains(stem)))
            .map(Cell::words);
  }

  /** "Pure linen" where each cell that has linen has cotton, too. */
  private Optional<String> mixed(String sentence, Word word) {
    boolean isAlone =
        NOTHING_ELSE.matcher(sentence.substring(0, word.start())).find()
            || AND_NOTHING_ELSE.matcher(sentence.substring(word.end())).find();
    if (!isAlone) {
      return Optional.empty();
    }
    List<Cell> having = having(word);
    boolean isMixed =
        !having.isEmpty()
            && having.stream()
                .allMatch(
                    c ->
                        !saysAlone(c, word.text())
                            && c.said().stream().anyMatch(s -> isAnother(s, word.text())));
    return isMixed ? Optional.of(having.getFirst().words()) : Optional.empty();
  }

  /** Whether a cell says itself that there is nothing else in it: "100% cotton percale". */
  private static boolean saysAlone(Cell cell, String word) {
    String text = cell.words().toLowerCase(Locale.ROOT);
    int at = Words.find(word, text);
    return at >= 0 && NOTHING_ELSE.matcher(text.substring(0, at)).find();
  }

  private boolean isAnother(String said, String word) {
    String stem = English.stem(word);
    Lexicon lexicon = Lexicon.shipped();
    return said.length() > SHORTHAND
        && isMaterial(said)
        && !said.equals(stem)
        && !lexicon.isKindOf(said, stem)
        && !lexicon.isKindOf(stem, said)
        && !lexicon.synonyms(stem).contains(said);
  }

  private List<Cell> having(Word word) {
    String stem = English.stem(word.text());
    return row.cells().stream()
        .filter(c -> !c.isName())
        .filter(c -> c.said().contains(stem) || c.said().contains(word.text()))
        .toList();
  }
}
