package rhetor.app.picture;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import net.coobird.thumbnailator.Thumbnails;
import org.springframework.stereotype.Component;
import rhetor.app.house.HouseSettings;

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
    try {
      return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException(e);
    }
  }

  /** Stores a picture and a small copy of it. */
  void store(String name, byte[] bytes) {
    try {
      Files.createDirectories(folder);
      Path small = folder.resolve(name + ".small.png");
      if (!Files.exists(small)) {
        Path half = Files.createTempFile(folder, "incoming", ".png");
        Thumbnails.of(new ByteArrayInputStream(bytes))
            .size(SMALL, SMALL)
            .outputFormat("png")
            .toFile(half.toFile());
        Files.move(half, small, StandardCopyOption.REPLACE_EXISTING);
      }
      Path half = Files.createTempFile(folder, "incoming", ".part");
      Files.write(half, bytes);
      Files.move(half, folder.resolve(name), StandardCopyOption.REPLACE_EXISTING);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  byte[] small(String name) {
    try {
      return Files.readAllBytes(folder.resolve(name + ".small.png"));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
