package rhetor.core.model;

import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import rhetor.core.style.Field;

/** What text models call a field of a text. */
final class FieldNames {
  private static final Map<String, Field> NAMES = names();

  private FieldNames() {}

  /** Whether a field is called so and in no other word. */
  static boolean isOwnName(String name, Field field) {
    return normal(name).equals(field.code()) || normal(name).equals(normal(field.label()));
  }

  /** The field that a name stands for. */
  static Optional<Field> field(String name) {
    return Optional.ofNullable(NAMES.get(normal(name)));
  }

  private static String normal(String name) {
    return name.replaceAll("(?<=\\p{Ll})(?=\\p{Lu})", "_")
        .toLowerCase(Locale.ROOT)
        .replaceAll("[^a-z0-9]+", "_")
        .replaceAll("^_|_$", "");
  }

  private static Map<String, Field> names() {
    Map<String, Field> names = new HashMap<>();
    for (Field field : Field.values()) {
      names.put(field.code(), field);
      names.put(normal(field.label()), field);
    }
    names.put("name", Field.TITLE);
    names.put("product_title", Field.TITLE);
    names.put("seo_title", Field.META_TITLE);
    names.put("page_title", Field.META_TITLE);
    names.put("seo_description", Field.META_DESCRIPTION);
    names.put("long_description", Field.DESCRIPTION);
    names.put("product_description", Field.DESCRIPTION);
    names.put("body", Field.DESCRIPTION);
    names.put("body_html", Field.DESCRIPTION);
    names.put("summary", Field.SHORT_DESCRIPTION);
    names.put("alt", Field.IMAGE_ALT);
    names.put("alt_text", Field.IMAGE_ALT);
    names.put("image_alt_text", Field.IMAGE_ALT);
    names.put("bullet_points", Field.HIGHLIGHTS);
    return names;
  }
}
