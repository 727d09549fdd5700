package rhetor.app.house;

import java.io.IOException;
import java.nio.file.FileVisitResult;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.SimpleFileVisitor;
import java.nio.file.attribute.BasicFileAttributes;
import java.nio.file.attribute.PosixFilePermission;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.Set;
import org.springframework.boot.EnvironmentPostProcessor;
import org.springframework.boot.SpringApplication;
import org.springframework.core.env.ConfigurableEnvironment;

/**
 * Keeps the data folder to whoever runs Rhetor, before anything opens it; what earlier versions
 * left readable by others becomes so too. Where a file system knows no permissions, nothing is
 * done.
 */
public final class DataFolder implements EnvironmentPostProcessor {
  private static final Set<PosixFilePermission> FOLDER =
      PosixFilePermissions.fromString("rwx------");
  private static final Set<PosixFilePermission> FILE = PosixFilePermissions.fromString("rw-------");

  @Override
  public void postProcessEnvironment(
      ConfigurableEnvironment environment, SpringApplication application) {
    String data = environment.getProperty("rhetor.data");
    if (data != null) {
      try {
        close(Path.of(data));
      } catch (IOException e) {
        throw new IllegalStateException(
            "The data folder " + data + " can't be kept to its owner.", e);
      }
    }
  }

  /** Makes a folder, if need be, and takes it and all in it from everybody else. */
  static void close(Path folder) throws IOException {
    Files.createDirectories(folder);
    if (!Files.getFileStore(folder).supportsFileAttributeView("posix")) {
      return;
    }
    Files.walkFileTree(
        folder,
        new SimpleFileVisitor<>() {
          @Override
          public FileVisitResult preVisitDirectory(Path dir, BasicFileAttributes attributes)
              throws IOException {
            Files.setPosixFilePermissions(dir, FOLDER);
            return FileVisitResult.CONTINUE;
          }

          @Override
          public FileVisitResult visitFile(Path file, BasicFileAttributes attributes)
              throws IOException {
            if (attributes.isRegularFile() && !FILE.equals(Files.getPosixFilePermissions(file))) {
              Files.setPosixFilePermissions(file, FILE);
            }
            return FileVisitResult.CONTINUE;
          }
        });
  }
}
