package rhetor.core.image;

import com.benjaminwan.ocrlibrary.OcrResult;
import com.benjaminwan.ocrlibrary.TextBlock;
import io.github.mymonstercat.Model;
import io.github.mymonstercat.ocr.InferenceEngine;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;
import net.coobird.thumbnailator.Thumbnails;

/** Reads what is printed on a thing from its picture: a label, a box, a name plate. */
public final class PrintReader {
  /** Of larger pictures a label is read as well when they are reduced, and sooner. */
  private static final int MOST_PIXELS = 1_600;

  /** Of fewer pixels a side nothing can be read. */
  private static final int LEAST_PIXELS = 24;

  /** How sure the model must be of a line's letters, on average. */
  private static final double SURE = 0.75;

  private static final int MOST_LINES = 60;
  private static final int LONGEST = 200;

  /** A line says something with two letters, or a number. */
  private static final Pattern SAYS = Pattern.compile(".*(?:\\p{IsLatin}{2}|\\d).*");

  private static final Pattern OTHER_SCRIPT = Pattern.compile("\\p{IsHan}");

  private static final class Shipped {
    static final Optional<PrintReader> READER = load();

    private static Optional<PrintReader> load() {
      try {
        return Optional.of(new PrintReader(InferenceEngine.getInstance(Model.ONNX_PPOCR_V4)));
      } catch (RuntimeException | LinkageError e) {
        // The model's library is not built for every kind of machine.
        return Optional.empty();
      }
    }
  }

  private final InferenceEngine engine;

  private PrintReader(InferenceEngine engine) {
    this.engine = engine;
  }

  /**
   * The reader that ships with Rhetor, loaded when it is first asked for (about 250 MB beside the
   * heap); empty on machines that its model isn't built for.
   */
  public static Optional<PrintReader> shipped() {
    return Shipped.READER;
  }

  /**
   * The lines that stand in a picture, from top to bottom; those that can't be made out are left
   * out, and so is what isn't written in Latin letters. Takes about a second; one picture at a time
   * is read, whoever asks.
   *
   * @param pixels a picture that has been opened
   * @return at most 60 lines of up to 200 characters
   * @throws UncheckedIOException if no file can be written beside it for the model
   */
  public synchronized List<String> lines(BufferedImage pixels) {
    if (Math.min(pixels.getWidth(), pixels.getHeight()) < LEAST_PIXELS) {
      return List.of();
    }
    try {
      Path file = Files.createTempFile("rhetor-print", ".png");
      try {
        ImageIO.write(flat(pixels), "png", file.toFile());
        return lines(engine.runOcr(file.toString()));
      } finally {
        Files.deleteIfExists(file);
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** On white, and no larger than need be. */
  private static BufferedImage flat(BufferedImage pixels) throws IOException {
    int longer = Math.max(pixels.getWidth(), pixels.getHeight());
    double scale = Math.min(1, MOST_PIXELS / (double) longer);
    BufferedImage small = Thumbnails.of(pixels).scale(scale).asBufferedImage();
    BufferedImage flat =
        new BufferedImage(small.getWidth(), small.getHeight(), BufferedImage.TYPE_INT_RGB);
    Graphics2D pen = flat.createGraphics();
    pen.drawImage(small, 0, 0, Color.WHITE, null);
    pen.dispose();
    return flat;
  }

  private static List<String> lines(OcrResult result) {
    return result.getTextBlocks().stream()
        .filter(PrintReader::isSure)
        .sorted(Comparator.comparingInt(PrintReader::top))
        .map(b -> b.getText().replaceAll("[\\p{Cntrl}\\s]+", " ").strip())
        .filter(l -> SAYS.matcher(l).matches() && !OTHER_SCRIPT.matcher(l).find())
        .map(l -> l.length() > LONGEST ? l.substring(0, LONGEST) : l)
        .limit(MOST_LINES)
        .toList();
  }

  private static boolean isSure(TextBlock block) {
    float[] scores = block.getCharScores();
    double sum = 0;
    for (float score : scores) {
      sum += score;
    }
    return scores.length > 0 && sum / scores.length >= SURE;
  }

  private static int top(TextBlock block) {
    return block.getBoxPoint().stream().mapToInt(p -> p.getY()).min().orElse(0);
  }
}
