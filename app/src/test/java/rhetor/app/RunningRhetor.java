package rhetor.app;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.ServerSocket;
import java.net.Socket;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.extension.BeforeAllCallback;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.ParameterContext;
import org.junit.jupiter.api.extension.ParameterResolver;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;
import rhetor.app.people.PeopleService;
import rhetor.app.people.Role;

/** Starts Rhetor and the simulated shop once for all tests, on free ports with empty databases. */
public final class RunningRhetor implements BeforeAllCallback, ParameterResolver {
  static final String PASSWORD = "a password for tests";
  static final String TOKEN = "token-for-tests";

  /** The running application, and where it and the shop are. */
  record House(ConfigurableApplicationContext application, String url, String shop, Path data)
      implements AutoCloseable {
    Visitor visitor() {
      return new Visitor(url);
    }

    /** A visitor who is signed in with a role. */
    Visitor as(Role role) {
      return visitor().signIn(role.name().toLowerCase() + "@test.example", PASSWORD);
    }

    /** Has the owner connect the stand-in for a text model; the connection's id. */
    long connectFoolscap() {
      Visitor owner = as(Role.OWNER);
      String host = URI.create(shop).getAuthority();
      owner.put("/api/connections/hosts", Map.of("host", host, "allowed", true)).expect(200);
      return owner
          .post(
              "/api/connections",
              Map.of(
                  "name",
                  "Foolscap",
                  "address",
                  shop + "/model/v1",
                  "model",
                  "foolscap-1",
                  "key",
                  TOKEN,
                  "priceAsked",
                  1000,
                  "priceAnswered",
                  2000,
                  "monthlyMost",
                  0))
          .expect(200)
          .id();
    }

    <T> T bean(Class<T> type) {
      return application.getBean(type);
    }

    @Override
    public void close() {
      application.close();
    }
  }

  @Override
  public void beforeAll(ExtensionContext context) {
    house(context);
  }

  private static House house(ExtensionContext context) {
    return context
        .getRoot()
        .getStore(ExtensionContext.Namespace.GLOBAL)
        .getOrComputeIfAbsent("house", k -> start(), House.class);
  }

  private static House start() {
    try {
      Path data = Files.createTempDirectory("rhetor-test");
      String shopUrl = startShop(data);
      ConfigurableApplicationContext context = open(data, shopUrl);
      House house =
          new House(
              context,
              "http://127.0.0.1:" + context.getEnvironment().getProperty("local.server.port"),
              shopUrl,
              data);
      PeopleService people = context.getBean(PeopleService.class);
      people.createOwner("owner@test.example", "Owner", PASSWORD);
      for (Role role : Role.values()) {
        if (role != Role.OWNER) {
          people.add(
              role.name().toLowerCase() + "@test.example",
              role.name(),
              role,
              PASSWORD,
              "owner@test.example");
        }
      }
      return house;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Starts the application on a free port. */
  static ConfigurableApplicationContext open(Path data, String shopUrl, String... further) {
    List<String> arguments =
        new ArrayList<>(
            List.of(
                "--rhetor.port=0",
                // A test that is about grammar has it checked itself.
                "--rhetor.grammar=false",
                // Connections are retired while the tests run, as they are in a day of use.
                "--spring.datasource.hikari.max-lifetime=30000",
                "--rhetor.models.patience=30s",
                "--rhetor.folder-every=300ms",
                "--rhetor.news-every=300ms",
                "--rhetor.news-gather=0s",
                "--rhetor.schedules-every=300ms",
                "--rhetor.shop-calls-for=300ms",
                "--rhetor.data=" + data,
                "--rhetor.shop.url=" + shopUrl,
                "--rhetor.shop.token=" + TOKEN,
                "--rhetor.pictures.stand-in=" + shopUrl + "/suppliers",
                "--logging.level.rhetor=warn"));
    arguments.addAll(List.of(further));
    return new SpringApplication(Rhetor.class).run(arguments.toArray(new String[0]));
  }

  /** The shop runs in a process of its own, as it does for users. */
  private static String startShop(Path data) throws IOException {
    int port;
    try (ServerSocket free = new ServerSocket(0)) {
      port = free.getLocalPort();
    }
    Path jar = Path.of("../standins/target/rhetor-standins-1.0-SNAPSHOT-exec.jar");
    Process shop =
        new ProcessBuilder(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-Xmx240m",
                "-jar",
                jar.toString(),
                "serve",
                "--port",
                String.valueOf(port),
                "--data",
                data.toString(),
                "--token",
                TOKEN)
            .redirectErrorStream(true)
            .redirectOutput(data.resolve("shop.log").toFile())
            .start();
    Runtime.getRuntime().addShutdownHook(new Thread(shop::destroyForcibly));
    for (int i = 0; i < 300; i++) {
      try (Socket probe = new Socket("127.0.0.1", port)) {
        return "http://" + probe.getInetAddress().getHostAddress() + ":" + port;
      } catch (IOException notYet) {
        sleep();
      }
    }
    throw new IllegalStateException(
        "the shop did not start: " + Files.readString(data.resolve("shop.log")));
  }

  private static void sleep() {
    try {
      Thread.sleep(200);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  @Override
  public boolean supportsParameter(ParameterContext parameter, ExtensionContext context) {
    return parameter.getParameter().getType() == House.class;
  }

  @Override
  public Object resolveParameter(ParameterContext parameter, ExtensionContext context) {
    return house(context);
  }
}
