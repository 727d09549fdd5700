package rhetor.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.reading.PictureProposer.From;
import rhetor.core.reading.PictureProposer.Proposal;
import rhetor.core.reading.PictureProposer.Seen;
import rhetor.core.say.en.ValueText;

/** Pictures as suppliers send them, and what a person would read off them. */
class PictureProposerTest {
  private static final Knowledge KNOWLEDGE = Knowledge.standard();
  private final PictureProposer proposer =
      new PictureProposer(KNOWLEDGE, new ValueText(KNOWLEDGE)::spec);

  private static String facts(Proposal proposal) {
    return proposal.facts().stream()
        .map(f -> f.label() + ": " + f.text() + " (" + f.from() + ")")
        .collect(Collectors.joining("; "));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "BX-310_beech-bread-board_small.jpg | BX-310 | Beech bread board small | Category: bread board (FILE_NAME); Material: beech (FILE_NAME)",
        "IMG_20440.JPG | '' | '' | ''",
        "DSC-0012 copper kettle.png | '' | Copper kettle | Category: kettle (FILE_NAME); Material: copper (FILE_NAME)",
        "tk1120-b.webp | TK1120-B | '' | ''",
        "1234.png | '' | '' | ''"
      })
  void a_files_name_tells_code_name_and_stuff(String file, String sku, String name, String facts) {
    Proposal proposal = proposer.propose(new Seen(file, List.of(), List.of(), List.of()));
    assertThat(proposal.sku()).isEqualTo(sku);
    assertThat(proposal.name()).isEqualTo(name);
    assertThat(facts(proposal)).isEqualTo(facts);
  }

  @Test
  void a_label_tells_content_origin_and_what_stands_behind_a_heading() {
    Proposal jar =
        proposer.propose(
            new Seen(
                "IMG_1.png",
                List.of(),
                List.of("Holm & Fen", "Rowan Jam", "Made in Sweden. Keep cool.", "220 g e"),
                List.of("dark red")));
    assertThat(facts(jar))
        .contains("Contents: 220 g (PRINT)", "Origin: Sweden (PRINT)", "Colour: dark red (COLOUR)");
    assertThat(jar.name()).isEqualTo("Rowan Jam");
  }

  @Test
  void what_stands_inside_the_file_goes_before_the_files_name() {
    Proposal rug =
        proposer.propose(
            new Seen(
                "grey wool cushion.png",
                List.of("Skarn rug", "80 x 150 cm"),
                List.of(),
                List.of()));
    assertThat(rug.name()).isEqualTo("Skarn rug");
    assertThat(rug.kind()).isEqualTo("rug");
    assertThat(facts(rug)).contains("Dimensions: 80 × 150 cm (CAPTION)");
  }

  @Test
  void each_fact_is_proposed_once_with_the_words_it_was_read_from() {
    Proposal tin =
        proposer.propose(
            new Seen(
                "tea.png", List.of(), List.of("Net 100 g", "Contents 90 g"), List.of("black")));
    assertThat(tin.facts()).filteredOn(f -> f.fact().equals("net_contents")).singleElement();
    assertThat(tin.facts())
        .filteredOn(f -> f.from() == From.PRINT)
        .allSatisfy(f -> assertThat(f.words()).isEqualTo("Net 100 g"));
  }

  @Test
  void what_a_model_saw_is_proposed_last_and_the_pixels_know_the_colour() {
    Proposal satchel =
        proposer.propose(
            new Seen(
                "IMG_9.png",
                List.of(),
                List.of("Net 300 g"),
                List.of("moss green"),
                List.of("Kind: satchel", "Colour: blue", "Material: leather")));
    assertThat(facts(satchel))
        .contains("Category: satchel (MODEL)", "Material: leather (MODEL)", "moss green (COLOUR)")
        .doesNotContain("blue");
  }

  /** What a thing is stands last in its name, before how it is. */
  @Test
  void takes_no_kind_from_the_middle_of_a_name() {
    Proposal wax =
        proposer.propose(new Seen("lamp oil.png", List.of(), List.of("Lamp Oil"), List.of()));
    assertThat(wax.kind()).doesNotContain("lamp");
  }

  @Test
  void two_stuffs_in_one_line_are_left_to_a_person() {
    Proposal table =
        proposer.propose(new Seen("oak and steel table.png", List.of(), List.of(), List.of()));
    assertThat(table.facts()).noneMatch(f -> f.fact().equals("material"));
  }
}
