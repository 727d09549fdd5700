package rhetor.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.springframework.jdbc.core.simple.JdbcClient;
import rhetor.app.RunningRhetor.House;
import rhetor.app.Visitor.Answer;
import rhetor.app.intake.IntakeTaking;
import rhetor.app.people.Role;
import tools.jackson.databind.JsonNode;

@ExtendWith(RunningRhetor.class)
class IntakeTest {

  static Stream<Arguments> badFiles() {
    return Stream.of(
        Arguments.of("nothing.csv", bytes(""), "empty", "The file is empty"),
        Arguments.of("headings.csv", bytes("sku,name\n"), "headings-only", "headings but no rows"),
        Arguments.of(
            "picture.csv",
            "\u0089PNG\r\n\u001a\n".getBytes(StandardCharsets.ISO_8859_1),
            "not-a-sheet",
            "a picture, whatever its name says"),
        Arguments.of(
            "book.csv",
            "PK\u0003\u0004".getBytes(StandardCharsets.ISO_8859_1),
            "damaged",
            "workbook is damaged"),
        Arguments.of("page.csv", bytes("<html><body>hi</body></html>"), "not-a-sheet", "web page"),
        Arguments.of("binary.csv", new byte[] {1, 0, 2, 0, 3}, "not-a-sheet", "NUL"),
        Arguments.of(
            "quote.csv", bytes("sku,name\nA,\"Lamp\nB,Lock\n"), "unbalanced-quote", "Row 2"),
        Arguments.of("mixed.csv", mixed(), "wrong-encoding", "Row 3"));
  }

  private static byte[] bytes(String text) {
    return text.getBytes(StandardCharsets.UTF_8);
  }

  private static byte[] mixed() {
    byte[] good = bytes("sku,name\nA,Größe über alles\nB,Caf");
    byte[] all = java.util.Arrays.copyOf(good, good.length + 2);
    all[good.length] = (byte) 0xE9;
    all[good.length + 1] = '\n';
    return all;
  }

  @ParameterizedTest(name = "{0}")
  @MethodSource("badFiles")
  void a_bad_file_gets_a_clear_message_and_nothing_is_kept(
      String name, byte[] file, String code, String words, House house) {
    Visitor writer = house.as(Role.WRITER);
    int before = writer.get("/api/intakes").body().size();
    Answer answer = writer.upload("", name, file).expect(422);
    assertThat(answer.body().path("code").asString()).isEqualTo(code);
    assertThat(answer.detail()).contains(words);
    assertThat(writer.get("/api/intakes").body().size()).isEqualTo(before);
  }

  @Test
  void a_file_of_200_megabytes_is_refused_with_the_limit(House house) {
    byte[] large = new byte[200_000_000];
    java.util.Arrays.fill(large, (byte) 'a');
    Answer answer = house.as(Role.WRITER).upload("", "large.csv", large).expect(413);
    assertThat(answer.detail()).contains("larger than 100 MB", "Split it");
  }

  @Test
  void a_sheet_without_key_and_name_can_be_looked_at_but_not_taken_in(House house) {
    Visitor writer = house.as(Role.WRITER);
    Answer sheet = writer.upload("keyless.csv", "Weight,Colour\n3 kg,red\n3 kg,red\n").expect(200);
    assertThat(sheet.body().path("obstacle").asString()).contains("No column is the SKU");
    assertThat(writer.post("/api/intakes/" + sheet.id() + "/take", Map.of()).expect(422).detail())
        .contains("No column is the SKU");
  }

  @Test
  void rows_that_are_not_usable_are_named_with_their_reason_and_the_others_come_in(House house) {
    Visitor writer = house.as(Role.WRITER);
    String text =
        "SKU,Name,Weight\nRG-1,Lamp,3 kg\nRG-2,Lock,1 kg,x\nRG-1,Lamp,4 kg\n,Pump,1 kg\nRG-5,"
            + "x".repeat(2_000_000)
            + ",1 kg\n\nRG-7,Bell \u0007<script>alert(1)</script>,2 kg\n";
    long id = writer.upload("rows.csv", text).expect(200).id();
    JsonNode result =
        writer.post("/api/intakes/" + id + "/take", Map.of()).expect(200).body().path("result");
    assertThat(result.path("rows").asInt()).isEqualTo(7);
    assertThat(result.path("added").asInt()).isEqualTo(2);
    assertThat(result.path("rejected").asInt()).isEqualTo(3);
    assertThat(result.path("duplicates").asInt()).isEqualTo(1);
    assertThat(result.path("blank").asInt()).isEqualTo(1);
    List<String> codes = new ArrayList<>();
    result
        .path("problems")
        .forEach(p -> codes.add(p.path("code").asString() + " " + p.path("row").asInt()));
    assertThat(codes)
        .containsExactly("ragged-row 3", "duplicate-sku 4", "no-sku 5", "cell-too-long 6");
    assertThat(
            writer
                .get("/api/products?search=RG-7")
                .body()
                .path("items")
                .get(0)
                .path("name")
                .asString())
        .isEqualTo("Bell");
  }

  private static Map<String, Object> said(int column, String meaning) {
    return Map.of("columns", List.of(Map.of("column", column, "meaning", meaning)));
  }

  @Test
  void what_is_not_clear_is_asked_and_nothing_comes_in_before_it_is_said(House house) {
    Visitor writer = house.as(Role.WRITER);
    Answer sheet =
        writer
            .upload("asks.csv", "SKU,Name,Weight,Colur\nAK-1,Lamp,940,red\nAK-2,Lock,1120,black\n")
            .expect(200);
    String path = "/api/intakes/" + sheet.id();
    JsonNode columns = sheet.body().path("columns");
    assertThat(columns.get(2).path("units").toString()).contains("\"g\"", "\"kg\"");
    assertThat(columns.get(3).path("choices").toString()).isEqualTo("[\"colour\",\"extra\"]");
    assertThat(writer.post(path + "/take", Map.of()).expect(409).detail())
        .as("what stays under its own heading meanwhile holds nothing up")
        .contains("Weight")
        .doesNotContain("Colur");
    writer.post(path + "/dry-run", Map.of()).expect(200);
    writer.put(path + "/columns", said(3, "colour")).expect(200);
    JsonNode again = writer.put(path + "/columns", said(2, "load")).expect(200).body();
    assertThat(again.path("columns").get(2).path("units").isEmpty())
        .as("another amount without a unit is still asked about")
        .isFalse();
    writer
        .put(
            path + "/columns",
            Map.of("columns", List.of(Map.of("column", 2, "meaning", "weight", "unit", "furlong"))))
        .expect(422);
    writer
        .put(
            path + "/columns",
            Map.of("columns", List.of(Map.of("column", 2, "meaning", "weight", "unit", "g"))))
        .expect(200);
    writer.post(path + "/take", Map.of()).expect(200);
    long product =
        writer.get("/api/products?search=AK-1").body().path("items").get(0).path("id").asLong();
    assertThat(writer.get("/api/products/" + product).body().path("facts").toString())
        .contains("\"940 g\"");
    JsonNode next =
        writer
            .upload("asks.csv", "SKU,Name,Weight,Colur\nAK-1,Lamp,950,red\nAK-3,Bell,1000,black\n")
            .expect(200)
            .body();
    assertThat(next.path("columns").get(2).path("unit").asString()).as("remembered").isEqualTo("g");
    assertThat(next.path("hasToBeSeen").asBoolean()).isFalse();
    JsonNode kilos =
        writer
            .upload("asks.csv", "SKU,Name,Weight,Colur\nAK-1,Lamp,0.95,red\nAK-3,Bell,1,black\n")
            .expect(200)
            .body();
    assertThat(kilos.path("columns").get(2).path("units").isEmpty())
        .as("bare numbers of another size are asked about again")
        .isFalse();
    assertThat(kilos.path("hasToBeSeen").asBoolean()).isTrue();
  }

  @Test
  void how_a_text_file_is_written_can_be_said(House house) {
    Visitor writer = house.as(Role.WRITER);
    byte[] mac =
        "SKU;Name;Colour\nMC-1;Müller Lamp;red\n"
            .getBytes(java.nio.charset.Charset.forName("x-MacRoman"));
    Answer sheet = writer.upload("", "mac.csv", mac).expect(200);
    String path = "/api/intakes/" + sheet.id() + "/writing";
    JsonNode now =
        writer.put(path, Map.of("encoding", "x-MacRoman", "delimiter", ";")).expect(200).body();
    assertThat(now.path("preview").toString()).contains("Müller Lamp");
    assertThat(now.path("evidence").asString()).contains("as chosen by hand");
    assertThat(writer.put(path, Map.of("encoding", "UTF-8", "delimiter", ";")).expect(422).detail())
        .contains("UTF-8");
    assertThat(
            writer.put(path, Map.of("encoding", "EBCDIC", "delimiter", ";")).expect(422).detail())
        .contains("No encoding is called");
    assertThat(writer.put(path, Map.of("encoding", "UTF-8", "delimiter", "a")).expect(422).detail())
        .contains("can't be parted by letters");
    assertThat(
            writer
                .put(
                    "/api/intakes/" + sheet.id() + "/columns",
                    Map.of("columns", List.of(), "numbers", "COMMA"))
                .expect(200)
                .body()
                .path("numbers")
                .asString())
        .isEqualTo("COMMA");
  }

  @Test
  void meanings_can_be_corrected_before_and_not_after_taking_in(House house) {
    Visitor writer = house.as(Role.WRITER);
    Answer sheet =
        writer.upload("meanings.csv", "Code,Title,Gauge\nMN-1,String,3 mm\n").expect(200);
    String path = "/api/intakes/" + sheet.id();
    writer.put(path + "/columns", said(2, "diameter")).expect(200);
    assertThat(writer.put(path + "/columns", said(2, "colour of magic")).expect(422).detail())
        .contains("No meaning is called");
    assertThat(writer.put(path + "/columns", said(3, "keep")).expect(422).detail())
        .contains("3 columns");
    assertThat(
            writer
                .put(path + "/columns", said(1, "sku"))
                .expect(200)
                .body()
                .path("obstacle")
                .asString())
        .contains("both read as the SKU");
    writer.put(path + "/columns", said(1, "name")).expect(200);
    writer.post(path + "/take", Map.of()).expect(200);
    assertThat(writer.put(path + "/columns", said(2, "keep")).expect(409).detail())
        .contains("taken in already");
    assertThat(writer.post(path + "/take", Map.of()).expect(409).detail())
        .contains("taken in already");
    writer.delete(path).expect(409);
    long product =
        writer.get("/api/products?search=MN-1").body().path("items").get(0).path("id").asLong();
    JsonNode facts = writer.get("/api/products/" + product).body().path("facts");
    assertThat(facts.get(1).path("label").asString()).isEqualTo("Diameter");
    assertThat(facts.get(1).path("sources").get(0).path("column").asString()).isEqualTo("Gauge");
  }

  @Test
  void a_column_of_a_part_has_its_name_on_the_screen_and_its_facts(House house) {
    Visitor writer = house.as(Role.WRITER);
    Answer sheet =
        writer
            .upload(
                "trolleys.csv",
                "Code,Trolley,Chassis,Castors,Weight\nTR-1,Marlow,steel,4,9 kg\nTR-2,Arden,aluminium,2,7 kg\n")
            .expect(200);
    assertThat(sheet.body().path("columns").get(2).path("meaning").asString())
        .isEqualTo("part_material_chassis");
    assertThat(
            writer
                .get("/api/intakes/meanings?also=part_material_chassis&also=part_of_nothing")
                .body()
                .findValuesAsString("label"))
        .contains("Chassis material")
        .doesNotContain("part_of_nothing");
    writer.post("/api/intakes/" + sheet.id() + "/take", Map.of()).expect(200);
    long product =
        writer.get("/api/products?search=TR-1").body().path("items").get(0).path("id").asLong();
    assertThat(
            writer.get("/api/products/" + product).body().path("facts").findValuesAsString("label"))
        .contains("Chassis material", "Castors");
  }

  @Test
  void two_who_take_the_same_sheet_in_at_once_take_it_in_once(House house) throws Exception {
    Visitor writer = house.as(Role.WRITER);
    StringBuilder text = new StringBuilder("SKU,Name\n");
    for (int i = 0; i < 3000; i++) {
      text.append("DBL-").append(i).append(",Lamp ").append(i).append('\n');
    }
    long id = writer.upload("double.csv", text.toString()).expect(200).id();
    List<Integer> statuses = java.util.Collections.synchronizedList(new ArrayList<>());
    List<Thread> clicks = new ArrayList<>();
    for (int i = 0; i < 4; i++) {
      clicks.add(
          Thread.ofPlatform()
              .start(
                  () ->
                      statuses.add(
                          writer.post("/api/intakes/" + id + "/take", Map.of()).status())));
    }
    for (Thread click : clicks) {
      click.join();
    }
    assertThat(statuses).containsOnlyOnce(200).hasSize(4);
    assertThat(writer.get("/api/products?search=dbl-").body().path("total").asInt())
        .isEqualTo(3000);
  }

  @Test
  void the_same_supplier_again_brings_new_changed_and_unchanged_products(House house) {
    Visitor writer = house.as(Role.WRITER);
    long first =
        writer
            .upload("Agarn", "may.csv", bytes("SKU,Name,Weight\nAG-1,Lamp,3 kg\nAG-2,Lock,1 kg\n"))
            .expect(200)
            .id();
    writer.post("/api/intakes/" + first + "/take", Map.of()).expect(200);
    long second =
        writer
            .upload(
                "Agarn",
                "june.csv",
                bytes("SKU,Name,Weight\nAG-1,Lamp,3 kg\nAG-2,Lock,2 kg\nAG-3,Pump,1 kg\n"))
            .expect(200)
            .id();
    JsonNode result =
        writer.post("/api/intakes/" + second + "/take", Map.of()).expect(200).body().path("result");
    assertThat(
            List.of(
                result.path("added").asInt(),
                result.path("changed").asInt(),
                result.path("unchanged").asInt()))
        .containsExactly(1, 1, 1);
  }

  @Test
  void an_intake_that_fails_half_way_stores_nothing_and_can_be_done_again(House house)
      throws IOException {
    Visitor writer = house.as(Role.WRITER);
    StringBuilder text = new StringBuilder("SKU,Name\n");
    for (int i = 0; i < 5200; i++) {
      text.append("HALF-").append(i).append(",Lamp ").append(i).append('\n');
    }
    long id = writer.upload("half.csv", text.toString()).expect(200).id();
    String stored =
        house
            .bean(JdbcClient.class)
            .sql("select stored_as from intake where id = ?")
            .param(id)
            .query(String.class)
            .single();
    Path file = house.data().resolve("sheets").resolve(stored);
    String whole = Files.readString(file);
    Files.writeString(file, whole + "HALF-X,\"never closed\n");
    writer.post("/api/intakes/" + id + "/take", Map.of()).expect(422);
    assertThat(writer.get("/api/products?search=half-").body().path("total").asInt()).isZero();
    // Nothing of what was stored beside it either, which comes in parts.
    assertThat(sources(house, id)).isZero();
    Files.writeString(file, whole);
    writer.post("/api/intakes/" + id + "/take", Map.of()).expect(200);
    assertThat(writer.get("/api/products?search=half-").body().path("total").asInt())
        .isEqualTo(5200);
    assertThat(sources(house, id)).isEqualTo(5200);
  }

  private static int sources(House house, long intake) {
    return house
        .bean(JdbcClient.class)
        .sql("select count(*) from product_source where intake_id = ?")
        .param(intake)
        .query(Integer.class)
        .single();
  }

  @Test
  void what_a_crash_left_of_an_intake_is_removed_at_the_next_start(House house) {
    Visitor writer = house.as(Role.WRITER);
    long id = writer.upload("abr.csv", "SKU,Name\nABR-1,Lamp\n").expect(200).id();
    JdbcClient jdbc = house.bean(JdbcClient.class);
    jdbc.sql("update intake set status = 'TAKING' where id = ?").param(id).update();
    jdbc.sql("insert into product_source (id, product_id, facts) values (?, 4711, X'00')")
        .param(id * 10_000_000 + 2)
        .update();

    house.bean(IntakeTaking.class).releaseInterrupted();

    assertThat(sources(house, id)).isZero();
    writer.post("/api/intakes/" + id + "/take", Map.of()).expect(200);
    assertThat(sources(house, id)).isEqualTo(1);
  }

  @Test
  void lists_are_paged_by_key_searched_and_ordered(House house) {
    Visitor writer = house.as(Role.WRITER);
    StringBuilder text = new StringBuilder("SKU,Name\n");
    for (int i = 0; i < 25; i++) {
      text.append("PG_").append(i).append(",Paged ").append((char) ('z' - i)).append('\n');
    }
    long id = writer.upload("paged.csv", text.toString()).expect(200).id();
    writer.post("/api/intakes/" + id + "/take", Map.of()).expect(200);
    List<String> names = new ArrayList<>();
    String after = "";
    do {
      JsonNode page =
          writer
              .get("/api/products?limit=10&order=NAME&intake=" + id + "&after=" + after)
              .expect(200)
              .body();
      page.path("items").forEach(i -> names.add(i.path("name").asString()));
      after = page.path("next").asString();
    } while (!after.isEmpty());
    assertThat(names).hasSize(25).isSorted().doesNotHaveDuplicates();
    assertThat(writer.get("/api/products?search=pg_2").body().path("total").asInt()).isEqualTo(6);
    assertThat(writer.get("/api/products?search=%25").body().path("total").asInt()).isZero();
    writer.get("/api/products?state=NONSENSE").expect(422);
    writer.get("/api/products?after=!!").expect(422);
  }

  private static JsonNode column(Visitor visitor, long intake, int index) {
    return visitor.get("/api/intakes/" + intake).expect(200).body().path("columns").get(index);
  }

  private static long dropped(Visitor writer, String supplier, String cells) {
    String csv = "SKU,Name,Tuft\n" + cells;
    return writer.upload(supplier, "tuft.csv", bytes(csv)).expect(200).body().path("id").asLong();
  }

  @Test
  void what_is_said_of_a_column_counts_for_any_supplier_until_it_is_taken_back(House house) {
    Visitor writer = house.as(Role.WRITER);
    String wool = "T-1,Fjell,lambswool\nT-2,Vidde,goat hair\nT-3,Skare,lambswool\n";
    long first = dropped(writer, "Tuft & Daughter", wool);
    assertThat(column(writer, first, 2).path("meaning").asString()).isNotEqualTo("material");
    writer
        .put(
            "/api/intakes/" + first + "/columns",
            Map.of("columns", List.of(Map.of("column", 2, "meaning", "material"))))
        .expect(200);

    long second = dropped(writer, "Somebody Else", wool);
    JsonNode read = column(writer, second, 2);
    assertThat(read.path("meaning").asString()).isEqualTo("material");
    assertThat(read.path("choices").size()).isZero();
    assertThat(read.path("reason").asString()).contains("Material", "Tuft & Daughter");

    long other = dropped(writer, "A Third", "T-1,Fjell,12 mm\nT-2,Vidde,14 mm\nT-3,Skare,9 mm\n");
    JsonNode asked = column(writer, other, 2);
    assertThat(asked.path("meaning").asString()).isEqualTo("extra");
    assertThat(asked.path("choices").get(0).asString()).isEqualTo("material");
    assertThat(asked.path("reason").asString()).contains("not like that here");

    JsonNode answers = writer.get("/api/column-answers?search=tuft").expect(200).body();
    JsonNode answer = answers.get(0);
    assertThat(answer.path("heading").asString()).isEqualTo("Tuft");
    assertThat(answer.path("supplier").asString()).isEqualTo("Tuft & Daughter");
    house.as(Role.READER).delete("/api/column-answers/" + answer.path("id").asLong()).expect(403);
    writer.delete("/api/column-answers/" + answer.path("id").asLong()).expect(204);
    writer.delete("/api/column-answers/" + answer.path("id").asLong()).expect(404);
    long later = dropped(writer, "A Fourth", wool);
    assertThat(column(writer, later, 2).path("meaning").asString()).isNotEqualTo("material");
  }

  @Test
  void two_people_who_said_different_things_of_a_column_are_asked_again(House house) {
    Visitor writer = house.as(Role.WRITER);
    String cells = "T-1,Fjell,lambswool\nT-2,Vidde,goat hair\nT-3,Skare,felt\n";
    for (String said : List.of("material", "keep")) {
      long id =
          writer
              .upload(said + " house", "w.csv", bytes("SKU,Name,Wisp\n" + cells))
              .expect(200)
              .body()
              .path("id")
              .asLong();
      writer
          .put(
              "/api/intakes/" + id + "/columns",
              Map.of("columns", List.of(Map.of("column", 2, "meaning", said))))
          .expect(200);
    }
    long third =
        writer
            .upload("third house", "w.csv", bytes("SKU,Name,Wisp\n" + cells))
            .expect(200)
            .body()
            .path("id")
            .asLong();
    JsonNode asked = column(writer, third, 2);
    assertThat(asked.path("choices").toString()).contains("keep", "material");
  }

  @Test
  void what_each_product_is_can_be_said_where_nothing_tells(House house) {
    Visitor writer = house.as(Role.WRITER);
    String csv = "SKU;Name;Rungs;Weight\nL-1;Stride;5;4 kg\nL-2;Reach;8;6 kg\nL-3;Loft;12;9 kg\n";
    JsonNode sheet = writer.upload("Rung", "rung.csv", bytes(csv)).expect(200).body();
    long id = sheet.path("id").asLong();
    assertThat(sheet.path("asksThing").asBoolean()).isTrue();
    assertThat(writer.get("/api/intakes/" + id + "/things").expect(200).body().size()).isEqualTo(5);
    writer.put("/api/intakes/" + id + "/thing", Map.of("noun", "<b>x</b>")).expect(400);
    JsonNode said =
        writer
            .put("/api/intakes/" + id + "/thing", Map.of("noun", "loft ladder"))
            .expect(200)
            .body();
    assertThat(said.path("thing").asString()).isEqualTo("loft ladder");
    assertThat(said.path("asksThing").asBoolean()).isFalse();
    writer.post("/api/intakes/" + id + "/take", Map.of()).expect(200);
    JsonNode product =
        writer.get("/api/products?search=Stride").expect(200).body().path("items").get(0);
    assertThat(product.toString()).contains("loft ladder");
    // The supplier's next sheet needs nobody to say it again.
    JsonNode next =
        writer
            .upload("Rung", "rung-2.csv", bytes(csv.replace("Stride", "Span")))
            .expect(200)
            .body();
    assertThat(next.path("thing").asString()).isEqualTo("loft ladder");
  }

  @Test
  void any_encoding_the_machine_knows_can_be_chosen(House house) {
    Visitor writer = house.as(Role.WRITER);
    byte[] sheet =
        "SKU;Name;Weight\nT-1;茶碗;200 g\nT-2;急須;300 g\n"
            .getBytes(java.nio.charset.Charset.forName("Shift_JIS"));
    assertThat(writer.get("/api/intakes/encodings").expect(200).body().toString())
        .contains("Shift_JIS", "UTF-8", "KOI8-R");
    long id = writer.upload("Kama", "kama.csv", sheet).expect(200).body().path("id").asLong();
    JsonNode read =
        writer
            .put(
                "/api/intakes/" + id + "/writing",
                Map.of("encoding", "Shift_JIS", "delimiter", ";"))
            .expect(200)
            .body();
    assertThat(read.path("preview").get(0).path("cells").get(1).asString()).isEqualTo("茶碗");
  }
}
