package rhetor.core.image;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.zip.CRC32;
import java.util.zip.Deflater;
import java.util.zip.DeflaterOutputStream;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Small files that would fill the memory once they are opened. */
class HostilePicturesTest {
  private static final byte[] SIGNATURE = {(byte) 0x89, 'P', 'N', 'G', '\r', '\n', 0x1A, '\n'};

  private final PictureReader reader = new PictureReader();

  private static void chunk(DataOutputStream out, String type, byte[] data) throws IOException {
    byte[] name = type.getBytes(StandardCharsets.ISO_8859_1);
    CRC32 crc = new CRC32();
    crc.update(name);
    crc.update(data);
    out.writeInt(data.length);
    out.write(name);
    out.write(data);
    out.writeInt((int) crc.getValue());
  }

  private static byte[] deflated(int zeros) throws IOException {
    ByteArrayOutputStream packed = new ByteArrayOutputStream();
    try (DeflaterOutputStream out =
        new DeflaterOutputStream(packed, new Deflater(Deflater.BEST_COMPRESSION))) {
      byte[] some = new byte[1 << 16];
      for (int left = zeros; left > 0; left -= some.length) {
        out.write(some, 0, Math.min(left, some.length));
      }
    }
    return packed.toByteArray();
  }

  /** A black PNG of one byte a pixel, packed to a thousandth. */
  private static byte[] png(int side, boolean interlaced, byte[] words) throws IOException {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    DataOutputStream out = new DataOutputStream(bytes);
    out.write(SIGNATURE);
    ByteArrayOutputStream head = new ByteArrayOutputStream();
    DataOutputStream header = new DataOutputStream(head);
    header.writeInt(side);
    header.writeInt(side);
    header.write(new byte[] {8, 0, 0, 0, (byte) (interlaced ? 1 : 0)});
    chunk(out, "IHDR", head.toByteArray());
    if (words.length > 0) {
      chunk(out, "zTXt", words);
    }
    chunk(out, "IDAT", deflated(side * (side + 1)));
    chunk(out, "IEND", new byte[0]);
    return bytes.toByteArray();
  }

  private static byte[] words(int length) throws IOException {
    ByteArrayOutputStream words = new ByteArrayOutputStream();
    words.write("Comment\0\0".getBytes(StandardCharsets.ISO_8859_1));
    words.write(deflated(length));
    return words.toByteArray();
  }

  private static long used() {
    System.gc();
    Runtime runtime = Runtime.getRuntime();
    return runtime.totalMemory() - runtime.freeMemory();
  }

  @Test
  void a_large_picture_that_is_stored_in_lines_is_read_reduced() throws IOException {
    byte[] bytes = png(10_900, false, new byte[0]);
    assertThat(bytes.length).isLessThan(400_000);
    Picture picture = reader.read(bytes);
    assertThat(picture.width()).isEqualTo(10_900);
    assertThat(picture.pixels().getWidth()).isLessThan(3_000);
  }

  @ParameterizedTest
  @CsvSource({"10900, true", "11000, false", "60000, false"})
  void a_picture_that_would_take_too_much_room_is_refused_undecoded(int side, boolean interlaced)
      throws IOException {
    byte[] bytes =
        interlaced ? png(side, true, new byte[0]) : Arrays.copyOf(png(8, false, new byte[0]), 200);
    if (!interlaced) {
      bytes[18] = (byte) (side >> 8);
      bytes[19] = (byte) side;
      bytes[22] = (byte) (side >> 8);
      bytes[23] = (byte) side;
      CRC32 crc = new CRC32();
      crc.update(bytes, 12, 17);
      for (int i = 0; i < 4; i++) {
        bytes[29 + i] = (byte) (crc.getValue() >> 24 - 8 * i);
      }
    }
    assertThatThrownBy(() -> reader.read(bytes))
        .isInstanceOf(PictureException.class)
        .hasMessageContaining("claims to be");
  }

  @Test
  void words_of_200_megabytes_in_a_picture_are_left_out() throws IOException {
    byte[] bytes = png(64, false, words(200_000_000));
    long before = used();
    Picture picture = reader.read(bytes);
    assertThat(picture.words()).isEmpty();
    assertThat(used() - before).isLessThan(50_000_000);
  }

  @Test
  void words_of_usual_length_are_read() throws IOException {
    ByteArrayOutputStream words = new ByteArrayOutputStream();
    words.write("Title\0\0".getBytes(StandardCharsets.ISO_8859_1));
    try (DeflaterOutputStream out = new DeflaterOutputStream(words)) {
      out.write("A green bag".getBytes(StandardCharsets.ISO_8859_1));
    }
    assertThat(reader.read(png(64, false, words.toByteArray())).words()).contains("A green bag");
  }

  @Test
  void a_jpeg_tells_whether_it_is_progressive() throws IOException {
    for (boolean progressive : new boolean[] {true, false}) {
      ByteArrayOutputStream bytes = new ByteArrayOutputStream();
      ImageWriter writer = ImageIO.getImageWritersByFormatName("jpeg").next();
      ImageWriteParam param = writer.getDefaultWriteParam();
      param.setProgressiveMode(
          progressive ? ImageWriteParam.MODE_DEFAULT : ImageWriteParam.MODE_DISABLED);
      try (var out = ImageIO.createImageOutputStream(bytes)) {
        writer.setOutput(out);
        writer.write(
            null,
            new IIOImage(new BufferedImage(40, 40, BufferedImage.TYPE_INT_RGB), null, null),
            param);
      }
      assertThat(PictureBytes.areInLines(bytes.toByteArray())).isEqualTo(!progressive);
    }
  }

  @ParameterizedTest
  @ValueSource(strings = {"", "PNG", "\u0089PNG\r\n\u001a\n", "\u00FF\u00D8\u00FF\u00E0"})
  void a_file_that_ends_at_once_is_damaged(String start) {
    assertThatThrownBy(() -> reader.read(start.getBytes(StandardCharsets.ISO_8859_1)))
        .isInstanceOf(PictureException.class);
  }
}
