package rhetor.core.reading;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rhetor.core.fact.Fact;
import rhetor.core.fact.Value;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.language.English;
import rhetor.core.language.Words;
import rhetor.core.language.Words.Word;

/**
 * Proposes what a product is of which there is nothing but a picture. A person's word makes facts
 * of it; until then it is none.
 */
public final class PictureProposer {
  /** Where something was seen. */
  public enum From {
    /** The subject's main colour. */
    COLOUR,
    /** Printed on the thing, or written over the picture. */
    PRINT,
    /** Title, caption and keywords inside the file. */
    CAPTION,
    FILE_NAME,
    /** A text model that was shown the picture. */
    MODEL
  }

  /**
   * What was seen of one picture.
   *
   * @param fileName with its ending
   * @param captions title, caption and keywords that stand in the file
   * @param printed the lines that are printed on the thing
   * @param colours names of the subject's colours, the largest first
   * @param told what a text model said that it shows, each "Label: what"
   */
  public record Seen(
      String fileName,
      List<String> captions,
      List<String> printed,
      List<String> colours,
      List<String> told) {
    public Seen {
      captions = List.copyOf(captions);
      printed = List.copyOf(printed);
      colours = List.copyOf(colours);
      told = List.copyOf(told);
    }

    /** What was seen without any text model. */
    public Seen(
        String fileName, List<String> captions, List<String> printed, List<String> colours) {
      this(fileName, captions, printed, colours, List.of());
    }
  }

  /**
   * A fact that a person may confirm.
   *
   * @param fact its id
   * @param text what it says, as a person would type it
   * @param words the words that it was read from, or empty
   */
  public record Proposed(String fact, String label, String text, From from, String words) {}

  /**
   * What a product may be.
   *
   * @param sku the code in its file's name or on it, or empty
   * @param kind what running text would call it, or empty
   */
  public record Proposal(String sku, String name, String kind, List<Proposed> facts) {
    public Proposal {
      facts = List.copyOf(facts);
    }
  }

  private static final String CATEGORY = "category";
  private static final String KIND = "kind";
  private static final String COLOUR = "colour";
  private static final String MATERIAL = "material";
  private static final int LONGEST_NAME = 60;
  private static final int SHORTEST_NAME = 3;

  /** So many words of a name may stand behind the one for what it is. */
  private static final int MOST_BEHIND = 2;

  /** Capitals, a number and perhaps more of both: "HM-204", "TK1120-B". */
  private static final Pattern CODE =
      Pattern.compile(
          "(?<![\\p{L}\\d])\\p{L}{1,5}[-_]?\\d{2,8}(?:-[\\p{L}\\d]{1,4})?(?![\\p{L}\\d])");

  /** What cameras and people number by. */
  private static final Pattern NUMBERED =
      Pattern.compile(
          "(?i)(?<!\\p{L})(?:img|dsc|dscn|dscf|pic|pict|photo|image|scan|p|v)[-_ ]?\\d+(?!\\p{L})");

  private static final Pattern ENDING = Pattern.compile("\\.[\\p{L}\\d]{2,5}$");
  private static final Pattern APART = Pattern.compile("[^\\p{L}\\d,.%°-]+");
  private static final Pattern WORDS = Pattern.compile("[\\p{L}&'’ -]+");

  /** What parts the statements of a line. */
  private static final Pattern PIECE =
      Pattern.compile("\\s*[·•|;]\\s*|(?<=\\p{L}{2})\\.\\s+|,\\s+(?=\\d)");

  /** "Net 250 g", "75 ml e": how much is in it, as packs have it. */
  private static final Pattern CONTENT =
      Pattern.compile(
          "(?i)(?:net(?: weight| wt\\.?)?|netto|contents?|inhalt|e|℮)?[: ]*(?<much>\\d+(?:[.,]\\d+)? ?(?:g|kg|ml|cl|l))(?: ?[e℮])?\\.?");

  private static final Pattern SIDES =
      Pattern.compile(
          "(?i)\\d+(?:[.,]\\d+)?(?: ?(?:mm|cm|m|in))? ?[x×] ?\\d+(?:[.,]\\d+)?(?:(?: ?(?:mm|cm|m|in))? ?[x×] ?\\d+(?:[.,]\\d+)?)? ?(?:mm|cm|m|in)");

  private static final Pattern MADE_IN =
      Pattern.compile(
          "(?i)(?:made|produced|product|grown|woven|crafted) (?:in|of) (?<where>\\p{Lu}[\\p{L} ]{2,40})");

  private static final Pattern SHARE = Pattern.compile("\\d{1,3} ?%");

  private final Knowledge knowledge;
  private final TextReader texts;
  private final KindFinder kinds;
  private final Function<Value, String> values;

  /**
   * A proposer.
   *
   * @param values how a value is written out for people, so that it can be typed in again
   */
  public PictureProposer(Knowledge knowledge, Function<Value, String> values) {
    this.knowledge = knowledge;
    this.texts = new TextReader(knowledge);
    this.kinds = new KindFinder(knowledge);
    this.values = values;
  }

  /** A line, and where it stands. */
  private record Line(From from, String text) {}

  /** What a picture says its product is; each fact once, from where it is surest. */
  public Proposal propose(Seen seen) {
    String base = ENDING.matcher(seen.fileName()).replaceFirst("");
    Optional<String> code = code(base);
    String fileWords = words(code.map(c -> base.replace(c, " ")).orElse(base));
    List<Line> lines = new ArrayList<>();
    seen.captions().forEach(c -> lines.add(new Line(From.CAPTION, c)));
    seen.printed().forEach(c -> lines.add(new Line(From.PRINT, c)));
    lines.add(new Line(From.FILE_NAME, fileWords));
    lines.removeIf(l -> l.text().isBlank());
    Map<String, Proposed> facts = new LinkedHashMap<>();
    String kind = "";
    String named = "";
    for (Line line : lines) {
      kind = kind(line.text());
      if (!kind.isEmpty()) {
        named = line.from() == From.PRINT ? line.text() : "";
        facts.put(CATEGORY, new Proposed(CATEGORY, "Category", kind, line.from(), line.text()));
        break;
      }
    }
    for (Line line : lines) {
      // A line at a time: what stands beside it on a label needn't go on with it.
      for (String piece : PIECE.split(line.text())) {
        for (Proposed fact : read(piece.strip(), line, kind)) {
          facts.putIfAbsent(fact.fact(), fact);
        }
      }
    }
    for (String told : seen.told()) {
      told(told).ifPresent(f -> facts.putIfAbsent(f.fact(), f));
    }
    if (!seen.colours().isEmpty()) {
      facts.putIfAbsent(
          COLOUR, new Proposed(COLOUR, "Colour", seen.colours().getFirst(), From.COLOUR, ""));
    }
    return new Proposal(
        code.orElse("").toUpperCase(Locale.ROOT),
        name(seen, fileWords, named),
        kind,
        List.copyOf(facts.values()));
  }

  /** What a model says that it sees; of the colour the pixels know better. */
  private Optional<Proposed> told(String line) {
    int colon = line.indexOf(':');
    String label = line.substring(0, colon).strip();
    String what = line.substring(colon + 1).strip();
    if (label.equalsIgnoreCase(KIND)) {
      return Optional.of(new Proposed(CATEGORY, "Category", what, From.MODEL, ""));
    }
    return texts.read("-", "-", "", label + ": " + what, "").facts().stream()
        .filter(f -> !f.concept().equals("name") && !f.concept().equals(COLOUR))
        .findFirst()
        .map(f -> new Proposed(f.id(), f.label(), values.apply(f.value()), From.MODEL, ""));
  }

  private List<Proposed> read(String piece, Line line, String kind) {
    List<Proposed> found = new ArrayList<>();
    for (Fact fact : texts.read("-", "-", kind, labelled(piece), "").facts()) {
      if (!fact.concept().equals("name") && !fact.concept().equals(CATEGORY)) {
        String text = values.apply(fact.value());
        found.add(new Proposed(fact.id(), fact.label(), text, line.from(), line.text()));
      }
    }
    if (found.stream().noneMatch(f -> f.fact().equals(MATERIAL))) {
      material(piece)
          .ifPresent(
              m -> found.add(new Proposed(MATERIAL, "Material", m, line.from(), line.text())));
    }
    return found;
  }

  /** What packs say without a heading, with one. */
  private static String labelled(String piece) {
    Matcher content = CONTENT.matcher(piece);
    if (content.matches()) {
      return "Net contents: " + content.group("much");
    }
    Matcher made = MADE_IN.matcher(piece);
    if (made.matches()) {
      return "Country of origin: " + made.group("where").strip();
    }
    Matcher sides = SIDES.matcher(piece);
    return sides.find() ? "Dimensions: " + sides.group() : piece;
  }

  /** The only material that a line names: "oak board", "100 % lambswool". */
  private Optional<String> material(String piece) {
    List<String> named =
        Words.of(piece).stream()
            .map(Word::text)
            .filter(w -> knowledge.term(MATERIAL, w).isPresent())
            .distinct()
            .toList();
    if (named.size() != 1) {
      return Optional.empty();
    }
    Matcher share = SHARE.matcher(piece);
    return Optional.of(share.find() ? share.group() + " " + named.getFirst() : named.getFirst());
  }

  /** What a line names, wherever in it the word for that stands. */
  private String kind(String line) {
    String words = line.replaceAll("\\S*\\d\\S*", " ").replaceAll("\\s+", " ").strip();
    for (int dropped = 0; dropped <= MOST_BEHIND && !words.isEmpty(); dropped++) {
      KindFinder.Kind kind = kinds.find(words, "", Set.of());
      if (!kind.productClass().isEmpty()) {
        return kind.noun();
      }
      int last = words.lastIndexOf(' ');
      // "Chain wax" is no chain, but a "board round" is one.
      boolean saysHow =
          last > 0 && English.isAdjective(words.substring(last + 1).toLowerCase(Locale.ROOT));
      words = saysHow ? words.substring(0, last) : "";
    }
    return "";
  }

  private static Optional<String> code(String base) {
    return CODE.matcher(base)
        .results()
        .map(MatchResult::group)
        .filter(c -> !NUMBERED.matcher(c).matches())
        .findFirst();
  }

  /** The words of a file's name; numbers alone count pictures, and say nothing. */
  private static String words(String base) {
    List<String> words = new ArrayList<>();
    String apart = NUMBERED.matcher(base).replaceAll(" ").replace('_', ' ');
    for (String word : APART.split(apart.replaceAll("(?<=\\p{L}{2})-(?=\\p{L}{2})", " "))) {
      if (word.chars().anyMatch(Character::isLetter)) {
        words.add(word);
      }
    }
    return String.join(" ", words).strip();
  }

  /**
   * What it is called: a title in the file, else its file's name, else the words on it that say
   * what it is, else the first ones.
   */
  private static String name(Seen seen, String fileWords, String named) {
    List<String> all = new ArrayList<>(seen.captions());
    all.add(fileWords.replaceAll("\\S*\\d\\S*", " ").replaceAll("\\s+", " "));
    all.add(named);
    all.addAll(seen.printed());
    return all.stream()
        .map(String::strip)
        .filter(n -> n.length() >= SHORTEST_NAME && n.length() <= LONGEST_NAME)
        .filter(n -> WORDS.matcher(n).matches())
        .findFirst()
        .map(n -> n.substring(0, 1).toUpperCase(Locale.ROOT) + n.substring(1))
        .orElse("");
  }
}
