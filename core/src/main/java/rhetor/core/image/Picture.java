package rhetor.core.image;

import java.awt.image.BufferedImage;
import java.util.List;

/**
 * A picture that has been opened.
 *
 * @param pixels its pixels in sRGB, at full size or, of very large ones, reduced
 * @param width its width in pixels as stored
 * @param height its height in pixels as stored
 * @param format its format, such as {@code JPEG}
 * @param words title, caption and keywords that stand in the file (EXIF, IPTC, XMP), and nothing
 *     else
 * @param notes in words, what a person should know, such as that only the first frame was looked at
 */
public record Picture(
    BufferedImage pixels,
    int width,
    int height,
    String format,
    List<String> words,
    List<String> notes) {
  public Picture {
    words = List.copyOf(words);
    notes = List.copyOf(notes);
  }
}
