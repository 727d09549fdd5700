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

/** Writing a sheet without a server. */
class WriteCommandTest {
  @TempDir Path folder;

  private record Said(int status, String error) {}

  private Said write(String sheet, String... more) throws IOException {
    Path in = Files.writeString(folder.resolve("in.csv"), sheet);
    String[] arguments = new String[more.length + 3];
    arguments[0] = in.toString();
    arguments[1] = "-o";
    arguments[2] = folder.resolve("out.csv").toString();
    System.arraycopy(more, 0, arguments, 3, more.length);
    PrintStream before = System.err;
    ByteArrayOutputStream error = new ByteArrayOutputStream();
    System.setErr(new PrintStream(error, true, StandardCharsets.UTF_8));
    try {
      int status = new CommandLine(new WriteCommand()).execute(arguments);
      return new Said(status, error.toString(StandardCharsets.UTF_8));
    } finally {
      System.setErr(before);
    }
  }

  private String out() throws IOException {
    return Files.readString(folder.resolve("out.csv"));
  }

  private Path map(String text) throws IOException {
    return Files.writeString(folder.resolve("map.yaml"), text);
  }

  private static final String LAMPS =
      "SKU,Name,Category,Weight\nA-1,Fen Lantern,Lanterns,420\nA-2,Fen Beacon,Lanterns,510\n";

  @Test
  void amounts_without_a_unit_are_left_out_and_said_until_the_map_gives_one() throws IOException {
    Said said = write(LAMPS);
    assertThat(said.status).isZero();
    assertThat(said.error)
        .contains(
            "Weight:",
            "The cells have no unit.",
            "Such cells are listed as they stand",
            "Weight: weight in");
    assertThat(out()).doesNotContain("420 g").contains("Fen Lantern");
    Said mapped = write(LAMPS, "--map", map("Weight: weight in g\n").toString());
    assertThat(mapped.error).isEmpty();
    assertThat(out()).contains("420 g");
  }

  @Test
  void a_misspelt_heading_is_left_as_it_is_and_said() throws IOException {
    Said said = write("SKU,Name,Colur\nA-1,Fen Lantern,moss green\nA-2,Fen Beacon,black\n");
    assertThat(said.error).contains("nearly \"colour\"", "It is read as extra", "--map");
  }

  @Test
  void a_map_that_names_what_is_not_there_is_refused_in_words() throws IOException {
    assertThat(write(LAMPS, "--map", map("Wight: weight\n").toString()).error)
        .contains("No column is called \"Wight\"", "SKU, Name, Category, Weight");
    assertThat(write(LAMPS, "--map", map("Weight: weight in furlongs\n").toString()).error)
        .contains("No unit is called \"furlongs\"");
    assertThat(write(LAMPS, "--map", map("Weight: heft\n").toString()).error)
        .contains("No meaning is called \"heft\"");
    assertThat(write(LAMPS, "--map", map("[1, 2]\n").toString()).error).contains("can't be read");
  }

  @Test
  void a_house_s_style_and_a_starting_template_are_written_by() throws IOException {
    Path style =
        Files.writeString(
            folder.resolve("style.yaml"),
            "banned:\n  - {word: lantern, instead: lamp}\nalways: [We keep the spare parts.]\n");
    Said said =
        write(
            "SKU,Name,Category,Colour,Runtime\nA-1,Fen 4,Lanterns,black,8 hours\nA-2,Fen 5,Lanterns,red,6 hours\n",
            "--style",
            style.toString(),
            "--template",
            "Under headings");
    assertThat(said.status).as(said.error).isZero();
    assertThat(out()).contains("We keep the spare parts.", "lamp", "<h3>");
    Files.writeString(style, "banned: [{word: parts}]\nalways: [We keep the spare parts.]\n");
    assertThat(write(LAMPS, "--style", style.toString()))
        .satisfies(s -> assertThat(s.status).isEqualTo(2))
        .satisfies(s -> assertThat(s.error).contains("can't be obeyed", "\"parts\" is banned"));
    Files.writeString(style, "bannned: []\n");
    assertThat(write(LAMPS, "--style", style.toString()).error).contains("bannned");
    assertThat(write(LAMPS, "--template", "Nothing").error)
        .contains("no template called Nothing", "Under headings");
  }

  @Test
  void neither_the_suppliers_sheet_nor_a_missing_folder_is_written_to() throws IOException {
    Path in = Files.writeString(folder.resolve("in.csv"), LAMPS);
    PrintStream before = System.err;
    System.setErr(new PrintStream(new ByteArrayOutputStream()));
    try {
      CommandLine command = new CommandLine(new WriteCommand());
      assertThat(command.execute(in.toString(), "-o", in.toString())).isEqualTo(1);
      assertThat(command.execute(in.toString(), "-o", folder.resolve("no/out.csv").toString()))
          .isEqualTo(1);
      assertThat(command.execute(folder.resolve("none.csv").toString(), "-o", "x")).isEqualTo(1);
    } finally {
      System.setErr(before);
    }
    assertThat(in).hasContent(LAMPS);
  }
}
