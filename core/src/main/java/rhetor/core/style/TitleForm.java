package rhetor.core.style;

import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rhetor.core.language.English;

/**
 * How titles and meta titles are set.
 *
 * @param separator what stands between their parts
 * @param capitals which of their words have a capital
 */
public record TitleForm(Separator separator, Capitals capitals) {
  /** A dash before what it is, a bar before who makes it, words as they come. */
  public static final TitleForm USUAL = new TitleForm(Separator.USUAL, Capitals.AS_THEY_COME);

  /** What stands between the parts of a title. */
  public enum Separator {
    /** A dash before what it is, a bar before who makes it. */
    USUAL("", ""),
    DASH(" – ", "a dash"),
    BAR(" | ", "a bar"),
    DOT(" · ", "a dot"),
    COMMA(", ", "a comma");

    private final String joint;
    private final String label;

    Separator(String joint, String label) {
      this.joint = joint;
      this.label = label;
    }

    /** The separator with its spaces, or {@code usual} if the house has none of its own. */
    public String or(String usual) {
      return this == USUAL ? usual : joint;
    }
  }

  /** Which words of a title have a capital. */
  public enum Capitals {
    AS_THEY_COME,
    EVERY_WORD
  }

  private static final Pattern SEPARATED = Pattern.compile(" [–|·-] ");

  public TitleForm {
    separator = separator == null ? Separator.USUAL : separator;
    capitals = capitals == null ? Capitals.AS_THEY_COME : capitals;
  }

  /** Words of a title with the capitals that the house gives them. */
  public String cased(String words) {
    return capitals == Capitals.EVERY_WORD ? English.capitaliseWords(words) : words;
  }

  /**
   * A title as the house sets it.
   *
   * @param name the product's name, which stands as it is
   */
  public String set(String title, String name) {
    int at = name.isEmpty() ? -1 : title.indexOf(name);
    if (at < 0) {
      return setApart(title);
    }
    return setApart(title.substring(0, at)) + name + setApart(title.substring(at + name.length()));
  }

  private String setApart(String words) {
    return cased(
        separator == Separator.USUAL
            ? words
            : SEPARATED.matcher(words).replaceAll(Matcher.quoteReplacement(separator.joint)));
  }

  /** The form in words, empty if it is the usual one. */
  String words() {
    String parted = separator == Separator.USUAL ? "" : "parted by " + separator.label;
    String capitals = this.capitals == Capitals.EVERY_WORD ? "a capital for every word" : "";
    return parted.isEmpty() || capitals.isEmpty() ? parted + capitals : parted + ", " + capitals;
  }
}
