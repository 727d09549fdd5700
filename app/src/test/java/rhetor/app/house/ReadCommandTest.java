package rhetor.app.house;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import picocli.CommandLine;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Showing how a sheet is read. */
class ReadCommandTest {
  private static final String SHEET =
      """
      Ref;Name;Weight;Colur;Twist;Remark;Purchase
      Y-1;Marl Sock Yarn;0,1 kg;moss green;S, 2-ply;do not offer before May;3,10
      Y-2;Heather Aran;100 g;black;Z, 4-ply;;2,95
      """;

  @TempDir Path folder;

  private record Said(int status, String out, String error) {}

  private Said read(String sheet, String... more) throws IOException {
    Path in = Files.writeString(folder.resolve("in.csv"), sheet);
    String[] arguments = new String[more.length + 1];
    arguments[0] = in.toString();
    System.arraycopy(more, 0, arguments, 1, more.length);
    PrintStream out = System.out;
    PrintStream err = System.err;
    ByteArrayOutputStream said = new ByteArrayOutputStream();
    ByteArrayOutputStream error = new ByteArrayOutputStream();
    System.setOut(new PrintStream(said, true, StandardCharsets.UTF_8));
    System.setErr(new PrintStream(error, true, StandardCharsets.UTF_8));
    try {
      int status = new CommandLine(new ReadCommand()).execute(arguments);
      return new Said(
          status, said.toString(StandardCharsets.UTF_8), error.toString(StandardCharsets.UTF_8));
    } finally {
      System.setOut(out);
      System.setErr(err);
    }
  }

  private static JsonNode column(JsonNode read, String heading) {
    return read.path("columns")
        .valueStream()
        .filter(c -> c.path("heading").asString().equals(heading))
        .findFirst()
        .orElseThrow();
  }

  @Test
  void each_column_is_shown_with_its_role_reason_and_cells() throws IOException {
    Said said = read(SHEET, "--json");
    assertThat(said.status).isZero();
    JsonNode read = JsonMapper.builder().build().readTree(said.out);
    assertThat(read.path("columns").size()).isEqualTo(7);
    assertThat(column(read, "Ref").path("role").asString()).isEqualTo("sku");
    JsonNode weight = column(read, "Weight");
    assertThat(weight.path("role").asString()).isEqualTo("attribute");
    assertThat(weight.path("concept").asString()).isEqualTo("weight");
    assertThat(weight.path("cells").get(0).asString()).isEqualTo("0.1 kg");
    assertThat(weight.path("probability").asDouble()).isGreaterThan(0.9);
    JsonNode misspelt = column(read, "Colur");
    assertThat(misspelt.path("role").asString()).isEqualTo("own");
    assertThat(misspelt.path("isAsked").asBoolean()).isTrue();
    assertThat(column(read, "Twist").path("cells").get(0).asString()).isEqualTo("S, 2-ply");
    assertThat(column(read, "Remark").path("role").asString()).isEqualTo("private");
    assertThat(column(read, "Purchase").path("role").asString()).isEqualTo("private");
    assertThat(column(read, "Purchase").path("reason").asString()).isNotBlank();
  }

  @Test
  void it_can_be_read_by_people_too() throws IOException {
    assertThat(read(SHEET).out)
        .containsPattern("Weight +weight, \\d+ %  The heading says \"weight\"\\.")
        .containsPattern("Colur +under its own heading, \\d+ %, asked")
        .contains("0.1 kg | 100 g");
  }

  @Test
  void what_is_in_the_way_is_said() throws IOException {
    Said said = read("Colour,Weight\nred,1 kg\nred,1 kg\n");
    assertThat(said.status).isEqualTo(1);
    assertThat(said.error).contains("products can't be told apart");
    assertThat(new CommandLine(new ReadCommand()).execute(folder.resolve("none.csv").toString()))
        .isEqualTo(1);
  }

  @Test
  void what_is_said_of_a_column_counts() throws IOException {
    Path map = Files.writeString(folder.resolve("map.yaml"), "Twist: keep\n");
    JsonNode read =
        JsonMapper.builder().build().readTree(read(SHEET, "--json", "--map", map.toString()).out);
    assertThat(column(read, "Twist").path("role").asString()).isEqualTo("private");
  }
}
