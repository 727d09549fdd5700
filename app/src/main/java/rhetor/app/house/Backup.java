package rhetor.app.house;

import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.FixedDelay;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/**
 * Takes the house along in one ZIP while it works: the database as it stands at one moment, then
 * the files that it names, which are never changed. It is asked for by a file in the data folder,
 * so whoever may read that folder may have it, and nobody else.
 */
@Component
class Backup {
  /** Put into the data folder by whoever wants a backup. */
  static final String WANTED = "backup.wanted";

  /** What came of it: the backup's name, or why there is none. */
  static final String DONE = "backup.done";

  static final String FOLDER = "backups";
  private static final List<String> FOLDERS = List.of("sheets", "pictures");
  private static final String KEY = "secrets.key";
  private static final Duration LOOK = Duration.ofSeconds(2);
  private static final Logger LOG = LoggerFactory.getLogger(Backup.class);

  private static final DateTimeFormatter STAMP =
      DateTimeFormatter.ofPattern("yyyy-MM-dd-HHmmss").withZone(ZoneOffset.UTC);

  private final Path data;
  private final JdbcClient jdbc;
  private final Clock clock;

  Backup(HouseSettings settings, JdbcClient jdbc, Clock clock) {
    this.data = settings.data().toAbsolutePath();
    this.jdbc = jdbc;
    this.clock = clock;
  }

  @Configuration
  static class Rounds {
    @Bean
    Task<Void> takeBackup(Backup backup) {
      return Tasks.recurring("take-backup", FixedDelay.of(LOOK))
          .execute((instance, context) -> backup.takeIfWanted());
    }
  }

  void takeIfWanted() {
    Path wanted = data.resolve(WANTED);
    if (!Files.exists(wanted)) {
      return;
    }
    String said;
    try {
      Files.delete(wanted);
      said = take().getFileName().toString();
    } catch (IOException | RuntimeException e) {
      LOG.warn("no backup could be taken", e);
      said = "failed: " + e.getMessage();
    }
    try {
      IncomingFiles.write(data, data.resolve(DONE), said.getBytes(StandardCharsets.UTF_8));
    } catch (IOException e) {
      LOG.warn("nobody could be told of the backup", e);
    }
  }

  private Path take() throws IOException {
    Path folder = Files.createDirectories(data.resolve(FOLDER));
    Path backup = folder.resolve("rhetor-" + STAMP.format(clock.instant()) + ".zip");
    Path half = folder.resolve(backup.getFileName() + ".part");
    Path database = folder.resolve("database.part");
    try {
      jdbc.sql("backup to ?").param(database.toString()).update();
      try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(half))) {
        try (ZipFile stored = new ZipFile(database.toFile())) {
          for (ZipEntry entry : stored.stream().toList()) {
            zip.putNextEntry(new ZipEntry(Path.of(entry.getName()).getFileName().toString()));
            stored.getInputStream(entry).transferTo(zip);
          }
        }
        add(data.resolve(KEY), zip);
        for (String name : FOLDERS) {
          addAll(data.resolve(name), zip);
        }
      }
      return Files.move(half, backup);
    } finally {
      Files.deleteIfExists(database);
      Files.deleteIfExists(half);
    }
  }

  private void addAll(Path folder, ZipOutputStream zip) throws IOException {
    if (!Files.isDirectory(folder)) {
      return;
    }
    List<Path> files;
    try (Stream<Path> all = Files.walk(folder)) {
      files =
          all.filter(Files::isRegularFile).filter(f -> !f.toString().endsWith(".part")).toList();
    }
    for (Path file : files) {
      add(file, zip);
    }
  }

  private void add(Path file, ZipOutputStream zip) throws IOException {
    if (Files.exists(file)) {
      zip.putNextEntry(new ZipEntry(data.relativize(file).toString().replace('\\', '/')));
      Files.copy(file, zip);
    }
  }
}
