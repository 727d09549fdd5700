package rhetor.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Stream;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import rhetor.app.people.Role;
import tools.jackson.databind.JsonNode;

/** What is put into the watched folder in the evening is taken in by the morning. */
@ExtendWith(RunningRhetor.class)
class FolderTest {
  private static final AtomicInteger SHEETS = new AtomicInteger();

  private final Visitor editor;
  private final Visitor writer;
  private final Path folder;
  private final String sheet = "FLD" + SHEETS.incrementAndGet();

  FolderTest(RunningRhetor.House house) {
    editor = house.as(Role.EDITOR);
    writer = house.as(Role.WRITER);
    folder = house.data().resolve("incoming").toAbsolutePath();
  }

  @AfterEach
  void nobody_watches() {
    editor
        .put("/api/folder", Map.of("isWatched", false, "writes", false, "author", Visitor.RHETOR))
        .expect(200);
  }

  private void watch(boolean writes) {
    editor
        .put("/api/folder", Map.of("isWatched", true, "writes", writes, "author", Visitor.RHETOR))
        .expect(200);
  }

  /** A file as a program leaves it that has finished a while ago. */
  private void put(String name, byte[] bytes) throws IOException {
    Path file = folder.resolve(name);
    Files.createDirectories(file.getParent());
    Files.write(file, bytes);
    Files.setLastModifiedTime(file, FileTime.from(Instant.now().minusSeconds(60)));
  }

  private String goods(String... rows) {
    StringBuilder csv = new StringBuilder("SKU,Name,Type,Brand,Material,Weight\n");
    for (String row : rows) {
      csv.append(sheet).append('-').append(row).append('\n');
    }
    return csv.toString();
  }

  private JsonNode until(String name, String outcome) {
    return writer
        .until("/api/folder", f -> outcome.equals(file(f, name).path("outcome").asString("")))
        .body();
  }

  private static JsonNode file(JsonNode state, String name) {
    for (JsonNode file : state.path("files")) {
      if (file.path("name").asString().equals(name)) {
        return file;
      }
    }
    return state.path("none");
  }

  private List<String> in(String sub) throws IOException {
    try (Stream<Path> files = Files.list(folder.resolve(sub))) {
      return files.map(f -> f.getFileName().toString()).toList();
    }
  }

  @Test
  void a_sheet_is_taken_in_written_for_and_put_back_with_its_texts() throws Exception {
    watch(true);
    String name = sheet + ".csv";
    put(name, goods("1,Beck Pannier 1,Panniers,Tolvane,canvas,810 g").getBytes());
    JsonNode taken = file(until(name, "TAKEN"), name);
    assertThat(taken.path("reason").asString()).isEqualTo("1 new, 0 changed, 0 as before.");
    writer.until("/api/folder", f -> file(f, name).path("isPutBack").asBoolean());
    assertThat(in("done")).contains(name, sheet + " with texts.csv");
    assertThat(Files.readString(folder.resolve("done").resolve(sheet + " with texts.csv")))
        .contains(sheet + "-1,Beck Pannier 1,Panniers", "810 g", "<p>");
    assertThat(folder.resolve(name)).doesNotExist();
    // Only what is new or changed is written for.
    String next = sheet + " again.csv";
    put(
        next,
        goods(
                "1,Beck Pannier 1,Panniers,Tolvane,canvas,810 g",
                "2,Beck Pannier 2,Panniers,Tolvane,canvas,820 g")
            .getBytes());
    JsonNode second = file(until(next, "TAKEN"), next);
    assertThat(second.path("reason").asString()).startsWith("1 new, 0 changed, 1 as before");
    JsonNode run =
        writer
            .until(
                "/api/runs/" + second.path("run").asLong(),
                r -> r.path("run").path("status").asString().equals("DONE"))
            .body();
    assertThat(run.path("run").path("total").asInt()).isEqualTo(1);
  }

  @Test
  void the_same_content_is_taken_once_whatever_it_is_called() throws Exception {
    watch(false);
    byte[] bytes = goods("1,Beck Pannier 1,Panniers,Tolvane,canvas,810 g").getBytes();
    put(sheet + ".csv", bytes);
    until(sheet + ".csv", "TAKEN");
    put(sheet + " copy.csv", bytes);
    JsonNode same = file(until(sheet + " copy.csv", "SAME"), sheet + " copy.csv");
    assertThat(same.path("reason").asString()).contains("as " + sheet + ".csv");
    assertThat(same.path("run").asLong()).isZero();
  }

  @Test
  void a_folder_in_the_folder_says_whose_sheet_it_is() throws Exception {
    watch(false);
    String name = sheet + ".csv";
    put(
        "Hollis & Tarn/" + name,
        goods("1,Beck Pannier 1,Panniers,Tolvane,canvas,810 g").getBytes());
    long intake = file(until(name, "TAKEN"), name).path("intake").asLong();
    assertThat(writer.get("/api/intakes/" + intake).body().toString()).contains("Hollis & Tarn");
  }

  @Test
  void what_is_no_sheet_is_rejected_with_the_reason_beside_it() throws Exception {
    watch(false);
    put(sheet + ".pdf", "%PDF-1.7".getBytes());
    put(sheet + ".csv", new byte[0]);
    assertThat(file(until(sheet + ".pdf", "REJECTED"), sheet + ".pdf").path("reason").asString())
        .contains("neither a sheet");
    until(sheet + ".csv", "REJECTED");
    assertThat(in("rejected"))
        .contains(sheet + ".pdf", sheet + ".pdf.reason.txt", sheet + ".csv.reason.txt");
    assertThat(Files.readString(folder.resolve("rejected").resolve(sheet + ".csv.reason.txt")))
        .contains("empty");

    put(sheet + " again.pdf", "%PDF-1.7".getBytes());
    until(sheet + " again.pdf", "REJECTED");
    assertThat(in("rejected")).contains(sheet + " again.pdf", sheet + " again.pdf.reason.txt");
  }

  @Test
  void rows_that_can_not_be_taken_in_are_put_aside_with_their_reasons() throws Exception {
    watch(false);
    String name = sheet + ".csv";
    put(
        name,
        goods(
                "1,Beck Pannier 1,Panniers,Tolvane,canvas,810 g",
                "1,Beck Pannier 1 again,Panniers,Tolvane,canvas,811 g")
            .getBytes());
    assertThat(file(until(name, "TAKEN"), name).path("reason").asString())
        .contains("1 of 2 rows could not be taken in");
    assertThat(Files.readString(folder.resolve("rejected").resolve("rows of " + name)))
        .contains("again", "that row counts");
  }

  @Test
  void what_is_still_being_written_is_left_alone() throws Exception {
    watch(false);
    put(sheet + ".csv.part", goods("1,Beck Pannier 1,Panniers,Tolvane,canvas,810 g").getBytes());
    Path growing = folder.resolve(sheet + ".csv");
    for (int i = 0; i < 8; i++) {
      Files.writeString(growing, goods("1,Beck Pannier 1,Panniers,Tolvane,canvas," + i + " g"));
      Thread.sleep(400);
      assertThat(file(writer.get("/api/folder").body(), sheet + ".csv").isMissingNode()).isTrue();
    }
    assertThat(folder.resolve(sheet + ".csv.part")).exists();
    Files.delete(growing);
    Files.delete(folder.resolve(sheet + ".csv.part"));
  }

  @Test
  void pictures_are_taken_in_by_their_names() throws Exception {
    watch(false);
    BufferedImage image = new BufferedImage(40, 40, BufferedImage.TYPE_INT_RGB);
    image.setRGB(5, 5, SHEETS.get() * 4099);
    ByteArrayOutputStream png = new ByteArrayOutputStream();
    ImageIO.write(image, "png", png);
    put(sheet + "-1.png", png.toByteArray());
    assertThat(
            file(until(sheet + "-1.png", "PICTURES"), sheet + "-1.png").path("reason").asString())
        .startsWith("1 picture was taken in");
  }

  @Test
  void only_editors_have_it_watched() {
    writer
        .put("/api/folder", Map.of("isWatched", true, "writes", true, "author", Visitor.RHETOR))
        .expect(403);
    assertThat(writer.get("/api/folder").expect(200).body().path("path").asString())
        .endsWith("incoming");
  }
}
