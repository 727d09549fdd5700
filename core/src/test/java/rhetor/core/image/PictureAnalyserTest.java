package rhetor.core.image;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.awt.image.ConvolveOp;
import java.awt.image.Kernel;
import java.awt.image.Raster;
import java.awt.image.WritableRaster;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Random;
import java.util.zip.CRC32;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriter;
import javax.imageio.stream.ImageOutputStream;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import rhetor.core.image.PictureAnalysis.Background;

class PictureAnalyserTest {
  private static final Path PICTURES = Path.of("../demo/pictures");
  private final PictureReader reader = new PictureReader();
  private final PictureAnalyser analyser = new PictureAnalyser();

  private PictureAnalysis analyse(BufferedImage image, String format) throws IOException {
    return analyser.analyse(reader.read(bytes(image, format)));
  }

  private static byte[] bytes(BufferedImage image, String format) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    assertThat(ImageIO.write(image, format, out)).isTrue();
    return out.toByteArray();
  }

  private static BufferedImage box(int type, Color background, Color subject) {
    BufferedImage image = new BufferedImage(600, 400, type);
    Graphics2D g = image.createGraphics();
    if (background != null) {
      g.setColor(background);
      g.fillRect(0, 0, 600, 400);
    }
    g.setColor(subject);
    g.fillRect(200, 100, 200, 200);
    g.setColor(subject.darker());
    for (int i = 0; i < 200; i += 8) {
      g.drawLine(200 + i, 100, 200 + i, 299);
    }
    g.dispose();
    return image;
  }

  @ParameterizedTest
  @CsvSource({
    "tv-1001.png,moss green",
    "tv-1102.png,slate grey",
    "tv-1003.png,ochre",
    "kl-2003.png,brick red",
    "kl-2001.png,black"
  })
  void the_demo_houses_pictures_are_named_as_its_suppliers_name_them(String file, String colour)
      throws IOException {
    PictureAnalysis analysis =
        analyser.analyse(reader.read(Files.readAllBytes(PICTURES.resolve(file))));
    assertThat(analysis.colours()).extracting(NamedColour::name).contains(colour);
    assertThat(analysis.background()).isEqualTo(Background.WHITE);
    assertThat(analysis.subjectShare()).isBetween(0.2, 0.95);
    assertThat(analysis.isBlurred()).isFalse();
  }

  @Nested
  class Sees {
    @Test
    void what_stands_behind_the_subject() throws IOException {
      Color red = new Color(0xC8102E);
      assertThat(analyse(box(BufferedImage.TYPE_INT_RGB, Color.WHITE, red), "jpg").background())
          .isEqualTo(Background.WHITE);
      PictureAnalysis plain =
          analyse(box(BufferedImage.TYPE_INT_RGB, new Color(0x7FB8E6), red), "png");
      assertThat(plain.background()).isEqualTo(Background.PLAIN);
      assertThat(plain.backgroundColour()).isEqualTo("sky blue");
      assertThat(analyse(box(BufferedImage.TYPE_INT_ARGB, null, red), "png").background())
          .isEqualTo(Background.TRANSPARENT);
      BufferedImage scene = new BufferedImage(600, 400, BufferedImage.TYPE_INT_RGB);
      Random random = new Random(1);
      for (int y = 0; y < 400; y += 20) {
        for (int x = 0; x < 600; x += 20) {
          Graphics2D g = scene.createGraphics();
          g.setColor(new Color(random.nextInt(0x1000000)));
          g.fillRect(x, y, 20, 20);
          g.dispose();
        }
      }
      assertThat(analyse(scene, "png").background()).isEqualTo(Background.SCENE);
    }

    @Test
    void how_the_subject_stands_in_the_frame() throws IOException {
      PictureAnalysis centred =
          analyse(box(BufferedImage.TYPE_INT_RGB, Color.WHITE, Color.BLUE), "png");
      assertThat(centred.subjectShare()).isBetween(0.15, 0.19);
      assertThat(centred.offCentre()).isLessThan(0.02);
      assertThat(centred.isSmall()).isTrue();
      assertThat(centred.colours().getFirst().share()).isGreaterThan(0.5);
    }

    @Test
    void whether_it_is_sharp() throws IOException {
      BufferedImage crisp = box(BufferedImage.TYPE_INT_RGB, Color.WHITE, new Color(0x1F6370));
      float[] mean = new float[21 * 21];
      java.util.Arrays.fill(mean, 1f / mean.length);
      BufferedImage soft = new ConvolveOp(new Kernel(21, 21, mean)).filter(crisp, null);
      assertThat(analyse(crisp, "png").isBlurred()).isFalse();
      assertThat(analyse(soft.getSubimage(15, 15, 560, 360), "png").isBlurred()).isTrue();
    }

    @Test
    void that_two_pictures_are_the_same_shot() throws IOException {
      BufferedImage one = ImageIO.read(PICTURES.resolve("tv-1001.png").toFile());
      BufferedImage smaller = new BufferedImage(400, 400, BufferedImage.TYPE_INT_RGB);
      Graphics2D g = smaller.createGraphics();
      g.setRenderingHint(
          RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
      g.drawImage(one, 0, 0, 400, 400, null);
      g.dispose();
      PictureAnalysis first = analyse(one, "png");
      assertThat(first.isNearDuplicateOf(analyse(smaller, "jpg"))).isTrue();
      BufferedImage other = ImageIO.read(PICTURES.resolve("kl-2602.png").toFile());
      assertThat(first.isNearDuplicateOf(analyse(other, "png"))).isFalse();
    }

    @Test
    void what_is_written_inside_the_file() throws IOException {
      byte[] plain = bytes(box(BufferedImage.TYPE_INT_RGB, Color.WHITE, Color.RED), "png");
      assertThat(reader.read(withText(plain, "Title", "Roll pannier, side view")).words())
          .containsExactly("Roll pannier, side view");
    }
  }

  /** A tEXt chunk (PNG specification, 11.3.4.3) behind the header. */
  private static byte[] withText(byte[] png, String keyword, String text) {
    byte[] data = (keyword + "\0" + text).getBytes(StandardCharsets.ISO_8859_1);
    byte[] typed = new byte[4 + data.length];
    System.arraycopy("tEXt".getBytes(StandardCharsets.US_ASCII), 0, typed, 0, 4);
    System.arraycopy(data, 0, typed, 4, data.length);
    CRC32 crc = new CRC32();
    crc.update(typed);
    ByteBuffer out = ByteBuffer.allocate(png.length + typed.length + 8);
    out.put(png, 0, 33).putInt(data.length).put(typed).putInt((int) crc.getValue());
    return out.put(png, 33, png.length - 33).array();
  }

  @Nested
  class BadPictures {
    private void refused(byte[] bytes, String words) {
      assertThatThrownBy(() -> reader.read(bytes))
          .isInstanceOf(PictureException.class)
          .hasMessageContaining(words);
    }

    @Test
    void are_refused_in_words() throws IOException {
      refused(
          "SKU,Name\nA,Lamp\n".getBytes(StandardCharsets.UTF_8), "text, whatever its name says");
      refused(new byte[] {1, 2, 3, 0, 5}, "no picture");
      byte[] whole = Files.readAllBytes(PICTURES.resolve("tv-1001.png"));
      refused(java.util.Arrays.copyOf(whole, 200), "damaged");
      refused(new byte[PictureReader.MOST_BYTES + 1], "Save it smaller");
    }

    @Test
    void that_claim_more_pixels_than_can_be_are_not_unpacked() throws IOException {
      byte[] png = bytes(box(BufferedImage.TYPE_INT_RGB, Color.WHITE, Color.RED), "png");
      ByteBuffer.wrap(png).putInt(16, 60_000).putInt(20, 60_000);
      CRC32 crc = new CRC32();
      crc.update(png, 12, 17);
      ByteBuffer.wrap(png).putInt(29, (int) crc.getValue());
      refused(png, "60,000 by 60,000");
    }

    @Test
    void of_sixteen_bits_or_in_printing_inks_are_read_and_said() throws IOException {
      BufferedImage deep = new BufferedImage(100, 100, BufferedImage.TYPE_USHORT_GRAY);
      assertThat(reader.read(bytes(deep, "png")).notes().toString()).contains("16 bits");
      WritableRaster inks =
          Raster.createInterleavedRaster(java.awt.image.DataBuffer.TYPE_BYTE, 64, 64, 4, null);
      ImageWriter writer = ImageIO.getImageWritersByFormatName("jpeg").next();
      ByteArrayOutputStream out = new ByteArrayOutputStream();
      try (ImageOutputStream stream = ImageIO.createImageOutputStream(out)) {
        writer.setOutput(stream);
        writer.write(null, new IIOImage(inks, null, null), null);
      }
      Picture picture = reader.read(out.toByteArray());
      assertThat(picture.pixels().getWidth()).isEqualTo(64);
    }

    @Test
    void that_move_are_looked_at_in_their_first_frame() throws IOException {
      ImageWriter writer = ImageIO.getImageWritersByFormatName("gif").next();
      ByteArrayOutputStream out = new ByteArrayOutputStream();
      try (ImageOutputStream stream = ImageIO.createImageOutputStream(out)) {
        writer.setOutput(stream);
        writer.prepareWriteSequence(null);
        for (Color c : new Color[] {Color.RED, Color.BLUE}) {
          writer.writeToSequence(
              new IIOImage(box(BufferedImage.TYPE_INT_RGB, Color.WHITE, c), null, null), null);
        }
        writer.endWriteSequence();
      }
      Picture picture = reader.read(out.toByteArray());
      assertThat(picture.notes().toString()).contains("first frame");
      assertThat(analyser.analyse(picture).colours().toString()).contains("red");
    }
  }
}
