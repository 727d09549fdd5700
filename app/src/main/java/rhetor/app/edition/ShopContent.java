package rhetor.app.edition;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import rhetor.core.exchange.Html;
import rhetor.core.style.Field;
import rhetor.core.text.Draft;
import rhetor.core.text.Sentence;

/**
 * What a shop shows of a product.
 *
 * @param description as HTML
 */
record ShopContent(
    String title,
    String shortDescription,
    String description,
    String metaTitle,
    String metaDescription,
    List<String> tags,
    String imageAlt) {

  ShopContent {
    title = Objects.requireNonNullElse(title, "");
    shortDescription = Objects.requireNonNullElse(shortDescription, "");
    description = Objects.requireNonNullElse(description, "");
    metaTitle = Objects.requireNonNullElse(metaTitle, "");
    metaDescription = Objects.requireNonNullElse(metaDescription, "");
    tags = tags == null ? List.of() : tags.stream().filter(Objects::nonNull).toList();
    imageAlt = Objects.requireNonNullElse(imageAlt, "");
  }

  /** A text as the shop is to show it. */
  static ShopContent of(Draft draft, int headingLevel) {
    return new ShopContent(
        draft.plain(Field.TITLE),
        draft.plain(Field.SHORT_DESCRIPTION),
        Html.of(draft.blocks(Field.DESCRIPTION), headingLevel),
        draft.plain(Field.META_TITLE),
        draft.plain(Field.META_DESCRIPTION),
        draft.sentences(Field.TAGS).stream().map(Sentence::text).toList(),
        draft.plain(Field.IMAGE_ALT));
  }

  /** Each field's words as a person changes them: HTML for the description, tags with commas. */
  Map<Field, String> fields() {
    Map<Field, String> fields = new EnumMap<>(Field.class);
    fields.put(Field.TITLE, title);
    fields.put(Field.SHORT_DESCRIPTION, shortDescription);
    fields.put(Field.DESCRIPTION, description);
    fields.put(Field.META_TITLE, metaTitle);
    fields.put(Field.META_DESCRIPTION, metaDescription);
    fields.put(Field.TAGS, String.join(", ", tags));
    fields.put(Field.IMAGE_ALT, imageAlt);
    return fields;
  }

  /** The fields whose words are others there. */
  List<Field> differences(ShopContent other) {
    Map<Field, String> here = fields();
    Map<Field, String> there = other.fields();
    List<Field> differ = new ArrayList<>();
    for (Field field : here.keySet()) {
      if (!same(field, here.get(field), there.get(field))) {
        differ.add(field);
      }
    }
    return differ;
  }

  private static boolean same(Field field, String a, String b) {
    return plain(field, a).equals(plain(field, b));
  }

  /** Shops write markup anew; how it is spaced says nothing. */
  private static String plain(Field field, String text) {
    String words = text;
    if (field == Field.DESCRIPTION) {
      Document document = Jsoup.parseBodyFragment(text);
      document.outputSettings().prettyPrint(false);
      words = document.body().html();
    }
    return words.replaceAll("\\s+", " ").replaceAll("(?<=>) | (?=<)", "").strip();
  }

  /** SHA-256 of its words, in hexadecimal; the same whatever way a shop spaces its markup. */
  String hash() {
    try {
      MessageDigest digest = MessageDigest.getInstance("SHA-256");
      fields()
          .forEach(
              (field, text) ->
                  digest.update((plain(field, text) + "\0").getBytes(StandardCharsets.UTF_8)));
      return HexFormat.of().formatHex(digest.digest());
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException(e);
    }
  }
}
