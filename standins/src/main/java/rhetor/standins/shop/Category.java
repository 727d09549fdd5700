package rhetor.standins.shop;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import rhetor.standins.harrowmere.Catalogue;

/**
 * A page of the shop that shows several products together.
 *
 * @param key its part of the address
 * @param text what stands above the products, as HTML; most have nothing
 */
record Category(String key, String name, String text, List<String> skus) {
  /** Its texts are kept among those of the goods; this stands before its key there. */
  static final String SKU = "category/";

  private static final Map<String, String> NAMES =
      Map.of(
          "Packtaschen", "Panniers",
          "Lenkertaschen", "Handlebar bags",
          "Satteltaschen", "Saddle bags",
          "Rahmentaschen", "Frame bags",
          "Rucksäcke", "Backpacks");

  /** What its texts are kept by. */
  String sku() {
    return SKU + key;
  }

  /** The same page with the text that stands there now. */
  Category with(String html) {
    return new Category(key, name, html, skus);
  }

  /** The shop's categories as they were at first, by key. */
  static List<Category> all() {
    Map<String, List<String>> skus = new LinkedHashMap<>();
    for (Catalogue.Shown shown : Catalogue.shown()) {
      skus.computeIfAbsent(NAMES.getOrDefault(shown.shape(), shown.shape()), k -> new ArrayList<>())
          .add(shown.sku());
    }
    return skus.entrySet().stream()
        .map(
            e ->
                new Category(
                    e.getKey().toLowerCase(java.util.Locale.ROOT).replace(' ', '-'),
                    e.getKey(),
                    e.getKey().equals("Panniers")
                        ? "<p>Bags that hang on the rack, for the daily way and for long tours.</p>"
                        : "",
                    e.getValue()))
        .sorted(java.util.Comparator.comparing(Category::key))
        .toList();
  }
}
