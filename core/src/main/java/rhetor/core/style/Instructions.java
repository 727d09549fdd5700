package rhetor.core.style;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import rhetor.core.language.English;

/**
 * Reads what a house asks for in plain words: what is understood becomes a rule of its style, which
 * is said back; the rest is kept for text models.
 */
public final class Instructions {
  /** Longest line that is read. */
  private static final int LONGEST = 300;

  private static final int SHORT_SENTENCES = 12;

  private Instructions() {}

  /**
   * One instruction, as it was understood.
   *
   * @param words what was asked for
   * @param rule what it means, in Rhetor's words; empty if it wasn't understood
   * @param problem what it contradicts; empty if nothing
   */
  public record Understood(String words, String rule, String problem) {
    /** Whether it became a rule. */
    public boolean becameRule() {
      return !rule.isEmpty();
    }
  }

  /**
   * What came of several instructions.
   *
   * @param lines each of them
   * @param style the style with the rules that they became; those that contradict it are left out
   */
  public record Reading(List<Understood> lines, Style style) {}

  /** What a rule does to a style. */
  private record Rule(String says, Consumer<Style.Parts> change) {}

  private interface Maker {
    /** The rule; nothing if the words make no sense. */
    Optional<Rule> of(Matcher m, Style style);
  }

  private static final Map<Pattern, Maker> MAKERS = new LinkedHashMap<>();

  private static void when(String pattern, Maker maker) {
    MAKERS.put(Pattern.compile(pattern, Pattern.CASE_INSENSITIVE), maker);
  }

  private static final String NOT =
      "(?:(?:please )?(?:do not|don[’']t|never|must not|should not|avoid|no|without) ?(?:ever )?)";
  private static final String MOST =
      "(?:no more than|not more than|at most|up to|under|below|less than|fewer than|a maximum of|max(?:imum|\\.)?|within|not over|no longer than|not exceed(?:ing)?|limit(?:ed)? to)";
  private static final String LEAST =
      "(?:at least|no fewer than|no less than|not less than|not under|more than|over|a minimum of|min(?:imum|\\.)?)";
  private static final String NUMBER = "(?<n>\\d{1,5}|\\p{L}+)";

  static {
    when(
        ".*\\bsentences?\\b.*?"
            + MOST
            + " "
            + NUMBER
            + " words.*|.*\\bno sentences? (?:over|above|longer than) (?<k>\\d+) words.*",
        (m, s) -> sentences(number(m.group("n") == null ? m.group("k") : m.group("n"))));
    when(".*\\bshort sentences\\b.*", (m, s) -> sentences(SHORT_SENTENCES));
    when(
        "(?<f>.*?)\\b" + MOST + " " + NUMBER + " (?<u>words|characters|letters|signs)\\b(?<g>.*)",
        (m, s) -> length(m, s, true));
    when(
        "(?<f>.*?)\\b" + LEAST + " " + NUMBER + " (?<u>words|characters|letters|signs)\\b(?<g>.*)",
        (m, s) -> length(m, s, false));
    when(
        "(?:always )?(?:use|write|spell(?: in)?|in) (?<w>british|uk|american|us|u\\.s\\.)(?: english)?(?: spellings?| english)?",
        (m, s) -> spelling(m.group("w")));
    when(
        "(?:(?:use |write )?"
            + NOT
            + "(?:use |write )?|skip |leave out )exclamation (?:marks|points)|"
            + NOT
            + "exclaim",
        (m, s) -> rule("Texts have no exclamation marks.", p -> p.exclamations = false));
    when(
        "exclamation (?:marks|points) (?:are|may).*|(?:use|allow) exclamation (?:marks|points)",
        (m, s) -> rule("Exclamation marks may stand in texts.", p -> p.exclamations = true));
    when(
        "(?:" + NOT + "(?:use |write )?|skip |leave out )(?:emojis?|smileys)",
        (m, s) -> rule("Texts have no emoji.", p -> p.emoji = false));
    when(
        "emojis? (?:are|may).*|(?:use|allow) emojis?",
        (m, s) -> rule("Emoji may stand in texts.", p -> p.emoji = true));
    when(
        NOT
            + "(?:use |write )?contractions|"
            + NOT
            + "contract(?: verbs)?|write (?:verbs|words) out",
        (m, s) ->
            tuned(
                "Verbs are written out.",
                t ->
                    new Tuning(
                        t.formality(),
                        t.warmth(),
                        t.energy(),
                        t.person(),
                        Tuning.Contractions.NEVER,
                        t.sentenceWords())));
    when(
        "(?:use |write )contractions|contract verbs",
        (m, s) ->
            tuned(
                "Verbs are contracted.",
                t ->
                    new Tuning(
                        t.formality(),
                        t.warmth(),
                        t.energy(),
                        t.person(),
                        Tuning.Contractions.ALWAYS,
                        t.sentenceWords())));
    when(
        NOT
            + "(?:address (?:the )?(?:readers?|customers?|buyers?)|(?:say|use|write) [\"“'‘]?you[\"”'’]?)",
        (m, s) -> person("Nobody is addressed.", Tuning.Person.NOBODY));
    when(
        "(?:address|speak to|talk to) (?:the )?(?:readers?|customers?|buyers?).*|(?:say|use|write) [\"“'‘]?you[\"”'’]?",
        (m, s) -> person("The reader is addressed.", Tuning.Person.YOU));
    when(
        "(?:sound|be|write|keep it|tone:?|make it) (?<by>a little |a bit |rather |more |less |not too |very |quite )?(?<w>formal|casual|informal|warm|friendly|cool|matter-of-fact|brisk|energetic|calm|quiet)(?:ly)?",
        (m, s) -> tone(m.group("by"), m.group("w"), s));
    when(
        "write for (?<w>.+)|(?:our|the) (?:readers|customers|buyers) are (?<v>.+)",
        (m, s) -> {
          String who = m.group("w") == null ? m.group("v") : m.group("w");
          return rule("Texts are for " + who + ".", p -> p.audience = who);
        });
    when(
        "(?:say|use|write) (?<w>.+?) (?:instead of|rather than|in place of) (?<v>.+)",
        (m, s) -> instead(m.group("v"), m.group("w")));
    when(
        NOT
            + "(?:say|use|write) (?<v>.+?)[,;:]? (?:but |and )?(?:say|use|write) (?<w>.+?)(?: instead)?",
        (m, s) -> instead(m.group("v"), m.group("w")));
    when(
        "(?:say|use|write) (?<w>.+?),? not (?<v>.+)",
        (m, s) -> instead(m.group("v"), m.group("w")));
    when("replace (?<v>.+?) (?:with|by) (?<w>.+)", (m, s) -> instead(m.group("v"), m.group("w")));
    when(
        NOT
            + "(?:put |use |write |have |mention )?(?<w>.+?) in (?:the |any |our )?titles?|keep (?<v>.+?) out of (?:the |any )?titles?",
        (m, s) -> {
          String word = word(m.group("w") == null ? m.group("v") : m.group("w"));
          return rule(
              "Titles never have \"" + word + "\".", p -> p.notInTitles = and(p.notInTitles, word));
        });
    when(
        NOT + "(?:call (?:it|them|anything)|describe (?:it|them|anything) as) (?<w>.+)",
        (m, s) -> ban(m.group("w")));
    when(
        NOT
            + "(?:mention(?:ing)?|say(?:ing)?|use|using|write|writing|speak(?:ing)? of|talk(?:ing)? (?:of|about)|include|including) (?:the (?:words?|phrase) )?(?<w>.+)",
        (m, s) -> ban(m.group("w")));
    when(
        "(?:always )?(?:say|mention|add|state|tell (?:the )?(?:readers?|customers?|buyers?)|point out|end with)(?: in every (?:text|description))? that (?<w>.+)",
        (m, s) -> {
          String sentence = sentence(m.group("w"));
          return rule(
              "Every description ends: \"" + sentence + "\"",
              p -> p.always = and(p.always, sentence));
        });
    when(
        "(?:always )?(?:use|include|mention|have|contain)(?: the (?:words?|phrase))? (?<w>[\"“'‘].+[\"”'’]|.+?)(?: in every (?:text|description))?",
        (m, s) -> {
          String word = word(m.group("w"));
          return word.split(" ").length > 4
              ? Optional.empty()
              : rule(
                  "Every description has \"" + word + "\".",
                  p -> p.required = and(p.required, word));
        });
  }

  /**
   * Reads instructions.
   *
   * @param lines each an instruction
   * @param style the style that they are added to
   */
  public static Reading read(List<String> lines, Style style) {
    List<Understood> understood = new ArrayList<>();
    Style now = style;
    for (String line : lines) {
      String asked = line.strip();
      if (asked.isEmpty()) {
        continue;
      }
      Optional<Rule> rule = asked.length() > LONGEST ? Optional.empty() : rule(asked, now);
      if (rule.isEmpty()) {
        now = now.with(p -> p.instructions = and(p.instructions, asked));
        understood.add(new Understood(asked, "", ""));
        continue;
      }
      Style before = now;
      Style then = now.with(rule.get().change);
      String problem = contradiction(before, then);
      understood.add(new Understood(asked, rule.get().says, problem));
      now = problem.isEmpty() ? then : now;
    }
    return new Reading(understood, now);
  }

  private static String contradiction(Style before, Style then) {
    Set<StyleProblem> old = new HashSet<>(StyleProblem.of(before));
    return StyleProblem.of(then).stream()
        .filter(p -> !old.contains(p))
        .findFirst()
        .map(StyleProblem::why)
        .orElse("");
  }

  private static Optional<Rule> rule(String asked, Style style) {
    String words = asked.replaceAll("[.!;]+$", "").replaceAll("\\s+", " ");
    for (Map.Entry<Pattern, Maker> maker : MAKERS.entrySet()) {
      Matcher m = maker.getKey().matcher(words);
      if (m.matches()) {
        return maker.getValue().of(m, style);
      }
    }
    return Optional.empty();
  }

  private static Optional<Rule> rule(String says, Consumer<Style.Parts> change) {
    return Optional.of(new Rule(says, change));
  }

  private static List<String> and(List<String> list, String one) {
    return Stream.concat(list.stream(), Stream.of(one)).distinct().toList();
  }

  private static int number(String words) {
    if (words.chars().allMatch(Character::isDigit)) {
      return Integer.parseInt(words);
    }
    for (int n = 1; n <= 12; n++) {
      if (English.number(n).equalsIgnoreCase(words)) {
        return n;
      }
    }
    List<String> tens =
        List.of(
            "ten", "twenty", "thirty", "forty", "fifty", "sixty", "seventy", "eighty", "ninety",
            "hundred");
    return (tens.indexOf(words.toLowerCase(Locale.ROOT)) + 1) * 10;
  }

  private static Optional<Rule> sentences(int words) {
    return words == 0
        ? Optional.empty()
        : tuned(
            "Sentences have up to " + words + " words.",
            t ->
                new Tuning(
                    t.formality(), t.warmth(), t.energy(), t.person(), t.contractions(), words));
  }

  private static Optional<Rule> tuned(
      String says, java.util.function.UnaryOperator<Tuning> change) {
    return rule(says, p -> p.tuning = change.apply(p.tuning));
  }

  private static Optional<Rule> person(String says, Tuning.Person person) {
    return tuned(
        says,
        t ->
            new Tuning(
                t.formality(),
                t.warmth(),
                t.energy(),
                person,
                t.contractions(),
                t.sentenceWords()));
  }

  private static Optional<Rule> tone(String by, String word, Style style) {
    String how = by == null ? "" : by.strip().toLowerCase(Locale.ROOT);
    int far =
        switch (how) {
          case "very", "quite" -> 2;
          case "less", "not too" -> -1;
          default -> 1;
        };
    Tuning t = style.tuning();
    String tone = word.toLowerCase(Locale.ROOT);
    int formality =
        switch (tone) {
          case "formal" -> far;
          case "casual", "informal" -> -far;
          default -> t.formality();
        };
    int warmth =
        switch (tone) {
          case "warm", "friendly" -> far;
          case "cool", "matter-of-fact" -> -far;
          default -> t.warmth();
        };
    int energy =
        switch (tone) {
          case "brisk", "energetic" -> far;
          case "calm", "quiet" -> -far;
          default -> t.energy();
        };
    String degree =
        Math.abs(far) == 2
            ? "very "
            : how.startsWith("less") || how.startsWith("not") ? "less " : "rather ";
    return tuned(
        "Texts sound " + degree + tone + ".",
        now ->
            new Tuning(
                formality, warmth, energy, now.person(), now.contractions(), now.sentenceWords()));
  }

  private static Optional<Rule> spelling(String which) {
    Spelling spelling =
        which.toLowerCase(Locale.ROOT).startsWith("b") || which.equalsIgnoreCase("uk")
            ? Spelling.BRITISH
            : Spelling.AMERICAN;
    return rule("Texts are spelt in " + spelling.label() + " English.", p -> p.spelling = spelling);
  }

  /** The field that words name, the longest name first; the description if none. */
  private static Field field(String words) {
    String lower = words.toLowerCase(Locale.ROOT);
    return Arrays.stream(Field.values())
        .sorted((a, b) -> b.label().length() - a.label().length())
        .filter(f -> lower.contains(f.label().toLowerCase(Locale.ROOT)))
        .findFirst()
        .orElse(lower.contains("alt text") ? Field.IMAGE_ALT : Field.DESCRIPTION);
  }

  private static Optional<Rule> length(Matcher m, Style style, boolean most) {
    int n = number(m.group("n"));
    if (n == 0) {
      return Optional.empty();
    }
    boolean words = m.group("u").equalsIgnoreCase("words");
    Field field = field(m.group("f") + " " + m.group("g"));
    Length now = style.lengths().getOrDefault(field, new Length(0, 0, 0, 0));
    Length then =
        new Length(
            !most && !words ? n : now.leastCharacters(),
            most && !words ? n : now.mostCharacters(),
            !most && words ? n : now.leastWords(),
            most && words ? n : now.mostWords());
    return rule(
        "%s: %s %,d %s."
            .formatted(
                field.label(), most ? "at most" : "at least", n, words ? "words" : "characters"),
        p -> {
          Map<Field, Length> lengths = new EnumMap<>(Field.class);
          lengths.putAll(p.lengths);
          lengths.put(field, then);
          p.lengths = lengths;
        });
  }

  /** The words that are meant, without quotation marks and what only leads to them. */
  private static String word(String words) {
    return words
        .strip()
        .replaceFirst("(?i)^(?:the (?:words?|phrase) |it |them )", "")
        .replaceAll("^[\"“”'‘’]+|[\"“”'‘’]+$", "")
        .replaceFirst("(?i)^(?:the|a|an|any) ", "")
        .strip();
  }

  private static Optional<Rule> ban(String words) {
    String word = word(words);
    return word.isEmpty() || word.split(" ").length > 4
        ? Optional.empty()
        : rule(
            "No text says \"" + word + "\".",
            p -> p.banned = banned(p.banned, new BannedWord(word, "")));
  }

  private static Optional<Rule> instead(String words, String other) {
    String word = word(words);
    String instead = word(other);
    return word.isEmpty() || instead.isEmpty() || word.split(" ").length > 4
        ? Optional.empty()
        : rule(
            "Texts say \"" + instead + "\" and not \"" + word + "\".",
            p -> p.banned = banned(p.banned, new BannedWord(word, instead)));
  }

  private static List<BannedWord> banned(List<BannedWord> list, BannedWord one) {
    return Stream.concat(
            list.stream().filter(b -> !b.word().equalsIgnoreCase(one.word())), Stream.of(one))
        .toList();
  }

  private static String sentence(String words) {
    String sentence = English.capitalise(words.strip());
    return sentence.matches("(?s).*[.!?]") ? sentence : sentence + ".";
  }
}
