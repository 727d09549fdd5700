package rhetor.core.image;

import java.awt.image.BufferedImage;
import java.awt.image.DataBufferByte;
import java.awt.image.DataBufferInt;

/**
 * Reads a row of a picture's pixels; the two layouts that decoders give are read without a detour.
 */
final class PixelRow {
  private PixelRow() {}

  /**
   * Fills {@code out} with the pixels from {@code x} on in row {@code y}, as {@code 0xAARRGGBB}.
   */
  static void read(BufferedImage image, int x, int y, int[] out) {
    int width = image.getWidth();
    switch (image.getType()) {
      case BufferedImage.TYPE_INT_RGB, BufferedImage.TYPE_INT_ARGB -> {
        int[] data = ((DataBufferInt) image.getRaster().getDataBuffer()).getData();
        System.arraycopy(data, y * width + x, out, 0, out.length);
      }
      case BufferedImage.TYPE_3BYTE_BGR -> {
        byte[] data = ((DataBufferByte) image.getRaster().getDataBuffer()).getData();
        int at = (y * width + x) * 3;
        for (int i = 0; i < out.length; i++, at += 3) {
          out[i] =
              0xFF000000
                  | (data[at + 2] & 0xFF) << 16
                  | (data[at + 1] & 0xFF) << 8
                  | data[at] & 0xFF;
        }
      }
      default -> image.getRGB(x, y, out.length, 1, out, 0, out.length);
    }
  }
}
