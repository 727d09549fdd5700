package rhetor.core.image;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import rhetor.core.image.FileNameMatch.Candidate;

class FileNameMatchTest {
  private static final List<Candidate> HOUSE =
      List.of(
          new Candidate(1, "KL-200", "Bastion U-Lock 14"),
          new Candidate(2, "KL-2001", "Bastion U-Lock 16"),
          new Candidate(3, "TV-1001", "Roll Pannier 20"),
          new Candidate(4, "TV-1002", "Roll Pannier 20"),
          new Candidate(5, "CB-9", "Marsh Saddle Bag"));

  @ParameterizedTest
  @CsvSource({
    "kl-2001.png,2",
    "KL2001_front.JPG,2",
    "kl_200-side.png,1",
    "IMG_marsh-saddle-bag_final.jpg,5",
    "marshSaddleBag.webp,5"
  })
  void a_picture_belongs_to_the_product_whose_code_or_name_its_file_has(String file, long product) {
    assertThat(FileNameMatch.find(file, HOUSE).orElseThrow().productId()).isEqualTo(product);
  }

  @Test
  void a_code_is_surer_than_a_name_and_says_why() {
    FileNameMatch code = FileNameMatch.find("tv-1001.png", HOUSE).orElseThrow();
    assertThat(code.confidence()).isEqualTo(1);
    assertThat(code.reason()).contains("TV-1001");
    FileNameMatch name = FileNameMatch.find("marsh saddle bag.jpg", HOUSE).orElseThrow();
    assertThat(name.confidence()).isLessThan(0.9);
    assertThat(name.reason()).contains("3 of the 3 words");
  }

  @ParameterizedTest
  @CsvSource({"roll-pannier-20.jpg", "DSC_0042.jpg", "holiday.png"})
  void what_fits_two_products_or_none_is_left_to_a_person(String file) {
    assertThat(FileNameMatch.find(file, HOUSE)).isEmpty();
  }
}
