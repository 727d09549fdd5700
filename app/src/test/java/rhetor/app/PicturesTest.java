package rhetor.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.Color;
import java.awt.Font;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import javax.imageio.ImageIO;
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
    long id = picture.path("id").asLong();
    JsonNode proposed = proposed(id);
    assertThat(proposed.path("name").asString()).isEqualTo("Marsh lantern");
    assertThat(proposed.path("kind").asString()).isEqualTo("lantern");
    assertThat(writer.put("/api/pictures/" + id + "/product", Map.of("sku", "NOBODY")).expect(404))
        .extracting(Visitor.Answer::detail)
        .asString()
        .contains("NOBODY");
    JsonNode made = make(wanted(id, "PM-1", "Marsh Lantern", proposed.path("facts")));
    long product = made.path("products").get(0).asLong();
    assertThat(writer.get("/api/products/" + product).body().path("line").path("kind").asString())
        .isEqualTo("lantern");
    assertThat(facts(product).findValuesAsString("id")).contains("name", "colour");
    assertThat(facts(product).toString()).contains("from the picture marsh-lantern.png");
    assertThat(make(wanted(id, "PM-2", "Marsh Lantern", proposed.path("facts"))).toString())
        .contains("belongs to PM-1 already");
    assertThat(writer.get("/api/products/" + product + "/pictures").expect(200).body().size())
        .isEqualTo(1);
  }

  @Test
  void what_is_printed_in_a_picture_counts_once_a_person_confirms_it() throws Exception {
    byte[] jar = label("Peat Smoked Salt", "Net 250 g", "Made in Ireland");
    long id = drop("IMG_4711.png", jar).path("pictures").get(0).path("id").asLong();
    assertThat(drop("IMG_4712.png", "no picture".getBytes(StandardCharsets.UTF_8)).toString())
        .contains("IMG_4712.png");
    writer.until(
        "/api/pictures/proposals",
        p -> p.path("unread").asInt() == 0 && p.path("unmatched").asInt() > 0);
    JsonNode proposed = proposed(id);
    assertThat(proposed.path("sku").asString()).isEqualTo("PIC-" + id);
    assertThat(proposed.path("name").asString()).isEqualTo("Peat Smoked Salt");
    assertThat(proposed.path("facts").toString())
        .contains("250 g", "Net 250 g", "Ireland", "PRINT");
    List<Map<String, Object>> origin =
        taken(proposed.path("facts")).stream()
            .filter(f -> f.get("text").equals("Ireland"))
            .toList();
    JsonNode made =
        make(Map.of("picture", id, "sku", "PS-4711", "name", "Peat Salt", "facts", origin));
    assertThat(made.path("fresh").asInt()).isEqualTo(1);
    String known = facts(made.path("products").get(0).asLong()).toString();
    assertThat(known)
        .contains("Ireland", "printed in the picture IMG_4711.png")
        .doesNotContain("250 g");
    long second =
        drop("IMG_4713.png", label("Peat Salt", "250 g", "Back"))
            .path("pictures")
            .get(0)
            .path("id")
            .asLong();
    JsonNode joined = make(wanted(second, "PS-4711", "Peat Salt", proposed.path("facts")));
    assertThat(joined.path("fresh").asInt()).isZero();
    assertThat(joined.path("products")).isEqualTo(made.path("products"));
    assertThat(facts(made.path("products").get(0).asLong()).toString()).contains("250 g");
  }

  @Test
  void a_text_model_that_takes_pictures_is_asked_what_they_show_once() throws Exception {
    long id = drop("IMG_8801.png", label("Fen Jar")).path("pictures").get(0).path("id").asLong();
    String host = house.shop().replaceFirst("https?://", "");
    house
        .as(Role.OWNER)
        .put("/api/connections/hosts", Map.of("host", host, "allowed", true))
        .expect(200);
    Map<String, Object> blind = connection("Blindfold", false);
    long no = house.as(Role.OWNER).post("/api/connections", blind).expect(200).id();
    long yes =
        house
            .as(Role.OWNER)
            .post("/api/connections", connection("Onlooker", true))
            .expect(200)
            .id();
    Map<String, Object> about = Map.of("connection", yes, "pictures", List.of(id));
    assertThat(
            writer
                .post("/api/pictures/ask", Map.of("connection", no, "pictures", List.of(id)))
                .expect(422)
                .detail())
        .contains("takes no pictures");
    JsonNode asking = writer.post("/api/pictures/asking", about).expect(200).body();
    assertThat(asking.path("pictures").asInt()).isEqualTo(1);
    assertThat(asking.path("cost").asDouble()).isPositive();
    assertThat(writer.post("/api/pictures/ask", about).expect(200).body().path("pictures").asInt())
        .isEqualTo(1);
    assertThat(proposed(id).path("facts").toString()).contains("MODEL", "broad");
    assertThat(writer.post("/api/pictures/asking", about).body().path("pictures").asInt()).isZero();
    assertThat(writer.post("/api/pictures/ask", about).body().path("pictures").asInt()).isZero();
    house.as(Role.READER).post("/api/pictures/ask", about).expect(403);
    house.as(Role.OWNER).delete("/api/connections/" + no).expect(200);
    house.as(Role.OWNER).delete("/api/connections/" + yes).expect(200);
  }

  private Map<String, Object> connection(String name, boolean takesPictures) {
    return Map.of(
        "name",
        name,
        "address",
        house.shop() + "/model/v1",
        "model",
        "foolscap-1",
        "key",
        RunningRhetor.TOKEN,
        "priceAsked",
        1,
        "priceAnswered",
        4,
        "monthlyMost",
        0,
        "takesPictures",
        takesPictures);
  }

  @Test
  void products_of_pictures_need_a_writer_a_code_and_a_name() {
    Map<String, Object> nameless =
        Map.of(
            "products", List.of(Map.of("picture", 1, "sku", "X", "name", " ", "facts", List.of())));
    house.as(Role.READER).post("/api/pictures/products", nameless).expect(403);
    assertThat(writer.post("/api/pictures/products", nameless).expect(400).detail())
        .contains("name");
    assertThat(
            make(Map.of("picture", 999_999, "sku", "PX-9", "name", "Nobody", "facts", List.of()))
                .toString())
        .contains("There is no such picture");
  }

  private JsonNode proposed(long picture) {
    for (JsonNode p :
        writer
            .get("/api/pictures/proposals?after=" + (picture - 1))
            .expect(200)
            .body()
            .path("pictures")) {
      if (p.path("picture").asLong() == picture) {
        return p;
      }
    }
    throw new AssertionError("nothing is proposed of picture " + picture);
  }

  private JsonNode make(Map<String, Object> product) {
    return writer
        .post("/api/pictures/products", Map.of("products", List.of(product)))
        .expect(200)
        .body();
  }

  private static Map<String, Object> wanted(long picture, String sku, String name, JsonNode facts) {
    return Map.of("picture", picture, "sku", sku, "name", name, "facts", taken(facts));
  }

  private static List<Map<String, Object>> taken(JsonNode facts) {
    List<Map<String, Object>> taken = new ArrayList<>();
    for (JsonNode f : facts) {
      taken.add(
          Map.of(
              "fact", f.path("fact").asString(),
              "label", f.path("label").asString(),
              "text", f.path("text").asString(),
              "from", f.path("from").asString()));
    }
    return taken;
  }

  /** A jar on white with lines on its label. */
  private static byte[] label(String... lines) throws Exception {
    BufferedImage picture = new BufferedImage(900, 900, BufferedImage.TYPE_INT_RGB);
    Graphics2D pen = picture.createGraphics();
    pen.setRenderingHint(
        RenderingHints.KEY_TEXT_ANTIALIASING, RenderingHints.VALUE_TEXT_ANTIALIAS_ON);
    pen.setColor(Color.WHITE);
    pen.fillRect(0, 0, 900, 900);
    pen.setColor(new Color(54, 84, 66));
    pen.fillRoundRect(200, 100, 500, 700, 60, 60);
    pen.setColor(Color.WHITE);
    pen.setFont(new Font(Font.SANS_SERIF, Font.BOLD, 44));
    for (int i = 0; i < lines.length; i++) {
      pen.drawString(lines[i], 250, 300 + 90 * i);
    }
    pen.dispose();
    ByteArrayOutputStream png = new ByteArrayOutputStream();
    ImageIO.write(picture, "png", png);
    return png.toByteArray();
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
