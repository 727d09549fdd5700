package rhetor.core.say.en;

import java.math.BigDecimal;
import java.text.DecimalFormat;
import java.text.DecimalFormatSymbols;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import rhetor.core.fact.Value;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.knowledge.MadeThing;
import rhetor.core.knowledge.Unit;
import rhetor.core.language.English;
import rhetor.core.reading.Measure;

/**
 * Writes values in British English: in running text, before a noun, and in a specification list.
 */
public final class ValueText {
  /** Units with those that running text has for a thousand of them. */
  private static final Map<String, String> LARGER = Map.of("g", "kg", "ml", "l");

  private static final BigDecimal THOUSAND = BigDecimal.valueOf(1000);
  private static final int MOST_DECIMALS = 2;
  private static final Set<String> CALENDAR = Set.of("d", "nt", "wk", "mth", "yr");
  private static final ThreadLocal<DecimalFormat> FORMAT =
      ThreadLocal.withInitial(
          () -> new DecimalFormat("#,##0.####", DecimalFormatSymbols.getInstance(Locale.UK)));

  private final Knowledge knowledge;

  private static final Pattern DECIMAL = Pattern.compile("\\d{1,6},(?:\\d{1,2}|\\d{4})");

  private static final Pattern END = Pattern.compile("[.;,]+$");
  private static final int LONGEST_WITH = 100;
  private static final Pattern WITH =
      Pattern.compile("(?<head>\\p{L}[^,;]* with )(?<what>[\\p{L}-]+(?: [\\p{L}-]+){0,2})");
  private static final Pattern TIMES = Pattern.compile("(?<=\\d) ?[xX] ?(?=\\d)");

  public ValueText(Knowledge knowledge) {
    this.knowledge = knowledge;
  }

  /** A cell that is nothing but a number with a decimal comma, with a point: "0.5" of "0,5". */
  public static Optional<String> withPoint(String cell) {
    return DECIMAL.matcher(cell).matches() ? Optional.of(cell.replace(',', '.')) : Optional.empty();
  }

  /** A number with grouped thousands and a decimal point. */
  public static String number(BigDecimal n) {
    boolean small = n.scale() == 0 && n.signum() >= 0 && n.precision() <= 3;
    return small ? n.toString() : FORMAT.get().format(n).replace("-", "−");
  }

  /** The value in running text: "20 litres", "940 g", "8 to 11 mm", "red and black". */
  public String prose(Value value) {
    return switch (value) {
      case Value.Quantity q -> {
        Value.Quantity said = inLargerUnit(q);
        yield (q.qualifier().isEmpty() ? "" : q.qualifier() + " ")
            + amount(said.amount(), said.unit());
      }
      case Value.Range r -> range(r);
      case Value.Sides s -> sides(s);
      case Value.Terms(List<String> items) ->
          English.list(
              items.stream()
                  .map(English::midSentence)
                  .map(ValueText::withArticle)
                  .map(i -> i.replaceAll("(?<=\\d)-(?=\\d)", "–"))
                  .toList());
      case Value.Rating(String code) -> code;
      case Value.YesNo(boolean yes) -> yes ? "yes" : "no";
      case Value.Words(String text) ->
          Measure.of(text, knowledge)
              .map(this::prose)
              .orElseGet(
                  () ->
                      withArticle(
                          English.midSentence(
                              times(text).replace(" & ", " and ").replace(" / ", " or "))));
    };
  }

  /** "6.2 kg": nobody says that something weighs 6,200 g, unless that is more exact. */
  private static Value.Quantity inLargerUnit(Value.Quantity q) {
    String larger = LARGER.get(q.unit());
    if (larger == null || q.amount().compareTo(THOUSAND) < 0) {
      return q;
    }
    BigDecimal less = q.amount().divide(THOUSAND).stripTrailingZeros();
    return less.scale() > MOST_DECIMALS
        ? q
        : new Value.Quantity(less.setScale(Math.max(0, less.scale())), larger, q.qualifier());
  }

  /** "Maple with cork lid" is one with a brass lid. */
  private static String withArticle(String words) {
    Matcher m = WITH.matcher(words);
    return words.length() < LONGEST_WITH && m.matches()
        ? ItemPhrase.of(m.group("what")).map(n -> m.group("head") + n).orElse(words)
        : words;
  }

  /** "Four to eight weeks", but "8 to 14 weeks": both ends in words, or neither. */
  private String range(Value.Range r) {
    boolean areWords =
        CALENDAR.contains(r.unit())
            && Stream.of(r.from(), r.to()).noneMatch(n -> words(n).equals(number(n)));
    return areWords
        ? words(r.from()) + " to " + amount(r.to(), r.unit())
        : number(r.from()) + " to " + amount(r.to(), r.unit(), number(r.to()));
  }

  /** The things that a value lists, one by one; the value itself if it is no list. */
  public List<String> items(Value value) {
    return value instanceof Value.Terms(List<String> items) ? items : List.of(spec(value));
  }

  /** The value before a noun ("20-litre"), or empty if it can't stand there. */
  public String attributive(Value value) {
    return switch (value) {
      case Value.Quantity q when q.qualifier().isEmpty() -> {
        Unit unit = knowledge.unit(q.unit()).orElse(null);
        yield unit == null
            ? ""
            : unit.isWord() && !unit.one().contains(" ")
                ? calendar(q, unit) + "-" + unit.one()
                : unit.isWord() ? "" : spaced(number(q.amount()), unit.id());
      }
      case Value.Terms(List<String> items)
          when items.size() == 1
              && items.getFirst().split(" ").length <= 2
              && !MadeThing.isOne(items.getFirst(), knowledge) ->
          English.midSentence(items.getFirst());
      default -> "";
    };
  }

  private static String calendar(Value.Quantity q, Unit unit) {
    return CALENDAR.contains(unit.id()) || unit.id().equals("h")
        ? words(q.amount())
        : number(q.amount());
  }

  /** The value in a specification list: symbols, no articles. */
  public String spec(Value value) {
    return switch (value) {
      case Value.Quantity q ->
          (q.qualifier().isEmpty() ? "" : q.qualifier() + " ")
              + symbol(number(q.amount()), q.unit());
      case Value.Range r -> symbol(number(r.from()) + "–" + number(r.to()), r.unit());
      case Value.Sides s -> sides(s);
      case Value.Terms(List<String> items) -> String.join(", ", items);
      case Value.Rating(String code) -> code;
      case Value.YesNo(boolean yes) -> yes ? "yes" : "no";
      case Value.Words(String text) -> times(text);
    };
  }

  /** The words without a full stop, and "21 x 14 cm" with a multiplication sign. */
  private static String times(String text) {
    boolean open = text.isEmpty() || Character.isLetterOrDigit(text.charAt(text.length() - 1));
    String ended = open ? text : END.matcher(text).replaceFirst("");
    boolean times = ended.indexOf('x') >= 0 || ended.indexOf('X') >= 0;
    return times ? TIMES.matcher(ended).replaceAll(" × ") : ended;
  }

  private String symbol(String number, String unitId) {
    Unit unit = knowledge.unit(unitId).orElse(null);
    if (unit == null) {
      return number;
    }
    boolean spelled = CALENDAR.contains(unitId) || unitId.equals("h") || unitId.equals("pcs");
    return spaced(number, spelled ? number.equals("1") ? unit.one() : unit.many() : unit.id());
  }

  private String amount(BigDecimal n, String unitId) {
    return amount(n, unitId, CALENDAR.contains(unitId) ? words(n) : number(n));
  }

  private String amount(BigDecimal n, String unitId, String written) {
    Unit unit = knowledge.unit(unitId).orElse(null);
    if (unit == null) {
      return written;
    }
    boolean one = n.compareTo(BigDecimal.ONE) == 0;
    return spaced(written, unit.isWord() ? one ? unit.one() : unit.many() : unit.id());
  }

  private static String words(BigDecimal n) {
    return n.stripTrailingZeros().scale() <= 0
            && n.abs().compareTo(BigDecimal.valueOf(12)) <= 0
            && n.signum() > 0
        ? English.number(n.intValueExact())
        : number(n);
  }

  private static String spaced(String number, String unit) {
    return unit.equals("%") || unit.equals("°") ? number + unit : number + " " + unit;
  }

  private static String sides(Value.Sides s) {
    String lengths = s.lengths().stream().map(ValueText::number).collect(Collectors.joining(" × "));
    return s.unit().isEmpty() ? lengths : lengths + " " + s.unit();
  }
}
