package rhetor.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.context.ConfigurableApplicationContext;
import rhetor.app.people.Role;

/** A house that was taken along while it worked is the same house elsewhere. */
@ExtendWith(RunningRhetor.class)
class BackupTest {
  @Test
  void a_house_is_taken_along_while_it_works_and_opens_elsewhere(
      RunningRhetor.House house, @TempDir Path elsewhere) throws Exception {
    Visitor writer = house.as(Role.WRITER);
    List<Long> products =
        writer.takeIn(
            "BCK.csv",
            "SKU,Name,Type,Brand,Material,Weight\nBCK-1,Dell Pannier,Panniers,Tolvane,canvas,810 g\n");
    writer.write(products, 0, "");
    String sheet = writer.get("/api/intakes").body().path(0).path("id").asString();
    String proof =
        writer.get("/api/proofs/" + products.getFirst()).body().path("fields").toString();
    Path done = house.data().resolve("backup.done");
    Files.createFile(house.data().resolve("backup.wanted"));
    long end = System.nanoTime() + Duration.ofSeconds(60).toNanos();
    while (!Files.exists(done)) {
      assertThat(System.nanoTime()).isLessThan(end);
      Thread.sleep(200);
    }
    String name = Files.readString(done);
    assertThat(name).startsWith("rhetor-").endsWith(".zip");
    unzip(house.data().resolve("backups").resolve(name), elsewhere);
    try (ConfigurableApplicationContext copy = RunningRhetor.open(elsewhere, house.shop())) {
      Visitor there =
          new Visitor("http://127.0.0.1:" + copy.getEnvironment().getProperty("local.server.port"))
              .signIn("writer@test.example", RunningRhetor.PASSWORD);
      assertThat(there.get("/api/proofs/" + products.getFirst()).body().path("fields").toString())
          .isEqualTo(proof);
      assertThat(there.get("/api/intakes/" + sheet + "/sheet").expect(200).text())
          .contains("BCK-1,Dell Pannier");
    }
  }

  private static void unzip(Path zip, Path folder) throws IOException {
    try (ZipFile all = new ZipFile(zip.toFile())) {
      for (ZipEntry entry : all.stream().toList()) {
        Path file = folder.resolve(entry.getName());
        Files.createDirectories(file.getParent());
        try (InputStream in = all.getInputStream(entry)) {
          Files.copy(in, file);
        }
      }
    }
  }
}
