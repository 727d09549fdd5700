package rhetor.bench;

import java.awt.Color;
import java.awt.GradientPaint;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import javax.imageio.ImageIO;
import rhetor.core.image.PictureAnalyser;
import rhetor.core.image.PictureReader;

/** Opening and analysing pictures of two megapixels, against decoding them. */
final class PicturesBench {
  private static final int DIFFERENT = 25;
  private static final int TIMES = 20;

  private PicturesBench() {}

  static void run() throws IOException {
    List<byte[]> pictures = new ArrayList<>();
    for (int i = 0; i < DIFFERENT; i++) {
      pictures.add(picture(i));
    }
    PictureReader reader = new PictureReader();
    PictureAnalyser analyser = new PictureAnalyser();
    double ours =
        Bench.millis(
            1,
            1,
            () -> {
              for (int t = 0; t < TIMES; t++) {
                pictures.forEach(p -> analyser.analyse(reader.read(p)));
              }
            });
    double plain =
        Bench.millis(
            1,
            1,
            () -> {
              for (int t = 0; t < TIMES; t++) {
                for (byte[] p : pictures) {
                  ImageIO.read(new ByteArrayInputStream(p));
                }
              }
            });
    Bench.print("pictures-" + DIFFERENT * TIMES, "ms", ours, plain);
  }

  /** A thing before a soft background, with the grain of a photo, as JPEG. */
  private static byte[] picture(int seed) throws IOException {
    Random random = new Random(seed);
    BufferedImage image = new BufferedImage(1600, 1250, BufferedImage.TYPE_INT_RGB);
    Graphics2D g = image.createGraphics();
    g.setPaint(new GradientPaint(0, 0, Color.WHITE, 0, 1250, new Color(0xEDEBE6)));
    g.fillRect(0, 0, 1600, 1250);
    for (int i = 0; i < 60; i++) {
      g.setColor(new Color(random.nextInt(0x1000000)));
      g.fillRoundRect(400 + random.nextInt(600), 250 + random.nextInt(500), 200, 200, 40, 40);
    }
    g.dispose();
    for (int y = 0; y < 1250; y++) {
      for (int x = 0; x < 1600; x += 2) {
        int grain = random.nextInt(9) - 4;
        Color c = new Color(image.getRGB(x, y));
        image.setRGB(
            x,
            y,
            new Color(
                    clamp(c.getRed() + grain),
                    clamp(c.getGreen() + grain),
                    clamp(c.getBlue() + grain))
                .getRGB());
      }
    }
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ImageIO.write(image, "jpg", out);
    return out.toByteArray();
  }

  private static int clamp(int c) {
    return Math.clamp(c, 0, 255);
  }
}
