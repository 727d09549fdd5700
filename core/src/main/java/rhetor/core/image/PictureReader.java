package rhetor.core.image;

import com.drew.imaging.ImageMetadataReader;
import com.drew.imaging.ImageProcessingException;
import com.drew.metadata.Directory;
import com.drew.metadata.Metadata;
import com.drew.metadata.Tag;
import com.drew.metadata.exif.ExifIFD0Directory;
import com.drew.metadata.iptc.IptcDirectory;
import com.drew.metadata.xmp.XmpDirectory;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Iterator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;

/** Opens pictures from strangers: by their bytes and not their names, within limits of size. */
public final class PictureReader {
  /** The largest file that is opened, in bytes. */
  public static final int MOST_BYTES = 40_000_000;

  /** The most pixels a picture may claim; what claims more is no product picture. */
  private static final long MOST_PIXELS = 120_000_000;

  /**
   * The same where a decoder needs room for all of them: interlaced, progressive, or no PNG or
   * JPEG.
   */
  private static final long MOST_PIXELS_AT_ONCE = 25_000_000;

  /** From this size on a picture is read reduced: the analysis needs no more. */
  private static final int REDUCED_FROM = 6_000_000;

  private static final Set<String> FORMATS = Set.of("JPEG", "PNG", "GIF", "BMP", "WEBP", "TIFF");
  private static final int LONGEST_WORDS = 400;
  private static final int MOST_WORDS = 60;

  static {
    ImageIO.setUseCache(false);
  }

  /**
   * Opens a picture.
   *
   * @throws PictureException if it is none, is damaged, or is too large
   */
  public Picture read(byte[] bytes) {
    if (bytes.length > MOST_BYTES) {
      throw new PictureException(
          "The picture has %,d MB; up to %,d are read. Save it smaller."
              .formatted(bytes.length / 1_000_000, MOST_BYTES / 1_000_000));
    }
    List<String> notes = new ArrayList<>();
    try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(bytes))) {
      Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
      if (!readers.hasNext()) {
        throw notAPicture(bytes);
      }
      ImageReader reader = readers.next();
      try {
        reader.setInput(in, false, true);
        String format = reader.getFormatName().toUpperCase(Locale.ROOT);
        if (!FORMATS.contains(format)) {
          throw notAPicture(bytes);
        }
        int width = reader.getWidth(0);
        int height = reader.getHeight(0);
        long most = PictureBytes.areInLines(bytes) ? MOST_PIXELS : MOST_PIXELS_AT_ONCE;
        if ((long) width * height > most) {
          throw new PictureException(
              "The picture claims to be %,d by %,d pixels; up to %,d million are read of one that is saved like this. Save it smaller."
                  .formatted(width, height, most / 1_000_000));
        }
        if (format.equals("GIF") && reader.getNumImages(true) > 1) {
          notes.add("The picture moves; only its first frame was looked at.");
        }
        ImageReadParam param = reader.getDefaultReadParam();
        int step = (int) Math.max(1, Math.sqrt((double) width * height / REDUCED_FROM));
        if (step > 1) {
          param.setSourceSubsampling(step, step, 0, 0);
        }
        BufferedImage pixels = srgb(reader.read(0, param), notes);
        return new Picture(pixels, width, height, format, words(bytes), notes);
      } finally {
        reader.dispose();
      }
    } catch (IOException | RuntimeException e) {
      if (e instanceof PictureException known) {
        throw known;
      }
      throw new PictureException(
          "The picture is damaged or was cut off on its way. Save it once more as PNG or JPEG.");
    }
  }

  private static PictureException notAPicture(byte[] bytes) {
    boolean text =
        bytes.length > 0
            && new String(
                    bytes,
                    0,
                    Math.min(512, bytes.length),
                    java.nio.charset.StandardCharsets.ISO_8859_1)
                .chars()
                .allMatch(c -> c >= 32 || c == '\n' || c == '\r' || c == '\t');
    return new PictureException(
        text
            ? "The file is text, whatever its name says."
            : "The file is no picture that can be read. Save it as PNG, JPEG, GIF, BMP or WebP.");
  }

  /** Eight bits a channel in sRGB, whatever the file has; transparency is kept. */
  private static BufferedImage srgb(BufferedImage read, List<String> notes) {
    int depth = Arrays.stream(read.getColorModel().getComponentSize()).max().orElse(8);
    if (depth > 8) {
      notes.add("The picture has " + depth + " bits a channel; it was looked at with 8.");
    }
    if (read.getColorModel().getNumColorComponents() == 4) {
      notes.add("The picture is in printing inks (CMYK); shops show colours other than the print.");
    }
    int type =
        read.getColorModel().hasAlpha() ? BufferedImage.TYPE_INT_ARGB : BufferedImage.TYPE_INT_RGB;
    boolean plainBytes =
        read.getType() == BufferedImage.TYPE_3BYTE_BGR
            || read.getType() == BufferedImage.TYPE_4BYTE_ABGR;
    if (read.getType() == type || plainBytes && depth == 8) {
      return read;
    }
    BufferedImage plain = new BufferedImage(read.getWidth(), read.getHeight(), type);
    Graphics2D g = plain.createGraphics();
    g.drawImage(read, 0, 0, null);
    g.dispose();
    return plain;
  }

  /**
   * Title, caption and keywords; what can't be read of them is left out, the picture is still good.
   */
  private static List<String> words(byte[] bytes) {
    Set<String> words = new LinkedHashSet<>();
    try {
      Metadata metadata =
          ImageMetadataReader.readMetadata(
              new ByteArrayInputStream(PictureBytes.withBoundedWords(bytes)));
      for (Directory directory : metadata.getDirectories()) {
        switch (directory) {
          case ExifIFD0Directory exif ->
              add(words, exif.getString(ExifIFD0Directory.TAG_IMAGE_DESCRIPTION));
          case IptcDirectory iptc -> {
            add(words, iptc.getString(IptcDirectory.TAG_OBJECT_NAME));
            add(words, iptc.getString(IptcDirectory.TAG_HEADLINE));
            add(words, iptc.getString(IptcDirectory.TAG_CAPTION));
            if (iptc.getKeywords() != null) {
              iptc.getKeywords().forEach(k -> add(words, k));
            }
          }
          case XmpDirectory xmp ->
              xmp.getXmpProperties()
                  .forEach(
                      (name, value) -> {
                        if (name.matches("(?:dc:title|dc:description|dc:subject)\\[\\d+]")) {
                          add(words, value);
                        }
                      });
          default -> {
            for (Tag tag : directory.getTags()) {
              if (directory.getName().startsWith("PNG-")
                  && tag.getTagName().equals("Textual Data")) {
                add(
                    words,
                    tag.getDescription().replaceFirst("^(?:Title|Description|Comment): ", ""));
              }
            }
          }
        }
      }
    } catch (IOException | ImageProcessingException | RuntimeException e) {
      return List.copyOf(words);
    }
    return List.copyOf(words);
  }

  private static void add(Set<String> words, String text) {
    if (text != null && !text.isBlank() && words.size() < MOST_WORDS) {
      // What is longer is cut anyway, and needn't be looked through.
      String start = text.substring(0, Math.min(text.length(), 4 * LONGEST_WORDS));
      String clean = start.strip().replaceAll("[\\s\\p{Cntrl}]+", " ");
      words.add(clean.length() > LONGEST_WORDS ? clean.substring(0, LONGEST_WORDS) : clean);
    }
  }
}
