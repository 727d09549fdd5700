package rhetor.app.category;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Category pages over HTTP. */
@RestController
class CategoryController {
  private final Categories categories;
  private final CategoryTexts texts;

  CategoryController(Categories categories, CategoryTexts texts) {
    this.categories = categories;
    this.texts = texts;
  }

  @GetMapping("/api/categories")
  List<Categories.Line> all() {
    return categories.all();
  }

  /**
   * Which pages are meant.
   *
   * @param keys what the shop calls them by; none for all of them
   */
  record Pages(@NotNull @Size(max = 5000) List<@NotBlank @Size(max = 200) String> keys) {}

  @PostMapping("/api/categories/taken")
  CategoryTexts.Taken take(@RequestBody @Valid Pages pages, Principal who) {
    return texts.take(pages.keys(), who.getName());
  }
}
