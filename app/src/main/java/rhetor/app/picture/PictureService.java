package rhetor.app.picture;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Semaphore;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipInputStream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rhetor.app.picture.PictureStore.Kept;
import rhetor.app.picture.PictureStore.Status;
import rhetor.app.product.ProductService;
import rhetor.app.web.Refused;
import rhetor.core.image.FileNameMatch;
import rhetor.core.image.FileNameMatch.Candidate;
import rhetor.core.image.NamedColour;
import rhetor.core.image.Picture;
import rhetor.core.image.PictureAnalyser;
import rhetor.core.image.PictureAnalysis;
import rhetor.core.image.PictureException;
import rhetor.core.image.PictureReader;
import rhetor.core.image.PrintReader;

/** Takes pictures in, finds what they show and whose they are, and lets people say so. */
@Service
public class PictureService {
  private static final Logger LOG = LoggerFactory.getLogger(PictureService.class);
  private static final int SAME_SHOWN = 12;
  private static final int MOST_IN_A_ZIP = 2_000;
  private static final long MOST_UNPACKED = 2_000_000_000L;

  private final PictureStore store;
  private final PictureFolder folder;
  private final AddressStore addresses;
  private final ProductService products;
  private final Semaphore atOnce = new Semaphore(2);
  private final PictureReader reader = new PictureReader();
  private final PictureAnalyser analyser = new PictureAnalyser();

  PictureService(
      PictureStore store, PictureFolder folder, AddressStore addresses, ProductService products) {
    this.store = store;
    this.folder = folder;
    this.addresses = addresses;
    this.products = products;
  }

  /** What became of one file. */
  record Came(String fileName, Optional<Kept> picture, String trouble) {}

  /**
   * What came of a file.
   *
   * @param pictures how many pictures were taken in
   * @param troubles why others were not
   */
  public record Arrived(int pictures, List<String> troubles) {}

  /** Takes a picture in, or all pictures of a ZIP. */
  public Arrived takeAll(String fileName, InputStream in, String by) throws IOException {
    List<Came> came = take(fileName, in, by);
    return new Arrived(
        (int) came.stream().filter(c -> c.picture().isPresent()).count(),
        came.stream()
            .filter(c -> !c.trouble().isEmpty())
            .map(c -> c.fileName() + ": " + c.trouble())
            .toList());
  }

  /** Takes a picture in, or all pictures of a ZIP. */
  List<Came> take(String fileName, InputStream in, String by) throws IOException {
    BufferedInputStream bytes = new BufferedInputStream(in);
    bytes.mark(8);
    boolean zip =
        new String(bytes.readNBytes(4), StandardCharsets.ISO_8859_1).equals("PK\u0003\u0004");
    bytes.reset();
    List<Candidate> house = products.candidates(Candidate::new);
    if (!zip) {
      try (Place _ = place()) {
        return List.of(one(base(fileName), most(bytes), house, by));
      }
    }
    List<Came> came = new ArrayList<>();
    long total = 0;
    try (ZipInputStream entries = new ZipInputStream(bytes)) {
      for (ZipEntry entry = entries.getNextEntry(); entry != null; entry = entries.getNextEntry()) {
        String name = base(entry.getName());
        // What systems put beside pictures is passed over; folders and paths are of no use here.
        if (entry.isDirectory() || name.startsWith(".") || name.equals("Thumbs.db")) {
          continue;
        }
        if (came.size() >= MOST_IN_A_ZIP) {
          came.add(
              new Came(
                  name,
                  Optional.empty(),
                  "A ZIP may have up to %,d pictures; the rest was not read."
                      .formatted(MOST_IN_A_ZIP)));
          break;
        }
        Came next;
        try (Place _ = place()) {
          byte[] picture = most(entries);
          total += picture.length;
          next = one(name, picture, house, by);
        }
        if (total > MOST_UNPACKED) {
          came.add(
              new Came(
                  name,
                  Optional.empty(),
                  "The ZIP unpacks to more than 2 GB; the rest was not read."));
          break;
        }
        came.add(next);
      }
    } catch (ZipException | java.io.EOFException e) {
      came.add(
          new Came(
              base(fileName),
              Optional.empty(),
              "The ZIP is damaged from here on; what came before is kept. Make it once more."));
    }
    return came;
  }

  private static byte[] most(InputStream in) throws IOException {
    return in.readNBytes(PictureReader.MOST_BYTES + 1);
  }

  private interface Place extends AutoCloseable {
    @Override
    void close();
  }

  /**
   * Pictures are opened a few at a time, whoever brings them: each takes much memory for a moment.
   */
  private Place place() {
    atOnce.acquireUninterruptibly();
    return atOnce::release;
  }

  /** The last part of a name: whatever folders it claims are of no use and never written to. */
  private static String base(String name) {
    String base = name.replaceAll(".*[/\\\\]", "").replaceAll("\\p{Cntrl}", "").strip();
    return base.isEmpty()
        ? "picture"
        : base.length() > 250 ? base.substring(base.length() - 250) : base;
  }

  private Came one(String fileName, byte[] bytes, List<Candidate> house, String by) {
    try {
      String name = PictureFolder.name(bytes);
      Optional<Kept> known = store.find(name, fileName);
      if (known.isPresent()) {
        return new Came(fileName, known, "This very picture is here already.");
      }
      PictureAnalysis analysis = store(name, bytes);
      FileNameMatch match =
          named(fileName)
              .or(() -> FileNameMatch.find(fileName, house))
              .orElse(new FileNameMatch(0, 0, "No product's SKU or name is in the file's name."));
      long id =
          store.add(
              match.productId(), fileName, name, analysis, match.confidence(), match.reason(), by);
      return new Came(fileName, store.find(id), "");
    } catch (PictureException e) {
      return new Came(fileName, Optional.empty(), e.getMessage());
    }
  }

  private PictureAnalysis store(String name, byte[] bytes) {
    Picture picture = reader.read(bytes);
    folder.store(name, bytes, picture.pixels());
    return analyser.analyse(picture);
  }

  /** The product whose source names a file of this name. */
  private Optional<FileNameMatch> named(String fileName) {
    List<AddressStore.NamesFile> naming = addresses.naming(fileName);
    if (naming.isEmpty()) {
      return Optional.empty();
    }
    long products = naming.stream().map(AddressStore.NamesFile::productId).distinct().count();
    AddressStore.NamesFile first = naming.getFirst();
    return Optional.of(
        new FileNameMatch(
            first.productId(),
            products == 1 ? 0.98 : 0.6,
            products == 1
                ? first.namedBy() + " names this file."
                : "%s names this file for %d products; this is the first."
                    .formatted(first.namedBy(), products)));
  }

  /**
   * Keeps a picture that was fetched for a product; its id.
   *
   * @param namedBy whose sheet or page named it
   * @throws PictureException if the bytes are no picture that can be read
   */
  long fetched(String fileName, byte[] bytes, long product, String namedBy) {
    String name = PictureFolder.name(bytes);
    Optional<Kept> known = store.find(name, fileName);
    if (known.isPresent()) {
      return known.get().id();
    }
    PictureAnalysis analysis;
    try (Place _ = place()) {
      analysis = store(name, bytes);
    }
    return store.add(
        product, fileName, name, analysis, 0.98, namedBy + " names it by its address.", namedBy);
  }

  /**
   * Looks for what is printed on the next picture of no product, where nobody has looked yet.
   *
   * @return whether there was one
   */
  boolean readNext() {
    Optional<Kept> next = store.unread();
    next.ifPresent(picture -> store.setPrinted(picture.id(), printedOn(picture)));
    return next.isPresent();
  }

  private List<String> printedOn(Kept picture) {
    try (Place _ = place()) {
      Picture opened = reader.read(folder.whole(picture.storedAs()));
      return PrintReader.shipped().map(r -> r.lines(opened.pixels())).orElse(List.of());
    } catch (RuntimeException e) {
      // One picture that can't be read, whatever its fault, must not hold up all that come after.
      LOG.warn("nothing could be read off the picture {}", picture.fileName(), e);
      return List.of();
    }
  }

  Kept get(long id) {
    return store.find(id).orElseThrow(() -> Refused.notFound("There is no such picture."));
  }

  byte[] small(long id) {
    return folder.small(get(id).storedAs());
  }

  /** A small copy, PNG, of the first picture that somebody has confirmed to show a product. */
  public Optional<byte[]> shown(long product) {
    return store.ofProduct(product).stream()
        .filter(k -> k.status() == Status.CONFIRMED)
        .findFirst()
        .map(k -> folder.small(k.storedAs()));
  }

  List<Kept> page(Status status, long after, int limit) {
    return store.page(status, after, limit);
  }

  /** Names of the pictures that show the same as this one. */
  List<String> sameAs(Kept picture, List<PictureStore.Hash> all) {
    return all.stream()
        .filter(
            h ->
                h.id() != picture.id()
                    && PictureAnalysis.isNear(h.hash(), picture.analysis().hash()))
        .limit(SAME_SHOWN)
        .map(PictureStore.Hash::id)
        .map(store::find)
        .flatMap(Optional::stream)
        // The hash sees light and dark only: another colour of the same thing is another picture.
        .filter(other -> mainColour(other).equals(mainColour(picture)))
        .map(Kept::fileName)
        .toList();
  }

  private static String mainColour(Kept picture) {
    List<NamedColour> colours = picture.analysis().colours();
    return colours.isEmpty() ? "" : colours.getFirst().name();
  }

  List<PictureStore.Hash> hashes() {
    return store.hashes();
  }

  int count(Status status) {
    return store.count(status);
  }

  List<Kept> ofProduct(long product) {
    return store.ofProduct(product);
  }

  /** Says by hand which product a picture shows. */
  @Transactional
  public Kept setProduct(long id, String sku, String by) {
    get(id);
    store.setProduct(id, products.bySku(sku), by + " said so.");
    return get(id);
  }

  /**
   * Confirms that pictures show their products.
   *
   * @param colours whether the colour that was seen becomes a fact of products that have none
   * @return how many were confirmed, and how many products got a colour by it
   */
  @Transactional
  public Confirmed confirm(List<Long> ids, boolean colours, String by) {
    int confirmed = 0;
    int coloured = 0;
    for (long id : ids) {
      if (!store.confirm(id)) {
        continue;
      }
      confirmed++;
      Kept picture = get(id);
      List<NamedColour> seen = picture.analysis().colours();
      if (colours && !seen.isEmpty() && products.lacks(picture.productId(), "colour")) {
        products.type(
            picture.productId(),
            "colour",
            "Colour",
            seen.getFirst().name(),
            by + ", from the picture " + picture.fileName());
        coloured++;
      }
    }
    return new Confirmed(confirmed, coloured);
  }

  record Confirmed(int pictures, int colours) {}

  /** Says that a picture does not show the product it seemed to. */
  @Transactional
  public void unmatch(long id) {
    get(id);
    store.unmatch(id);
  }

  @Transactional
  public void remove(long id) {
    get(id);
    store.remove(id);
  }
}
