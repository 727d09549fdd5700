package rhetor.e2e;

import java.io.IOException;
import java.net.HttpURLConnection;
import java.net.ServerSocket;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;

/**
 * Rhetor and the shop as processes of their own, with the demo house in them; they can be killed.
 */
final class DemoProcess implements AutoCloseable {
  private static final Path ROOT = Path.of("..").toAbsolutePath().normalize();
  private final Path data;
  private final int port;
  private final int shopPort;
  private final int mailPort;
  private final Process shop;
  private Process server;

  DemoProcess() throws IOException {
    data = Files.createTempDirectory("rhetor-e2e");
    port = freePort();
    shopPort = freePort();
    mailPort = freePort();
    shop =
        java(
            "standins",
            "-Xmx240m",
            "serve",
            "--port",
            String.valueOf(shopPort),
            "--mail-port",
            String.valueOf(mailPort),
            "--data",
            data.toString());
    start();
    await("http://127.0.0.1:" + shopPort + "/");
  }

  private static int freePort() throws IOException {
    try (ServerSocket free = new ServerSocket(0)) {
      return free.getLocalPort();
    }
  }

  /** Starts the server, again if need be, with the data that is there. */
  void start() throws IOException {
    server =
        java(
            "app",
            "-Xmx400m",
            "--rhetor.port=" + port,
            // Two processes on two cores have enough to do; the application's own tests check it.
            "--rhetor.grammar=false",
            "--rhetor.data=" + data,
            "--rhetor.demo=" + ROOT.resolve("demo"),
            "--rhetor.shop.url=http://127.0.0.1:" + shopPort,
            "--rhetor.shop.token=harrowmere-demo-token",
            "--rhetor.demo-mail-port=" + mailPort,
            "--rhetor.news-gather=0s",
            "--rhetor.pictures.stand-in=http://127.0.0.1:" + shopPort + "/suppliers");
    await(url() + "/api/session");
    awaitFurniture();
  }

  /** The server answers before all the demo's sheets are there. */
  private void awaitFurniture() throws IOException {
    Path log = data.resolve("app.log");
    for (int i = 0; i < 600; i++) {
      if (Files.readString(log).contains("the demo house is furnished")) {
        return;
      }
      pause();
    }
    throw new IllegalStateException("the demo house was not furnished; " + whatItDoes());
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
    server.destroyForcibly();
    try {
      server.waitFor();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  private Process java(String module, String heap, String... arguments) throws IOException {
    Path jar = ROOT.resolve(module + "/target/rhetor-" + module + "-1.0-SNAPSHOT-exec.jar");
    List<String> command =
        new ArrayList<>(
            List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                heap,
                "-XX:+UseSerialGC",
                "-Djava.awt.headless=true",
                "-jar",
                jar.toString()));
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
    return "http://127.0.0.1:" + port;
  }

  String shopUrl() {
    return "http://127.0.0.1:" + shopPort;
  }

  Path sheet(String name) {
    return ROOT.resolve("demo/sheets").resolve(name);
  }

  Path folder() {
    return data;
  }

  @Override
  public void close() {
    server.destroyForcibly();
    shop.destroyForcibly();
  }
}
