package rhetor.core.image;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.Color;
import java.awt.Font;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import org.junit.jupiter.api.Test;

/** Labels that are drawn here, as a photo of a pack has them. */
class PrintReaderTest {
  private final PrintReader reader = PrintReader.shipped().orElseThrow();

  private static BufferedImage label(int type, double turned, String... lines) {
    BufferedImage picture = new BufferedImage(1200, 900, type);
    Graphics2D pen = picture.createGraphics();
    pen.setRenderingHint(
        RenderingHints.KEY_TEXT_ANTIALIASING, RenderingHints.VALUE_TEXT_ANTIALIAS_ON);
    pen.rotate(Math.toRadians(turned), 600, 450);
    pen.setColor(new Color(120, 40, 30));
    pen.fillRect(250, 150, 700, 600);
    pen.setColor(Color.WHITE);
    pen.setFont(new Font(Font.SERIF, Font.PLAIN, 40));
    for (int i = 0; i < lines.length; i++) {
      pen.drawString(lines[i], 320, 280 + 80 * i);
    }
    pen.dispose();
    return picture;
  }

  @Test
  void reads_the_lines_of_a_label_from_top_to_bottom() {
    assertThat(reader.lines(label(BufferedImage.TYPE_INT_RGB, 0, "Quince Jelly", "Net 340 g")))
        .containsExactly("Quince Jelly", "Net 340 g");
  }

  @Test
  void reads_a_label_that_hangs_a_little_askew_on_a_cut_out_thing() {
    assertThat(reader.lines(label(BufferedImage.TYPE_INT_ARGB, 4, "Made in Norway", "500 ml")))
        .containsExactly("Made in Norway", "500 ml");
  }

  @Test
  void reads_dark_letters_that_are_cut_out_of_their_ground() {
    BufferedImage letters = new BufferedImage(900, 400, BufferedImage.TYPE_INT_ARGB);
    Graphics2D pen = letters.createGraphics();
    pen.setColor(Color.BLACK);
    pen.setFont(new Font(Font.SANS_SERIF, Font.BOLD, 48));
    pen.drawString("Barley Malt", 200, 200);
    pen.dispose();
    assertThat(reader.lines(letters)).containsExactly("Barley Malt");
  }

  @Test
  void finds_nothing_where_nothing_is_written() {
    assertThat(reader.lines(label(BufferedImage.TYPE_INT_RGB, 0))).isEmpty();
    assertThat(reader.lines(new BufferedImage(8, 900, BufferedImage.TYPE_INT_RGB))).isEmpty();
  }

  @Test
  void reads_large_pictures_reduced_and_leaves_out_single_strokes() {
    BufferedImage large = new BufferedImage(6000, 4500, BufferedImage.TYPE_INT_RGB);
    Graphics2D pen = large.createGraphics();
    pen.scale(5, 5);
    pen.drawImage(label(BufferedImage.TYPE_INT_RGB, 0, "Oat Biscuits", "|", "200 g"), 0, 0, null);
    pen.dispose();
    assertThat(reader.lines(large)).containsExactly("Oat Biscuits", "200 g");
  }
}
