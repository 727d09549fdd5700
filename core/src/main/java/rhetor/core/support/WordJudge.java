package rhetor.core.support;

import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.language.English;
import rhetor.core.language.Lexicon;
import rhetor.core.language.Memo;
import rhetor.core.language.Words;
import rhetor.core.language.Words.Word;
import rhetor.core.support.Assertion.Kind;

/** Looks for each word that states something in a row's cells, its kind and its licensed claims. */
final class WordJudge {
  /** Behind "raisins": "go into it", "and salt round it off". */
  private static final Pattern PUT_IN =
      Pattern.compile(
          "(?i)(?: and \\p{L}+)? (?:go(?:es)? into|makes?|rounds?|gives?|lends?|enrich(?:es)?|sweetens?|flavours?) (?:it|them|the \\p{L}+)\\b");

  private static final Pattern HOLDS =
      Pattern.compile(
          "(?i)\\b(?:takes?|holds?|carries|carry|stores?|fits)(?: \\p{L}+,?)?(?: and| or)? $");

  private static final List<String> STUFFS = List.of("substance", "food");

  private static final Memo<Boolean> MICROBES =
      new Memo<>(w -> Lexicon.shipped().isKindOf(English.singular(w), "microorganism"));

  /** "Less than any other": no range is everything. */
  private static final Pattern THAN_ALL =
      Pattern.compile(
          "(?i)(?: \\p{L}+){0,2} than (?:any|all|every|anything|comparable|ordinary)\\b");

  /** "The highest pressure is 10 bar": of this thing, and of no other. */
  private static final Pattern IS_SO_MUCH =
      Pattern.compile(
          "(?i)(?: \\p{L}+){1,2} (?:is|are) (?:about |around )?(?:\\d|(?:one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve)\\b)");

  /** "No longer than a minute", "less than 3 bar": a limit, and no other thing. */
  private static final Pattern THAN_SO_MUCH =
      Pattern.compile(
          "(?i)(?: \\p{L}+){0,2} than (?:\\d|(?:about |around )?(?:an?|one|two|three|four|five|six|ten|half) (?<unit>\\p{L}+))");

  private static final Pattern THAN = Pattern.compile("(?: \\p{L}+){0,2} than\\b");

  private static final double MOST = 0.6;

  private static final double MOSTLY = 0.5;

  private static final Pattern FOR_LIFE =
      Pattern.compile("(?i)\\bfor (?:all your |a |your )?life$");

  /** So many words may stand between what is done and what of the body it is done to. */
  private static final int BETWEEN = 3;

  /** "A spare handle": one thing of a list. */
  private static final Pattern COUNTED = Pattern.compile("(?i)^ ?(?:an?|one|two|three|four|\\d+) ");

  /** The letters of "and" with one more. */
  private static final int AND_BEFORE = 4;

  private static final Set<String> ONE = Set.of("a", "an", "one", "two", "three", "four");

  private static final Set<String> DOES_COME = Set.of("is", "are", "comes", "come");

  /** A word of which so many senses name what is sold names something that is. */
  private static final double SOLD = 0.2;

  private static final Set<String> DETERMINERS =
      Set.of("the", "your", "their", "his", "her", "its", "our");

  /** "No other lead is", "nothing on sale is": what comes behind it is compared with all. */
  private static final Pattern NO_OTHER =
      Pattern.compile(
          "(?is)(?:.*\\b)?(?:no(?: other\\b.*)?|(?:nothing|nobody|no one|none)\\b[^,;:]*) ");

  /** What comes behind it is what a thing is for. */
  private static final Pattern FOR = Pattern.compile("(?i)\\bfor\\b");

  /** IPX6, EN131, USB3: letters and digits in one. */
  private static final Pattern CODE =
      Pattern.compile("(?<![\\p{L}\\d-])\\p{Lu}{1,5}\\d[\\p{Lu}\\d]*(?![\\p{L}\\d])");

  private static final Set<String> SHADES =
      Set.of("deep", "dark", "light", "pale", "bright", "soft", "muted", "rich", "dusty");

  private static final Set<String> TINTS =
      Set.of("sheen", "shade", "tone", "hue", "tint", "colourway", "color", "colour");

  /** What tells people to leave something. */
  private static final Pattern FORBIDDING =
      Pattern.compile(
          "(?i)\\W*(?:avoid|(?:never|do not|don[’']t) (?:an?|the|any|(?<verb>\\p{L}+)))\\b");

  private static final Set<String> BE = Set.of("is", "are", "be", "was", "were", "been", "being");

  private static final Set<String> DOING = Set.of("VB", "VBP");

  private static final Set<String> GRAMMAR =
      Set.of(
          "IN", "DT", "CC", "PRP", "PRP$", "WDT", "WP", "WP$", "WRB", "MD", "RP", "EX", "PDT",
          "UH");

  private final Knowledge knowledge;
  private final Row row;
  private final AnswerJudge answers;
  private final WordKinds kinds;
  private final StuffJudge stuffs;
  private final PromiseJudge promises;
  private final HarmJudge harms;
  private final ListJudge lists;
  private final JudgeWords words = JudgeWords.shipped();

  WordJudge(Row row, AnswerJudge answers, Knowledge knowledge) {
    this.knowledge = knowledge;
    this.row = row;
    this.answers = answers;
    this.kinds = knowledge.index(WordKinds.class, WordKinds::new);
    this.stuffs = new StuffJudge(row, kinds);
    this.promises = new PromiseJudge(row, answers);
    this.harms = new HarmJudge(row, answers);
    this.lists = new ListJudge(row);
  }

  /**
   * The words that nothing bears out; those before found are left out.
   *
   * @param spoken the texts of all words
   */
  void judge(String sentence, List<Word> all, Set<String> spoken, List<Assertion> found) {
    boolean hasNumber = sentence.chars().anyMatch(Character::isDigit);
    Matcher code = CODE.matcher(hasNumber ? sentence : "");
    while (code.find()) {
      if (!row.hasCode(code.group())) {
        found.add(Assertion.of(Kind.RATING, sentence, code.start(), code.end(), ""));
      }
    }
    promises.judge(sentence, spoken, found);
    harms.judge(sentence, spoken, found);
    effects(sentence, all, found);
    int[] clauseOfInclusion = clauseWith(sentence, spoken, "inclusion");
    boolean isIncluding =
        clauseOfInclusion.length > 0
            && !answers.isDenied(sentence.substring(clauseOfInclusion[0], clauseOfInclusion[1]));
    Set<Integer> taken = new HashSet<>();
    for (Assertion a : found) {
      taken.add(a.start());
    }
    boolean isTitle = isTitle(sentence, all);
    Set<Word> spelledOut = new HashSet<>();
    row.spelledOut(all).values().forEach(spelledOut::addAll);
    for (Word word : all) {
      String w = withoutEnding(word.text());
      String written = sentence.substring(word.start(), word.end());
      boolean isPerCent = w.equals("cent") && before(sentence, word).equals("per ");
      if (taken.contains(word.start()) || row.isName(w) || isUnitOrNumber(w) || isPerCent) {
        continue;
      }
      Kind closed = isComparing(sentence, word) ? Kind.COMPARATIVE : kinds.closed(w).orElse(null);
      if (w.equals("life") && FOR_LIFE.matcher(sentence.substring(0, word.end())).find()) {
        closed = Kind.GUARANTEE;
      } else if (closed == Kind.COMPARATIVE && isOfVerb(sentence, word, all)
          || closed == Kind.ABSOLUTE && isOrder(sentence, word, all)) {
        continue;
      }
      boolean isOfRow =
          closed == Kind.CERTIFICATE && (namesScheme(sentence, all) || isOfScheme(written));
      if (isOfRow) {
        continue;
      }
      boolean isDenied = closed == Kind.PROPERTY && answers.isDenied(sentence, word);
      boolean isRefused = closed == Kind.CERTIFICATE && namesRefusedScheme(sentence, all);
      isRefused |= closed == Kind.CERTIFICATE && isOfOtherScheme(written);
      if (closed != null && !isDenied && (isRefused || !isBorneOut(closed, w))) {
        int end = closed == Kind.COMPARATIVE ? endOfComparison(sentence, word) : word.end();
        found.add(Assertion.of(closed, sentence, word.start(), end, ""));
        continue;
      }
      boolean isStuffHere = StuffJudge.isSpokenOfAsOne(sentence, word);
      if (words.isHarmless(w)
              && !isScheme(written)
              && !isStuffHere
              && !(isIncluding && isIn(clauseOfInclusion, word) && isThing(sentence, word, all))
          || isGrammar(w)
          || words.is("inclusion", w)
          || isIncluding && isOfInclusion(sentence, word)
          || words.is("negation", w)
          || w.length() < 3) {
        continue;
      }
      boolean isProper =
          Character.isUpperCase(written.charAt(0))
              && (word.start() > 0 && !isTitle || !English.isKnown(w));
      if (spelledOut.contains(word) || isProper && row.isInitialOf(w, spoken)) {
        continue;
      }
      if (answers.refuses(w) && answers.isDenied(sentence, word)) {
        continue;
      }
      boolean isThingIncluded =
          isIncluding
              && English.isNoun(w)
              && !row.comesWith(w)
              && isIn(clauseOfInclusion, word)
              && !isOfWhatComes(sentence, word, all);
      boolean isSaid =
          isScheme(written)
              ? row.hasCode(written) || row.names(w)
              : row.says(w) || w.endsWith("s") && row.says(w.substring(0, w.length() - 1));
      boolean isStuff =
          closed == null
              && kinds.made(w).filter(k -> k == Kind.MATERIAL).isPresent()
              && !English.tags(w).contains("VBZ");
      boolean isColour = kinds.made(w).filter(k -> k == Kind.COLOUR).isPresent();
      isSaid &= !(isStuff || isColour) || row.has(w);
      if (!isThingIncluded && (isSaid || row.isInProse(w))) {
        stuffs
            .otherwise(sentence, word, all)
            .ifPresent(
                c -> found.add(Assertion.of(Kind.MATERIAL, sentence, word.start(), word.end(), c)));
        continue;
      }
      if (isProper && isBehindNumber(sentence, word)) {
        // "5 Beaufort" is a measure, and nobody's name.
        found.add(Assertion.of(Kind.OPEN, sentence, word.start(), word.end(), ""));
      } else if (isProper) {
        found.add(Assertion.of(kinds.proper(written), sentence, word.start(), word.end(), ""));
      } else if (isIncluding
          && isIn(clauseOfInclusion, word)
          && !FOR.matcher(sentence.substring(clauseOfInclusion[0], word.start())).find()
          && !isOfWhatComes(sentence, word, all)
          && (English.isNoun(w) || !English.isKnown(w))) {
        found.add(Assertion.of(Kind.INCLUSION, sentence, word.start(), word.end(), ""));
      } else {
        Kind kind =
            isShade(word, all)
                ? Kind.COLOUR
                : isStuffHere
                        || isPutIn(sentence, word)
                        || kinds.isMaterial(before(sentence, word) + w)
                    ? Kind.MATERIAL
                    : isMadeOfRow(sentence, word, all)
                        ? Kind.OPEN
                        : kinds
                            .made(w)
                            .filter(k -> k != Kind.MATERIAL || !isHeld(sentence, word))
                            .orElse(Kind.OPEN);
        if (kind == Kind.COLOUR && !isShade(word, all) && isOfSomethingElse(word, all)) {
          continue;
        }
        if (isForbidden(sentence, word)
            || kind == Kind.OPEN && (isDoing(w) || isReaders(word, all))) {
          continue;
        }
        Optional<Cell> part =
            kind == Kind.OPEN ? stuffs.ofItsPart(sentence, word, all) : Optional.empty();
        if (part.isPresent() && !answers.isDenied(sentence, word)) {
          String cell = part.get().words();
          found.add(Assertion.of(Kind.MATERIAL, sentence, word.start(), word.end(), cell));
          continue;
        }
        boolean mayBeOneMore = kind == Kind.OPEN || kind == Kind.MATERIAL;
        Optional<Cell> other =
            mayBeOneMore
                ? lists.without(w, spoken).or(() -> lists.besideOneOf(sentence, word.start(), w))
                : Optional.empty();
        if (other.isPresent() && !answers.isDenied(sentence, word)) {
          Kind held = kind == Kind.OPEN ? Kind.COMPATIBILITY : kind;
          found.add(Assertion.of(held, sentence, word.start(), word.end(), other.get().words()));
          continue;
        }
        // A keyword is chosen for the product, and says no more than shoppers do.
        if (kind != Kind.OPEN || !row.isSearched(w)) {
          found.add(Assertion.of(kind, sentence, word.start(), word.end(), ""));
        }
      }
    }
  }

  /**
   * "A remote control" where a cell says yes to "remote": what stands before it says what it is.
   */
  private boolean isOfWhatComes(String sentence, Word word, List<Word> all) {
    int at = all.indexOf(word);
    return at > 0
        && Clauses.areJoined(sentence, all.get(at - 1), word)
        && row.cells().stream()
            .filter(c -> c.answer() == Cell.Answer.YES)
            .anyMatch(c -> c.names().contains(Set.of(English.stem(all.get(at - 1).text()))));
  }

  /** "A shelf takes pencil and rosin": what something is put into isn't made of that. */
  private static boolean isHeld(String sentence, Word word) {
    return HOLDS.matcher(sentence.substring(0, word.start())).find();
  }

  /** "Raisins go into it", "salt rounds it off": what does that is in it. */
  private static boolean isPutIn(String sentence, Word word) {
    return PUT_IN.matcher(sentence).region(word.end(), sentence.length()).lookingAt()
        && Lexicon.shipped().shareOfSenses(English.singular(word.text()), STUFFS) >= MOSTLY;
  }

  /** "Its oilcloth apron": what a stuff of the row stands before is a thing made of it. */
  private boolean isMadeOfRow(String sentence, Word word, List<Word> all) {
    int at = all.indexOf(word);
    if (at < 1 || !Clauses.areJoined(sentence, all.get(at - 1), word)) {
      return false;
    }
    String before = all.get(at - 1).text();
    return kinds.made(before).filter(k -> k == Kind.MATERIAL).isPresent() && row.has(before);
  }

  /** "A deep burgundy", "a champagne sheen": what is a colour where it is spoken of so. */
  private static boolean isShade(Word word, List<Word> all) {
    int at = all.indexOf(word);
    boolean isTint =
        at + 1 < all.size()
            && TINTS.contains(all.get(at + 1).text())
            && all.get(at + 1).start() - word.end() == 1;
    boolean isDeep = at > 0 && SHADES.contains(all.get(at - 1).text());
    return English.isNoun(word.text())
        && (isTint && !English.tags(word.text()).contains("JJ")
            || isDeep
                && Lexicon.shipped().shareOfSenses(word.text(), List.of("chromatic color")) > 0);
  }

  /** "Lowers blood pressure", where the row doesn't say so. */
  private void effects(String sentence, List<Word> all, List<Assertion> found) {
    for (int i = 0; i < all.size(); i++) {
      Word verb = all.get(i);
      if (!isVerb(verb.text())) {
        continue;
      }
      if (!words.is("effect", verb.text())) {
        direct(sentence, all, i, found);
        continue;
      }
      int end = Clauses.end(sentence, verb.end());
      all.subList(i + 1, Math.min(all.size(), i + 2 + BETWEEN)).stream()
          .filter(w -> w.end() <= end && isOfBody(w.text()))
          .filter(w -> !(row.says(verb.text()) && row.says(w.text())))
          .findFirst()
          .ifPresent(
              w -> found.add(Assertion.of(Kind.HEALTH, sentence, verb.start(), w.end(), "")));
    }
  }

  /** What goes on in a body, or lives on it. */
  private boolean isOfBody(String word) {
    return words.is("body", word) || MICROBES.of(word);
  }

  /** "Clean the teeth": what is done to the body itself, whatever it is; touching it is nothing. */
  private void direct(String sentence, List<Word> all, int at, List<Assertion> found) {
    Word verb = all.get(at);
    int next = at + 1;
    if (next < all.size() && DETERMINERS.contains(all.get(next).text())) {
      next++;
    }
    if (next >= all.size()
        || words.is("touch", verb.text())
        || words.isFunction(verb.text())
        || !Clauses.areJoined(sentence, verb, all.get(next))) {
      return;
    }
    Word part = all.get(next);
    boolean isLast =
        next + 1 == all.size()
            || !English.isNoun(all.get(next + 1).text())
            || !Clauses.areJoined(sentence, part, all.get(next + 1));
    if (isLast
        && words.is("body", part.text())
        && !row.isOfKind(part.text())
        && !row.says(part.text())) {
      found.add(Assertion.of(Kind.HEALTH, sentence, verb.start(), part.end(), ""));
    }
  }

  private static boolean isVerb(String word) {
    return English.tags(word).stream().anyMatch(t -> t.startsWith("VB"));
  }

  /** "It shows best", "works better": how something is done, not what it is. */
  private static boolean isOfVerb(String sentence, Word word, List<Word> all) {
    int at = all.indexOf(word);
    if (at < 1 || !Set.of("best", "better").contains(word.text())) {
      return false;
    }
    Word before = all.get(at - 1);
    boolean isVerb = isVerb(before.text());
    boolean isLast =
        at + 1 == all.size()
            || sentence.charAt(word.end()) != ' '
            || English.tags(all.get(at + 1).text()).contains("IN");
    boolean isThan = THAN.matcher(sentence).region(word.end(), sentence.length()).lookingAt();
    return isVerb && !BE.contains(before.text()) && isLast && !isThan;
  }

  /** "Never use bleach" tells people what to do; "never fades" tells of the thing. */
  private static boolean isOrder(String sentence, Word word, List<Word> all) {
    int next = all.indexOf(word) + 1;
    boolean isFirst =
        sentence.substring(Clauses.start(sentence, word.start()), word.start()).isBlank();
    return word.text().equals("never")
        && isFirst
        && next > 0
        && next < all.size()
        && !English.tags(all.get(next).text()).contains("VBZ");
  }

  /** "Never a wire brush", "avoid the tumble dryer": what people are to leave is no property. */
  private static boolean isForbidden(String sentence, Word word) {
    String before = sentence.substring(Clauses.start(sentence, word.start()), word.start());
    Matcher m = FORBIDDING.matcher(before);
    return m.lookingAt()
        && (m.group("verb") == null
            || DOING.stream().anyMatch(English.tags(m.group("verb"))::contains));
  }

  /** "Prefer", "soak": what readers do says nothing of a thing; what "dissolves" does. */
  private static boolean isDoing(String word) {
    Set<String> tags = English.tags(word);
    return !tags.isEmpty() && DOING.containsAll(tags);
  }

  /** "Your wrist": what is the reader's isn't said of the thing. */
  private static boolean isReaders(Word word, List<Word> all) {
    int at = all.indexOf(word);
    return at > 0 && all.get(at - 1).text().equals("your");
  }

  /** "Grey skies": a colour of what is no thing that is sold. */
  private boolean isOfSomethingElse(Word word, List<Word> all) {
    int at = all.indexOf(word);
    if (at < 0 || at + 1 >= all.size()) {
      return false;
    }
    Word next = all.get(at + 1);
    return next.start() - word.end() == 1
        && English.isNoun(next.text())
        && !row.says(next.text())
        && Lexicon.shipped().goods(next.text()) == 0;
  }

  /** Whether a word only joins others: prepositions, pronouns and the like (Penn Treebank tags). */
  private static boolean isGrammar(String word) {
    Set<String> tags = English.tags(word);
    return !tags.isEmpty() && GRAMMAR.containsAll(tags);
  }

  /** "Tolvane’s" is Tolvane, and "you’ll" you. */
  private static String withoutEnding(String word) {
    int at = Math.max(word.indexOf('\''), word.indexOf('’'));
    return at > 0 && !word.equals("can't") && !word.endsWith("n't") && !word.endsWith("n’t")
        ? word.substring(0, at)
        : word;
  }

  /** Whether most words are capitalised: then a capital makes no name. */
  private static boolean isTitle(String sentence, List<Word> all) {
    if (sentence.endsWith(".") || sentence.endsWith("!")) {
      return false;
    }
    long longer = all.stream().filter(w -> w.text().length() > 3).count();
    long capitals =
        all.stream()
            .filter(w -> w.text().length() > 3)
            .filter(w -> Character.isUpperCase(sentence.charAt(w.start())))
            .count();
    return longer > 1 && capitals > MOST * longer;
  }

  /**
   * What is held against a shop needs a cell of its own; figures of the range bear out the rest.
   */
  private boolean isBorneOut(Kind kind, String word) {
    return switch (kind) {
      case COMPARATIVE -> row.hasExactly(word);
      case PROPERTY -> row.affirms(word) || words.is("plain", word) && row.isInProse(word);
      default -> row.says(word);
    };
  }

  private static int endOfComparison(String sentence, Word word) {
    Matcher than = THAN.matcher(sentence).region(word.end(), sentence.length());
    return than.lookingAt() ? than.end() : word.end();
  }

  /** Whether the sentence names a scheme that a cell has: "Oeko-Tex", "EN 131". */
  private boolean namesScheme(String sentence, List<Word> all) {
    return all.stream()
        .filter(w -> w.start() > 0 && Character.isUpperCase(sentence.charAt(w.start())))
        .filter(w -> !row.isName(w.text()))
        .map(w -> sentence.substring(w.start(), w.end()))
        .anyMatch(
            w ->
                row.grants(w)
                    && (isScheme(w) || !English.isKnown(w.toLowerCase(Locale.ROOT)))
                    && (row.hasCode(w) || row.hasCode(w.replace("-", ""))));
  }

  /** "FSC", where the cell says that it is pending. */
  private boolean namesRefusedScheme(String sentence, List<Word> all) {
    return all.stream()
        .map(w -> sentence.substring(w.start(), w.end()))
        .anyMatch(w -> isScheme(w) && row.hasCode(w) && !row.grants(w));
  }

  /** "TÜV-tested" where the row has no TÜV. */
  private boolean isOfOtherScheme(String written) {
    String scheme = beforeHyphen(written);
    return isScheme(scheme) && !row.hasCode(scheme);
  }

  /** "FSC-certified" where a cell grants that. */
  private boolean isOfScheme(String written) {
    String scheme = beforeHyphen(written);
    return isScheme(scheme) && row.hasCode(scheme) && row.grants(scheme);
  }

  private static String beforeHyphen(String written) {
    return written.substring(0, Math.max(0, written.indexOf('-')));
  }

  /** Capitals are looked for as they stand: nothing is akin to them. */
  private static boolean isScheme(String written) {
    return written.length() > 2 && written.equals(written.toUpperCase(Locale.ROOT));
  }

  /** Where the clause is that has a word of a list; nothing if none has. */
  private int[] clauseWith(String sentence, Set<String> spoken, String list) {
    for (String words : words.of(list)) {
      int space = words.indexOf(' ');
      boolean isSpoken = spoken.contains(space < 0 ? words : words.substring(0, space));
      int at = isSpoken ? Words.find(words, sentence) : -1;
      if (at >= 0) {
        return new int[] {startOfList(sentence, at), Clauses.end(sentence, at)};
      }
    }
    return new int[0];
  }

  /** "A carrying case": one of something that is sold, whatever else its word may mean. */
  private static boolean isThing(String sentence, Word word, List<Word> all) {
    int at = all.indexOf(word);
    boolean isLast =
        at + 1 == all.size()
            || !Clauses.areJoined(sentence, word, all.get(at + 1))
            || Set.of("and", "or").contains(all.get(at + 1).text())
            || DOES_COME.contains(all.get(at + 1).text());
    if (!isLast || Lexicon.shipped().goods(word.text()) < SOLD) {
      return false;
    }
    int first = at;
    while (first > 0 && at - first < BETWEEN && isAdnoun(all.get(first - 1).text())) {
      first--;
    }
    if (first == 0) {
      return false;
    }
    String before = all.get(first - 1).text();
    boolean isSubject = at + 1 < all.size() && DOES_COME.contains(all.get(at + 1).text());
    return ONE.contains(before) || before.equals("the") && isSubject;
  }

  private static boolean isAdnoun(String word) {
    return !ONE.contains(word) && (English.isAdjective(word) || English.isNoun(word));
  }

  /** "In the box": it says that something comes along, and no more. */
  private boolean isOfInclusion(String sentence, Word word) {
    return words.of("inclusion").stream()
        .filter(p -> p.endsWith(" " + word.text()))
        .anyMatch(p -> sentence.toLowerCase(Locale.ROOT).startsWith(p, word.end() - p.length()));
  }

  /** Where a clause starts, or the list that it ends: "a handle and a case complete the set". */
  private static int startOfList(String sentence, int at) {
    int start = Clauses.start(sentence, at);
    while (start > 0) {
      int before = Clauses.start(sentence, Math.max(0, start - AND_BEFORE));
      String item = sentence.substring(before, start);
      boolean isItem =
          item.endsWith(" and")
              && COUNTED.matcher(item).find()
              && Words.of(item).stream().noneMatch(w -> isSurelyVerb(w.text()));
      if (!isItem) {
        return start;
      }
      start = before;
    }
    return start;
  }

  /** Whether a word says what is done or is, and names nothing. */
  private static boolean isSurelyVerb(String word) {
    Set<String> tags = English.tags(word);
    return !English.isNoun(word)
        && tags.stream().anyMatch(t -> Set.of("VBZ", "VBP", "VBD", "MD").contains(t));
  }

  private static boolean isIn(int[] clause, Word word) {
    return word.start() >= clause[0] && word.end() <= clause[1];
  }

  private static boolean isBehindNumber(String sentence, Word word) {
    return word.start() > 1
        && sentence.charAt(word.start() - 1) == ' '
        && Character.isDigit(sentence.charAt(word.start() - 2));
  }

  /** The word right before another, with the space between them: "cast " of "cast iron". */
  private static String before(String sentence, Word word) {
    int start = sentence.lastIndexOf(' ', word.start() - 2) + 1;
    return start < word.start()
        ? sentence.substring(start, word.start()).toLowerCase(Locale.ROOT)
        : "";
  }

  private boolean isUnitOrNumber(String word) {
    return knowledge.unitWritten(word).isPresent()
        || Amount.isNumber(word)
        || Amount.isOneOf(word, knowledge);
  }

  /** "Stiffer than", "the steadiest", "no quieter": it says how others are. */
  private boolean isComparing(String sentence, Word word) {
    Set<String> tags = English.tags(word.text());
    boolean isAmount = Set.of("more", "less", "fewer").contains(word.text());
    if (isAmount) {
      return THAN_ALL.matcher(sentence).region(word.end(), sentence.length()).lookingAt();
    }
    String before = sentence.substring(0, word.start());
    return tags.contains("JJR")
            && !isThanSoMuch(sentence, word)
            && (THAN.matcher(sentence).region(word.end(), sentence.length()).lookingAt()
                || NO_OTHER.matcher(before).matches())
        || tags.contains("JJS")
            && before.matches("(?is).*\\bthe ")
            && !IS_SO_MUCH.matcher(sentence).region(word.end(), sentence.length()).lookingAt();
  }

  private boolean isThanSoMuch(String sentence, Word word) {
    Matcher m = THAN_SO_MUCH.matcher(sentence).region(word.end(), sentence.length());
    return m.lookingAt()
        && (m.group("unit") == null
            || knowledge.unitWritten(m.group("unit").toLowerCase(Locale.ROOT)).isPresent());
  }
}
