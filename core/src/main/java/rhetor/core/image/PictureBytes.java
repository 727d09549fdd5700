package rhetor.core.image;

import java.io.ByteArrayOutputStream;

/** What can be told from a picture's bytes without decoding it. */
final class PictureBytes {
  /** PNG (third edition), 5.2: what every PNG begins with. */
  private static final byte[] PNG = {(byte) 0x89, 'P', 'N', 'G', '\r', '\n', 0x1A, '\n'};

  /** Bytes of words in a PNG that are unpacked: what is packed grows a thousandfold at most. */
  private static final int MOST_WORDS = 64_000;

  private PictureBytes() {}

  /**
   * Whether a decoder can go through the picture line by line, without room for all of it: a PNG
   * that isn't interlaced, a JPEG that isn't progressive (ITU-T T.81, B.1.1.3: SOF0 and SOF1).
   */
  static boolean areInLines(byte[] bytes) {
    if (isPng(bytes)) {
      return bytes.length > 28 && bytes[28] == 0;
    }
    int at = 2;
    while (at + 3 < bytes.length && (bytes[0] & 0xFF) == 0xFF && (bytes[at] & 0xFF) == 0xFF) {
      int marker = bytes[at + 1] & 0xFF;
      if (marker >= 0xC0 && marker <= 0xCF && marker != 0xC4 && marker != 0xC8 && marker != 0xCC) {
        return marker <= 0xC1;
      }
      at += 2 + ((bytes[at + 2] & 0xFF) << 8 | bytes[at + 3] & 0xFF);
    }
    return false;
  }

  private static boolean isPng(byte[] bytes) {
    return bytes.length > PNG.length
        && java.util.Arrays.equals(bytes, 0, PNG.length, PNG, 0, PNG.length);
  }

  /**
   * The picture with no more of its words than can be unpacked safely; of a PNG its header and
   * words alone, anything else as it is.
   */
  static byte[] withBoundedWords(byte[] bytes) {
    if (!isPng(bytes)) {
      return bytes;
    }
    ByteArrayOutputStream kept = new ByteArrayOutputStream();
    kept.write(bytes, 0, PNG.length);
    int words = 0;
    int at = PNG.length;
    while (at + 12 <= bytes.length) {
      long length =
          (bytes[at] & 0xFFL) << 24
              | (bytes[at + 1] & 0xFF) << 16
              | (bytes[at + 2] & 0xFF) << 8
              | bytes[at + 3] & 0xFF;
      if (length > bytes.length - at - 12) {
        break;
      }
      String type = new String(bytes, at + 4, 4, java.nio.charset.StandardCharsets.ISO_8859_1);
      boolean says = type.equals("tEXt") || type.equals("zTXt") || type.equals("iTXt");
      words += says ? (int) length : 0;
      if (says && words <= MOST_WORDS || type.equals("IHDR") || type.equals("IEND")) {
        kept.write(bytes, at, (int) length + 12);
      }
      at += (int) length + 12;
    }
    return kept.toByteArray();
  }
}
