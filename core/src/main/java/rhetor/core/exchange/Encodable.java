package rhetor.core.exchange;

import java.nio.charset.Charset;
import java.nio.charset.CharsetEncoder;
import java.text.Normalizer;

/** Texts in encodings that lack some of their characters. */
public final class Encodable {
  private Encodable() {}

  /** A text with the characters that an encoding lacks replaced by the nearest that it has. */
  public static String text(String text, Charset charset) {
    return text(text, charset.newEncoder());
  }

  static String text(String text, CharsetEncoder encoder) {
    if (encoder.canEncode(text)) {
      return text;
    }
    StringBuilder encodable = new StringBuilder();
    text.codePoints()
        .forEach(
            c -> {
              String s = Character.toString(c);
              String nearest = encoder.canEncode(s) ? s : nearest(s);
              encodable.append(encoder.canEncode(nearest) ? nearest : "");
            });
    return encodable.toString();
  }

  private static String nearest(String character) {
    return switch (character) {
      case "–", "—", "−", "‐" -> "-";
      case "’", "‘" -> "'";
      case "“", "”" -> "\"";
      case "…" -> "...";
      case "€" -> "EUR";
      case "≈" -> "about";
      default -> Normalizer.normalize(character, Normalizer.Form.NFD).replaceAll("\\p{M}", "");
    };
  }
}
