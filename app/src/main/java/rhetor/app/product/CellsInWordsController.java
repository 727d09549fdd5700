package rhetor.app.product;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What the house says that cells mean, over HTTP. */
@RestController
class CellsInWordsController {
  private final CellsInWords cells;

  CellsInWordsController(CellsInWords cells) {
    this.cells = cells;
  }

  record CellWordBody(
      @NotBlank @Size(max = 1000) String written, @NotNull @Size(max = 400) String words) {}

  /**
   * Cells of one kind of fact in words.
   *
   * @param fact id of the fact that they are read as
   */
  record CellsOfFactBody(
      @NotBlank @Size(max = 200) String fact, @NotNull List<@Valid @NotNull CellWordBody> cells) {
    CellsInWords.CellsOfFact said() {
      return new CellsInWords.CellsOfFact(
          fact,
          cells.stream().map(c -> new CellsInWords.CellWord(c.written(), c.words())).toList());
    }
  }

  /** Cells of some kinds of facts in words, kept together or not at all. */
  record CellsBody(@NotNull List<@Valid @NotNull CellsOfFactBody> facts) {}

  /** The cells that are read as a kind of fact, with what the house says that they mean. */
  @GetMapping("/api/cells")
  List<CellsInWords.CellLine> of(@RequestParam String fact) {
    return cells.of(fact);
  }

  /** Keeps what cells mean; empty words take it back. */
  @PutMapping("/api/cells")
  CellsInWords.Done put(@Valid @RequestBody CellsBody body, Principal person) {
    return cells.put(body.facts().stream().map(CellsOfFactBody::said).toList(), person.getName());
  }
}
