package rhetor.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import rhetor.core.Products;

class PictureLinksTest {
  @Test
  void a_cell_names_one_picture_or_several_whatever_parts_them() {
    assertThat(PictureLinks.ofCell("https://p.example/a,b.jpg"))
        .containsExactly("https://p.example/a,b.jpg");
    assertThat(
            PictureLinks.ofCell(
                "https://p.example/a.jpg, https://p.example/b.jpg|https://p.example/c"))
        .containsExactly(
            "https://p.example/a.jpg", "https://p.example/b.jpg", "https://p.example/c");
    assertThat(PictureLinks.ofCell("https://p.example/a.jpg\nhttps://p.example/a.jpg"))
        .containsExactly("https://p.example/a.jpg");
    assertThat(PictureLinks.ofCell("kl-2001.png; kl 2001 back.png"))
        .containsExactly("kl-2001.png", "kl 2001 back.png");
    assertThat(PictureLinks.ofCell("on request")).isEmpty();
    assertThat(PictureLinks.ofCell("javascript:alert(1)")).isEmpty();
  }

  @Test
  void a_cell_with_thousands_of_addresses_gives_the_first_twenty() {
    StringBuilder cell = new StringBuilder();
    for (int i = 0; i < 5_000; i++) {
      cell.append("https://p.example/").append(i).append(".jpg ");
    }
    assertThat(PictureLinks.ofCell(cell.toString())).hasSize(20);
  }

  @Test
  void pictures_are_found_in_picture_columns_and_inside_descriptions() {
    assertThat(
            Products.of(
                    "SKU,Name,Image,Description",
                    "A-1,Roll Pannier,front.png,\"<p>A roomy pannier for long tours in the rain.<img src='https://p.example/in-use.jpg'></p>\"")
                .pictures())
        .isEqualTo(List.of("front.png", "https://p.example/in-use.jpg"));
  }
}
