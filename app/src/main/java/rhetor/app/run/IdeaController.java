package rhetor.app.run;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.util.List;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** The list of ideas over HTTP. */
@RestController
class IdeaController {
  private static final int LONGEST = 200_000;

  private final Ideas ideas;

  IdeaController(Ideas ideas) {
    this.ideas = ideas;
  }

  /** Ideas, one a line. */
  record NewIdeas(@NotBlank @Size(max = LONGEST) String lines) {}

  @GetMapping("/api/ideas")
  List<Ideas.Idea> all() {
    return ideas.all();
  }

  @PostMapping("/api/ideas")
  List<Ideas.Idea> add(@Valid @RequestBody NewIdeas body, Principal person) {
    ideas.add(body.lines(), person.getName());
    return ideas.all();
  }

  @DeleteMapping("/api/ideas/{id}")
  List<Ideas.Idea> remove(@PathVariable long id) {
    ideas.remove(id);
    return ideas.all();
  }
}
