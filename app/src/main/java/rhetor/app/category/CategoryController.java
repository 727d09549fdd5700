package rhetor.app.category;

import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** Category pages over HTTP. */
@RestController
class CategoryController {
  private final Categories categories;

  CategoryController(Categories categories) {
    this.categories = categories;
  }

  @GetMapping("/api/categories")
  List<Categories.Line> all() {
    return categories.all();
  }
}
