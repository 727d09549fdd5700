package rhetor.app.intake;

import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** What people said that columns are, over HTTP. */
@RestController
class ColumnAnswerController {
  private static final int PAGE = 100;

  private final ColumnAnswers answers;

  ColumnAnswerController(ColumnAnswers answers) {
    this.answers = answers;
  }

  /**
   * A page of answers by heading.
   *
   * @param after the heading of the last answer of the page before, empty for the first page
   * @param afterId that answer's id
   */
  @GetMapping("/api/column-answers")
  List<ColumnAnswers.ColumnAnswer> page(
      @RequestParam(defaultValue = "") String search,
      @RequestParam(defaultValue = "") String after,
      @RequestParam(defaultValue = "0") long afterId) {
    return answers.page(search, after, afterId, PAGE);
  }

  @DeleteMapping("/api/column-answers/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void forget(@PathVariable long id) {
    answers.forget(id);
  }
}
