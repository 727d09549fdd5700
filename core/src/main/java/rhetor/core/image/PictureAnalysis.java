package rhetor.core.image;

import java.util.List;

/**
 * What was computed from a picture.
 *
 * @param colours the subject's dominant colours, the largest first; names are not repeated
 * @param background what stands behind the subject
 * @param backgroundColour its colour's name, for a plain one
 * @param subjectShare how much of the picture the subject's bounding box fills, 0 to 1
 * @param offCentre how far the subject's middle lies from the picture's, in shares of its size, 0
 *     to 0.7
 * @param sharpness spread of the Laplacian over the subject, where 100 is a crisp product photo
 * @param hash perceptual hash; near-duplicates differ in few of its 64 bits
 */
public record PictureAnalysis(
    int width,
    int height,
    String format,
    List<NamedColour> colours,
    Background background,
    String backgroundColour,
    double subjectShare,
    double offCentre,
    double sharpness,
    long hash,
    List<String> words,
    List<String> notes) {
  /** Bits that two pictures of the same thing from the same shot may differ in. */
  private static final int NEAR = 6;

  private static final double BLURRED = 12;
  private static final int SMALL = 800;

  /** What stands behind the subject. */
  public enum Background {
    WHITE,
    PLAIN,
    TRANSPARENT,
    SCENE
  }

  public PictureAnalysis {
    colours = List.copyOf(colours);
    words = List.copyOf(words);
    notes = List.copyOf(notes);
  }

  /** Whether another picture shows the same, scaled, recompressed or slightly cropped. */
  public boolean isNearDuplicateOf(PictureAnalysis other) {
    return isNear(hash, other.hash);
  }

  /** Whether two hashes are those of near-duplicates. */
  public static boolean isNear(long hash, long other) {
    return Long.bitCount(hash ^ other) <= NEAR;
  }

  public boolean isBlurred() {
    return sharpness < BLURRED;
  }

  /** Whether shops that let shoppers zoom in would refuse it. */
  public boolean isSmall() {
    return Math.min(width, height) < SMALL;
  }
}
