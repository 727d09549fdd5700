package rhetor.app.folder;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;
import rhetor.app.folder.FolderStore.FolderFile;
import rhetor.app.folder.FolderStore.Outcome;
import rhetor.app.house.HouseSettings;
import rhetor.app.house.OwnersChoice;
import rhetor.app.house.Sha256;
import rhetor.app.intake.IntakeService;
import rhetor.app.intake.IntakeTaking;
import rhetor.app.picture.PictureService;
import rhetor.app.product.ProductFilter;
import rhetor.app.product.ProductService;
import rhetor.app.run.Authorship;
import rhetor.app.run.Run;
import rhetor.app.run.RunService;
import rhetor.app.web.Refused;
import rhetor.core.sheet.SheetException;
import tools.jackson.databind.json.JsonMapper;

/**
 * Takes in what is put into the watched folder: sheets by their supplier's reading, pictures by
 * their names. A file is touched once it has settled, goes to {@code done} or {@code rejected}, and
 * nothing is taken twice, whatever it is called.
 */
@Component
public class WatchedFolder {
  static final String DONE = "done";
  static final String REJECTED = "rejected";

  private static final Logger LOG = LoggerFactory.getLogger(WatchedFolder.class);
  private static final String WATCHED_BY = "folder-watched-by";
  private static final String WRITES = "folder-writes";
  private static final String AUTHOR = "folder-author";

  private static final Set<String> SHEETS =
      Set.of("csv", "tsv", "txt", "tab", "xlsx", "xlsm", "ods", "json", "jsonl", "ndjson", "xml");

  private static final Set<String> PICTURES = Set.of("jpg", "jpeg", "png", "gif", "webp", "zip");

  /** What programs call a file that they haven't finished. */
  private static final Set<String> UNFINISHED =
      Set.of("part", "tmp", "temp", "crdownload", "download", "filepart", "swp", "lock");

  /** A file must have been left alone for so long, and look the same twice. */
  private static final Duration SETTLED = Duration.ofSeconds(2);

  private static final int SHOWN = 100;

  private final Path folder;
  private final OwnersChoice choice;
  private final FolderStore store;
  private final IntakeService sheets;
  private final IntakeTaking taking;
  private final PictureService pictures;
  private final ProductService products;
  private final RunService runs;
  private final ApplicationEventPublisher events;
  private final Clock clock;
  private final JsonMapper json = JsonMapper.builder().build();
  private Map<Path, Sighting> seen = Map.of();

  WatchedFolder(
      HouseSettings settings,
      OwnersChoice choice,
      FolderStore store,
      IntakeService sheets,
      IntakeTaking taking,
      PictureService pictures,
      ProductService products,
      RunService runs,
      ApplicationEventPublisher events,
      Clock clock) {
    this.folder = settings.folder().toAbsolutePath().normalize();
    this.choice = choice;
    this.store = store;
    this.sheets = sheets;
    this.taking = taking;
    this.pictures = pictures;
    this.products = products;
    this.runs = runs;
    this.events = events;
    this.clock = clock;
  }

  private record Sighting(long bytes, long modified) {}

  /**
   * A file came to its end, or waits.
   *
   * @param isTrouble whether a person has to see to it
   */
  public record FileCame(String name, boolean isTrouble, String reason, long intake) {}

  /**
   * What is watched.
   *
   * @param path where the folder is on the machine that Rhetor runs on
   * @param isWatched whether anything put there is taken in
   * @param writes whether what is new or changed in a sheet is written for, too
   * @param author who writes then
   */
  record State(
      String path, boolean isWatched, boolean writes, Authorship author, List<FolderFile> files) {}

  State state() {
    return new State(
        folder.toString(), !watchedBy().isEmpty(), isWriting(), author(), store.latest(SHOWN));
  }

  private String watchedBy() {
    return choice.find(WATCHED_BY).orElse("");
  }

  private Authorship author() {
    return choice
        .find(AUTHOR)
        .map(a -> json.readValue(a, Authorship.class))
        .orElse(Authorship.COMPOSER);
  }

  private static RunService.Manner manner(Authorship author) {
    return new RunService.Manner(true, 1, Optional.empty(), 0, author);
  }

  private boolean isWriting() {
    return choice.find(WRITES).orElse("no").equals("yes");
  }

  /** Has the folder watched from now on, in the name of a person, or no longer. */
  public void set(boolean isWatched, boolean writes, Authorship author, String by) {
    runs.check(manner(author));
    if (isWatched) {
      try {
        Files.createDirectories(folder.resolve(DONE));
        Files.createDirectories(folder.resolve(REJECTED));
      } catch (IOException e) {
        throw Refused.conflict(
            "The folder %s can't be made: %s. Whoever runs Rhetor can name another with rhetor.folder."
                .formatted(folder, e.getMessage()));
      }
    }
    choice.put(WATCHED_BY, isWatched ? by : "");
    choice.put(WRITES, writes ? "yes" : "no");
    choice.put(AUTHOR, json.writeValueAsString(author));
  }

  /** Looks once what has come and settled, and puts back what has been written. */
  synchronized void look() {
    String by = watchedBy();
    if (by.isEmpty() || !Files.isDirectory(folder)) {
      return;
    }
    Map<Path, Sighting> now = new HashMap<>();
    for (Path file : waiting()) {
      sighted(file).ifPresent(s -> now.put(file, s));
    }
    long before = clock.millis() - SETTLED.toMillis();
    for (Map.Entry<Path, Sighting> entry : now.entrySet()) {
      boolean isSettled =
          entry.getValue().equals(seen.get(entry.getKey())) && entry.getValue().modified <= before;
      if (isSettled) {
        take(entry.getKey(), by);
      }
    }
    seen = now;
    putBack();
  }

  /** Files in the folder itself, and in one that is called as a supplier is. */
  private List<Path> waiting() {
    List<Path> found = new ArrayList<>();
    try (Stream<Path> files = Files.walk(folder, 2)) {
      files
          .filter(f -> Files.isRegularFile(f, LinkOption.NOFOLLOW_LINKS))
          .filter(f -> !isOurs(folder.relativize(f)) && !isUnfinished(f.getFileName().toString()))
          .sorted()
          .forEach(found::add);
    } catch (IOException | UncheckedIOException e) {
      LOG.warn("the watched folder can't be looked through", e);
    }
    return found;
  }

  private static boolean isOurs(Path file) {
    String first = file.getName(0).toString();
    return file.getNameCount() > 1 && (first.equals(DONE) || first.equals(REJECTED));
  }

  private static boolean isUnfinished(String name) {
    return name.startsWith(".") || name.startsWith("~") || UNFINISHED.contains(extension(name));
  }

  private static String extension(String name) {
    return name.substring(name.lastIndexOf('.') + 1).toLowerCase(Locale.ROOT);
  }

  private static Optional<Sighting> sighted(Path file) {
    try {
      return Optional.of(
          new Sighting(Files.size(file), Files.getLastModifiedTime(file).toMillis()));
    } catch (IOException e) {
      // Somebody took it away again.
      return Optional.empty();
    }
  }

  private void take(Path file, String by) {
    String name = file.getFileName().toString();
    try {
      String hash = hash(file);
      Optional<FolderFile> before = store.find(hash);
      if (before.isPresent() && before.get().outcome() != Outcome.BEGUN) {
        store.add(
            hash,
            name,
            Outcome.SAME,
            "The same was taken in before, as %s.".formatted(before.get().name()));
        move(file, DONE);
        return;
      }
      String extension = extension(name);
      if (SHEETS.contains(extension)) {
        takeSheet(file, hash, before, by);
      } else if (PICTURES.contains(extension)) {
        takePictures(file, hash, by);
      } else {
        reject(
            file,
            hash,
            "It is neither a sheet (%s) nor a picture or a ZIP of pictures."
                .formatted(String.join(", ", SHEETS.stream().sorted().toList())));
      }
    } catch (IOException e) {
      // A file that is locked or a full disk: it stays, and is looked at again.
      LOG.warn("{} in the watched folder can't be taken", name, e);
    }
  }

  private void takeSheet(Path file, String hash, Optional<FolderFile> before, String by)
      throws IOException {
    String name = file.getFileName().toString();
    long entry =
        before.map(FolderFile::id).orElseGet(() -> store.add(hash, name, Outcome.BEGUN, ""));
    long intake = before.map(FolderFile::intake).orElse(0L);
    if (intake == 0 || !sheets.exists(intake)) {
      Path parent = file.getParent();
      String supplier = parent.equals(folder) ? "" : parent.getFileName().toString();
      try (InputStream in = Files.newInputStream(file)) {
        intake = sheets.proposeSheet(supplier, name, in, by);
      } catch (SheetException e) {
        reject(file, entry, e.getMessage());
        return;
      }
      store.begun(entry, intake);
    }
    Optional<String> wait = taking.whyNotByItself(intake);
    if (wait.isPresent()) {
      store.ended(entry, Outcome.WAITS, wait.get(), 0);
      move(file, DONE);
      events.publishEvent(new FileCame(name, true, wait.get(), intake));
      return;
    }
    try {
      if (!taking.isTaken(intake)) {
        taking.takeIn(intake, by);
      }
    } catch (Refused e) {
      store.ended(entry, Outcome.WAITS, e.getMessage(), 0);
      move(file, DONE);
      events.publishEvent(new FileCame(name, true, e.getMessage(), intake));
      return;
    }
    String said = taking.summary(intake);
    boolean hasRejected = taking.hasRejected(intake);
    if (hasRejected) {
      try (OutputStream out = Files.newOutputStream(free(REJECTED, "rows of " + name))) {
        taking.writeRejected(intake, out);
      }
    }
    long run = isWriting() ? write(intake, name, by) : 0;
    store.ended(entry, Outcome.TAKEN, said, run);
    move(file, DONE);
    events.publishEvent(new FileCame(name, hasRejected, said, intake));
  }

  /** Starts a run for what is new or changed; 0 if nothing is. */
  private long write(long intake, String name, String by) {
    Set<Long> ids = new LinkedHashSet<>();
    for (String state : List.of("UNWRITTEN", "STALE")) {
      ids.addAll(products.ids(new ProductFilter("", state, intake)));
    }
    if (ids.isEmpty()) {
      return 0;
    }
    try {
      return runs.start(
              List.copyOf(ids),
              new ProductFilter("", "ALL", intake),
              manner(author()).whenNobodyWaits(name),
              by)
          .id();
    } catch (Refused e) {
      LOG.info("nothing is written for intake {}: {}", intake, e.getMessage());
      return 0;
    }
  }

  private void takePictures(Path file, String hash, String by) throws IOException {
    String name = file.getFileName().toString();
    PictureService.Arrived arrived;
    try (InputStream in = Files.newInputStream(file)) {
      arrived = pictures.takeAll(name, in, by);
    }
    if (arrived.pictures() == 0) {
      reject(file, hash, String.join(" ", arrived.troubles()));
      return;
    }
    String said =
        "%d %s taken in."
                .formatted(
                    arrived.pictures(), arrived.pictures() == 1 ? "picture was" : "pictures were")
            + (arrived.troubles().isEmpty() ? "" : " " + String.join(" ", arrived.troubles()));
    store.add(hash, name, Outcome.PICTURES, said);
    move(file, DONE);
    events.publishEvent(new FileCame(name, !arrived.troubles().isEmpty(), said, 0));
  }

  private void reject(Path file, String hash, String reason) throws IOException {
    reject(file, store.add(hash, file.getFileName().toString(), Outcome.BEGUN, ""), reason);
  }

  /**
   * Moves a file out of the way and says beside it why; it counts as rejected only then, since who
   * reads so looks for the reason there.
   */
  private void reject(Path file, long entry, String reason) throws IOException {
    Path moved = move(file, REJECTED);
    Files.writeString(
        moved.resolveSibling(moved.getFileName() + ".reason.txt"),
        reason + System.lineSeparator(),
        StandardCharsets.UTF_8);
    store.ended(entry, Outcome.REJECTED, reason, 0);
    events.publishEvent(new FileCame(file.getFileName().toString(), true, reason, 0));
  }

  /** The sheets whose runs have ended, with the texts in their own layout. */
  private void putBack() {
    for (FolderFile file : store.toPutBack()) {
      Optional<Run> run = runs.find(file.run());
      if (run.isPresent() && !run.get().hasEnded()) {
        continue;
      }
      try {
        if (run.isPresent() && sheets.exists(file.intake())) {
          try (OutputStream out = Files.newOutputStream(free(DONE, withTexts(file.name())))) {
            sheets.exportSheet(file.intake(), out);
          }
        }
        store.putBack(file.id());
      } catch (IOException e) {
        LOG.warn("{} can't be put back into the watched folder", file.name(), e);
      }
    }
  }

  private static String withTexts(String name) {
    int dot = name.lastIndexOf('.');
    return dot < 0
        ? name + " with texts"
        : name.substring(0, dot) + " with texts" + name.substring(dot);
  }

  private Path move(Path file, String to) throws IOException {
    return Files.move(
        file, free(to, file.getFileName().toString()), StandardCopyOption.ATOMIC_MOVE);
  }

  /** A name in a folder that nothing has. */
  private Path free(String in, String name) throws IOException {
    Path target = folder.resolve(in);
    Files.createDirectories(target);
    int dot = name.lastIndexOf('.');
    String stem = dot < 0 ? name : name.substring(0, dot);
    String ending = dot < 0 ? "" : name.substring(dot);
    Path free = target.resolve(name);
    for (int i = 2; Files.exists(free); i++) {
      free = target.resolve(stem + " (" + i + ")" + ending);
    }
    return free;
  }

  private static String hash(Path file) throws IOException {
    try (InputStream in = Files.newInputStream(file)) {
      return Sha256.hex(in);
    }
  }
}
