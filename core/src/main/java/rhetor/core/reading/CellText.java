package rhetor.core.reading;

import java.util.Locale;
import java.util.Set;
import java.util.regex.Pattern;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Element;
import org.jsoup.safety.Safelist;

/** Turns what a cell holds into clean text: no markup, no control characters, single spaces. */
public final class CellText {
  private static final Set<String> NOTHING =
      Set.of(
          "",
          "-",
          "–",
          "—",
          "--",
          "n/a",
          "na",
          "n.a.",
          "k.a.",
          "k. a.",
          "null",
          "nil",
          "tbc",
          "tbd",
          "?",
          "??",
          "unknown",
          "unbekannt",
          "none",
          "keine angabe",
          "#n/a",
          "#ref!",
          "#value!",
          "x.x",
          "0,00",
          "not specified");
  private static final Pattern SPACES = Pattern.compile("[\\s\\u00A0\\u200B\\u202F]+");
  private static final Pattern CONTROL =
      Pattern.compile(
          "[\\p{Cntrl}\\p{Co}\\p{Cn}\\uFFFD\\uFEFF&&[^\\n\\t\\r]]|[\\u202A-\\u202E\\u2066-\\u2069]");

  /** No script stacks as many marks; each of them makes looking for a word's edge walk back. */
  private static final Pattern STACKED_MARKS = Pattern.compile("(\\p{M}{4})\\p{M}+");

  private static final Pattern MARKUP =
      Pattern.compile("<[a-zA-Z/!]|&(?:[a-zA-Z]{2,8}|#\\d{1,6}|#x[0-9a-fA-F]{1,5});");

  private CellText() {}

  /** One line of plain text. Scripts, styles and comments vanish with their contents. */
  public static String clean(String cell) {
    if (isPlain(cell)) {
      return cell.strip();
    }
    return SPACES.matcher(printable(withoutMarkup(cell))).replaceAll(" ").strip();
  }

  /** Plain text that keeps paragraphs and list items on lines of their own. */
  public static String lines(String cell) {
    if (isPlain(cell)) {
      return cell.strip();
    }
    return printable(withoutMarkup(cell))
        .replaceAll("[ \\t\\u00A0]+", " ")
        .replaceAll(" ?[\\r\\n]+ ?", "\n")
        .strip();
  }

  private static String printable(String text) {
    return STACKED_MARKS.matcher(CONTROL.matcher(text).replaceAll("")).replaceAll("$1");
  }

  /** Most cells are printable ASCII with single spaces: there is nothing to clean. */
  private static boolean isPlain(String cell) {
    char before = 0;
    for (int i = 0; i < cell.length(); i++) {
      char c = cell.charAt(i);
      if (c < ' ' || c > '~' || c == '<' || c == '&' || c == ' ' && before == ' ') {
        return false;
      }
      before = c;
    }
    return true;
  }

  private static String withoutMarkup(String cell) {
    if (!MARKUP.matcher(cell).find()) {
      return cell;
    }
    org.jsoup.nodes.Document document = Jsoup.parse(cell);
    document.outputSettings().prettyPrint(false);
    Element body = document.body();
    body.select("script, style, template, noscript, iframe, object").remove();
    body.select("br").append("\n");
    body.select("p, li, div, tr, h1, h2, h3, h4").append("\n");
    String text =
        Jsoup.clean(
            body.html(),
            "",
            Safelist.none(),
            new org.jsoup.nodes.Document.OutputSettings().prettyPrint(false));
    return org.jsoup.parser.Parser.unescapeEntities(text, false);
  }

  /** Whether a cell says that nothing is known, such as {@code n/a}. */
  public static boolean saysNothing(String clean) {
    return NOTHING.contains(clean.toLowerCase(Locale.ROOT));
  }
}
