package rhetor.core.language;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import net.sf.extjwnl.JWNLException;
import net.sf.extjwnl.data.IndexWord;
import net.sf.extjwnl.data.POS;
import net.sf.extjwnl.data.Pointer;
import net.sf.extjwnl.data.PointerTarget;
import net.sf.extjwnl.data.PointerType;
import net.sf.extjwnl.data.Synset;
import net.sf.extjwnl.data.Word;
import net.sf.extjwnl.dictionary.Dictionary;

/**
 * What English words mean, by WordNet 3.1 (Miller 1995): how many senses they have, and what is a
 * kind of what. All senses count, since the first is often the wrong one. Safe for several threads.
 */
public final class Lexicon {
  private static final int SHORTEST_PLURAL = 4;

  /** Fields of nouns that name what can be made, grown or eaten. */
  private static final Set<String> GOODS =
      Set.of("noun.artifact", "noun.food", "noun.plant", "noun.substance", "noun.animal");

  private static final int LONGEST = 60;

  /** More are not counted. */
  private static final int MANY_KINDS = 1000;

  private static final class Loaded {
    static final Lexicon LEXICON = new Lexicon();
  }

  private final Dictionary dictionary;
  private final Memo<List<Synset>> nouns = new Memo<>(this::find);
  private final Memo<Set<Long>> ancestors = new Memo<>(this::findAncestors);
  private final Memo<Boolean> common = new Memo<>(this::findCommon);

  /** WordNet gives the senses of a word by how often it has them. */
  private static final int MAIN_SENSES = 4;

  /** So many senses of an adjective may have a contrary that is meant. */
  private static final int CONTRARY_SENSES = 2;

  private final Memo<Set<String>> kin = new Memo<>(this::findKin);
  private final Memo<Set<String>> contraries = new Memo<>(this::findContraries);
  private final Memo<Set<String>> pertaining = new Memo<>(this::findPertaining);

  private Lexicon() {
    try {
      dictionary = Dictionary.getDefaultResourceInstance();
    } catch (JWNLException e) {
      throw new IllegalStateException("The lexicon that ships with Rhetor can't be read.", e);
    }
  }

  /** The lexicon that ships with Rhetor, loaded when it is first asked for. */
  public static Lexicon shipped() {
    return Loaded.LEXICON;
  }

  /** How many senses a noun has; 0 if it is none. */
  public int senses(String noun) {
    return nouns.of(lower(noun)).size();
  }

  /** Whether a noun is known in the plural alone: secateurs. */
  public boolean isPluralOnly(String noun) {
    return noun.endsWith("s")
        && noun.length() > SHORTEST_PLURAL
        && senses(noun) > 0
        && senses(noun.substring(0, noun.length() - 1)) == 0
        && !isCommon(noun.substring(0, noun.length() - 1))
        && !noun.matches(".*(?:ss|us|is|[aeo]s)$");
  }

  /** Whether a word, as it is written here, has a sense: "matt" has, "german" has a capital. */
  public boolean isCommon(String word) {
    return common.of(word);
  }

  private boolean findCommon(String word) {
    try {
      for (POS pos : List.of(POS.ADJECTIVE, POS.VERB, POS.ADVERB)) {
        IndexWord index = word.isEmpty() ? null : dictionary.getIndexWord(pos, word);
        if (index != null && index.getSenses().stream().anyMatch(s -> isWritten(s, word))) {
          return true;
        }
      }
      return false;
    } catch (JWNLException e) {
      throw new IllegalStateException(e);
    }
  }

  private static boolean isWritten(Synset sense, String word) {
    return sense.getWords().stream().anyMatch(w -> w.getLemma().equals(word));
  }

  /**
   * The senses of a noun, of one that the dictionary hasn't those of its head: a dog bed's a bed's.
   */
  private List<Synset> ofHead(String noun) {
    List<Synset> senses = nouns.of(lower(noun));
    return senses.isEmpty() ? nouns.of(lower(noun.substring(noun.lastIndexOf(' ') + 1))) : senses;
  }

  /** Whether a noun, in any of its senses, names something that can be sold. */
  public boolean isGoods(String noun) {
    return ofHead(noun).stream().anyMatch(s -> GOODS.contains(field(s)));
  }

  /**
   * Whether a noun, as it is most often meant, names something that can be sold: a table is, a
   * library is a building first, and a wing a part of an animal.
   */
  public boolean isGoodsFirst(String noun) {
    // WordNet has the commonest sense first.
    return ofHead(noun).stream().limit(1).anyMatch(s -> GOODS.contains(field(s)) && !isBuilding(s));
  }

  /** Whether a noun, as it is most often meant, is a part of a body: shoulder, heel. */
  public boolean isBodyPartFirst(String noun) {
    return nouns.of(lower(noun)).stream().limit(1).anyMatch(s -> field(s).equals("noun.body"));
  }

  /** Whether a noun, as it is most often meant, is a plant: a willow, which is a machine, too. */
  public boolean isPlantFirst(String noun) {
    return nouns.of(lower(noun)).stream().limit(1).anyMatch(s -> field(s).equals("noun.plant"));
  }

  /**
   * What sorts of things a noun may name that can be sold: what is made, eaten, grown, or neither;
   * the names of WordNet's files. Buildings are made, and not sold.
   */
  public Set<String> sorts(String noun) {
    Set<String> sorts = new HashSet<>();
    for (Synset sense : ofHead(noun)) {
      if (GOODS.contains(field(sense)) && !isBuilding(sense)) {
        sorts.add(field(sense));
      }
    }
    return sorts;
  }

  private boolean isBuilding(Synset sense) {
    Set<Long> buildings = new HashSet<>();
    nouns.of("building").forEach(s -> buildings.add(s.getOffset()));
    for (Synset s = sense; s != null; s = above(s).stream().findFirst().orElse(null)) {
      if (buildings.contains(s.getOffset())) {
        return true;
      }
    }
    return false;
  }

  /** The share of a noun's senses that name something that can be sold. */
  public double goods(String noun) {
    List<Synset> senses = ofHead(noun);
    return senses.isEmpty()
        ? 0
        : (double) senses.stream().filter(s -> GOODS.contains(field(s))).count() / senses.size();
  }

  /** Whether a noun, in one of its senses, is a kind or an instance of another, or the same. */
  public boolean isKindOf(String noun, String other) {
    Set<Long> of = ancestors.of(lower(noun));
    return nouns.of(lower(other)).stream().anyMatch(s -> of.contains(s.getOffset()));
  }

  /**
   * Whether two nouns name different things to be sold that are kinds of the same, one step up:
   * clarinet and saxophone.
   */
  public boolean areSisters(String noun, String other) {
    return !isKindOf(noun, other)
        && !isKindOf(other, noun)
        && !Collections.disjoint(parents(noun), parents(other));
  }

  private Set<Long> parents(String noun) {
    Set<Long> parents = new HashSet<>();
    nouns.of(lower(noun)).stream()
        .filter(s -> GOODS.contains(field(s)))
        .forEach(s -> above(s).forEach(a -> parents.add(a.getOffset())));
    return parents;
  }

  /**
   * The share of a noun's senses that name something that can be sold in which it is a kind of one
   * of the others: two in three of "hose" are garments. 0 if none of its senses can be sold.
   */
  public double shareKindOf(String noun, Collection<String> others) {
    return shareOf(
        nouns.of(lower(noun)).stream().filter(s -> GOODS.contains(field(s))).toList(), others);
  }

  /** The share of all senses of a noun in which it is a kind of one of the others, 0 to 1. */
  public double shareOfSenses(String noun, Collection<String> others) {
    return shareOf(nouns.of(lower(noun)), others);
  }

  private double shareOf(List<Synset> senses, Collection<String> others) {
    Set<Long> above = new HashSet<>();
    others.forEach(o -> nouns.of(lower(o)).forEach(s -> above.add(s.getOffset())));
    long kinds =
        senses.stream()
            .filter(s -> ancestors(List.of(s)).stream().anyMatch(above::contains))
            .count();
    return senses.isEmpty() ? 0 : (double) kinds / senses.size();
  }

  /** How many kinds of things a noun names in the sense that has most: "machine" names hundreds. */
  public int kinds(String noun) {
    return nouns.of(lower(noun)).stream()
        .filter(s -> GOODS.contains(field(s)))
        .mapToInt(this::below)
        .max()
        .orElse(0);
  }

  private int below(Synset sense) {
    Set<Long> seen = new HashSet<>();
    List<Synset> open = new ArrayList<>(List.of(sense));
    while (!open.isEmpty() && seen.size() < MANY_KINDS) {
      Synset next = open.removeLast();
      if (seen.add(next.getOffset())) {
        open.addAll(pointed(next, List.of(PointerType.HYPONYM)));
      }
    }
    return seen.size() - 1;
  }

  /** Words that mean the same as a noun in one of its senses; the noun among them. */
  public Set<String> synonyms(String noun) {
    Set<String> all = new HashSet<>();
    for (Synset sense : nouns.of(lower(noun))) {
      for (Word word : sense.getWords()) {
        all.add(lower(word.getLemma()));
      }
    }
    return all;
  }

  /**
   * Words that often say the same as a word in one of its senses, whatever their part of speech:
   * synonyms, what is derived from it, and what it is an attribute of ("weigh" for weight, "long"
   * for length). The word is among them.
   */
  public Set<String> kin(String word) {
    return kin.of(lower(word));
  }

  private Set<String> findKin(String word) {
    Set<String> found = new HashSet<>();
    found.add(word);
    if (word.isEmpty() || word.length() > LONGEST) {
      return found;
    }
    try {
      for (POS pos : List.of(POS.NOUN, POS.VERB, POS.ADJECTIVE, POS.ADVERB)) {
        Optional<IndexWord> index = lookup(pos, word);
        for (Synset sense : index.map(IndexWord::getSenses).orElse(List.of())) {
          for (Word each : sense.getWords()) {
            if (isMainSense(each)) {
              found.add(lower(each.getLemma()));
            }
            boolean isItself = lower(each.getLemma()).equals(lower(index.get().getLemma()));
            for (Pointer pointer : isItself ? each.getPointers() : List.<Pointer>of()) {
              if (isOfKin(pointer)) {
                add(found, pointer);
              }
            }
          }
          for (Pointer pointer : sense.getPointers()) {
            if (isOfKin(pointer)) {
              add(found, pointer);
            }
          }
        }
      }
    } catch (JWNLException e) {
      throw new IllegalStateException(e);
    }
    return found;
  }

  /** What an adjective pertains to in its first sense: the sun, of "solar". Empty for others. */
  public Set<String> pertaining(String adjective) {
    return pertaining.of(lower(adjective));
  }

  /** Whether a word has a sense in which it says what something is like. */
  public boolean isAdjective(String word) {
    return !senses(POS.ADJECTIVE, lower(word)).isEmpty();
  }

  private Set<String> findPertaining(String adjective) {
    try {
      Set<String> found = new HashSet<>();
      List<Synset> senses = senses(POS.ADJECTIVE, adjective);
      for (Word each : senses.isEmpty() ? List.<Word>of() : senses.get(0).getWords()) {
        for (Pointer pointer : each.getPointers()) {
          if (pointer.getType() == PointerType.PERTAINYM) {
            add(found, pointer);
          }
        }
      }
      return found;
    } catch (JWNLException e) {
      throw new IllegalStateException(e);
    }
  }

  /** Whether a pointer goes to what says the same in another part of speech. */
  private static boolean isOfKin(Pointer pointer) {
    return pointer.getType() == PointerType.DERIVATION
        || pointer.getType() == PointerType.ATTRIBUTE
        || pointer.getType() == PointerType.PERTAINYM;
  }

  private void add(Set<String> found, Pointer pointer) throws JWNLException {
    PointerTarget target = pointer.getTarget();
    List<Word> words =
        target instanceof Word one
            ? List.of(one)
            : target instanceof Synset sense ? sense.getWords() : List.of();
    for (Word each : words) {
      if (isMainSense(each)) {
        found.add(lower(each.getLemma()));
      }
    }
  }

  /** Whether a word often means that: "set" hardly ever says "harden". */
  private boolean isMainSense(Word word) throws JWNLException {
    List<Synset> senses = senses(word.getPOS(), word.getLemma());
    for (int i = 0; i < Math.min(MAIN_SENSES, senses.size()); i++) {
      if (senses.get(i).getOffset() == word.getSynset().getOffset()) {
        return true;
      }
    }
    return senses.isEmpty();
  }

  /**
   * Adjectives that say the contrary of an adjective in one of its main senses: its antonyms and
   * what is similar to them ("bulky" and "large" of "small"). Empty for other words.
   */
  public Set<String> contraries(String adjective) {
    return contraries.of(lower(adjective));
  }

  private Set<String> findContraries(String adjective) {
    Set<String> found = new HashSet<>();
    try {
      List<Synset> senses = senses(POS.ADJECTIVE, adjective);
      for (Synset sense : senses.subList(0, Math.min(CONTRARY_SENSES, senses.size()))) {
        List<Synset> alike = new ArrayList<>(pointed(sense, List.of(PointerType.SIMILAR_TO)));
        alike.addFirst(sense);
        for (Synset each : alike) {
          for (Pointer pointer : each.getPointers(PointerType.ANTONYM)) {
            Synset other = pointer.getTargetSynset();
            add(found, other);
            pointed(other, List.of(PointerType.SIMILAR_TO)).forEach(s -> add(found, s));
          }
        }
      }
    } catch (JWNLException e) {
      throw new IllegalStateException(e);
    }
    return found;
  }

  private static void add(Set<String> found, Synset sense) {
    sense.getWords().forEach(w -> found.add(lower(w.getLemma())));
  }

  /** Places of a noun's senses and of all that they are kinds of. */
  private Set<Long> findAncestors(String noun) {
    return ancestors(nouns.of(noun));
  }

  private static Set<Long> ancestors(List<Synset> senses) {
    Set<Long> seen = new HashSet<>();
    List<Synset> open = new ArrayList<>(senses);
    while (!open.isEmpty()) {
      Synset next = open.removeLast();
      if (seen.add(next.getOffset())) {
        open.addAll(above(next));
      }
    }
    return seen;
  }

  private static List<Synset> above(Synset sense) {
    return pointed(sense, List.of(PointerType.HYPERNYM, PointerType.INSTANCE_HYPERNYM));
  }

  private static List<Synset> pointed(Synset sense, List<PointerType> kinds) {
    List<Synset> all = new ArrayList<>();
    try {
      for (PointerType kind : kinds) {
        for (Pointer pointer : sense.getPointers(kind)) {
          all.add(pointer.getTargetSynset());
        }
      }
    } catch (JWNLException e) {
      throw new IllegalStateException(e);
    }
    return all;
  }

  private static String field(Synset sense) {
    return sense.getLexFileName();
  }

  private static String lower(String noun) {
    return noun.strip().toLowerCase(Locale.ROOT).replace('_', ' ');
  }

  private List<Synset> find(String noun) {
    return senses(POS.NOUN, noun);
  }

  /** The senses of a word, or of words that the dictionary has together; none of others. */
  private List<Synset> senses(POS pos, String words) {
    return lookup(pos, words).map(IndexWord::getSenses).map(List::copyOf).orElse(List.of());
  }

  private Optional<IndexWord> lookup(POS pos, String words) {
    if (words.isEmpty() || words.length() > LONGEST) {
      return Optional.empty();
    }
    try {
      // Of words that it doesn't have together it gives the first: a dog for a dog bed.
      return Optional.ofNullable(dictionary.lookupIndexWord(pos, words))
          .filter(i -> spaces(i.getLemma()) >= spaces(words));
    } catch (JWNLException e) {
      throw new IllegalStateException("The lexicon that ships with Rhetor can't be read.", e);
    }
  }

  private static long spaces(String words) {
    return words.strip().chars().filter(c -> c == ' ').count();
  }
}
