package rhetor.core.reading;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Element;

/** Addresses and file names of pictures, in cells and in markup. */
final class PictureLinks {
  private static final int MOST = 20;
  private static final int LONGEST = 2_000;
  private static final Pattern WEB =
      Pattern.compile(
          "(?i)https?://[^\\s|\"'<>]{1,2000}?(?=[\\s|;,\"'<>]{1,8}(?:https?://|$)|[\\s|\"'<>]|$)");
  private static final Pattern FILE =
      Pattern.compile("(?i)(?<![^|;,\\n])[^|;,\\n]*\\.(?:png|jpe?g|gif|webp|tiff?|bmp)");
  private static final Pattern IMAGE = Pattern.compile("(?i)<img\\b");

  private PictureLinks() {}

  /** What a cell of a picture column names: addresses, or else file names, whatever parts them. */
  static List<String> ofCell(String cell) {
    Set<String> found = new LinkedHashSet<>();
    // No more than this can be taken, so no more is looked through.
    String start = cell.substring(0, Math.min(cell.length(), MOST * LONGEST));
    Matcher names = (WEB.matcher(start).find() ? WEB : FILE).matcher(start);
    while (names.find() && found.size() < MOST) {
      add(found, names.group().strip());
    }
    return List.copyOf(found);
  }

  /** What the pictures inside a text's markup are called there; none for plain text. */
  static List<String> ofMarkup(String text) {
    if (!IMAGE.matcher(text).find()) {
      return List.of();
    }
    Set<String> found = new LinkedHashSet<>();
    for (Element image : Jsoup.parseBodyFragment(text).select("img[src]")) {
      if (found.size() < MOST && !image.attr("src").startsWith("data:")) {
        add(found, image.attr("src").strip());
      }
    }
    return List.copyOf(found);
  }

  private static void add(Set<String> found, String link) {
    if (!link.isEmpty() && link.length() <= LONGEST) {
      found.add(link);
    }
  }

  /** All of several lists, each once, up to the most that one product may have. */
  static List<String> together(List<List<String>> lists) {
    return lists.isEmpty()
        ? List.of()
        : lists.stream().flatMap(List::stream).distinct().limit(MOST).toList();
  }
}
