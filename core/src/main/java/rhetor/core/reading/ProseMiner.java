package rhetor.core.reading;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rhetor.core.fact.Value;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Concept.Kind;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.knowledge.TermIndex;
import rhetor.core.knowledge.Unit;
import rhetor.core.language.Words;

/**
 * Finds facts in a supplier's prose: measured values near a telling word, ratings, materials,
 * lists.
 */
final class ProseMiner {
  private static final Pattern MEASURED =
      Pattern.compile(
          "(?<![\\w.,])(?<q>(?i:up to|about|around|approx\\.?|at least) )?(?<n>"
              + NumberStyle.NUMBER
              + ")\\s?-?(?<u>[a-zA-Z°%][a-zA-Z°%²/]*)");
  private static final Pattern SIDES =
      Pattern.compile(
          "(?<![\\w.,])\\d+(?:[.,]\\d+)?\\s?[x×]\\s?\\d+(?:[.,]\\d+)?(?:\\s?[x×]\\s?\\d+(?:[.,]\\d+)?)?\\s?(?:mm|cm|m|in)\\b");
  private static final Pattern MADE_OF =
      Pattern.compile(
          "(?i)\\b(?:made|built|sewn|cut|formed|forged|welded|constructed|manufactured)(?: entirely| completely| mainly)? (?:of|from|in|out of) (?<what>[^.;:!?\\n]{3,80})");
  private static final Pattern ITEM = Pattern.compile("^\\s*(?:[-•*·–]|\\d+[.)])\\s+(.{3,60})$");

  private static final Pattern CLAUSES =
      Pattern.compile("(?<=[.!?;])\\s+|\\n|,\\s(?=and |but |it )");
  private static final Pattern LIST_ITEM = Pattern.compile("(?i)<li[^>]*>");

  /** How far from a value a telling word may stand, in characters. */
  private static final int REACH = 36;

  /**
   * "Breaking strain 9.1 kg", "Colour: moss green": a heading and its value on a line of their own.
   */
  private static final Pattern LABELLED =
      Pattern.compile(
          "(?<label>\\p{L}[\\p{L} ]{2,28}?)\\s*(?:[:=]\\s*(?<told>\\S.{0,60}?)|\\s(?<amount>\\d\\S*(?: ?\\S{1,10})?))[.;]?");

  private static final Pattern NEXT_LABEL =
      Pattern.compile("[,;]\\s+(?=\\p{L}[\\p{L} ]{1,28}:\\s)");

  /** A value found in prose. */
  record Find(Concept concept, Value value, String snippet) {}

  private final Knowledge knowledge;
  private final ValueReader values;
  private final NumberStyle numbers;
  private final TermIndex materials;
  private final Map<String, List<Cue>> cues = new HashMap<>();

  private final Map<String, Concept> byName = new HashMap<>();

  private record Cue(Pattern word, int length, Concept concept) {}

  public ProseMiner(Knowledge knowledge, NumberStyle numbers) {
    this.knowledge = knowledge;
    this.numbers = numbers;
    this.values = new ValueReader(knowledge, numbers);
    this.materials = new TermIndex(knowledge, "material", Set.of());
    for (Concept concept : knowledge.concepts()) {
      concept
          .names()
          .values()
          .forEach(l -> l.forEach(n -> byName.putIfAbsent(n.toLowerCase(Locale.ROOT), concept)));
      if (concept.kind() == Kind.QUANTITY) {
        for (String cue : concept.cues()) {
          // "Long-stroke" says nothing of how long it is.
          Pattern word = Pattern.compile("(?<![\\p{L}-])" + Pattern.quote(cue) + "(?![\\p{L}-])");
          cues.computeIfAbsent(concept.dimension(), d -> new ArrayList<>())
              .add(new Cue(word, cue.length(), concept));
        }
      }
    }
  }

  /** Finds in the order of the prose; the same concept may be found more than once. */
  List<Find> mine(String cell) {
    String text = CellText.lines(cell);
    List<Find> finds = new ArrayList<>();
    boolean hasDigits = text.chars().anyMatch(Character::isDigit);
    for (String clause : CLAUSES.split(text)) {
      if (!clause.isBlank() && !severalLabelled(clause, finds) && !labelled(clause, finds)) {
        if (hasDigits) {
          measured(clause, finds);
          sides(clause, finds);
          ratings(clause, finds);
        }
        materials(clause, finds);
      }
    }
    return finds;
  }

  /** "Details: Brand: Heddle, Material: wool, Colour: rust": a table that was pasted as prose. */
  private boolean severalLabelled(String clause, List<Find> finds) {
    String[] entries = NEXT_LABEL.split(clause.strip());
    if (entries.length < 2) {
      return false;
    }
    for (String entry : entries) {
      // "Details: Brand: Heddle" has its heading in front.
      int last = entry.lastIndexOf(':');
      int before = entry.lastIndexOf(':', last - 1);
      labelled(before < 0 ? entry : entry.substring(before + 1), finds);
    }
    return true;
  }

  private boolean labelled(String clause, List<Find> finds) {
    Matcher m = LABELLED.matcher(clause.strip());
    if (!m.matches()) {
      return false;
    }
    Concept concept = byName.get(m.group("label").strip().toLowerCase(Locale.ROOT));
    if (concept == null || concept.theme().equals("identity")) {
      return false;
    }
    boolean told = m.group("told") != null;
    Value value = values.read(told ? m.group("told") : m.group("amount"), concept, "");
    boolean measured = concept.kind() == Kind.QUANTITY || concept.kind() == Kind.SIDES;
    if (value instanceof Value.Words && (measured || !told)
        || value instanceof Value.Quantity q && measured && q.unit().isEmpty()) {
      return false;
    }
    finds.add(new Find(concept, value, clause.strip()));
    return true;
  }

  private void measured(String clause, List<Find> finds) {
    String snippet = clause.strip();
    String lower = clause.toLowerCase(Locale.ROOT);
    Matcher m = MEASURED.matcher(clause);
    while (m.find()) {
      Unit unit = knowledge.unitWritten(m.group("u")).orElse(null);
      if (unit == null) {
        continue;
      }
      Concept concept = nearest(lower, m.start(), m.end(), unit);
      if (concept == null) {
        continue;
      }
      String qualifier =
          m.group("q") == null
              ? ""
              : m.group("q")
                  .strip()
                  .toLowerCase(Locale.ROOT)
                  .replaceAll("around|approx\\.?", "about");
      numbers
          .parse(m.group("n"))
          .ifPresent(
              n ->
                  finds.add(
                      new Find(concept, new Value.Quantity(n, unit.id(), qualifier), snippet)));
    }
  }

  /** The concept of the unit's dimension whose telling word stands nearest to the value. */
  private Concept nearest(String clause, int start, int end, Unit unit) {
    Concept best = null;
    int bestDistance = REACH + 1;
    for (Cue cue : cues.getOrDefault(unit.dimension(), List.of())) {
      Matcher m = cue.word.matcher(clause);
      // Only what can be in reach is looked through, so that a long clause costs no more for each
      // of its values.
      m.useTransparentBounds(true)
          .useAnchoringBounds(false)
          .region(
              Math.max(0, Math.min(start, clause.length()) - REACH - cue.length),
              Math.min(clause.length(), end + REACH + cue.length));
      while (m.find()) {
        int distance = m.start() >= end ? m.start() - end : start >= m.end() ? start - m.end() : 0;
        if (distance < bestDistance) {
          best = cue.concept;
          bestDistance = distance;
        }
      }
    }
    return best;
  }

  private void sides(String clause, List<Find> finds) {
    Matcher m = SIDES.matcher(clause);
    Concept dimensions = knowledge.concept("dimensions").orElseThrow();
    String lower = clause.toLowerCase(Locale.ROOT);
    if (dimensions.cues().stream().noneMatch(lower::contains)) {
      return;
    }
    String snippet = clause.strip();
    while (m.find()) {
      Value value = values.read(m.group(), dimensions, "");
      if (value instanceof Value.Sides) {
        finds.add(new Find(dimensions, value, snippet));
      }
    }
  }

  private void ratings(String clause, List<Find> finds) {
    Matcher m = ValueReader.RATING.matcher(clause);
    String snippet = clause.strip();
    while (m.find()) {
      if (m.group().toUpperCase(Locale.ROOT).startsWith("IP")) {
        Concept rating = knowledge.concept("water_rating").orElseThrow();
        finds.add(new Find(rating, values.read(m.group(), rating, ""), snippet));
      }
    }
  }

  private void materials(String clause, List<Find> finds) {
    Matcher m = MADE_OF.matcher(clause);
    Concept material = knowledge.concept("material").orElseThrow();
    String snippet = clause.strip();
    while (m.find()) {
      List<String> found =
          materials.in(Words.of(m.group("what"))).stream()
              .map(p -> p.term().en())
              .distinct()
              .toList();
      if (!found.isEmpty()) {
        finds.add(new Find(material, new Value.Terms(found), snippet));
      }
    }
  }

  /** Short items of a list in the prose; empty unless there are at least two. */
  List<String> listItems(String cell) {
    String marked = LIST_ITEM.matcher(cell).replaceAll("\n• ");
    List<String> items = new ArrayList<>();
    for (String line : CellText.lines(marked).split("\\n")) {
      Matcher m = ITEM.matcher(line);
      if (m.matches() && m.group(1).split(" ").length <= 6) {
        items.add(m.group(1).strip().replaceAll("[.;,]+$", ""));
      }
    }
    return items.size() >= 2 ? items : List.of();
  }
}
