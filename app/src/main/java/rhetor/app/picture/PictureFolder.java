package rhetor.app.picture;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import net.coobird.thumbnailator.Thumbnails;
import org.springframework.stereotype.Component;
import rhetor.app.house.HouseSettings;
import rhetor.app.house.IncomingFiles;
import rhetor.app.house.Sha256;

/** Pictures as they came, each under the hash of its bytes, and small copies of them. */
@Component
class PictureFolder {
  private static final int SMALL = 320;

  private final Path folder;

  PictureFolder(HouseSettings settings) {
    folder = settings.data().resolve("pictures");
  }

  /** What a picture is stored as: the hash of its bytes. */
  static String name(byte[] bytes) {
    return Sha256.hex(bytes);
  }

  /**
   * Stores a picture and a small copy of it.
   *
   * @param pixels the picture as it was opened, reduced where it is large
   */
  void store(String name, byte[] bytes, BufferedImage pixels) {
    try {
      Path small = folder.resolve(name + ".small.png");
      if (!Files.exists(small)) {
        ByteArrayOutputStream copy = new ByteArrayOutputStream();
        Thumbnails.of(pixels).size(SMALL, SMALL).outputFormat("png").toOutputStream(copy);
        IncomingFiles.write(folder, small, copy.toByteArray());
      }
      IncomingFiles.write(folder, folder.resolve(name), bytes);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  byte[] small(String name) {
    return read(name + ".small.png");
  }

  /** A picture as it came. */
  byte[] whole(String name) {
    return read(name);
  }

  private byte[] read(String name) {
    try {
      return Files.readAllBytes(folder.resolve(name));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
