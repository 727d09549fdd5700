package rhetor.core.image;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/**
 * Finds the product that a picture shows by the words of its file's name.
 *
 * @param productId id of the product
 * @param confidence 0 to 1
 * @param reason in words, why
 */
public record FileNameMatch(long productId, double confidence, String reason) {
  private static final double LEAST = 0.6;

  /** A product as far as matching needs it. */
  public record Candidate(long id, String sku, String name) {}

  /**
   * The best match: the SKU in the file's name, else most words of the product's name.
   *
   * @return nothing if no product fits well enough, or two fit equally well by name
   */
  public static Optional<FileNameMatch> find(String fileName, Collection<Candidate> candidates) {
    String base = fileName.replaceFirst("(?i)\\.[a-z0-9]{2,5}$", "");
    String letters = squeezed(base);
    Set<String> words = new HashSet<>(words(base));
    List<FileNameMatch> found = new ArrayList<>();
    int longestSku = 0;
    for (Candidate c : candidates) {
      String sku = squeezed(c.sku());
      if (sku.length() >= 3 && letters.contains(sku) && isWhole(letters, sku)) {
        if (sku.length() > longestSku) {
          longestSku = sku.length();
          found.removeIf(m -> m.confidence >= 0.9);
        }
        if (sku.length() == longestSku) {
          found.add(
              new FileNameMatch(
                  c.id(),
                  letters.equals(sku) ? 1 : 0.95,
                  "The file's name has the SKU " + c.sku() + "."));
        }
      } else if (longestSku == 0) {
        List<String> name = words(c.name());
        long shared = name.stream().filter(words::contains).count();
        double share = name.isEmpty() ? 0 : shared / (double) name.size();
        if (share >= LEAST && shared >= 2) {
          found.add(
              new FileNameMatch(
                  c.id(),
                  Math.round(share * 80) / 100.0,
                  "%d of the %d words of \"%s\" are in the file's name."
                      .formatted(shared, name.size(), c.name())));
        }
      }
    }
    if (longestSku > 0) {
      found.removeIf(m -> m.confidence < 0.9);
    }
    found.sort(Comparator.comparingDouble(FileNameMatch::confidence).reversed());
    boolean tie = found.size() > 1 && found.get(0).confidence == found.get(1).confidence;
    return found.isEmpty() || tie ? Optional.empty() : Optional.of(found.getFirst());
  }

  /** Words of a file's name that say something: no numbering, no camera's prefix. */
  public static List<String> words(String name) {
    return java.util.Arrays.stream(
            name.replaceAll("(\\p{Ll})(\\p{Lu})", "$1 $2")
                .toLowerCase(Locale.ROOT)
                .split("[^\\p{L}\\p{N}]+"))
        .filter(
            w ->
                w.length() > 1
                    && !w.matches("img|dsc|dscn|pic|photo|image|final|copy|web|\\d{3,}x?\\d*|v\\d"))
        .toList();
  }

  private static String squeezed(String text) {
    return text.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N}]", "");
  }

  /** "KL-200" must not be found in "kl2001": a digit must not go on. */
  private static boolean isWhole(String letters, String sku) {
    int at = letters.indexOf(sku);
    int end = at + sku.length();
    boolean before =
        at == 0 || !(Character.isDigit(letters.charAt(at - 1)) && Character.isDigit(sku.charAt(0)));
    boolean after =
        end == letters.length()
            || !(Character.isDigit(letters.charAt(end))
                && Character.isDigit(sku.charAt(sku.length() - 1)));
    return before && after;
  }
}
