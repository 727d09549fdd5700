package rhetor.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import org.junit.jupiter.api.Test;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.reading.KnownReading.Change;
import rhetor.core.reading.KnownReading.ColumnChange;
import rhetor.core.reading.KnownReading.Comparison;
import rhetor.core.sheet.SheetRow;

class KnownReadingTest {
  private static final Knowledge KNOWLEDGE = Knowledge.standard();
  private static final ReadingProposer PROPOSER = new ReadingProposer(KNOWLEDGE);

  private record Sample(Reading reading, List<ColumnProfile> profiles) {}

  private static Sample sample(String headings, String... rows) {
    List<SheetRow> cells = new ArrayList<>();
    for (String row : rows) {
      cells.add(new SheetRow(cells.size() + 2, Arrays.asList(row.split(";", -1)), new BitSet()));
    }
    Reading reading = PROPOSER.propose(Arrays.asList(headings.split(";")), cells);
    return new Sample(reading, PROPOSER.profiles(reading, cells));
  }

  private static final Sample LAST =
      sample(
          "SKU;Name;Weight;Shell;Shelf",
          "A-1;Roll Pannier;940 g;nylon;R3",
          "A-2;Bar Bag;410 g;polyester;R4");

  private static final KnownReading KNOWN =
      new KnownReading(
          "Tolvane",
          new Reading(
              LAST.reading.columns().stream()
                  .map(c -> c.heading().equals("Shelf") ? c.as(Meaning.KEEP) : c)
                  .toList(),
              LAST.reading.numbers(),
              "en",
              List.of()),
          LAST.profiles);

  private static Comparison compare(Sample now) {
    return KNOWN.compare(now.reading, now.profiles, KNOWLEDGE);
  }

  private static Change changeOf(Comparison comparison, String heading) {
    return comparison.changes().stream()
        .filter(c -> c.now().equals(heading) || c.before().equals(heading))
        .map(ColumnChange::change)
        .findFirst()
        .orElseThrow();
  }

  @Test
  void the_same_layout_is_read_as_it_was_corrected_by_hand_last_time() {
    Comparison same =
        compare(sample("SKU;Name;Weight;Shell;Shelf", "A-9;Tour Pannier;1120 g;nylon;R1"));
    assertThat(same.hasToBeSeen()).isFalse();
    assertThat(same.reading().columns().get(4).meaning()).isEqualTo(Meaning.KEEP);
    assertThat(same.reading().columns().get(4).reason()).contains("last sheet of Tolvane");
    assertThat(KNOWN.likeness(List.of("sku", "name", "weight", "shell", "shelf"))).isEqualTo(1);
    assertThat(KNOWN.likeness(List.of("Ref", "Title"))).isZero();
  }

  @Test
  void a_column_that_only_moved_takes_its_meaning_along() {
    Comparison moved =
        compare(sample("Shelf;SKU;Name;Weight;Shell", "R1;A-9;Tour Pannier;1120 g;nylon"));
    assertThat(moved.hasToBeSeen()).isFalse();
    assertThat(changeOf(moved, "Shelf")).isEqualTo(Change.MOVED);
    assertThat(changeOf(moved, "Weight")).as("only pushed aside").isEqualTo(Change.SAME);
    assertThat(moved.reading().columns().getFirst().meaning()).isEqualTo(Meaning.KEEP);
  }

  @Test
  void renamed_new_and_vanished_columns_have_to_be_seen() {
    Comparison changed =
        compare(sample("SKU;Name;Net weight;Shell;Hood", "A-9;Tour Pannier;1120 g;nylon;yes"));
    assertThat(changed.hasToBeSeen()).isTrue();
    assertThat(changeOf(changed, "Net weight")).isEqualTo(Change.RENAMED);
    assertThat(changeOf(changed, "Hood")).isEqualTo(Change.NEW);
    assertThat(changeOf(changed, "Shelf")).isEqualTo(Change.GONE);
  }

  @Test
  void weights_that_used_to_be_grams_are_never_read_as_grams_without_a_word() {
    Comparison units =
        compare(sample("SKU;Name;Weight;Shell;Shelf", "A-9;Tour Pannier;1.12 kg;nylon;R1"));
    assertThat(units.hasToBeSeen()).isTrue();
    assertThat(changeOf(units, "Weight")).isEqualTo(Change.OTHER_VALUES);
    assertThat(units.changes().get(2).note())
        .isEqualTo("used to hold amounts in g, around 940, now amounts in kg, around 1.12");
    Sample bare = sample("SKU;Name;Mass", "A;Bag;940", "B;Box;1200");
    KnownReading numbers = new KnownReading("Plain", bare.reading, bare.profiles);
    Sample now = sample("SKU;Name;Mass", "A;Bag;0.94", "B;Box;1.2");
    assertThat(numbers.compare(now.reading, now.profiles, KNOWLEDGE).hasToBeSeen()).isTrue();
  }

  @Test
  void a_column_whose_cells_became_something_else_is_noticed() {
    Comparison swapped =
        compare(sample("SKU;Name;Weight;Shell;Shelf", "A-9;Tour Pannier;moss green;nylon;R1"));
    assertThat(changeOf(swapped, "Weight")).isEqualTo(Change.OTHER_VALUES);
  }
}
