package rhetor.core.check;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import rhetor.core.check.Mark.Weight;
import rhetor.core.fact.Contradiction;
import rhetor.core.fact.Fact;
import rhetor.core.fact.ProductFacts;
import rhetor.core.fact.Value;
import rhetor.core.keyword.KeywordMatch;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.language.English;
import rhetor.core.language.Nearness;
import rhetor.core.language.WordRuns;
import rhetor.core.language.Words;
import rhetor.core.language.Words.Word;
import rhetor.core.say.en.Fault;
import rhetor.core.say.en.KeywordUse;
import rhetor.core.say.en.PlainLanguage;
import rhetor.core.style.Field;
import rhetor.core.style.HouseRules;
import rhetor.core.style.Style;
import rhetor.core.support.Assertion;
import rhetor.core.support.Judge;
import rhetor.core.text.Block;
import rhetor.core.text.Draft;
import rhetor.core.text.Sentence;
import rhetor.core.text.Support;

/**
 * Checks all texts of a product, whoever wrote them: support, lengths, keyword, likeness, phrases.
 */
public final class Checker {
  private static final Pattern SEVERAL = Pattern.compile("[,;/]");

  private static final Pattern EMPTY_PHRASE =
      Pattern.compile(
          "(?i)\\b(?:must-have|elevate your|take (?:\\w+ ){1,3}to the next level|look no further|game[- ]changer|second to none|state[- ]of[- ]the[- ]art|high[- ]quality|top[- ]quality|premium quality|whether you(?:'|’)re|say goodbye to|unleash|in today(?:'|’)s|revolutionary|cutting[- ]edge|nothing short of)\\b");

  /** A text without any of these has no empty phrase; looking for them is quick. */
  private static final List<String> EMPTY_HINTS =
      List.of(
          "must",
          "elevate",
          "next level",
          "look no",
          "game",
          "second to",
          "state",
          "quality",
          "whether",
          "say good",
          "unleash",
          "today",
          "revolution",
          "cutting",
          "nothing short");

  private static final List<String> MARKUP_HINTS = List.of("<", "&", "*", "#", "`");
  private static final Pattern MARKUP =
      Pattern.compile("<[a-zA-Z/!][^>]*>|&[a-z]{2,8};|\\*\\*|^#{1,6} |```");

  /** Facts that naming a product rests on. */
  private static final Set<String> NAMING = Set.of("name", "brand", "category");

  /** Fields that are read as sentences. */
  private static final Set<Field> PROSE =
      EnumSet.of(Field.SHORT_DESCRIPTION, Field.DESCRIPTION, Field.META_DESCRIPTION);

  private static final double LIKE = 0.15;

  private final Knowledge knowledge;
  private final StyleCheck style;
  private final PlainLanguage plain;
  private final Nearness nearness;

  /** A checker for a house that has decided nothing. */
  public Checker(Knowledge knowledge) {
    this(knowledge, Style.standard());
  }

  /** A checker of many texts, which asks no sentence model. */
  public Checker(Knowledge knowledge, Style style) {
    this(knowledge, style, Nearness.NONE);
  }

  public Checker(Knowledge knowledge, Style style, Nearness nearness) {
    this.knowledge = knowledge;
    this.nearness = nearness;
    this.plain = knowledge.index(PlainLanguage.class, PlainLanguage::new);
    this.style = new StyleCheck(HouseRules.of(style));
  }

  /**
   * Checks a draft.
   *
   * @param keyword the primary keyword, or empty
   */
  public Audit check(Draft draft, ProductFacts product, String keyword) {
    return check(draft, product, keyword, List.of());
  }

  /**
   * Checks a draft.
   *
   * @param found what was found already, by means that a single text doesn't give
   */
  public Audit check(Draft draft, ProductFacts product, String keyword, List<Mark> found) {
    return check(draft, product, keyword, found, Set.of());
  }

  /**
   * Checks a draft.
   *
   * @param found what was found already, by means that a single text doesn't give
   * @param letBe marks that people have overruled; they aren't raised again
   */
  public Audit check(
      Draft draft, ProductFacts product, String keyword, List<Mark> found, Set<LetBe> letBe) {
    List<Mark> marks = new ArrayList<>(found);
    Judge judge = new Judge(product, knowledge, nearness);
    // All texts are looked through once; sentences only where that found something.
    StringBuilder all = new StringBuilder();
    Map<Field, String> texts = new EnumMap<>(Field.class);
    for (Field field : Field.values()) {
      texts.put(field, draft.plain(field));
      all.append(texts.get(field)).append('\n');
    }
    String lower = all.toString().toLowerCase(Locale.ROOT);
    List<String> names = product.names();
    boolean mayBeEmpty = hasAny(lower, EMPTY_HINTS);
    boolean mayHaveMarkup = hasAny(lower, MARKUP_HINTS);
    for (Field field : Field.values()) {
      lengths(texts.get(field), field, marks);
      List<Sentence> sentences = draft.sentences(field);
      Set<Sentence> headings = inBlocks(draft, field, Block.Kind.HEADING);
      Set<Sentence> listed = inBlocks(draft, field, Block.Kind.LIST);
      for (int i = 0; i < sentences.size(); i++) {
        sentence(
            field,
            i,
            sentences.get(i),
            headings,
            listed.contains(sentences.get(i)) || headings.contains(sentences.get(i)),
            product,
            judge,
            names,
            mayBeEmpty,
            mayHaveMarkup,
            marks);
      }
    }
    style.required(draft, marks);
    style.voice(draft, marks);
    style.structure(draft, marks);
    repeated(draft, product, marks);
    keyword(texts, product, keyword, judge, marks);
    likeness(draft, product, marks);
    for (Contradiction c : product.contradictions()) {
      marks.add(
          new Mark(
              Weight.WEIGH,
              "contradiction",
              Field.DESCRIPTION,
              -1,
              c.label(),
              c.label()
                  + ": the sources disagree ("
                  + String.join(
                      " / ",
                      c.sources().stream().map(s -> s.column() + ": " + snippet(s.raw())).toList())
                  + "), so the text leaves it out. Correct the sheet and take it in again."));
    }
    marks.removeIf(m -> m.sentence() >= 0 && letBe.contains(m.of(draft)));
    return new Audit(
        marks,
        new ReadinessFinder(knowledge, style)
            .of(new ReadinessFinder.Checked(draft, texts, product, keyword, marks)));
  }

  private static boolean hasAny(String text, Iterable<String> hints) {
    for (String hint : hints) {
      if (text.contains(hint)) {
        return true;
      }
    }
    return false;
  }

  private static String snippet(String raw) {
    return raw.length() > 80 ? raw.substring(0, 80) + "…" : raw;
  }

  private void lengths(String text, Field field, List<Mark> marks) {
    if (text.isBlank()) {
      boolean needed = field.isNeeded();
      if (field.isList()) {
        return;
      }
      marks.add(
          new Mark(
              needed ? Weight.MUST_FIX : Weight.WEIGH,
              "missing",
              field,
              -1,
              "",
              field.label()
                  + ": nothing was written. The facts give too little to write from; add facts, or write it by hand."));
    } else {
      style.length(field, text, marks);
    }
  }

  private static Set<Sentence> inBlocks(Draft draft, Field field, Block.Kind kind) {
    Set<Sentence> found = new HashSet<>();
    for (Block block : draft.blocks(field)) {
      if (block.kind() == kind) {
        found.addAll(block.sentences());
      }
    }
    return found;
  }

  private void sentence(
      Field field,
      int index,
      Sentence sentence,
      Set<Sentence> headings,
      boolean isListed,
      ProductFacts product,
      Judge judge,
      List<String> names,
      boolean mayBeEmpty,
      boolean mayHaveMarkup,
      List<Mark> marks) {
    String text = sentence.text();
    boolean answeredFor = style.isHouseSentence(text);
    List<Word> words = Words.of(text);
    // A wording that somebody answers for, or what stands over others, may have words of its own.
    boolean isWorded = !sentence.support().isEmpty() || headings.contains(sentence);
    List<Assertion> stated =
        isCopied(sentence, product)
            ? List.of()
            : isWorded ? judge.held(text, words) : judge.judge(text, words);
    for (Assertion a : answeredFor ? List.<Assertion>of() : stated) {
      boolean isOfRange =
          sentence.restsOn(Support.Kind.RANGE)
              && (a.kind() == Assertion.Kind.COMPARATIVE || a.kind() == Assertion.Kind.NUMBER);
      if (isOfRange || isClaimed(sentence, a)) {
        continue;
      }
      boolean isOpen = a.kind() == Assertion.Kind.OPEN;
      String why =
          a.verdict() == Assertion.Verdict.CONTRADICTED
              ? "\"%s\" is not what the facts say (%s). Put it right here, or correct the supplier's data."
                  .formatted(a.words(), a.against())
              : isOpen
                  ? "\"%s\" stands in no cell of this product. Is it so? Then let it be, or add the fact."
                      .formatted(a.words())
                  : "\"%s\" rests on no fact of this product. Take it out, or add the fact to the supplier's data."
                      .formatted(a.words());
      marks.add(
          new Mark(
              a.isHeld() ? Weight.MUST_FIX : Weight.WEIGH,
              isOpen ? "no source" : "support",
              field,
              index,
              a.words(),
              why,
              a.instead().isEmpty()
                  ? ""
                  : text.substring(0, a.start()) + a.instead() + text.substring(a.end())));
    }
    if (PROSE.contains(field) && !isListed) {
      for (Fault fault : plain.faults(text, product)) {
        marks.add(
            new Mark(
                fault.kind().mustFix() ? Weight.MUST_FIX : Weight.WEIGH,
                Mark.PLAIN,
                field,
                index,
                fault.words(),
                fault.why()));
      }
    }
    Matcher empty = mayBeEmpty ? EMPTY_PHRASE.matcher(text) : null;
    while (empty != null && empty.find()) {
      marks.add(
          new Mark(
              Weight.WEIGH,
              "empty phrase",
              field,
              index,
              empty.group(),
              "\"" + empty.group() + "\" is true of anything. Say what this product does."));
    }
    Matcher markup = mayHaveMarkup ? MARKUP.matcher(text) : null;
    if (markup != null && markup.find()) {
      marks.add(
          new Mark(
              Weight.MUST_FIX,
              "markup",
              field,
              index,
              markup.group(),
              "Markup stands in the text as words. Take it out."));
    }
    style.sentence(field, index, text, words, names, marks);
    style.over(field, index, sentence, marks);
    withdrawn(field, index, sentence, marks);
  }

  /** Whether the words are those of a claim that the sentence rests on. */
  private boolean isClaimed(Sentence sentence, Assertion stated) {
    return sentence.support().stream()
        .filter(s -> s.kind() == Support.Kind.CLAIM)
        .flatMap(s -> knowledge.claim(s.id()).stream())
        .flatMap(c -> Stream.concat(c.so().stream(), c.adj().stream()))
        .anyMatch(
            w -> w.toLowerCase(Locale.ROOT).contains(stated.words().toLowerCase(Locale.ROOT)));
  }

  /** Whether an entry of a list has its one fact's value as it stands: "Stackable: no". */
  private static boolean isCopied(Sentence entry, ProductFacts product) {
    int colon = entry.text().indexOf(": ");
    if (entry.support().size() != 1 || colon < 0) {
      return false;
    }
    String value = entry.text().substring(colon + 2);
    return product.facts().stream()
        .filter(f -> entry.support().getFirst().equals(Support.fact(f.id())))
        .filter(f -> entry.text().startsWith(f.label()))
        .anyMatch(
            f ->
                switch (f.value()) {
                  case Value.Words(String words) -> words.equals(value);
                  case Value.Terms(List<String> items) -> String.join(", ", items).equals(value);
                  case Value.YesNo(boolean yes) -> value.equals(yes ? "yes" : "no");
                  default -> false;
                });
  }

  /** A claim that a sentence makes and the house no longer does. */
  private void withdrawn(Field field, int index, Sentence sentence, List<Mark> marks) {
    for (Support support : sentence.support()) {
      if (support.kind() == Support.Kind.CLAIM && knowledge.claim(support.id()).isEmpty()) {
        marks.add(
            new Mark(
                Weight.MUST_FIX,
                "claim",
                field,
                index,
                "",
                "The house no longer makes the claim that this sentence makes. Rewrite it."));
      }
    }
  }

  /** Sentences that stand in a text twice, and facts of which two of its sentences tell. */
  private void repeated(Draft draft, ProductFacts product, List<Mark> marks) {
    for (Field field :
        List.of(Field.SHORT_DESCRIPTION, Field.DESCRIPTION, Field.META_DESCRIPTION)) {
      Map<String, Sentence> told = new HashMap<>();
      Set<String> said = new HashSet<>();
      int index = 0;
      for (Block block : draft.blocks(field)) {
        for (Sentence sentence : block.sentences()) {
          if (!said.add(block.kind() + sentence.text().strip().toLowerCase(Locale.ROOT))) {
            marks.add(
                new Mark(
                    Weight.MUST_FIX,
                    "repetition",
                    field,
                    index,
                    "",
                    "\""
                        + sentence.text().strip()
                        + "\" stands here twice. Take one of the two out."));
          }
          Optional<String> label =
              block.kind() == Block.Kind.PARAGRAPH
                  ? again(sentence, told, product)
                  : Optional.empty();
          if (label.isPresent()) {
            marks.add(
                new Mark(
                    Weight.WEIGH,
                    "repetition",
                    field,
                    index,
                    "",
                    "\""
                        + label.get()
                        + "\" has been told already in this text. Leave one of the two out."));
          }
          index++;
        }
      }
    }
  }

  /** The fact that a sentence tells again; two sentences of one fact made together are one. */
  private Optional<String> again(
      Sentence sentence, Map<String, Sentence> told, ProductFacts product) {
    // "Splash-proof" rests on the rating without telling it.
    Set<String> claimed = new HashSet<>();
    for (Support support : sentence.support()) {
      if (support.kind() == Support.Kind.CLAIM) {
        knowledge.claim(support.id()).ifPresent(c -> claimed.add(c.concept()));
      }
    }
    Optional<String> again = Optional.empty();
    for (Support support : sentence.support()) {
      if (support.kind() != Support.Kind.FACT) {
        continue;
      }
      if (claimed.contains(support.id())) {
        continue;
      }
      Sentence before = told.putIfAbsent(support.id(), sentence);
      if (before != null && !before.support().equals(sentence.support())) {
        again =
            product.facts().stream()
                .filter(f -> f.id().equals(support.id()))
                .filter(f -> !NAMING.contains(f.concept()))
                .filter(f -> !isOfAnotherPart(f, before.text(), sentence.text()))
                .map(Fact::label)
                .findFirst();
      }
      if (again.isPresent()) {
        break;
      }
    }
    return again;
  }

  /** Of "lid maple, base cork" one sentence tells of the lid, another of the base. */
  private static boolean isOfAnotherPart(Fact fact, String before, String now) {
    String raw = fact.source().raw().toLowerCase(Locale.ROOT);
    if (!SEVERAL.matcher(raw).find()) {
      return false;
    }
    Set<String> told = stems(raw);
    Set<String> then = stems(before);
    then.retainAll(told);
    told.retainAll(stems(now));
    return !then.isEmpty() && !told.isEmpty() && Collections.disjoint(then, told);
  }

  private static Set<String> stems(String text) {
    return Words.of(text).stream()
        .map(w -> English.stem(w.text()))
        .filter(s -> s.length() > 2)
        .collect(Collectors.toCollection(HashSet::new));
  }

  private void keyword(
      Map<Field, String> texts,
      ProductFacts product,
      String keyword,
      Judge judge,
      List<Mark> marks) {
    if (keyword.isBlank()) {
      return;
    }
    KeywordUse use = KeywordUse.of(keyword, product, judge);
    if (!use.conflicts().isEmpty()) {
      String words =
          String.join(", ", use.conflicts().stream().map(Assertion::words).distinct().toList());
      marks.add(
          new Mark(
              Weight.MUST_FIX,
              "keyword conflict",
              Field.TITLE,
              -1,
              keyword,
              "The keyword \""
                  + keyword
                  + "\" says \""
                  + words
                  + "\", which no fact bears out. Choose another keyword, or correct the facts."));
      return;
    }
    Optional<String> banned = style.bannedIn(keyword);
    if (banned.isPresent()) {
      marks.add(
          new Mark(
              Weight.WEIGH,
              "keyword conflict",
              Field.TITLE,
              -1,
              keyword,
              "The keyword \"%s\" has \"%s\", which the house doesn't say. Choose another keyword, or let the word be said."
                  .formatted(keyword, banned.get())));
      return;
    }
    for (Field field :
        List.of(Field.TITLE, Field.DESCRIPTION, Field.META_TITLE, Field.META_DESCRIPTION)) {
      String text = texts.get(field);
      KeywordMatch match = KeywordMatch.find(keyword, text);
      if (!match.isInARow()) {
        String why =
            match.form() == KeywordMatch.Form.REWORDED
                ? "%s has the keyword \"%s\" only in other words: \"%s\"."
                    .formatted(field.label(), keyword, text.substring(match.start(), match.end()))
                : "%s doesn't have the keyword \"%s\".".formatted(field.label(), keyword);
        marks.add(new Mark(Weight.WEIGH, "keyword", field, -1, keyword, why));
      }
    }
  }

  private static void likeness(Draft draft, ProductFacts product, List<Mark> marks) {
    double share = likeness(draft.prose(), product.supplierText());
    if (share > LIKE) {
      marks.add(
          new Mark(
              Weight.WEIGH,
              "likeness",
              Field.DESCRIPTION,
              -1,
              "",
              "%d %% of the description's five-word runs stand in the supplier's text too. Other shops print that text."
                  .formatted(Math.round(share * 100))));
    }
  }

  /** Share of {@code text}'s runs of five words that also stand in {@code other}, 0 to 1. */
  public static double likeness(String text, String other) {
    if (other.isBlank()) {
      return 0;
    }
    long[] runs = WordRuns.of(text);
    if (runs.length == 0) {
      return 0;
    }
    long[] theirs = WordRuns.of(other);
    Arrays.sort(theirs);
    int shared = 0;
    for (long run : runs) {
      shared += Arrays.binarySearch(theirs, run) >= 0 ? 1 : 0;
    }
    return shared / (double) runs.length;
  }
}
