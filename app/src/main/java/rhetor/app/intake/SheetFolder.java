package rhetor.app.intake;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.DigestInputStream;
import java.security.MessageDigest;
import java.util.HexFormat;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import rhetor.app.house.HouseSettings;
import rhetor.app.house.IncomingFiles;
import rhetor.app.house.Sha256;

/** Suppliers' sheets as they came, each under the hash of its bytes. They are never changed. */
@Component
class SheetFolder {
  private static final Logger LOG = LoggerFactory.getLogger(SheetFolder.class);
  private final Path folder;

  SheetFolder(HouseSettings settings) {
    folder = settings.data().resolve("sheets");
  }

  /** Stores a sheet; the same bytes are stored once. */
  String store(InputStream sheet) {
    try {
      MessageDigest digest = Sha256.digest();
      String[] name = new String[1];
      try (InputStream in = new DigestInputStream(sheet, digest)) {
        IncomingFiles.write(
            folder,
            in,
            () -> {
              name[0] = HexFormat.of().formatHex(digest.digest()) + ".sheet";
              return folder.resolve(name[0]);
            });
      }
      return name[0];
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Removes a sheet that nobody needs. */
  void remove(String storedAs) {
    try {
      Files.deleteIfExists(folder.resolve(storedAs));
      Files.deleteIfExists(rows(storedAs));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  Path path(String storedAs) {
    return folder.resolve(storedAs);
  }

  /** Where the rows of a sheet that takes long to parse are kept while it waits. */
  Path rows(String storedAs) {
    return folder.resolve(storedAs + ".rows");
  }

  /**
   * The sheet has been taken in: its rows will hardly be wanted again. Where they can't be removed
   * they go with the sheet; that it was taken in is so all the same.
   */
  void forgetRows(String storedAs) {
    try {
      Files.deleteIfExists(rows(storedAs));
    } catch (IOException e) {
      LOG.warn("The rows kept of {} can't be removed: {}", storedAs, e.toString());
    }
  }
}
