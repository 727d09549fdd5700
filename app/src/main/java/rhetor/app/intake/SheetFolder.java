package rhetor.app.intake;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.security.DigestInputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import org.springframework.stereotype.Component;
import rhetor.app.house.HouseSettings;

/** Suppliers' sheets as they came, each under the hash of its bytes. They are never changed. */
@Component
class SheetFolder {
  private final Path folder;

  SheetFolder(HouseSettings settings) {
    folder = settings.data().resolve("sheets");
  }

  /** Stores a sheet; the same bytes are stored once. */
  String store(InputStream sheet) {
    try {
      Files.createDirectories(folder);
      Path half = Files.createTempFile(folder, "incoming", ".part");
      try {
        MessageDigest digest = MessageDigest.getInstance("SHA-256");
        try (InputStream in = new DigestInputStream(sheet, digest)) {
          Files.copy(in, half, StandardCopyOption.REPLACE_EXISTING);
        }
        String name = HexFormat.of().formatHex(digest.digest()) + ".sheet";
        Files.move(
            half,
            folder.resolve(name),
            StandardCopyOption.REPLACE_EXISTING,
            StandardCopyOption.ATOMIC_MOVE);
        return name;
      } finally {
        Files.deleteIfExists(half);
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException(e);
    }
  }

  /** Removes a sheet that nobody needs. */
  void remove(String storedAs) {
    try {
      Files.deleteIfExists(folder.resolve(storedAs));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  Path path(String storedAs) {
    return folder.resolve(storedAs);
  }
}
