package rhetor.soak;

import java.io.IOException;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;

/**
 * A process of Rhetor's, which can be killed and started again, and whose use of the machine shows.
 */
final class Server {
  private final List<String> command;
  private final Path log;
  private final int port;
  private volatile Process process;

  private Server(List<String> command, Path log, int port) {
    this.command = command;
    this.log = log;
    this.port = port;
  }

  static int freePort() throws IOException {
    try (ServerSocket free = new ServerSocket(0)) {
      return free.getLocalPort();
    }
  }

  /**
   * A server from a jar.
   *
   * @param heap such as {@code 320m}
   */
  static Server of(Path jar, String heap, int port, Path log, List<String> arguments) {
    List<String> command =
        new ArrayList<>(
            List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-Xmx" + heap,
                "-XX:+ExitOnOutOfMemoryError",
                "-Djava.awt.headless=true",
                "-jar",
                jar.toString()));
    command.addAll(arguments);
    return new Server(command, log, port);
  }

  /**
   * The simulated services outside: a shop, and a text model.
   *
   * @param jars the folder that has the modules, built
   * @param data where they keep what they hold
   * @param token what they know their customers by
   */
  static Server outside(Path jars, Path data, String token, Path log) throws IOException {
    int port = freePort();
    return of(
        jars.resolve("standins/target/rhetor-standins-1.0-SNAPSHOT-exec.jar"),
        "240m",
        port,
        log,
        List.of(
            "serve", "--port", String.valueOf(port), "--data", data.toString(), "--token", token));
  }

  String url() {
    return "http://127.0.0.1:" + port;
  }

  /** Starts it and waits until it answers. */
  void start() throws IOException, InterruptedException {
    process =
        new ProcessBuilder(command)
            .redirectErrorStream(true)
            .redirectOutput(ProcessBuilder.Redirect.appendTo(log.toFile()))
            .start();
    Runtime.getRuntime().addShutdownHook(new Thread(process::destroyForcibly));
    for (int i = 0; i < 600; i++) {
      try (Socket _ = new Socket("127.0.0.1", port)) {
        return;
      } catch (IOException notYet) {
        if (!process.isAlive()) {
          throw new IOException("the server ended; see " + log);
        }
        Thread.sleep(200);
      }
    }
    throw new IOException("the server did not start; see " + log);
  }

  /** Ends it at once, as a crash or a lost machine does. */
  void kill() throws InterruptedException {
    process.destroyForcibly();
    process.waitFor(30, TimeUnit.SECONDS);
  }

  /** Ends it as an administrator does; whether it ended in time. */
  boolean stop() throws InterruptedException {
    process.destroy();
    boolean ended = process.waitFor(60, TimeUnit.SECONDS);
    process.destroyForcibly();
    return ended;
  }

  boolean isAlive() {
    return process.isAlive();
  }

  /**
   * What a server uses.
   *
   * @param heap live objects in megabytes, after a collection
   * @param files open files and sockets
   */
  record Use(long heap, int threads, int files) {}

  /** Collects its garbage and looks at what it uses. */
  Use use() throws IOException, InterruptedException {
    String pid = String.valueOf(process.pid());
    jcmd(pid, "GC.run");
    long kilobytes = 0;
    for (String line : jcmd(pid, "GC.heap_info").split("\n")) {
      var used = java.util.regex.Pattern.compile("total .*?, used (\\d+)K").matcher(line);
      boolean heap = line.contains("Metaspace") || line.contains("class space");
      while (!heap && used.find()) {
        kilobytes += Long.parseLong(used.group(1));
      }
    }
    int threads = 0;
    for (String line : Files.readAllLines(Path.of("/proc", pid, "status"))) {
      if (line.startsWith("Threads:")) {
        threads = Integer.parseInt(line.replaceAll("\\D", ""));
      }
    }
    try (Stream<Path> files = Files.list(Path.of("/proc", pid, "fd"))) {
      return new Use(kilobytes / 1024, threads, (int) files.count());
    }
  }

  private static String jcmd(String pid, String what) throws IOException, InterruptedException {
    Process jcmd =
        new ProcessBuilder(
                Path.of(System.getProperty("java.home"), "bin", "jcmd").toString(), pid, what)
            .redirectErrorStream(true)
            .start();
    String said = new String(jcmd.getInputStream().readAllBytes());
    jcmd.waitFor(30, TimeUnit.SECONDS);
    return said;
  }
}
