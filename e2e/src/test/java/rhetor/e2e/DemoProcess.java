package rhetor.e2e;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.HttpURLConnection;
import java.net.ServerSocket;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;

/**
 * Rhetor and the shop as processes of their own, with the demo house in them; they can be killed.
 */
final class DemoProcess implements AutoCloseable {
  private static final Path ROOT = Path.of("..").toAbsolutePath().normalize();

  // The demo house remembers addresses, so they are the same for all that are furnished here.
  private static final int PORT = freePort();
  private static final int SHOP_PORT = freePort();
  private static final int MAIL_PORT = freePort();
  private static final String JAVA =
      Path.of(System.getProperty("java.home"), "bin", "java").toString();
  private static final Path UNPACKED = temporary("rhetor-unpacked");

  static {
    // Half a gigabyte that nobody wants again.
    Runtime.getRuntime().addShutdownHook(new Thread(() -> delete(UNPACKED)));
  }

  private static Path furnished;

  private final Path data;
  private final Process shop;
  private Process server;

  DemoProcess() throws IOException {
    this(copyOfFurnished());
  }

  private DemoProcess(Path data) throws IOException {
    this.data = data;
    shop =
        java(
            "standins",
            "-Xmx240m",
            "serve",
            "--port",
            String.valueOf(SHOP_PORT),
            "--mail-port",
            String.valueOf(MAIL_PORT),
            "--data",
            data.toString());
    start();
    await("http://127.0.0.1:" + SHOP_PORT + "/");
  }

  /** A house of one's own; it is furnished once, since that takes longer than all else. */
  private static synchronized Path copyOfFurnished() throws IOException {
    if (furnished == null) {
      Path data = Files.createTempDirectory("rhetor-furnished");
      try (DemoProcess first = new DemoProcess(data)) {
        first.awaitLine("is done");
        first.shop.destroy();
        first.server.destroy();
        // In good order, and with what they know of their classes left behind.
        first.shop.onExit().join();
        first.server.onExit().join();
      }
      furnished = data;
    }
    Path copy = Files.createTempDirectory("rhetor-e2e");
    try (Stream<Path> files = Files.walk(furnished)) {
      for (Path file : (Iterable<Path>) files::iterator) {
        Path to = copy.resolve(furnished.relativize(file));
        if (Files.isDirectory(file)) {
          Files.createDirectories(to);
        } else {
          Files.copy(file, to);
        }
      }
    }
    return copy;
  }

  private static Path temporary(String name) {
    try {
      return Files.createTempDirectory(name);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static void delete(Path folder) {
    try (Stream<Path> files = Files.walk(folder)) {
      for (Path file : files.sorted(Comparator.reverseOrder()).toList()) {
        Files.deleteIfExists(file);
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static int freePort() {
    try (ServerSocket free = new ServerSocket(0)) {
      return free.getLocalPort();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Starts the server, again if need be, with the data that is there. */
  void start() throws IOException {
    server =
        java(
            "app",
            "-Xmx400m",
            "--rhetor.port=" + PORT,
            // Two processes on two cores have enough to do; the application's own tests check it.
            "--rhetor.grammar=false",
            "--rhetor.data=" + data,
            "--rhetor.demo=" + ROOT.resolve("demo"),
            "--rhetor.shop.url=http://127.0.0.1:" + SHOP_PORT,
            "--rhetor.shop.token=harrowmere-demo-token",
            "--rhetor.demo-mail-port=" + MAIL_PORT,
            "--rhetor.news-gather=0s",
            "--rhetor.pictures.stand-in=http://127.0.0.1:" + SHOP_PORT + "/suppliers");
    await(url() + "/api/session");
    // The server answers before all the demo's sheets are there.
    awaitLine("the demo house is furnished");
  }

  private void awaitLine(String words) throws IOException {
    Path log = data.resolve("app.log");
    for (int i = 0; i < 900; i++) {
      if (Files.readString(log).contains(words)) {
        return;
      }
      pause();
    }
    throw new IllegalStateException("never said: " + words + "; " + whatItDoes());
  }

  /** Has the people of the house work in it, as they have before anybody opens the demo. */
  void work() throws IOException, InterruptedException {
    Process staff =
        java("standins", "-Xmx120m", "work", "--house", url(), "--demo", ROOT + "/demo");
    if (staff.waitFor() != 0) {
      throw new IllegalStateException(Files.readString(data.resolve("standins.log")));
    }
  }

  /** Ends the server as a power cut would. */
  void kill() {
    server.destroyForcibly().onExit().join();
  }

  private Process java(String module, String heap, String... arguments) throws IOException {
    Path home = UNPACKED.resolve(module);
    Path cache = home.resolve(module + ".aot");
    List<String> command = new ArrayList<>(List.of(JAVA, heap, "-XX:+UseSerialGC"));
    // Most of what these processes do is beginning: classes come from a cache that the first of
    // them leaves (JEP 514), and nothing is compiled for the long run.
    if (Files.exists(cache)) {
      command.addAll(List.of("-XX:AOTCache=" + cache, "-XX:TieredStopAtLevel=1"));
    } else {
      unpack(module, home);
      command.add("-XX:AOTCacheOutput=" + cache);
    }
    command.addAll(
        List.of("-Djava.awt.headless=true", "-jar", home.resolve(jar(module)).toString()));
    command.addAll(List.of(arguments));
    Process process =
        new ProcessBuilder(command)
            .redirectErrorStream(true)
            .redirectOutput(
                ProcessBuilder.Redirect.appendTo(data.resolve(module + ".log").toFile()))
            .start();
    Runtime.getRuntime().addShutdownHook(new Thread(process::destroyForcibly));
    return process;
  }

  private static String jar(String module) {
    return "rhetor-" + module + "-1.0-SNAPSHOT-exec.jar";
  }

  private static void unpack(String module, Path to) throws IOException {
    Path jar = ROOT.resolve(module).resolve("target").resolve(jar(module));
    Process unpacking =
        new ProcessBuilder(
                JAVA,
                "-Djarmode=tools",
                "-jar",
                jar.toString(),
                "extract",
                "--force",
                "--destination",
                to.toString())
            .inheritIO()
            .start();
    if (unpacking.onExit().join().exitValue() != 0) {
      throw new IllegalStateException("can't be unpacked: " + jar);
    }
  }

  private void await(String address) throws IOException {
    long end = System.nanoTime() + Duration.ofMinutes(3).toNanos();
    while (System.nanoTime() < end) {
      try {
        HttpURLConnection connection =
            (HttpURLConnection) URI.create(address).toURL().openConnection();
        // A server that takes the question and never answers it has not started.
        connection.setConnectTimeout(5_000);
        connection.setReadTimeout(5_000);
        if (connection.getResponseCode() == 200) {
          return;
        }
      } catch (IOException notYet) {
        pause();
      }
    }
    throw new IllegalStateException("did not start: " + address + "; " + whatItDoes());
  }

  /** The server's log with what each of its threads is at, for whoever has to find out why. */
  private String whatItDoes() throws IOException {
    new ProcessBuilder("kill", "-QUIT", String.valueOf(server.pid())).start();
    for (int i = 0; i < 10; i++) {
      pause();
    }
    return "its log:\n" + Files.readString(data.resolve("app.log"));
  }

  private static void pause() {
    try {
      Thread.sleep(200);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  String url() {
    return "http://127.0.0.1:" + PORT;
  }

  String shopUrl() {
    return "http://127.0.0.1:" + SHOP_PORT;
  }

  Path sheet(String name) {
    return ROOT.resolve("demo/sheets").resolve(name);
  }

  Path folder() {
    return data;
  }

  @Override
  public void close() {
    // The next one listens where these did.
    kill();
    shop.destroyForcibly().onExit().join();
  }
}
