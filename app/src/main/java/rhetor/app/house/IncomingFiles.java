package rhetor.app.house;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.annotation.Configuration;

/**
 * Writes files of the data folder whole or not at all, readable by nobody but who runs Rhetor; what
 * a crash left half written goes at the next start.
 */
public final class IncomingFiles {
  private static final Logger LOG = LoggerFactory.getLogger(IncomingFiles.class);
  private static final String PREFIX = "incoming";

  /** What everything half written ends in, rows of workbooks that are kept, too. */
  private static final String HALF = ".part";

  private IncomingFiles() {}

  /** Takes the name that a file is to have from its bytes, once they are written. */
  public interface Naming {
    Path name() throws IOException;
  }

  /** Writes a file. */
  public static void write(Path folder, Path file, byte[] bytes) throws IOException {
    Path half = half(folder);
    try {
      Files.write(half, bytes);
      move(half, file);
    } finally {
      Files.deleteIfExists(half);
    }
  }

  /** Writes a file that is named once all of it is there. */
  public static void write(Path folder, InputStream bytes, Naming naming) throws IOException {
    Path half = half(folder);
    try {
      Files.copy(bytes, half, StandardCopyOption.REPLACE_EXISTING);
      move(half, naming.name());
    } finally {
      Files.deleteIfExists(half);
    }
  }

  /** A temporary file has the permissions of its owner alone, which a move keeps. */
  private static Path half(Path folder) throws IOException {
    Files.createDirectories(folder);
    return Files.createTempFile(folder, PREFIX, HALF);
  }

  private static void move(Path half, Path file) throws IOException {
    Files.move(half, file, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
  }

  /** Removes what earlier starts left half written. */
  @Configuration
  static class Removing {
    Removing(HouseSettings settings) throws IOException {
      for (String name : new String[] {"sheets", "pictures"}) {
        Path folder = settings.data().resolve(name);
        if (!Files.isDirectory(folder)) {
          continue;
        }
        try (DirectoryStream<Path> halves = Files.newDirectoryStream(folder, "*" + HALF)) {
          for (Path half : halves) {
            LOG.info("{} was left half written and is removed", half.getFileName());
            Files.deleteIfExists(half);
          }
        }
      }
    }
  }
}
