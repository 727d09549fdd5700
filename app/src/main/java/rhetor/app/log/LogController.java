package rhetor.app.log;

import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The log over HTTP, for the owner. */
@RestController
class LogController {
  private static final int PAGE = 100;

  private final HouseLog log;

  LogController(HouseLog log) {
    this.log = log;
  }

  /**
   * A page of the log, the last entry first.
   *
   * @param before id of the last entry of the page before, 0 for the first page
   */
  @GetMapping("/api/log")
  List<HouseLog.LogEntry> page(
      @RequestParam(defaultValue = "") String search,
      @RequestParam(defaultValue = "0") long before) {
    return log.page(search, before, PAGE);
  }
}
