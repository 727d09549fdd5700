package rhetor.standins.harrowmere;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import rhetor.core.sheet.Sheet;

class HouseMakerTest {
  private static final Path DEMO = Path.of("../demo");
  @TempDir Path folder;

  @Test
  void the_demo_houses_sheets_are_what_the_program_makes() throws IOException {
    new HouseMaker().make(folder);
    for (String name :
        List.of("tolvane-luggage.csv", "kestering-locks.csv", "oskerby-rainwear.jsonl")) {
      assertThat(DEMO.resolve("sheets").resolve(name))
          .hasSameBinaryContentAs(folder.resolve("sheets").resolve(name));
    }
    assertThat(folder.resolve("sheets/brightwick-lighting.xlsx")).isNotEmptyFile();
  }

  @Test
  void the_house_has_about_150_products_of_four_suppliers_and_40_pictures() throws IOException {
    int products =
        Catalogue.tolvane().size()
            + Catalogue.kestering().size()
            + Catalogue.brightwick().size()
            + Catalogue.oskerby().size();
    assertThat(products).isBetween(140, 170);
    try (var pictures = Files.list(DEMO.resolve("pictures"))) {
      assertThat(pictures.count()).isEqualTo(40);
    }
  }

  @Test
  void a_picture_is_drawn_the_same_every_time_and_shows_something() throws IOException {
    PictureMaker maker = new PictureMaker();
    for (Catalogue.Shown shown : Catalogue.shown()) {
      var image = ImageIO.read(new ByteArrayInputStream(maker.draw(shown)));
      assertThat(image.getWidth()).isEqualTo(640);
      assertThat(image.getRGB(0, 0)).isEqualTo(0xFFFFFFFF);
    }
    Catalogue.Shown first = Catalogue.shown().getFirst();
    assertThat(maker.draw(first)).isEqualTo(maker.draw(first));
  }

  @Test
  void generated_sheets_have_the_rows_asked_for_and_the_same_ones_for_a_seed() throws IOException {
    Path one = folder.resolve("1.csv");
    Path two = folder.resolve("2.csv");
    new SheetGenerator(5).write(500, one);
    new SheetGenerator(5).write(500, two);
    assertThat(one).hasSameBinaryContentAs(two);
    assertThat(Sheet.open(one).layout().rows()).isEqualTo(500);
    assertThat(Sheet.open(one).layout().headings()).isEqualTo(SheetGenerator.HEADINGS);
  }

  @Test
  void check_digits_are_right() {
    assertThat(Catalogue.gtin("400638133393")).isEqualTo("4006381333931");
  }
}
