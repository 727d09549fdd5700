package rhetor.standins.harrowmere;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Arc2D;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Path2D;
import java.awt.geom.RoundRectangle2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Map;
import javax.imageio.ImageIO;

/** Draws the demo house's product pictures from shapes: 640 by 640 pixels, on white. */
public final class PictureMaker {
  private static final int SIZE = 640;
  private static final Map<String, Color> COLOURS =
      Map.ofEntries(
          Map.entry("moosgrün", new Color(0x5E6B3A)),
          Map.entry("moss green", new Color(0x5E6B3A)),
          Map.entry("schiefergrau", new Color(0x5B6670)),
          Map.entry("slate grey", new Color(0x5B6670)),
          Map.entry("ocker", new Color(0xC08A2E)),
          Map.entry("schwarz", new Color(0x26282B)),
          Map.entry("black", new Color(0x26282B)),
          Map.entry("petrol", new Color(0x1F6370)),
          Map.entry("brick red", new Color(0x9A3F31)));
  private static final Color METAL = new Color(0xA9B0B5);
  private static final Color DARK = new Color(0x33383C);

  /** The picture as PNG. */
  public byte[] draw(Catalogue.Shown shown) {
    BufferedImage image = new BufferedImage(SIZE, SIZE, BufferedImage.TYPE_INT_RGB);
    Graphics2D g = image.createGraphics();
    g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
    g.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
    g.setColor(Color.WHITE);
    g.fillRect(0, 0, SIZE, SIZE);
    g.setColor(new Color(0xEDEBE6));
    g.fill(new Ellipse2D.Double(120, 530, 400, 44));
    Color colour = COLOURS.getOrDefault(shown.colour(), METAL);
    switch (shown.shape()) {
      case "Packtaschen" -> pannier(g, colour);
      case "Lenkertaschen" -> handlebarBag(g, colour);
      case "Satteltaschen" -> saddleBag(g, colour);
      case "Rahmentaschen" -> frameBag(g, colour);
      case "Rucksäcke" -> backpack(g, colour);
      case "U-locks" -> uLock(g, colour);
      case "Chain locks" -> chain(g, colour);
      case "Folding locks" -> folding(g, colour);
      case "Cable locks" -> cable(g, colour);
      case "Front light" -> frontLight(g, colour);
      case "Rear light" -> rearLight(g, colour);
      case "Light set" -> {
        g.scale(0.6, 0.6);
        frontLight(g, colour);
        g.translate(430, 420);
        rearLight(g, colour);
      }
      default -> frameLock(g, colour);
    }
    g.dispose();
    try {
      ByteArrayOutputStream out = new ByteArrayOutputStream();
      ImageIO.write(image, "png", out);
      return out.toByteArray();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static void body(
      Graphics2D g, Color colour, double x, double y, double w, double h, double arc) {
    g.setColor(colour);
    g.fill(new RoundRectangle2D.Double(x, y, w, h, arc, arc));
    g.setColor(colour.darker());
    g.setStroke(new BasicStroke(5));
    g.draw(new RoundRectangle2D.Double(x, y, w, h, arc, arc));
  }

  private static void strip(Graphics2D g, double x, double y, double w, double h) {
    g.setColor(new Color(0xD9DEE0));
    g.fill(new RoundRectangle2D.Double(x, y, w, h, 8, 8));
  }

  private static void pannier(Graphics2D g, Color c) {
    body(g, c, 180, 190, 280, 350, 46);
    body(g, c.brighter(), 172, 140, 296, 78, 30);
    g.setColor(DARK);
    g.fillRect(306, 132, 28, 130);
    strip(g, 214, 400, 212, 16);
    body(g, DARK, 205, 118, 60, 22, 10);
    body(g, DARK, 375, 118, 60, 22, 10);
  }

  private static void handlebarBag(Graphics2D g, Color c) {
    body(g, c, 150, 240, 340, 260, 40);
    body(g, c.brighter(), 142, 210, 356, 80, 30);
    strip(g, 190, 420, 260, 14);
    body(g, DARK, 270, 176, 100, 34, 12);
  }

  private static void saddleBag(Graphics2D g, Color c) {
    Path2D wedge = new Path2D.Double();
    wedge.moveTo(120, 300);
    wedge.lineTo(470, 230);
    wedge.quadTo(540, 330, 470, 440);
    wedge.lineTo(150, 400);
    wedge.closePath();
    g.setColor(c);
    g.fill(wedge);
    g.setColor(c.darker());
    g.setStroke(new BasicStroke(5));
    g.draw(wedge);
    g.setColor(DARK);
    g.fillRect(250, 252, 22, 166);
    strip(g, 330, 330, 120, 14);
  }

  private static void frameBag(Graphics2D g, Color c) {
    Path2D half = new Path2D.Double();
    half.moveTo(90, 260);
    half.lineTo(550, 230);
    half.lineTo(500, 350);
    half.lineTo(150, 400);
    half.closePath();
    g.setColor(c);
    g.fill(half);
    g.setColor(DARK);
    g.setStroke(new BasicStroke(7));
    g.drawLine(120, 290, 510, 262);
  }

  private static void backpack(Graphics2D g, Color c) {
    g.setColor(DARK);
    g.setStroke(new BasicStroke(22));
    g.draw(new Arc2D.Double(270, 90, 100, 90, 0, 180, Arc2D.OPEN));
    body(g, c, 190, 140, 260, 400, 90);
    body(g, c.brighter(), 220, 330, 200, 180, 40);
    strip(g, 240, 300, 160, 14);
  }

  private static void uLock(Graphics2D g, Color c) {
    g.setColor(METAL);
    g.setStroke(new BasicStroke(44, BasicStroke.CAP_BUTT, BasicStroke.JOIN_ROUND));
    g.draw(new Arc2D.Double(210, 120, 220, 220, 0, 180, Arc2D.OPEN));
    g.drawLine(210, 230, 210, 450);
    g.drawLine(430, 230, 430, 450);
    body(g, c, 150, 440, 340, 84, 40);
    keyhole(g, 320, 482);
  }

  private static void chain(Graphics2D g, Color c) {
    g.setStroke(new BasicStroke(16));
    for (int i = 0; i < 14; i++) {
      double angle = Math.PI * 2 * i / 14;
      g.setColor(i % 2 == 0 ? METAL : METAL.darker());
      g.draw(
          new Ellipse2D.Double(285 + Math.cos(angle) * 170, 265 + Math.sin(angle) * 150, 70, 48));
    }
    body(g, c, 250, 420, 140, 110, 30);
    keyhole(g, 320, 470);
  }

  private static void folding(Graphics2D g, Color c) {
    for (int i = 0; i < 5; i++) {
      body(g, i % 2 == 0 ? c : c.brighter(), 150 + i * 62, 180 + (i % 2) * 26, 52, 300, 26);
      g.setColor(METAL);
      g.fill(new Ellipse2D.Double(166 + i * 62, 200 + (i % 2) * 26, 20, 20));
    }
    keyhole(g, 424, 440);
  }

  private static void cable(Graphics2D g, Color c) {
    g.setColor(c);
    g.setStroke(new BasicStroke(24));
    for (int i = 0; i < 4; i++) {
      g.draw(new Ellipse2D.Double(160 + i * 12, 150 + i * 22, 300, 270));
    }
    body(g, DARK, 250, 470, 150, 66, 24);
    for (int i = 0; i < 4; i++) {
      strip(g, 266 + i * 31, 486, 22, 34);
    }
  }

  private static void frameLock(Graphics2D g, Color c) {
    g.setColor(METAL);
    g.setStroke(new BasicStroke(30));
    g.draw(new Arc2D.Double(180, 150, 280, 280, -60, 300, Arc2D.OPEN));
    body(g, c, 160, 400, 320, 110, 50);
    keyhole(g, 420, 455);
  }

  private static void frontLight(Graphics2D g, Color c) {
    body(g, c, 150, 240, 300, 170, 70);
    body(g, DARK, 280, 410, 70, 110, 16);
    g.setColor(new Color(0xF2E7B8));
    g.fill(new Ellipse2D.Double(410, 246, 110, 158));
    g.setColor(METAL);
    g.setStroke(new BasicStroke(10));
    g.draw(new Ellipse2D.Double(410, 246, 110, 158));
    strip(g, 210, 262, 90, 18);
  }

  private static void rearLight(Graphics2D g, Color c) {
    body(g, c, 240, 150, 160, 330, 70);
    body(g, new Color(0xB5382E), 262, 178, 116, 230, 50);
    for (int i = 0; i < 3; i++) {
      g.setColor(new Color(0xE08A80));
      g.fill(new Ellipse2D.Double(296, 204 + i * 66, 48, 48));
    }
    body(g, DARK, 262, 470, 116, 40, 14);
  }

  private static void keyhole(Graphics2D g, double x, double y) {
    g.setColor(METAL.brighter());
    g.fill(new Ellipse2D.Double(x - 20, y - 20, 40, 40));
    g.setColor(DARK);
    g.fill(new RoundRectangle2D.Double(x - 4, y - 12, 8, 24, 4, 4));
  }
}
