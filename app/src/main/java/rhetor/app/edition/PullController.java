package rhetor.app.edition;

import java.security.Principal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RestController;

/** Pulling the shop's products in, over HTTP. */
@RestController
class PullController {
  private final PullService pulls;

  PullController(PullService pulls) {
    this.pulls = pulls;
  }

  /**
   * How far a pull is.
   *
   * @param status RUNNING, DONE, FAILED, or NONE if there never was one
   */
  record PullView(int categories, int pulled, String status, String trouble) {}

  private static PullView view(PullService.Pull p) {
    return new PullView(p.categories(), p.pulled(), p.status().name(), p.trouble());
  }

  @GetMapping("/api/pulls/latest")
  PullView latest() {
    return pulls.latest().map(PullController::view).orElse(new PullView(0, 0, "NONE", ""));
  }

  @PostMapping("/api/pulls")
  PullView start(Principal person) {
    return view(pulls.start(person.getName()));
  }
}
