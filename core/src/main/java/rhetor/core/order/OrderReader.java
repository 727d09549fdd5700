package rhetor.core.order;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.function.BiConsumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import rhetor.core.language.English;
import rhetor.core.order.Order.Left;
import rhetor.core.order.Order.Verb;
import rhetor.core.style.Field;

/**
 * Reads orders in plain English by a grammar of phrases: the longest phrase that the words go on
 * with is taken, words that only join are passed over, and what is left is said to be left.
 */
public final class OrderReader {
  /** Longer orders are none. */
  private static final int LONGEST = 500;

  private static final Pattern TOKEN =
      Pattern.compile("\"([^\"]*)\"|“([^”]*)”|[\\p{L}\\p{N}'’&.]+");

  /** Stands for a readiness, 0 to 100. */
  private static final String NUMBER = "#";

  /** Stands for how many characters or words, 1 to 99,999. */
  private static final String LENGTH = "##";

  private static final String SHORTEN = "shorten";

  /** Words that join the others and choose nothing by themselves. */
  private static final Set<String> JOINING =
      Set.of(
          "the",
          "a",
          "an",
          "all",
          "of",
          "every",
          "everything",
          "each",
          "any",
          "product",
          "text",
          "description",
          "that",
          "which",
          "who",
          "whose",
          "have",
          "has",
          "had",
          "with",
          "and",
          "in",
          "from",
          "by",
          "please",
          "is",
          "are",
          "be",
          "it",
          "them",
          "those",
          "one",
          "for",
          "me",
          "again",
          "only",
          "just",
          "ready",
          "readiness",
          "made",
          "still",
          "sheet",
          "kind",
          "maker");

  /** Words that orders begin with. */
  private static final List<String> VERBS =
      List.of(
          "show",
          "find",
          "list",
          "write",
          "rewrite",
          "write again",
          SHORTEN,
          "sign off",
          "send back");

  /** What vocabulary names. */
  public enum Sort {
    KIND,
    MAKER,
    SHEET,
    RANGE,
    VOICE
  }

  /**
   * A word of the house.
   *
   * @param value what it stands for in a plan
   */
  public record Named(Sort sort, String name, String value) {}

  /**
   * Words that mean something together.
   *
   * @param shown as it is offered to whoever types
   * @param stems the stems of its words
   */
  private record Phrase(String shown, List<String> stems, BiConsumer<Plan, Integer> means) {}

  /** A plan that is being made. */
  private static final class Plan {
    private Verb verb;
    private String search = "";
    private String state = "";
    private String kind = "";
    private String brand = "";
    private String sheet = "";
    private String range = "";
    private int atLeast;
    private int below;
    private String voice = "";
    private final Set<Field> fields = EnumSet.noneOf(Field.class);
    private int mostCharacters;
    private int mostWords;
    private boolean isShortened;

    /** Whether what was just said has no place in the plan: said twice, or of no such order. */
    private boolean isLeftOut;

    private final List<Left> left = new ArrayList<>();

    /** A list shows one kind, one stage and so on: who says two would be shown the other half. */
    private String once(String before, String now) {
      isLeftOut |= !before.isEmpty() && !before.equals(now);
      return before.isEmpty() ? now : before;
    }

    /** Only what is written has fields and a length of its own. */
    private void ofWriting(Runnable said) {
      if (verb == Verb.WRITE) {
        said.run();
      } else {
        isLeftOut = true;
      }
    }

    private Order order() {
      if (isShortened && mostCharacters == 0 && mostWords == 0) {
        left.add(
            new Left(SHORTEN, List.of(SHORTEN + " to 140 characters", SHORTEN + " to 70 words")));
      }
      return new Order(
          verb == null ? Verb.SHOW : verb,
          search,
          state,
          kind,
          brand,
          sheet,
          range,
          atLeast,
          below,
          voice,
          List.copyOf(fields),
          mostCharacters,
          mostWords,
          List.copyOf(left));
    }
  }

  /** A word of an order, as it was typed and as it is compared; quoted words are one. */
  private record Token(String typed, String stem, boolean isQuoted) {}

  private final List<Phrase> phrases = new ArrayList<>();
  private final List<Named> kinds;

  /**
   * @param vocabulary kinds, makers, sheets, ranges and voices that orders may name
   */
  public OrderReader(List<Named> vocabulary) {
    kinds = vocabulary.stream().filter(n -> n.sort() == Sort.KIND).toList();
    verbs();
    states();
    readiness();
    fields();
    lengths();
    for (Named named : vocabulary) {
      switch (named.sort()) {
        case KIND ->
            add(English.plural(named.name()), (p, n) -> p.kind = p.once(p.kind, named.value()));
        case MAKER -> add(named.name(), (p, n) -> p.brand = p.once(p.brand, named.value()));
        case SHEET -> add(named.name(), (p, n) -> p.sheet = p.once(p.sheet, named.value()));
        case RANGE -> {
          add(named.name(), (p, n) -> p.range = p.once(p.range, named.value()));
          add(named.name() + " range", (p, n) -> p.range = p.once(p.range, named.value()));
        }
        case VOICE ->
            add(named.name() + " voice", (p, n) -> p.voice = p.once(p.voice, named.value()));
      }
    }
    phrases.sort(Comparator.comparingInt((Phrase p) -> p.stems().size()).reversed());
  }

  private void verbs() {
    for (String verb : VERBS) {
      Verb means =
          switch (verb) {
            case "sign off" -> Verb.SIGN_OFF;
            case "send back" -> Verb.SEND_BACK;
            case "write", "rewrite", "write again", SHORTEN -> Verb.WRITE;
            default -> Verb.SHOW;
          };
      add(
          verb,
          (p, n) -> {
            p.verb = means;
            p.isShortened = verb.equals(SHORTEN);
          });
    }
  }

  private void states() {
    state("UNWRITTEN", "without text", "without a text", "unwritten");
    state("DRAFTED", "drafted", "drafts");
    state("IN_PROOF", "in proof");
    state("PROOF", "to read", "unread");
    state("READY", "nothing to fix", "without marks");
    state("FIX", "something to fix", "to fix", "held");
    state("STALE", "stale", "facts have changed", "facts changed");
    state("DISPUTED", "sources disagree", "disputed");
    state("INCOMPLETE", "lack essential facts", "lack facts", "lacking facts", "incomplete");
    state("FAILED", "failed", "writing failed");
    state("NO_KEYWORD", "without a keyword", "without keyword", "no keyword");
    state("COMMENTED", "with comments", "with open comments", "with a comment");
    state("SIGNED_OFF", "signed off");
    state("PUBLISHED", "published", "live");
  }

  private void state(String state, String... wordings) {
    for (String wording : wordings) {
      add(wording, (p, n) -> p.state = p.once(p.state, state));
    }
  }

  private void readiness() {
    Stream.of("over", "above", "more than", "better than")
        .forEach(w -> add(w + " " + NUMBER, (p, n) -> p.atLeast = n + 1));
    Stream.of("at least", "from").forEach(w -> add(w + " " + NUMBER, (p, n) -> p.atLeast = n));
    add(NUMBER + " or more", (p, n) -> p.atLeast = n);
    Stream.of("under", "below", "less than", "worse than")
        .forEach(w -> add(w + " " + NUMBER, (p, n) -> p.below = n));
    add(NUMBER + " or less", (p, n) -> p.below = n + 1);
    add("at most " + NUMBER, (p, n) -> p.below = n + 1);
  }

  private void fields() {
    for (Field field : Field.values()) {
      String label = field.label().toLowerCase(Locale.ROOT);
      String several = field == Field.TAGS || field.isList() ? label : English.plural(label);
      boolean isOfAll = field == Field.DESCRIPTION;
      add(
          several,
          (p, n) -> {
            // "Sign off the descriptions over 90" means the texts.
            if (!isOfAll || p.verb == Verb.WRITE) {
              p.ofWriting(() -> p.fields.add(field));
            }
          });
    }
    add("alt texts", (p, n) -> p.ofWriting(() -> p.fields.add(Field.IMAGE_ALT)));
  }

  private void lengths() {
    for (String unit : List.of("characters", "words")) {
      BiConsumer<Plan, Integer> means =
          (p, n) ->
              p.ofWriting(
                  () -> {
                    if (unit.equals("words")) {
                      p.mostWords = n;
                    } else {
                      p.mostCharacters = n;
                    }
                  });
      String length = LENGTH + " " + unit;
      Stream.of("to", "to at most", "at most", "no more than", "up to", "within", "in", "under")
          .forEach(w -> add(w + " " + length, means));
      Stream.of("at most", "or less", "or fewer", "at the most", "long")
          .forEach(w -> add(length + " " + w, means));
      add(length, means);
    }
  }

  private void add(String words, BiConsumer<Plan, Integer> means) {
    List<String> stems = new ArrayList<>();
    for (String word : words.split("[ -]+")) {
      stems.add(word.startsWith(NUMBER) ? word : stem(word));
    }
    phrases.add(new Phrase(words, List.copyOf(stems), means));
  }

  /**
   * Reads an order. Words that begin with no verb and are not all understood are looked for in
   * names and SKUs as they stand.
   *
   * @param words up to 500 characters; more are looked for in names, which finds nothing
   */
  public Order read(String words) {
    String clean = words.strip().replaceAll("\\s+", " ");
    if (clean.isEmpty() || clean.length() > LONGEST) {
      return Order.search(clean);
    }
    List<Token> tokens = tokens(clean);
    Plan plan = new Plan();
    List<String> left = new ArrayList<>();
    int at = 0;
    while (at < tokens.size()) {
      Token token = tokens.get(at);
      Match match = token.isQuoted() ? null : longest(tokens, at, plan);
      boolean isNamed = token.stem().equals(stem("named")) && at + 1 < tokens.size();
      if (token.isQuoted() || isNamed) {
        close(left, plan);
        plan.search = tokens.get(isNamed ? at + 1 : at).typed();
        at += isNamed ? 2 : 1;
      } else if (match != null) {
        close(left, plan);
        int end = at + match.phrase().stems().size();
        match.phrase().means().accept(plan, match.number());
        if (plan.isLeftOut) {
          plan.isLeftOut = false;
          plan.left.add(new Left(typed(tokens.subList(at, end)), List.of()));
        }
        at = end;
      } else {
        at += kindOrLeft(token, left, plan);
      }
    }
    close(left, plan);
    boolean isOrder = plan.verb != null || plan.left.isEmpty();
    return isOrder ? plan.order() : Order.search(clean);
  }

  private static String typed(List<Token> tokens) {
    return tokens.stream().map(Token::typed).collect(Collectors.joining(" "));
  }

  /** A kind by its last word alone, if no other ends so; else the word is left. */
  private int kindOrLeft(Token token, List<String> left, Plan plan) {
    List<Named> ending =
        kinds.stream().filter(k -> stem(lastWord(k.name())).equals(token.stem())).toList();
    if (ending.size() == 1 && plan.kind.isEmpty()) {
      close(left, plan);
      plan.kind = ending.getFirst().value();
    } else if (ending.size() > 1) {
      close(left, plan);
      plan.left.add(new Left(token.typed(), ending.stream().map(Named::name).toList()));
    } else if (!isJoining(token.typed()) || !left.isEmpty()) {
      // "To 140 characters": what joins words that are left belongs to them.
      left.add(token.typed());
    }
    return 1;
  }

  private static void close(List<String> left, Plan plan) {
    while (!left.isEmpty() && isJoining(left.getLast())) {
      left.removeLast();
    }
    if (!left.isEmpty()) {
      plan.left.add(new Left(String.join(" ", left), List.of()));
      left.clear();
    }
  }

  private static boolean isJoining(String word) {
    return JOINING.contains(word.toLowerCase(Locale.ROOT)) || JOINING.contains(stem(word));
  }

  private record Match(Phrase phrase, int number) {}

  /** The longest phrase that stands here; a verb only where the order begins. */
  private Match longest(List<Token> tokens, int at, Plan plan) {
    for (Phrase phrase : phrases) {
      int number = matches(phrase, tokens, at);
      boolean isVerb = VERBS.contains(phrase.shown());
      if (number >= 0 && (!isVerb || at == 0 && plan.verb == null)) {
        return new Match(phrase, number);
      }
    }
    return null;
  }

  /** The number in the words if they are the phrase, 0 if it has none, -1 if they aren't. */
  private static int matches(Phrase phrase, List<Token> tokens, int at) {
    if (at + phrase.stems().size() > tokens.size()) {
      return -1;
    }
    int number = 0;
    for (int i = 0; i < phrase.stems().size(); i++) {
      Token token = tokens.get(at + i);
      String wanted = phrase.stems().get(i);
      if (wanted.startsWith(NUMBER)) {
        if (!token.typed().matches(wanted.equals(LENGTH) ? "[1-9]\\d{0,4}" : "\\d{1,2}|100")) {
          return -1;
        }
        number = Integer.parseInt(token.typed());
      } else if (token.isQuoted() || !wanted.equals(token.stem())) {
        return -1;
      }
    }
    return number;
  }

  private static List<Token> tokens(String words) {
    List<Token> tokens = new ArrayList<>();
    Matcher m = TOKEN.matcher(words);
    while (m.find()) {
      String quoted = m.group(1) != null ? m.group(1) : m.group(2);
      String typed = quoted != null ? quoted : m.group().replaceAll("[.]+$", "");
      if (!typed.isEmpty()) {
        tokens.add(new Token(typed, stem(typed), quoted != null));
      }
    }
    return tokens;
  }

  private static String stem(String word) {
    return English.stem(word.toLowerCase(Locale.ROOT));
  }

  private static String lastWord(String name) {
    return English.lastWord(name);
  }

  /**
   * Orders that what was typed may become, by its last words.
   *
   * @param most how many at most
   */
  public List<String> completions(String typed, int most) {
    Set<String> completions = new LinkedHashSet<>();
    String lower = typed.toLowerCase(Locale.ROOT);
    for (int from = 0; from < lower.length() && completions.size() < most; from++) {
      boolean isStart = from == 0 || lower.charAt(from - 1) == ' ';
      String begun = lower.substring(from);
      if (!isStart || begun.isBlank()) {
        continue;
      }
      boolean isFirst = from == 0;
      for (Phrase phrase : phrases) {
        boolean goesOn =
            phrase.shown().toLowerCase(Locale.ROOT).startsWith(begun)
                && phrase.shown().length() > begun.length();
        if (goesOn && isFirst == VERBS.contains(phrase.shown()) && completions.size() < most) {
          completions.add(
              typed.substring(0, from)
                  + phrase.shown().replace(LENGTH, "140").replace(NUMBER, "90"));
        }
      }
    }
    return List.copyOf(completions);
  }
}
