package rhetor.core.compose;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rhetor.core.compose.Message.Form;
import rhetor.core.fact.Claim;
import rhetor.core.language.English;

/** Builds grammatical sentences from groups of messages. */
final class SentenceWriter {
  /** Longer sentences are split in two. */
  private static final int LONGEST = 190;

  /** Stands between the items of a list until the sentence it is in is known. */
  static final String ITEM = "\u0001";

  private static final Pattern AGREE = Pattern.compile("~([a-z]+)");
  private static final int PATTERNS = 4;

  /** Verbs that are said once for all that follows them. */
  private static final Set<String> MERGED = Set.of("be", "have");

  /** What clauses about growing are about. */
  static final String SHARED = "plants ";

  private final Subject subject;
  private final Rotation rotation;
  private final List<String> claimsUsed = new ArrayList<>();
  private String lastStart = "";
  private boolean lastAboutProduct = true;

  SentenceWriter(Subject subject, Rotation rotation) {
    this.subject = subject;
    this.rotation = rotation;
  }

  /** Sentences for one group, usually one. */
  List<Sentence> write(List<Message> group, boolean startsParagraph) {
    Sentence whole = sentence(group, startsParagraph);
    if (whole.text().length() > LONGEST && group.size() > 1) {
      int half = (group.size() + 1) / 2;
      List<Sentence> split = new ArrayList<>(write(group.subList(0, half), startsParagraph));
      split.addAll(write(group.subList(half, group.size()), false));
      return split;
    }
    lastStart = whole.text().split(" ", 2)[0];
    lastAboutProduct = group.stream().anyMatch(m -> m.verb() != null);
    return List.of(whole);
  }

  private Sentence sentence(List<Message> group, boolean startsParagraph) {
    List<Message> verbs = group.stream().filter(m -> m.verb() != null).toList();
    List<Message> clauses = group.stream().filter(m -> m.verb() == null).toList();
    List<Support> support = new ArrayList<>(group.stream().map(Message::support).toList());
    if (verbs.isEmpty()) {
      return finish(clauses(clauses), support);
    }
    String who = refer(startsParagraph, support);
    String main =
        verbs.size() == 1 && clauses.isEmpty() && claim(verbs.getFirst()).isPresent()
            ? withClaim(who, verbs.getFirst(), claim(verbs.getFirst()).get(), support)
            : main(who, verbs);
    // Two "and" in a row are hard to read; a semicolon keeps the clauses apart.
    String joint = clauses.size() == 1 && !main.contains(" and ") ? ", and " : "; ";
    return finish(clauses.isEmpty() ? main : main + joint + clauses(clauses), support);
  }

  private Optional<Claim> claim(Message message) {
    return message.claims().stream()
        .filter(c -> !c.so().isEmpty() && !claimsUsed.contains(c.id()))
        .findFirst();
  }

  private String withClaim(String who, Message message, Claim claim, List<Support> support) {
    claimsUsed.add(claim.id());
    support.add(Support.claim(claim.id()));
    String so = agreeAll(rotation.pick(claim.id(), claim.so()).replace("{it}", subject.pronoun()));
    return who + " " + predicate(List.of(message.verb())) + ", so " + so;
  }

  private String main(String who, List<Message> verbs) {
    List<Integer> feasible = new ArrayList<>(List.of(0));
    List<Message> parts = verbs.stream().filter(m -> m.has(Form.PART)).toList();
    List<Message> withs =
        verbs.stream().filter(m -> m.has(Form.WITH) && !m.has(Form.VERB)).toList();
    boolean two = verbs.size() >= 2;
    if (two && !parts.isEmpty() && verbs.stream().anyMatch(m -> m.has(Form.VERB))) {
      feasible.add(1);
    }
    boolean alreadyWith = verbs.stream().anyMatch(m -> m.verb().contains(" with "));
    if (two && !alreadyWith && !withs.isEmpty() && withs.size() < verbs.size()) {
      // "It measures 18 × 29 cm with a pump" pairs what doesn't belong together.
      boolean related =
          verbs.stream().map(Message::theme).distinct().count() == 1
              && !verbs.getFirst().theme().equals("size");
      if (related
          && verbs.stream()
              .noneMatch(m -> m.verb().startsWith("come ") || m.verb().contains(" for "))) {
        feasible.add(2);
        feasible.add(3);
      }
    }
    return switch (rotation.pick("sentence", PATTERNS, feasible)) {
      case 1 -> {
        Message front = parts.getFirst();
        yield English.capitalise(front.get(Form.PART))
            + ", "
            + who
            + " "
            + predicate(verbsOf(without(verbs, List.of(front))));
      }
      case 2 ->
          who
              + " "
              + predicate(verbsOf(without(verbs, withs)))
              + joinedWith(verbsOf(without(verbs, withs)), withs);
      case 3 ->
          "with " + nouns(withs) + ", " + who + " " + predicate(verbsOf(without(verbs, withs)));
      default -> who + " " + predicate(verbsOf(verbs));
    };
  }

  private static String joinedWith(List<String> before, List<Message> withs) {
    return (before.size() > 1 ? ", with " : " with ") + nouns(withs);
  }

  private static String nouns(List<Message> withs) {
    return things(withs.stream().map(m -> m.get(Form.WITH)).toList());
  }

  /** Noun phrases as one list; a phrase that is a list itself is taken apart. */
  static String things(List<String> phrases) {
    return English.list(
        phrases.stream().flatMap(p -> java.util.Arrays.stream(p.split(ITEM))).toList());
  }

  private static List<Message> without(List<Message> all, List<Message> some) {
    return all.stream().filter(m -> !some.contains(m)).toList();
  }

  private static List<String> verbsOf(List<Message> messages) {
    return messages.stream().map(Message::verb).toList();
  }

  /** Verb phrases made to agree with the subject and joined; a verb that repeats is said once. */
  String predicate(List<String> verbPhrases) {
    return predicate(verbPhrases, subject.plural());
  }

  static String predicate(List<String> verbPhrases, boolean plural) {
    Map<String, List<String>> byVerb = new LinkedHashMap<>();
    for (String phrase : verbPhrases) {
      String[] parts = phrase.split(" ", 2);
      // "Is made of canvas and rated IPX6", but not "grows in sun and to 35 cm".
      boolean joins = MERGED.contains(parts[0]) || phrase.startsWith("come in ");
      String key = joins ? parts[0] : phrase;
      byVerb.computeIfAbsent(key, v -> new ArrayList<>()).add(key.equals(phrase) ? "" : parts[1]);
    }
    List<String> joined = new ArrayList<>();
    // "3 mm wide and made of gold", not "made of gold and 3 mm wide".
    byVerb
        .getOrDefault("be", new ArrayList<>())
        .sort(Comparator.comparing(r -> !r.matches("[\\d.,]+ .*(?:long|wide|high|deep|thick)")));
    byVerb.forEach((verb, rests) -> joined.add(English.agree(verb, plural) + " " + things(rests)));
    return English.list(joined.stream().map(String::strip).toList());
  }

  private static String clauses(List<Message> messages) {
    List<String> clauses =
        withoutRepeatedSubject(messages.stream().map(m -> m.get(Form.CLAUSE)).toList());
    return clauses.size() == 1
        ? clauses.getFirst()
        : String.join(", ", clauses.subList(0, clauses.size() - 1)) + ", and " + clauses.getLast();
  }

  /**
   * "Plants reach 30 cm and stand 10 cm apart": a subject that several clauses share is said once.
   */
  private static List<String> withoutRepeatedSubject(List<String> clauses) {
    Map<String, List<String>> bySubject = new LinkedHashMap<>();
    for (String clause : clauses) {
      boolean shared = clause.startsWith(SHARED) && clause.indexOf(ITEM) < 0;
      bySubject
          .computeIfAbsent(shared ? SHARED : clause, s -> new ArrayList<>())
          .add(shared ? clause.substring(SHARED.length()) : "");
    }
    List<String> joined = new ArrayList<>();
    bySubject.forEach(
        (subject, rests) ->
            joined.add(rests.equals(List.of("")) ? subject : subject + English.list(rests)));
    return joined;
  }

  /**
   * Name, noun or pronoun: the noun where a paragraph starts or the last sentence began with it.
   */
  private String refer(boolean startsParagraph, List<Support> support) {
    boolean pronounAgain = lastStart.equalsIgnoreCase(subject.pronoun());
    if (!startsParagraph && !pronounAgain && lastAboutProduct) {
      return subject.pronoun();
    }
    if (!subject.noun().isEmpty()) {
      return "the " + subject.noun();
    }
    support.addAll(subject.nameSupport());
    return subject.shortReference();
  }

  private String agreeAll(String clause) {
    if (clause.indexOf('~') < 0) {
      return clause;
    }
    Matcher m = AGREE.matcher(clause);
    StringBuilder out = new StringBuilder();
    while (m.find()) {
      m.appendReplacement(out, English.agree(m.group(1), subject.plural()));
    }
    return m.appendTail(out).toString();
  }

  /** Resolves a list inside a clause: "included are a harness, a helmet and ropes". */
  private static String listed(String words) {
    int last = words.lastIndexOf(ITEM);
    return last < 0
        ? words
        : (words.substring(0, last) + " and " + words.substring(last + 1)).replace(ITEM, ", ");
  }

  static Sentence finish(String words, List<Support> support) {
    String text = English.capitalise(listed(words.strip()));
    while (text.contains("  ")) {
      text = text.replace("  ", " ");
    }
    char last = text.charAt(text.length() - 1);
    return new Sentence(last == '.' || last == '!' || last == '?' ? text : text + ".", support);
  }
}
