package rhetor.core.compose;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import rhetor.core.compose.Message.Form;
import rhetor.core.fact.Claim;
import rhetor.core.fact.Value;
import rhetor.core.language.English;

/** The sentence that says what a product is, with the facts that matter most. */
final class Opening {
  private static final int PATTERNS = 9;
  private static final int ADJECTIVES = 2;
  private static final int STEM = 6;
  private static final Set<String> PLAIN =
      Set.of("with", "from", "made", "litre", "metre", "hour", "page", "lumen");

  private final Subject subject;
  private final KeywordUse keyword;
  private final List<Message> messages;
  private final Rotation rotation;

  /** A noun phrase with what it rests on and the messages it has said. */
  record Phrase(String words, List<Support> support, Set<Message> said, boolean isInformative) {}

  /** The opening and the messages it has said. */
  record Result(Sentence sentence, Set<Message> said) {}

  Opening(Subject subject, KeywordUse keyword, List<Message> messages, Rotation rotation) {
    this.subject = subject;
    this.keyword = keyword;
    this.messages = messages;
    this.rotation = rotation;
  }

  /**
   * What the product is, with its article: "a 20-litre waterproof commuter pannier in moss green".
   *
   * @param adjectives most adjectives to put before the noun
   * @param after most phrases to put after it
   */
  Phrase kind(int adjectives, int after) {
    Set<Message> said = new java.util.LinkedHashSet<>();
    List<Support> support = new ArrayList<>(subject.nameSupport());
    String noun = subject.kind();
    boolean keyed = keyword.usable() && !keyword.nounPhrase().isEmpty();
    if (keyed) {
      noun = keyword.nounPhrase();
      support.add(Support.keyword(keyword.keyword()));
    }
    // A keyword of several words has its adjectives already.
    int room = keyed && noun.split(" ").length > 2 ? Math.min(1, adjectives) : adjectives;
    List<Adjective> chosen = adjectives(noun, room, said, support);
    // What the noun itself says ("stoneware teapot") needn't be said again.
    for (Message m : messages) {
      boolean adjective =
          m.has(Form.ADJ) && Subject.hasWord(noun, m.get(Form.ADJ).toLowerCase(Locale.ROOT));
      if (keyed
          && (adjective
              || isNamedBy(m, noun)
              || m.theme().equals("use") && m.has(Form.PP) && overlaps(m.get(Form.PP), noun))) {
        said.add(m);
      }
    }
    StringBuilder phrase = new StringBuilder();
    chosen.stream()
        .sorted(Comparator.comparingInt(Adjective::order))
        .forEach(a -> phrase.append(a.words).append(' '));
    phrase.append(noun);
    int posts = 0;
    for (Message m : messages) {
      if (posts < after
          && m.has(Form.PP)
          && !said.contains(m)
          && !overlaps(m.get(Form.PP), phrase + " " + subject.name())) {
        phrase.append(' ').append(m.get(Form.PP));
        said.add(m);
        posts++;
      }
    }
    said.forEach(m -> support.add(m.support()));
    boolean informative = !chosen.isEmpty() || posts > 0 || keyed || !subject.nameHasKind();
    String words = subject.plural() ? phrase.toString() : English.withArticle(phrase.toString());
    return new Phrase(words, support, said, informative);
  }

  /** Whether the noun has the fact's value in it: "a black pannier" has said its colour. */
  private static boolean isNamedBy(Message m, String noun) {
    String value =
        switch (m.fact().value()) {
          case Value.Words(String text) -> text;
          case Value.Terms(List<String> items) when items.size() == 1 -> items.getFirst();
          default -> "";
        };
    return value.length() > 2 && Subject.hasWord(noun, value);
  }

  private record Adjective(String words, int order) {}

  private List<Adjective> adjectives(
      String noun, int most, Set<Message> said, List<Support> support) {
    List<Adjective> chosen = new ArrayList<>();
    for (Message m : messages) {
      if (chosen.size() >= Math.min(most, ADJECTIVES)) {
        break;
      }
      String adjective = m.get(Form.ADJ);
      boolean measured = adjective != null && Character.isDigit(adjective.charAt(0));
      boolean one = !measured || chosen.stream().noneMatch(a -> a.order == 0);
      if (adjective != null && one && !overlaps(adjective, noun + " " + subject.name())) {
        chosen.add(
            new Adjective(
                adjective,
                measured || adjective.contains("-") && m.theme().equals("course")
                    ? 0
                    : m.fact().concept().equals("material") ? 3 : 2));
        said.add(m);
      }
    }
    if (chosen.size() < most) {
      licensed(noun, chosen, said, support);
    }
    return chosen;
  }

  /** One adjective that a claim licenses, the strongest first. */
  private void licensed(
      String noun, List<Adjective> chosen, Set<Message> said, List<Support> support) {
    for (Message m : messages) {
      for (Claim claim : m.claims()) {
        for (String adjective : claim.adj()) {
          boolean again =
              overlaps(adjective, noun + " " + subject.name())
                  || chosen.stream().anyMatch(a -> overlaps(adjective.split("-")[0], a.words));
          if (!again) {
            chosen.add(new Adjective(adjective, 1));
            support.add(m.support());
            support.add(Support.claim(claim.id()));
            if (claim.whole()) {
              said.add(m);
            }
            return;
          }
        }
      }
    }
  }

  /** Whether a word of the phrase that carries meaning stands in the other text already. */
  static boolean overlaps(String phrase, String text) {
    String lower = text.toLowerCase(Locale.ROOT);
    for (String word : phrase.toLowerCase(Locale.ROOT).split("[ -]")) {
      if (word.matches("\\p{L}{3}|.{4,}")
          && !PLAIN.contains(word)
          && (Subject.hasWord(lower, word) || sharesStem(word, lower))) {
        return true;
      }
    }
    return false;
  }

  /** "Commuting" says nothing new after "commuter". */
  private static boolean sharesStem(String word, String text) {
    if (word.length() <= STEM) {
      return false;
    }
    int at = text.indexOf(word.substring(0, STEM));
    return at >= 0 && (at == 0 || !Character.isLetter(text.charAt(at - 1)));
  }

  /** Writes the sentence; {@code slot} tells openings of different fields apart. */
  Result write(String slot, int size) {
    if (!subject.canBeCalledKind()) {
      return withoutKind(slot, size);
    }
    // The short description stands right above the description: it doesn't open with the same
    // words.
    boolean whole = size > 1 && !slot.equals("short");
    Phrase kind = kind(whole ? 2 : 1, whole ? 1 : 0);
    if (!kind.isInformative && messages.stream().anyMatch(m -> m.verb() != null)) {
      // "The 60 Canister Filter is a canister filter" tells nobody anything.
      return withoutKind(slot, size);
    }
    List<Message> rest = messages.stream().filter(m -> !kind.said.contains(m)).toList();
    List<Message> verbs = rest.stream().filter(m -> m.has(Form.VERB)).limit(2).toList();
    List<Message> parts = rest.stream().filter(m -> m.has(Form.PART)).limit(1).toList();
    List<Message> withs =
        rest.stream()
            .filter(m -> m.has(Form.WITH) && !m.has(Form.VERB))
            .limit(size > 1 ? 2 : 1)
            .toList();
    List<Integer> feasible = new ArrayList<>();
    if (!parts.isEmpty()) {
      feasible.add(1);
      feasible.add(2);
      if (kind.isInformative) {
        feasible.add(8);
      }
    }
    if (!verbs.isEmpty()) {
      feasible.add(5);
      if (kind.isInformative) {
        feasible.add(3);
        feasible.add(7);
      }
    }
    if (!withs.isEmpty()) {
      feasible.add(4);
      if (kind.isInformative) {
        feasible.add(6);
      }
    }
    if (feasible.isEmpty()) {
      if (!kind.isInformative) {
        return withoutKind(slot, size);
      }
      feasible.add(0);
    }
    String is = subject.plural() ? " are " : " is ";
    String who = subject.fullReference();
    int pattern = rotation.pick("opening." + slot, PATTERNS, feasible);
    List<Message> used =
        switch (pattern) {
          case 1, 2, 8 -> parts;
          case 3 -> verbs.subList(0, 1);
          case 4, 6 -> withs;
          case 5, 7 -> size > 1 ? verbs : verbs.subList(0, 1);
          default -> List.of();
        };
    String words =
        switch (pattern) {
          case 1 -> who + is + kind.words + ", " + parts.getFirst().get(Form.PART);
          case 2 ->
              English.capitalise(parts.getFirst().get(Form.PART)) + ", " + who + is + kind.words;
          case 3 ->
              kind.words
                  + ", "
                  + who
                  + " "
                  + SentenceWriter.predicate(verbsOf(used), subject.plural());
          case 4 ->
              who
                  + is
                  + kind.words
                  + " with "
                  + SentenceWriter.things(withs.stream().map(m -> m.get(Form.WITH)).toList());
          case 5 ->
              who
                  + is
                  + kind.words
                  + " that "
                  + SentenceWriter.predicate(verbsOf(used), subject.plural());
          case 6 ->
              "With "
                  + SentenceWriter.things(withs.stream().map(m -> m.get(Form.WITH)).toList())
                  + ", "
                  + who
                  + is
                  + kind.words;
          case 7 ->
              who
                  + ", "
                  + kind.words
                  + ", "
                  + SentenceWriter.predicate(verbsOf(used), subject.plural());
          case 8 -> who + ", " + parts.getFirst().get(Form.PART) + "," + is + kind.words;
          default -> who + is + kind.words;
        };
    Set<Message> said = new java.util.LinkedHashSet<>(kind.said);
    said.addAll(used);
    List<Support> support = new ArrayList<>(kind.support);
    used.forEach(m -> support.add(m.support()));
    return new Result(SentenceWriter.finish(words, support), said);
  }

  private static List<String> verbsOf(List<Message> messages) {
    return messages.stream().map(Message::verb).toList();
  }

  /** For a product that can't be named by a noun: its name and what it does or has. */
  private Result withoutKind(String slot, int size) {
    List<Message> used =
        messages.stream().filter(m -> m.verb() != null).limit(size > 1 ? 2 : 1).toList();
    if (used.isEmpty()) {
      return withClause();
    }
    List<Support> support = new ArrayList<>(subject.nameSupport());
    used.forEach(m -> support.add(m.support()));
    String who = subject.fullReference();
    // The description stands right below the short description, so it sets out from another fact.
    boolean turned = slot.equals("description") && used.size() == 2;
    Message first = used.getFirst();
    String words;
    if (turned && first.has(Form.WITH) && !first.has(Form.VERB)) {
      words = "with " + first.get(Form.WITH) + ", " + who + " " + said(used.subList(1, 2));
    } else if (turned && first.has(Form.PART) && !first.has(Form.VERB)) {
      words = first.get(Form.PART) + ", " + who + " " + said(used.subList(1, 2));
    } else {
      words = who + " " + said(turned ? used.reversed() : used);
    }
    return new Result(SentenceWriter.finish(words, support), Set.copyOf(used));
  }

  private String said(List<Message> messages) {
    return SentenceWriter.predicate(verbsOf(messages), subject.plural());
  }

  private Result withClause() {
    return messages.stream()
        .filter(m -> m.has(Form.CLAUSE))
        .findFirst()
        .map(
            m -> {
              List<Support> support = new ArrayList<>(subject.nameSupport());
              support.add(m.support());
              String clause = m.get(Form.CLAUSE);
              String words =
                  clause.startsWith(SentenceWriter.SHARED)
                      ? SentenceWriter.SHARED
                          + "of "
                          + subject.name()
                          + " "
                          + clause.substring(SentenceWriter.SHARED.length())
                      : subject.fullReference() + ": " + clause;
              return new Result(SentenceWriter.finish(words, support), Set.of(m));
            })
        .orElse(null);
  }
}
