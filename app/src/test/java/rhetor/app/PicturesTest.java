package rhetor.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import rhetor.app.RunningRhetor.House;
import rhetor.app.people.Role;
import tools.jackson.databind.JsonNode;

/** Pictures from the folder of the demo house. */
@ExtendWith(RunningRhetor.class)
class PicturesTest {
  private static final Path PICTURES = Path.of("../demo/pictures");
  private final House house;
  private final Visitor writer;

  PicturesTest(House house) {
    this.house = house;
    this.writer = house.as(Role.WRITER);
  }

  private static byte[] demo(String name) throws Exception {
    return Files.readAllBytes(PICTURES.resolve(name));
  }

  private static byte[] zip(Map<String, byte[]> files) throws Exception {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try (ZipOutputStream out = new ZipOutputStream(bytes)) {
      for (var file : files.entrySet()) {
        out.putNextEntry(new ZipEntry(file.getKey()));
        out.write(file.getValue());
      }
    }
    return bytes.toByteArray();
  }

  private JsonNode drop(String name, byte[] bytes) {
    return writer.uploadTo("/api/pictures", "", name, bytes).expect(200).body();
  }

  private void takeIn(String text) {
    long id =
        writer
            .upload("Pictured", "pictured.csv", text.getBytes(StandardCharsets.UTF_8))
            .expect(200)
            .id();
    writer.put("/api/intakes/" + id + "/seen", Map.of());
    writer.post("/api/intakes/" + id + "/take", Map.of()).expect(200);
  }

  private JsonNode facts(long product) {
    return writer.get("/api/products/" + product).expect(200).body().path("facts");
  }

  @Test
  void a_picture_finds_its_product_and_gives_it_a_colour_once_somebody_confirms() throws Exception {
    takeIn("SKU,Name,Category,Weight\nPX-1,Fen Roll,Panniers,1 kg\n");
    JsonNode came = drop("px-1_front.png", demo("tv-1001.png"));
    JsonNode picture = came.path("pictures").get(0);
    assertThat(picture.path("sku").asString()).isEqualTo("PX-1");
    assertThat(picture.path("reason").asString()).contains("SKU PX-1");
    assertThat(picture.path("colours").findValuesAsString("name")).contains("moss green");
    assertThat(picture.path("findings").toString()).contains("White background");
    long product = picture.path("productId").asLong();
    assertThat(facts(product).findValuesAsString("id")).doesNotContain("colour");
    long id = picture.path("id").asLong();
    house
        .as(Role.READER)
        .post("/api/pictures/confirm", Map.of("pictures", List.of(id), "colours", true))
        .expect(403);
    JsonNode confirmed =
        writer
            .post("/api/pictures/confirm", Map.of("pictures", List.of(id), "colours", true))
            .expect(200)
            .body();
    assertThat(confirmed.path("pictures").asInt()).isEqualTo(1);
    assertThat(confirmed.path("colours").asInt()).isEqualTo(1);
    assertThat(facts(product).toString()).contains("moss green", "from the picture px-1_front.png");
    byte[] small = writer.get("/api/pictures/" + id + "/small").expect(200).bytes();
    assertThat(new String(small, 1, 3, StandardCharsets.ISO_8859_1)).isEqualTo("PNG");
    assertThat(drop("px-1_front.png", demo("tv-1001.png")).path("troubled").toString())
        .contains("here already");
    drop("elsewhere.png", demo("tv-1001.png"));
    assertThat(writer.get("/api/pictures?status=UNMATCHED").expect(200).body().toString())
        .contains("It shows the same as");
  }

  @Test
  void a_zip_of_pictures_is_read_without_its_paths_and_each_bad_file_is_named() throws Exception {
    JsonNode came =
        drop(
            "pictures.zip",
            zip(
                Map.of(
                    "../../evil/kl-2103.png", demo("kl-2103.png"),
                    "notes.png", "just a text".getBytes(StandardCharsets.UTF_8),
                    ".DS_Store", new byte[] {1})));
    assertThat(came.path("pictures").findValuesAsString("fileName")).containsExactly("kl-2103.png");
    assertThat(came.path("troubled").get(0).path("fileName").asString()).isEqualTo("notes.png");
    assertThat(came.path("troubled").get(0).path("trouble").asString())
        .contains("text, whatever its name says");
    assertThat(Files.exists(house.data().resolve("evil"))).isFalse();
  }

  @Test
  void an_unmatched_picture_becomes_a_product_or_is_given_to_one() throws Exception {
    JsonNode picture = drop("marsh-lantern.png", demo("kl-2301.png")).path("pictures").get(0);
    assertThat(picture.path("status").asString()).isEqualTo("UNMATCHED");
    assertThat(picture.path("proposedName").asString()).isEqualTo("Marsh lantern");
    String path = "/api/pictures/" + picture.path("id").asLong() + "/product";
    assertThat(writer.put(path, Map.of("sku", "NOBODY")).expect(404).detail()).contains("NOBODY");
    long product =
        writer.post(path, Map.of("sku", "PM-1", "name", "Marsh Lantern")).expect(200).id();
    assertThat(writer.get("/api/products/" + product).body().path("line").path("kind").asString())
        .isEqualTo("lantern");
    assertThat(facts(product).findValuesAsString("id")).contains("name", "colour");
    assertThat(
            writer.post(path, Map.of("sku", "PM-1", "name", "Marsh Lantern")).expect(409).detail())
        .contains("there already");
    assertThat(writer.get("/api/products/" + product + "/pictures").expect(200).body().size())
        .isEqualTo(1);
  }

  @Test
  void pictures_that_a_sheet_names_are_fetched_once_the_house_allows_their_host() throws Exception {
    takeIn(
        """
        SKU,Name,Image
        AD-1,Fen Lantern,https://pictures.brightwick.example/bw1000.png
        AD-2,Fen Beacon,https://pictures.brightwick.example/none.png
        AD-3,Fen Lamp,fen lamp (front).PNG
        AD-4,Fen Torch,https://10.0.0.7/torch.png
        """);
    JsonNode waiting = writer.get("/api/pictures/addresses").expect(200).body();
    assertThat(host(waiting, "pictures.brightwick.example").path("waiting").asInt()).isEqualTo(2);
    assertThat(host(waiting, "pictures.brightwick.example").path("allowed").asBoolean()).isFalse();
    assertThat(host(waiting, "").path("waiting").asInt()).isPositive();
    Map<String, Object> allow = Map.of("host", "pictures.brightwick.example", "allowed", true);
    writer.put("/api/pictures/hosts", allow).expect(403);
    Visitor editor = house.as(Role.EDITOR);
    assertThat(
            editor
                .put("/api/pictures/hosts", Map.of("host", "no host", "allowed", true))
                .expect(422)
                .detail())
        .contains("is no host");
    editor.put("/api/pictures/hosts", allow).expect(200);
    editor.put("/api/pictures/hosts", Map.of("host", "10.0.0.7", "allowed", true)).expect(200);
    JsonNode done =
        writer.until("/api/pictures/addresses", a -> a.path("troubles").size() == 2).body();
    assertThat(host(done, "pictures.brightwick.example").path("fetched").asInt()).isEqualTo(1);
    assertThat(done.path("troubles").toString())
        .contains("AD-2", "nothing at this address any more", "AD-4", "private network");
    JsonNode fetched = pictureOf("AD-1");
    assertThat(fetched.path("reason").asString()).isEqualTo("Pictured names it by its address.");
    assertThat(fetched.path("status").asString()).isEqualTo("PROPOSED");
    JsonNode retried = writer.post("/api/pictures/addresses/retry", Map.of()).expect(200).body();
    assertThat(host(retried, "pictures.brightwick.example").path("failed").asInt()).isZero();
    writer.until("/api/pictures/addresses", a -> a.path("troubles").size() == 2);
    JsonNode dropped = drop("Fen Lamp (front).png", demo("tv-1003.png")).path("pictures").get(0);
    assertThat(dropped.path("sku").asString()).isEqualTo("AD-3");
    assertThat(dropped.path("reason").asString()).isEqualTo("Pictured names this file.");
  }

  @Test
  void what_a_sheet_named_waits_no_longer_once_the_sheet_is_taken_back() {
    takeIn("SKU,Name\nTB-1,Fen Stove\n");
    long id =
        writer
            .upload(
                "Withdrawn",
                "withdrawn.csv",
                "SKU,Name,Image\nTB-1,Fen Stove,https://pictures.withdrawn.example/a.png\n"
                    .getBytes(StandardCharsets.UTF_8))
            .expect(200)
            .id();
    writer.post("/api/intakes/" + id + "/take", Map.of()).expect(200);
    JsonNode named = writer.get("/api/pictures/addresses").expect(200).body();
    assertThat(host(named, "pictures.withdrawn.example").path("waiting").asInt()).isEqualTo(1);
    writer.post("/api/intakes/" + id + "/take-back", Map.of()).expect(200);
    assertThat(writer.get("/api/pictures/addresses").expect(200).body().toString())
        .doesNotContain("withdrawn");
  }

  private JsonNode pictureOf(String sku) {
    long id =
        writer.get("/api/products?search=" + sku).body().path("items").get(0).path("id").asLong();
    return writer.get("/api/products/" + id + "/pictures").expect(200).body().get(0);
  }

  private static JsonNode host(JsonNode addresses, String host) {
    for (JsonNode h : addresses.path("hosts")) {
      if (h.path("host").asString().equals(host)) {
        return h;
      }
    }
    throw new AssertionError("no host " + host + " in " + addresses);
  }
}
