package rhetor.core.say.en;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Pattern;
import rhetor.core.knowledge.Claim;
import rhetor.core.language.English;
import rhetor.core.plan.Message;
import rhetor.core.plan.Message.Form;
import rhetor.core.text.Support;

/**
 * What a product is, with its article: "a 20-litre waterproof commuter pannier in moss green".
 *
 * @param support what it rests on
 * @param said the messages that it tells
 * @param isInformative whether it says more than the product's name does
 */
public record NounPhrase(
    String words, List<Support> support, Set<Message> said, boolean isInformative) {

  /**
   * The phrase for a product.
   *
   * @param messages what it may tell, what matters most first
   * @param adjectives most adjectives to put before the noun
   * @param after most phrases to put after it
   */
  public static NounPhrase of(
      Subject subject, KeywordUse keyword, List<Message> messages, int adjectives, int after) {
    return new Making(subject, keyword, messages).phrase(adjectives, after);
  }

  private record Adjective(String words, int order) {}

  /** The making of one phrase. */
  private static final class Making {
    /** Of so many times, an adjective that could stand behind the noun does so once. */
    private static final int BEHIND = 3;

    private static final int ADJECTIVES = 2;

    /** A keyword that goes on behind its noun. */
    private static final Pattern GOES_ON = Pattern.compile(" (?:with|without|for) ");

    private final Subject subject;
    private final KeywordUse keyword;
    private final List<Message> messages;

    Making(Subject subject, KeywordUse keyword, List<Message> messages) {
      this.subject = subject;
      this.keyword = keyword;
      this.messages = messages;
    }

    NounPhrase phrase(int adjectives, int after) {
      Set<Message> said = new LinkedHashSet<>();
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
        boolean adjective = m.has(Form.ADJ) && has(noun, m.get(Form.ADJ).toLowerCase(Locale.ROOT));
        if (adjective
            || m.isNamedBy(noun)
            || m.theme().equals("use") && m.has(Form.PP) && Echo.overlaps(m.get(Form.PP), noun)) {
          said.add(m);
        }
      }
      StringBuilder phrase = new StringBuilder();
      chosen.sort(Comparator.comparingInt(Adjective::order));
      chosen.forEach(a -> phrase.append(a.words).append(' '));
      phrase.append(noun);
      int posts = 0;
      boolean isOfPlace = false;
      for (Message m : messages) {
        // "A toothbrush with app in black": what is black?
        // "In a natural colour from Portugal": the colour comes from nowhere.
        boolean isApart = isOfPlace || posts > 0 && m.theme().equals("origin");
        if (posts < after
            && !isApart
            && !GOES_ON.matcher(noun).find()
            && m.has(Form.PP)
            && !said.contains(m)
            && !Echo.overlaps(m.get(Form.PP), phrase + " " + subject.name())) {
          phrase.append(' ').append(m.get(Form.PP));
          said.add(m);
          posts++;
          isOfPlace = m.theme().equals("origin");
        }
      }
      said.forEach(m -> support.addAll(m.supports()));
      boolean informative = !chosen.isEmpty() || posts > 0 || keyed || !subject.nameHasKind();
      // "A cotton towel", but "cotton bed linen" and "grey socks".
      // A name that speaks of one thing: "the Dungaree Bram is a pair of dungarees".
      boolean isPair = !subject.plural() && English.isPluralOnly(noun);
      if (isPair) {
        phrase.insert(0, "pair of ");
      }
      boolean bare = !isPair && (subject.plural() || English.withArticle(noun).equals(noun));
      String words = bare ? phrase.toString() : English.withArticle(phrase.toString());
      return new NounPhrase(words, support, said, informative);
    }

    /** An "800 lumen torch" has said "800-lumen" too. */
    private static boolean has(String noun, String adjective) {
      return Subject.hasWord(noun, adjective) || Subject.hasWord(noun, adjective.replace('-', ' '));
    }

    private List<Adjective> adjectives(
        String noun, int most, Set<Message> said, List<Support> support) {
      List<Adjective> chosen = new ArrayList<>();
      String called = noun + " " + subject.name();
      for (Message m : messages) {
        if (chosen.size() >= Math.min(most, ADJECTIVES)) {
          break;
        }
        String adjective = m.get(Form.ADJ);
        boolean measured = adjective != null && Character.isDigit(adjective.charAt(0));
        boolean one = !measured || chosen.stream().noneMatch(a -> a.order == 0);
        // Now and then "a soap of 120 g" rather than "a 120 g soap".
        boolean behind = m.has(Form.PP) && Math.floorMod(m.turn() + m.shift(), BEHIND) == 0;
        // "A recycled polyester moss green pannier": a keyword of several words has its own.
        // And "a recycled polyester shoulder bag" has four nouns in a row.
        boolean apart =
            noun.contains(" ")
                && (!noun.equals(subject.kind()) || adjective != null && adjective.contains(" "))
                && m.fact().concept().equals("material");
        // "An 800-lumen 800 lumen torch": the keyword has the amount already.
        boolean counted = measured && Subject.hasWord(noun, adjective.split("[ -]")[0]);
        if (!apart
            && !counted
            && adjective != null
            && !behind
            && one
            && !Echo.overlaps(adjective, called)) {
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
        licensed(called, chosen, said, support);
      }
      return chosen;
    }

    /** "An organic-cotton shirt made of organic cotton" says it twice. */
    private static boolean saysItself(Message m, String adjective) {
      String said = m.fact().source().raw().toLowerCase(Locale.ROOT);
      return List.of(adjective.split("-")).stream().allMatch(said::contains);
    }

    /** One adjective that a claim licenses, the strongest first. */
    private void licensed(
        String called, List<Adjective> chosen, Set<Message> said, List<Support> support) {
      for (Message m : messages) {
        // What "waterproof" says already, "splash-proof" would say less of.
        for (Claim claim : m.claims()) {
          for (String adjective : claim.adj()) {
            if (Echo.overlaps(adjective, called)) {
              return;
            }
          }
        }
        for (Claim claim : m.claims()) {
          for (String adjective : claim.adj()) {
            boolean again =
                chosen.stream().anyMatch(a -> Echo.overlaps(adjective.split("-")[0], a.words));
            if (!again && (claim.whole() || !saysItself(m, adjective))) {
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
  }
}
