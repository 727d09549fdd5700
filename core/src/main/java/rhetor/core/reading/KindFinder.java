package rhetor.core.reading;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Pattern;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.knowledge.ProductClass;
import rhetor.core.language.English;
import rhetor.core.language.Lexicon;
import rhetor.core.language.Memo;

/** Finds what sort of thing a product is, from its category and its name. */
final class KindFinder {
  /** Categories that group things and don't name one. */
  private static final Set<String> GROUPING =
      Set.of(
          "accessories",
          "accessory",
          "products",
          "product",
          "items",
          "goods",
          "supplies",
          "parts",
          "essentials",
          "offers",
          "basics",
          "others",
          "other",
          "misc",
          "components",
          "spares",
          "consumables",
          "arts",
          "crafts",
          "sports",
          "electronics",
          "things",
          "gifts",
          "materials",
          "technicals",
          "extras",
          "sundries",
          "classics",
          "favourites",
          "specials",
          "collections",
          "sets");

  /**
   * What a product is.
   *
   * @param productClass id of the class, or empty
   * @param noun the noun that running text calls it by, or empty
   */
  record Kind(String productClass, String noun) {
    /** "D-lock", "T-shirt": a letter that a thing is shaped like; of e-bikes it isn't one. */
    private static final Pattern SHAPE = Pattern.compile("\\b[a-z&&[^eio]](?=-\\p{L}{3})");

    Kind {
      noun = SHAPE.matcher(noun).replaceAll(m -> m.group().toUpperCase(Locale.ROOT));
    }
  }

  private static final Pattern AFTER_NOUN = Pattern.compile("\\s*[(\\[,|].*$|\\s+[–—-]\\s+.*$");
  private static final Pattern SIZE =
      Pattern.compile("\\d\\S*|[xsml]{1,3}|xx?l|mk|ii|iii|iv|v|plus|pro|mini|max|set|pair");

  /** What follows says what for, of what, or with what. */
  private static final Set<String> AFTER_HEAD =
      Set.of(
          "for", "with", "without", "in", "to", "of", "from", "on", "by", "and", "under", "uk",
          "size", "no", "nr");

  /** "6 cup" says how much. */
  private static final Pattern MEASURE = Pattern.compile("\\d[\\d.,x/-]*[ -]?\\p{L}*");

  private static final Pattern PATH = Pattern.compile("\\s*[>/|»]\\s*");

  private static final Pattern SEVERAL = Pattern.compile("\\b(?:set|pack|kit|pair|box)\\b");

  private static final Pattern SET_OF =
      Pattern.compile("(?i)\\bset of (?:[2-9]|1\\d|two|three|four|five|six|eight|ten|twelve)\\b");

  /** A class, and the noun that a name of it stands for. */
  private record Named(ProductClass of, String noun) {}

  private final Map<String, Named> byName = new HashMap<>();

  /** Longer texts name no thing. */
  private static final int LONGEST = 400;

  private static final int TELLING = 2;
  private static final int MOST_SETS = 1_000;
  private final Knowledge knowledge;

  /** Thousands of products stand on a few shelves. */
  private final Memo<Shelf> shelves = new Memo<>(this::shelf);

  /** The products of a sheet have the same few sets of facts. */
  private final Map<Set<String>, Optional<ProductClass>> told = new ConcurrentHashMap<>();

  KindFinder(Knowledge knowledge) {
    this.knowledge = knowledge;
    for (ProductClass c : knowledge.classes()) {
      for (Map.Entry<String, List<String>> names : c.names().entrySet()) {
        for (String name : names.getValue()) {
          String lower = name.toLowerCase(Locale.ROOT);
          if (!names.getKey().equals("en") && English.isKnown(lower)) {
            // A door's pull is no jumper, though the French call one so.
            continue;
          }
          // A "ceiling fan" is more than a fan.
          Named named = new Named(c, lower.endsWith(" " + c.noun()) ? lower : c.noun());
          byName.put(lower, named);
          byName.putIfAbsent(English.plural(lower), named);
        }
      }
      for (String kind : c.kinds()) {
        byName.put(kind, new Named(c, kind));
        byName.putIfAbsent(
            English.isPlural(kind) ? English.singular(kind) : English.plural(kind),
            new Named(c, kind));
      }
    }
  }

  /**
   * What a product is.
   *
   * @param concepts the concepts that its columns give facts of
   */
  Kind find(String name, String category, Set<String> concepts) {
    if (name.length() > LONGEST || category.length() > LONGEST) {
      return find(
          name.length() > LONGEST ? "" : name,
          category.length() > LONGEST ? "" : category,
          concepts);
    }
    Shelf shelf = shelves.of(category);
    Named onShelf = shelf.named.orElse(null);
    String core = core(name);
    Named called = suffixClass(core);
    if (onShelf != null) {
      // A name may be more exact than its shelf, but a course that is called "Learn to Lead" is no
      // lead.
      boolean narrower =
          called != null && called.of == onShelf.of && !called.noun.equals(called.of.noun());
      boolean related =
          called != null && called.of != onShelf.of && areRelated(called.of, onShelf.of);
      return narrower || related ? new Kind(called.of.id(), called.noun) : byShelf(shelf, onShelf);
    }
    Optional<ProductClass> told = told(concepts);
    boolean otherwise =
        told.isPresent()
            && called != null
            && told.get() != called.of
            && !areRelated(told.get(), called.of);
    if (called != null && !otherwise) {
      return !shelf.noun.isEmpty() && !shelf.last.contains(called.noun)
          ? new Kind("", shelf.noun)
          : new Kind(called.of.id(), called.noun);
    }
    if (!shelf.noun.isEmpty()) {
      return new Kind("", shelf.noun);
    }
    return told.map(c -> new Kind(c.id(), c.noun())).orElseGet(() -> new Kind("", thing(core)));
  }

  /**
   * What a product is, by what all products of its sheet are where nothing of its own says more.
   *
   * @param thing what all products of the sheet are, or empty
   */
  Kind find(String name, String category, Set<String> concepts, String thing) {
    Kind kind = find(name, category, concepts);
    if (thing.isEmpty() || !kind.noun.isEmpty()) {
      return kind;
    }
    Named named = suffixClass(thing);
    return new Kind(named == null ? kind.productClass : named.of.id(), thing);
  }

  /**
   * What a name ends in, where those are things of another class of the same family: "Sedge Studs"
   * among rings are earrings, but a boat that is called "Cabin" is no cabin, and a vinegar "Tarrow
   * Cider" no cider.
   */
  Optional<Kind> sibling(String name, String thing) {
    Named called = suffixClass(core(name));
    Named of = suffixClass(thing);
    boolean isSibling =
        called != null
            && of != null
            && English.isPlural(core(name))
            && !English.isPlural(thing)
            && called.of != of.of
            && !called.of.parent().isEmpty()
            && called.of.parent().equals(of.of.parent());
    return isSibling ? Optional.of(new Kind(called.of.id(), called.noun)) : Optional.empty();
  }

  /** "Tern Bowls, set of 6" is no bowl. */
  static Kind several(Kind kind, String name) {
    boolean isOne =
        !kind.noun.isEmpty() && !English.isPlural(kind.noun) && !SEVERAL.matcher(kind.noun).find();
    return isOne && SET_OF.matcher(name).find()
        ? new Kind(kind.productClass, kind.noun + " set")
        : kind;
  }

  /**
   * What a search phrase for a product says that it is: the last known thing in it, before what it
   * is for or has.
   */
  Kind ofPhrase(String phrase) {
    String head = head(phrase);
    String[] words = head.strip().split("[^\\p{L}'-]+");
    for (int end = words.length; end > 0; end--) {
      for (int from = Math.max(0, end - 2); from < end; from++) {
        String noun = String.join(" ", Arrays.copyOfRange(words, from, end));
        Named named = byName.get(noun);
        if (named != null) {
          return new Kind(named.of.id(), named.noun);
        }
        String one =
            English.isPlural(noun) && !English.isPluralOnly(noun) ? English.singular(noun) : noun;
        if (knowledge.things().contains(one)) {
          return new Kind("", one);
        }
      }
    }
    return new Kind("", "");
  }

  /**
   * The class or known thing that a search phrase for a product names at its end, before what it is
   * for or has: a "slate cheese board" is no cheese.
   */
  Optional<Kind> sought(String phrase) {
    String head = head(phrase).strip();
    return Optional.ofNullable(suffixClass(head))
        .map(n -> new Kind(n.of.id(), n.noun))
        .or(() -> Optional.of(new Kind("", thing(head))).filter(k -> !k.noun.isEmpty()));
  }

  /** What the things are called that are called so in any language, if they are known. */
  Optional<String> called(String name) {
    return Optional.ofNullable(byName.get(name)).map(Named::noun);
  }

  /** The class that at least two of the facts tell of, because hardly any other has them. */
  private Optional<ProductClass> told(Set<String> concepts) {
    if (concepts.size() < TELLING) {
      return Optional.empty();
    }
    Optional<ProductClass> known = told.get(concepts);
    if (known == null) {
      known = findTold(concepts);
      if (told.size() < MOST_SETS) {
        told.put(Set.copyOf(concepts), known);
      }
    }
    return known;
  }

  private Optional<ProductClass> findTold(Set<String> concepts) {
    return knowledge.classes().stream()
        .filter(c -> c.tells().stream().filter(concepts::contains).count() >= TELLING)
        .findFirst();
  }

  /** Whether one class is the other's parent, or they have the same one. */
  private static boolean areRelated(ProductClass a, ProductClass b) {
    return !a.parent().isEmpty() && (a.parent().equals(b.parent()) || a.parent().equals(b.id()))
        || b.parent().equals(a.id());
  }

  /** The noun that a name ends in, with an adjective before it; empty if it is no known thing. */
  private String thing(String core) {
    String[] words = core.split(" ");
    for (int from = Math.max(0, words.length - 2); from < words.length; from++) {
      String noun = String.join(" ", Arrays.copyOfRange(words, from, words.length));
      boolean several = English.isPlural(noun);
      if (knowledge.things().contains(several ? English.singular(noun) : noun)) {
        return noun;
      }
    }
    return "";
  }

  /**
   * What a category says.
   *
   * @param last its last part, in lower case
   * @param named the class it names, if any
   * @param noun it as the noun of one product, or empty
   */
  private record Shelf(String last, Optional<Named> named, String noun) {}

  private Shelf shelf(String category) {
    String[] path = PATH.split(category);
    String last =
        path.length == 0 ? "" : CellText.clean(path[path.length - 1]).toLowerCase(Locale.ROOT);
    // "Home > Laundry": a shop's departments are of several things, or of none.
    boolean isDepartment =
        path.length > 1 && !English.isPlural(last) && !knowledge.things().contains(last);
    return new Shelf(last, Optional.ofNullable(suffixClass(last)), isDepartment ? "" : noun(last));
  }

  private static Kind byShelf(Shelf shelf, Named onShelf) {
    String noun = shelf.noun;
    boolean english =
        !noun.isEmpty() && English.lastWord(noun).equals(English.lastWord(onShelf.noun));
    boolean same = noun.equalsIgnoreCase(onShelf.noun);
    return new Kind(onShelf.of.id(), english && !same ? noun : onShelf.noun);
  }

  /** A name without what comes after the noun: sizes, numbers, variants in brackets. */
  private static String core(String name) {
    String lower = name.toLowerCase(Locale.ROOT);
    String start = mayGoOn(lower) ? AFTER_NOUN.matcher(lower).replaceFirst("") : lower;
    int end = start.length();
    int space = start.lastIndexOf(' ');
    while (space > 0 && SIZE.matcher(start.substring(space + 1, end)).matches()) {
      end = space;
      space = start.lastIndexOf(' ', end - 1);
    }
    return start.substring(0, end).strip();
  }

  /** Spares most names the expression. */
  private static boolean mayGoOn(String name) {
    for (int i = 0; i < name.length(); i++) {
      if ("([,|–—-".indexOf(name.charAt(i)) >= 0) {
        return true;
      }
    }
    return false;
  }

  private Named suffixClass(String phrase) {
    String rest = phrase;
    while (!rest.isEmpty()) {
      Named found = byName.get(rest);
      if (found != null) {
        return found;
      }
      int space = rest.indexOf(' ');
      rest = space < 0 ? "" : rest.substring(space + 1);
    }
    return null;
  }

  /** A phrase up to what says what for, of what or with what, in small letters after a space. */
  static String head(String phrase) {
    String plain = " " + MEASURE.matcher(phrase.toLowerCase(Locale.ROOT)).replaceAll(" ");
    for (int i = 0; i < plain.length(); i++) {
      char c = plain.charAt(i);
      if (",;:([|".indexOf(c) >= 0 || c == ' ' && endsHead(plain, i)) {
        return plain.substring(0, i);
      }
    }
    return plain;
  }

  /** Whether spaces are followed by a word that ends the head, or by a dash between spaces. */
  private static boolean endsHead(String phrase, int space) {
    int start = space;
    while (start < phrase.length() && phrase.charAt(start) == ' ') {
      start++;
    }
    int end = start;
    while (end < phrase.length() && isOfWord(phrase.charAt(end))) {
      end++;
    }
    if (end > start) {
      return AFTER_HEAD.contains(phrase.substring(start, end));
    }
    return start + 1 < phrase.length()
        && "–—-".indexOf(phrase.charAt(start)) >= 0
        && phrase.charAt(start + 1) == ' ';
  }

  private static boolean isOfWord(char c) {
    return c >= 'a' && c <= 'z' || c >= '0' && c <= '9' || c == '_';
  }

  /** Whether a noun groups things and doesn't name one: "accessories". */
  static boolean isGrouping(String noun) {
    return GROUPING.contains(noun) || GROUPING.contains(noun + "s");
  }

  /** A category as the noun of one product, or empty if it can't serve as one. */
  private String noun(String category) {
    if (category.isBlank()
        || category.split(" ").length > 4
        || category.matches(".*(&|\\band\\b|\\+|,|\\d).*")) {
      return "";
    }
    String last = English.lastWord(category);
    if (GROUPING.contains(last)) {
      return "";
    }
    if (English.isPluralOnly(category)) {
      return category;
    }
    if (English.isPlural(category)) {
      String one = English.singular(category);
      return English.isCountable(one) ? one : "";
    }
    // A singular category names a thing only if it can be counted, "notebook", not "stationery" or
    // "climbing", and is mostly meant so: "tower" among fans says of what shape.
    boolean thing =
        English.isCountable(last)
            && !last.endsWith("ing")
            && !English.tags(last).contains("NN:U")
            && (knowledge.things().contains(last) || Lexicon.shipped().isGoodsFirst(last));
    return thing ? category : "";
  }
}
