package rhetor.core.reading;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.regex.Pattern;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.knowledge.PartAspect;
import rhetor.core.knowledge.PartCell;
import rhetor.core.language.English;
import rhetor.core.language.Lexicon;
import rhetor.core.language.Words;

/**
 * Reads columns of a part of the things: "frame" over woods, "number of doors" over figures, "seat
 * depth" over lengths, "timer" over yes and no. The heading names a part that is known, the cells
 * say what is said of it; neither alone is enough.
 */
final class PartColumns {
  /** How sure such a reading is: heading and cells have to agree. */
  private static final double SURE = 0.95;

  /** Of the cells that say something, so many have to be of the kind. */
  private static final double MOST = 0.75;

  /** What each cell says is read by itself, so that more of them may say something else. */
  private static final double LIKELY = 0.6;

  private static final int LONGEST_PART = 3;

  /** What WordNet calls units. */
  private static final String UNIT = "unit of measurement";

  private static final Pattern NUMBER_OF =
      Pattern.compile("(?:number|quantity|no|count) (?:of )?(.+)");
  private static final Pattern MADE_OF = Pattern.compile("(.+) material|material of (?:the )?(.+)");
  private static final Pattern HOLDING = Pattern.compile("(.+) (?:capacity|volume)");
  private static final String METRE = "m";
  private static final String CONTAINER = "container";
  private static final Pattern INCLUDED =
      Pattern.compile(
          "(?:with |has |incl(?:uded|uding)? )?(.+?)(?: included| fitted| built[ -]in)?");

  private static final Pattern COUNTED = Pattern.compile("[1-9]\\d?");
  private static final Pattern ANSWER =
      Pattern.compile("(?i)y|n|yes|no|x|-|–|none|✓|✗|true|false|0");
  private static final Pattern YES = Pattern.compile("(?i)y|yes|x|✓|true");
  private static final Pattern LISTED = Pattern.compile("\\s*(?:[,/&+]|\\band\\b)\\s*");

  private static final Map<String, PartAspect> EXTENTS =
      Map.of(
          "length", PartAspect.LENGTH,
          "width", PartAspect.WIDTH,
          "height", PartAspect.HEIGHT,
          "depth", PartAspect.DEPTH,
          "thickness", PartAspect.THICKNESS,
          "diameter", PartAspect.DIAMETER);

  private static final List<String> THINGS =
      List.of("artifact", "body part", "natural object", "plant part", "part");

  private static final double HALF = 0.5;
  private static final double SELDOM = 0.2;
  private static final int SHORTEST_STUFF = 3;

  private final Knowledge knowledge;
  private final HeadingNames names;

  PartColumns(Knowledge knowledge, HeadingNames names) {
    this.knowledge = knowledge;
    this.names = names;
  }

  /**
   * The column as one of a part, if it is one.
   *
   * @param sheet of things that somebody made, its headings in English
   */
  Optional<ColumnReading> read(SheetColumn column, SheetColumns sheet) {
    String heading = inFull(column.heading().name());
    if (column.cells().isEmpty() || heading.split(" ").length > LONGEST_PART + 2) {
      return Optional.empty();
    }
    return quality(heading, column)
        .or(() -> concept(heading, column, sheet))
        .filter(c -> isSaidByAll(c, column.cells()))
        .or(() -> like(heading, column, sheet))
        .or(() -> concept(heading, column, sheet))
        .filter(c -> c.kind() == Concept.Kind.TERMS || !names.isNameOf(heading, c.kind()))
        .filter(c -> sheet.classes().stream().noneMatch(k -> knowledge.isOf(k, c.notOf())))
        .filter(c -> !isItself(c, sheet))
        .map(
            c ->
                new ColumnReading(
                    column.raw(),
                    Meaning.of(c),
                    column.unit(knowledge),
                    SURE,
                    "It names a part, and the cells say what that is like."));
  }

  /** What the things are or aren't, if the heading says just that and the cells answer. */
  private Optional<Concept> quality(String heading, SheetColumn column) {
    return !isCutShort(column.raw()) && column.cells().share(ANSWER.asMatchPredicate()) >= MOST
        ? knowledge.quality(heading)
        : Optional.empty();
  }

  /** A set of strings doesn't have six strings, nor a lid a lid of steel. */
  private boolean isItself(Concept concept, SheetColumns sheet) {
    return !sheet.titled().isEmpty()
        && knowledge
            .partOf(concept)
            .filter(part -> part.equals(one(English.lastWord(sheet.titled()))))
            .isPresent();
  }

  /** A heading without abbreviations. */
  private String inFull(String heading) {
    List<String> words =
        Arrays.stream(heading.split(" "))
            .map(w -> knowledge.abbreviations("en").getOrDefault(w, w))
            .filter(w -> !w.isEmpty())
            .toList();
    return String.join(" ", words);
  }

  private Optional<Concept> concept(String heading, SheetColumn column, SheetColumns sheet) {
    Cells cells = column.cells();
    Optional<Concept> byUnit = byUnit(heading, column, sheet);
    if (byUnit.isPresent()) {
      return byUnit;
    }
    var madeOf = MADE_OF.matcher(heading);
    if (madeOf.matches()) {
      return ofStuff(madeOf.group(1) == null ? madeOf.group(2) : madeOf.group(1), cells);
    }
    int last = heading.lastIndexOf(' ');
    PartAspect extent = EXTENTS.get(heading.substring(last + 1));
    if (extent != null && last > 0) {
      return isLength(column)
          ? knowledge.ofPart(heading.substring(0, last), extent)
          : Optional.empty();
    }
    var numberOf = NUMBER_OF.matcher(heading);
    String counted = numberOf.matches() ? numberOf.group(1) : heading;
    if ((numberOf.matches() || English.isPlural(counted))
        && knowledge.unitWritten(counted).isEmpty()
        && column.unit(knowledge).isEmpty()
        && areMostly(cells, COUNTED.asMatchPredicate())) {
      return isThing(English.lastWord(one(counted)), column, sheet)
          ? knowledge.ofPart(counted, PartAspect.COUNT)
          : Optional.empty();
    }
    var included = INCLUDED.matcher(heading);
    if (cells.share(ANSWER.asMatchPredicate()) >= MOST && included.matches()) {
      String part = included.group(1);
      // Of several it doesn't say how many, and what is loose comes with a thing.
      return English.isPlural(part) || knowledge.isLoose(part)
          ? Optional.empty()
          : knowledge.ofPart(part, PartAspect.FITTED);
    }
    return ofStuff(heading, cells);
  }

  /**
   * "Bowl l", "tank capacity", "flex m": in litres it is how much a part holds, in metres how long
   * it is; millimetres may be any side of it.
   */
  private Optional<Concept> byUnit(String heading, SheetColumn column, SheetColumns sheet) {
    String unit = column.unit(knowledge);
    var holding = HOLDING.matcher(heading);
    String part = holding.matches() ? holding.group(1) : heading;
    // "Tube L" is how long it is.
    boolean isVolume =
        (holding.matches()
                || unit.length() > 1
                || Lexicon.shipped().isKindOf(English.lastWord(part), CONTAINER))
            && column.cells().measure(knowledge, unit, "volume") >= MOST;
    if (isVolume) {
      return maySeveralHold(part, sheet)
          ? Optional.empty()
          : knowledge.ofPart(part, PartAspect.CAPACITY);
    }
    return unit.equals(METRE) && isLength(column)
        ? knowledge.ofPart(heading, PartAspect.LENGTH)
        : Optional.empty();
  }

  /** Whether there may be several of a part, so that nobody knows what one of them holds. */
  private static boolean maySeveralHold(String part, SheetColumns sheet) {
    String several = English.plural(part);
    return English.isPlural(part)
        || sheet.columns().stream().anyMatch(c -> c.heading().name().contains(several));
  }

  /** A part of which each row says another thing: that it is there, how many, what it is like. */
  private Optional<Concept> like(String heading, SheetColumn column, SheetColumns sheet) {
    // "Trays ltr: 3" are no three trays.
    if (isCutShort(column.raw()) || !column.unit(knowledge).isEmpty()) {
      return Optional.empty();
    }
    var included = INCLUDED.matcher(heading);
    String part = included.matches() ? included.group(1) : heading;
    return knowledge
        .ofPart(part, PartAspect.LIKE)
        .filter(c -> knowledge.unitWritten(part).isEmpty())
        .filter(c -> areLike(part, column, sheet));
  }

  /** "Press. sensor": nobody can say what is cut off at a full stop and stands in no list. */
  private boolean isCutShort(String raw) {
    return Arrays.stream(raw.toLowerCase(Locale.ROOT).split("\\s+"))
        .filter(w -> w.endsWith("."))
        .map(w -> w.substring(0, w.length() - 1))
        .anyMatch(w -> !knowledge.abbreviations("en").containsKey(w));
  }

  private boolean areLike(String part, SheetColumn column, SheetColumns sheet) {
    Cells cells = column.cells();
    String one = one(part);
    double figures = cells.share(COUNTED.asMatchPredicate());
    double answers = cells.share(ANSWER.asMatchPredicate());
    // "Pole: 9" may be as thick; "motors: 2" and "drawer: 2" beside "drawer: N" are as many.
    boolean areCounts =
        English.isPlural(part) ? isThing(English.lastWord(one), column, sheet) : answers > 0;
    if (figures > 0 && !areCounts) {
      return false;
    }
    double yes = cells.share(YES.asMatchPredicate());
    double no = answers - yes;
    double said = cells.share(v -> PartCell.of(v, one, knowledge).isPresent());
    boolean saysMore = said > yes;
    // "Bag: paper" is what all is packed in; of what comes with some, a sheet also answers no.
    if (knowledge.isLoose(part) && answers == 0) {
      return false;
    }
    return no < 1 && said / (1 - no) >= LIKELY && (saysMore || knowledge.mayBeMissing(part));
  }

  private Optional<Concept> ofStuff(String part, Cells cells) {
    return knowledge
        .ofPart(part, PartAspect.MATERIAL)
        .filter(c -> areMostly(cells, v -> isStuff(v, c)));
  }

  /**
   * Whether a noun names something that can be touched often enough for bare figures under it to
   * count such things, or the sheet speaks of it elsewhere: "steps" are stages of a dial, too, but
   * not where people look for a "step stool".
   */
  private static boolean isThing(String noun, SheetColumn column, SheetColumns sheet) {
    if (Lexicon.shipped().isKindOf(noun, "color")) {
      // "Shades" are colours, too, of which a thread has many.
      return false;
    }
    return Lexicon.shipped().senses(noun) == 0
        || Lexicon.shipped().shareOfSenses(noun, THINGS) > SELDOM
        || Words.find(noun, sheet.titled()) >= 0
        || sheet.columns().stream()
            .filter(c -> c.index() != column.index())
            .anyMatch(
                c ->
                    Words.find(noun, c.heading().name()) >= 0
                        || c.cells().share(v -> Words.find(noun, v) >= 0) >= HALF);
  }

  /** Whether all cells say what a concept is about; else each may say another thing. */
  private boolean isSaidByAll(Concept concept, Cells cells) {
    return switch (concept.kind()) {
      case FLAG -> cells.share(ANSWER.asMatchPredicate()) >= 1;
      case TERMS -> cells.share(v -> isStuff(v, concept) || ANSWER.matcher(v).matches()) >= 1;
      default -> true;
    };
  }

  /** Whether most cells pass, of those that say more than that there is none. */
  private static boolean areMostly(Cells cells, Predicate<String> test) {
    double answers = cells.share(v -> ANSWER.matcher(v).matches() && !YES.matcher(v).matches());
    return answers < 1 && cells.share(test) / (1 - answers) >= MOST;
  }

  private boolean isLength(SheetColumn column) {
    return column.cells().measure(knowledge, column.unit(knowledge), "length") >= MOST;
  }

  private boolean isStuff(String cell, Concept concept) {
    return LISTED
        .splitAsStream(cell.toLowerCase(Locale.ROOT))
        .allMatch(
            part -> {
              String last = English.lastWord(part);
              return !isCounted(part)
                  && (knowledge.term(concept.terms(), part).isPresent()
                      // "4 cm" is no curium.
                      || last.length() >= SHORTEST_STUFF
                          && (knowledge.term(concept.terms(), last).isPresent()
                              || Lexicon.shipped().shareOfSenses(last, concept.hypernyms())
                                  >= HALF));
            });
  }

  /** "3 plastic" says of perches how many there are, too; "18 carat gold" doesn't. */
  private boolean isCounted(String part) {
    String[] words = part.strip().split(" ");
    return COUNTED.matcher(words[0]).matches()
        && (words.length < 2
            || knowledge.unitWritten(words[1]).isEmpty()
                && !Lexicon.shipped().isKindOf(words[1].toLowerCase(Locale.ROOT), UNIT));
  }

  private static String one(String part) {
    return English.isPlural(part) && !English.isPluralOnly(part) ? English.singular(part) : part;
  }
}
