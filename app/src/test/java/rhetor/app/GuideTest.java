package rhetor.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import rhetor.app.people.Role;
import tools.jackson.databind.JsonNode;

/** The guide in the application: all that it leads to is there. */
@ExtendWith(RunningRhetor.class)
class GuideTest {
  private static final Pattern LINK = Pattern.compile("href=\"/guide/([^\"#]+)(?:#([^\"]+))?\"");
  private static final Pattern PICTURE = Pattern.compile("src=\"([^\"]+)\"");

  @Test
  void every_link_and_picture_of_every_page_is_there(RunningRhetor.House house) {
    Visitor reader = house.as(Role.READER);
    JsonNode first = reader.get("/api/guide").expect(200).body();
    List<String> pages = new ArrayList<>();
    first.path("chapters").forEach(c -> pages.add(c.path("id").asString()));
    assertThat(pages).hasSizeGreaterThan(7).first().isEqualTo("README");
    int pictures = 0;
    for (String page : pages) {
      JsonNode opened = reader.get("/api/guide?page=" + page).expect(200).body();
      assertThat(opened.path("title").asString()).isNotBlank();
      String html = opened.path("html").asString();
      assertThat(html).doesNotContain(".md\"").doesNotContain("../");
      for (MatchResult link : LINK.matcher(html).results().toList()) {
        String target =
            reader
                .get("/api/guide?page=" + link.group(1))
                .expect(200)
                .body()
                .path("html")
                .asString();
        if (link.group(2) != null) {
          assertThat(target).contains("id=\"" + link.group(2) + "\"");
        }
      }
      for (MatchResult picture : PICTURE.matcher(html).results().toList()) {
        reader.get(picture.group(1)).expect(200);
        pictures++;
      }
    }
    assertThat(pictures).isGreaterThan(8);
  }

  @Test
  void what_it_does_not_have_is_not_found(RunningRhetor.House house) {
    Visitor reader = house.as(Role.READER);
    reader.get("/api/guide?page=8-nothing").expect(404);
    reader.get("/api/guide?page=../application").expect(404);
    reader.get("/api/guide/pictures/none").expect(404);
  }
}
