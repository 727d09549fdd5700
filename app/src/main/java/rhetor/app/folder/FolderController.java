package rhetor.app.folder;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.security.Principal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import rhetor.app.log.Event;
import rhetor.app.log.HouseLog;
import rhetor.app.run.Authorship;

/** The watched folder over HTTP. */
@RestController
class FolderController {
  private final WatchedFolder folder;
  private final HouseLog log;

  FolderController(WatchedFolder folder, HouseLog log) {
    this.folder = folder;
    this.log = log;
  }

  /**
   * How the folder is watched.
   *
   * @param isWatched whether what is put there is taken in
   * @param writes whether what is new or changed is written for, too
   * @param author who writes then
   */
  record FolderOrder(boolean isWatched, boolean writes, @Valid @NotNull Authorship author) {}

  @GetMapping("/api/folder")
  WatchedFolder.State state() {
    return folder.state();
  }

  @PutMapping("/api/folder")
  WatchedFolder.State set(@Valid @RequestBody FolderOrder order, Principal person) {
    folder.set(order.isWatched(), order.writes(), order.author(), person.getName());
    log.note(
        person.getName(),
        Event.SETTING_CHANGED,
        "watched folder",
        order.isWatched()
            ? order.writes() ? "watched, and written for" : "watched"
            : "not watched");
    return folder.state();
  }
}
