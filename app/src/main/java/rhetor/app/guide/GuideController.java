package rhetor.app.guide;

import java.time.Duration;
import java.util.List;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The guide over HTTP. */
@RestController
class GuideController {
  private final Guide guide;

  GuideController(Guide guide) {
    this.guide = guide;
  }

  /** A page of the guide by its title. */
  record Chapter(String id, String title) {}

  /**
   * A page, with the titles of all.
   *
   * @param html what it says
   */
  record Opened(String id, String title, String html, List<Chapter> chapters) {}

  /** Opens a page; the first one if none is named. */
  @GetMapping("/api/guide")
  Opened open(@RequestParam(defaultValue = "") String page) {
    Guide.Page opened = guide.page(page);
    return new Opened(
        opened.id(),
        opened.title(),
        opened.html(),
        guide.pages().stream().map(p -> new Chapter(p.id(), p.title())).toList());
  }

  @GetMapping("/api/guide/pictures/{name:[a-z-]+}")
  ResponseEntity<Resource> picture(@PathVariable String name) {
    return ResponseEntity.ok()
        .contentType(MediaType.IMAGE_PNG)
        .cacheControl(CacheControl.maxAge(Duration.ofHours(1)).cachePrivate())
        .body(guide.picture(name));
  }
}
